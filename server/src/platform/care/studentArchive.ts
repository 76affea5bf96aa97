import type { Readable } from 'node:stream';
import { type FileEntry, STUDENT_FORMAT, STUDENT_TABLES } from '@inchstep/contract/care';
import { pressureCsv, shotsCsv } from '@inchstep/contract/formats';
import type { Database } from 'better-sqlite3';
import Papa from 'papaparse';
import type { Context } from '../context.ts';
import { Refusal } from '../errors.ts';
import { NO_ADDRESS } from '../outbox.ts';
import { namesDrill, ownDrillsIn } from './arrivalDrills.ts';
import { filesOfStudent } from './erase.ts';
import { type Row, rowsOfStudent } from './studentRows.ts';
import { entryOfBytes, entryOfFile, type ZipPart, zipOf } from './zips.ts';

/** What an export reads from; nothing of it is written. */
type ExportFrom = Pick<Context, 'files' | 'outbox' | 'now'> & {
  readonly db: { readonly $client: Database };
};

/**
 * A student's whole record as a ZIP: every table as JSON with its version, tables of numbers as CSV beside it,
 * clips and motion files as they came, letters as mail files, and a list with the digest of each.
 */
export async function exportStudent(ctx: ExportFrom, studentId: string): Promise<Readable> {
  const client = ctx.db.$client;
  const tables = rowsOfStudent(client, studentId);
  if (tables.get('students')?.length !== 1) throw new Refusal('not_found');
  const texts = [...documents(tables), ownDrills(client, tables), ...csvFiles(tables)];
  const inside: ZipPart[] = texts.map(([name, text]) => ({ name, bytes: Buffer.from(text) }));
  for (const mail of tables.get('mails') ?? [])
    inside.push({
      name: `mails/${mail.id}.eml`,
      bytes: await ctx.outbox.letter({
        id: String(mail.id),
        toName: String(mail.to_name),
        toAddress: NO_ADDRESS,
        stop: null,
        event: null,
        subject: String(mail.subject),
        text: String(mail.text),
        at: new Date(String(mail.at)),
      }),
    });
  const clips = filesOfStudent(client, studentId).map((file) => ({
    name: `clips/${file}`,
    path: ctx.files.existing(file),
  }));
  const files: FileEntry[] = [];
  for (const part of [...inside, ...clips])
    files.push(
      'bytes' in part ? entryOfBytes(part.name, part.bytes) : await entryOfFile(part.name, part.path),
    );
  const manifest = { format: STUDENT_FORMAT, madeAt: ctx.now().toISOString(), studentId, files };
  return zipOf([
    { name: 'manifest.json', bytes: Buffer.from(JSON.stringify(manifest, null, 1)) },
    ...inside,
    ...clips,
  ]);
}

type Text = readonly [name: string, text: string];

function documents(tables: ReadonlyMap<string, readonly Row[]>): Text[] {
  return STUDENT_TABLES.map(({ table, json }) => {
    const rows = (tables.get(table) ?? []).map((row) =>
      Object.fromEntries(
        Object.entries(row).map(([column, value]) => [
          column,
          json.includes(column) && typeof value === 'string' ? JSON.parse(value) : value,
        ]),
      ),
    );
    return [`${table}.json`, JSON.stringify({ format: `inchstep.${table}/1`, rows }, null, 1)];
  });
}

/** The coach's own drills that the record names: without them it could not be read elsewhere. */
function ownDrills(client: Database, tables: ReadonlyMap<string, readonly Row[]>): Text {
  const isNamed = namesDrill((table) => tables.get(table) ?? []);
  const drills = ownDrillsIn(client).filter(({ drill }) => isNamed(drill.id));
  return ['own_drills.json', JSON.stringify({ format: 'inchstep.drills/1', drills }, null, 1)];
}

function csvFiles(tables: ReadonlyMap<string, readonly Row[]>): Text[] {
  const profile = JSON.parse(String(tables.get('students')?.[0]?.profile)) as { handedness: string };
  const rows = (table: string) => tables.get(table) ?? [];
  const readings = rows('readings').flatMap((row) => {
    const { measures } = JSON.parse(String(row.body)) as {
      measures: { id: string; station: string; value: number; sd: number; verdict: string }[];
    };
    // What an older program kept may be no list; the JSON beside holds it as it is.
    return (Array.isArray(measures) ? measures : []).map((m) => ({
      day: row.recorded_on,
      swing: row.swing_id,
      measure: m.id,
      station: m.station,
      value: m.value,
      sd: m.sd,
      verdict: m.verdict,
    }));
  });
  return [
    [
      'csv/sets.csv',
      table(
        rows('set_logs').map(({ date, drill, stage, reps, felt, from }) => ({
          date,
          drill,
          stage,
          reps,
          felt,
          from,
        })),
      ),
    ],
    ['csv/readings.csv', table(readings)],
    ...rows('shot_sets').map(
      (row): Text => [
        `csv/shots-${row.id}.csv`,
        shotsCsv(JSON.parse(String(row.shots)), profile.handedness === 'left'),
      ],
    ),
    ...rows('pressures').map(
      (row): Text => [`csv/pressure-${row.swing_id}.csv`, pressureCsv(JSON.parse(String(row.body)))],
    ),
  ];
}

/** A cell that a table program would take for a formula is written as text. */
const table = (rows: readonly object[]): string =>
  `${Papa.unparse([...rows] as object[], { newline: '\n', escapeFormulae: true })}\n`;
