import { join } from 'node:path';
import {
  ownDrillsDocument,
  STUDENT_FORMAT,
  STUDENT_TABLES,
  type StudentManifest,
  studentManifest,
  tableDocument,
} from '@inchstep/contract/care';
import { type OwnDrillDocument, pathText } from '@inchstep/contract/formats';
import { plainTexts } from '@inchstep/core/foundation';
import type { Database } from 'better-sqlite3';
import { parse } from 'secure-json-parse';
import { checkShape } from '../bodies.ts';
import { openDb } from '../db.ts';
import { Refusal } from '../errors.ts';
import { namesDrill } from './arrivalDrills.ts';
import { asHistory } from './asHistory.ts';
import type { Row } from './studentRows.ts';
import { type OpenZip, openZip } from './zips.ts';

/** Reading of an export that came from outside, in a helper process: it is killed where the file is too much for it. */

export interface ArchiveTask {
  readonly path: string;
  readonly bytes: number;
  /** An empty folder of its own, where the record is laid out to be taken over. */
  readonly folder: string;
  /** The moment of its coming. */
  readonly at: string;
}

/** A record that lies in its folder as a database of this program's, with its clips beside it. */
export interface ArrivedRecord {
  readonly studentId: string;
  readonly name: string;
  readonly rows: number;
  readonly clips: readonly ArrivedClip[];
  /** The coach's own drills that its rows name. */
  readonly drills: readonly OwnDrillDocument[];
  readonly mail: string | null;
  readonly unsent: number;
  /** The day of the next lesson, where an older program kept it with the profile. */
  readonly nextLesson: string | null;
}

/** The name it is kept by, and where it lies now. */
export interface ArrivedClip {
  readonly file: string;
  readonly path: string;
  readonly hash: string;
  readonly bytes: number;
}

const DOCUMENT_BYTES = 64 * 1024 * 1024;
const CLIP_NAME = /^clips\/([0-9a-f]{64})\.([a-z0-9]{2,4})$/;
/** Clips are packed already: an archive that would swell more than this is a trap. */
const MOST_SWELLING = 3;
/** Documents, letters and clips of one student. */
const MOST_ENTRIES = 100_000;

const no = (part: string): Refusal => new Refusal('archive_unreadable', { part });

/** Everything an archive holds, held against its list, its shapes and itself; a refusal says what is wrong. */
export async function readArchive(task: ArchiveTask): Promise<ArrivedRecord> {
  const zip = await openZip(task.path, MOST_ENTRIES).catch(() => {
    throw no('it is no ZIP, or breaks off');
  });
  try {
    const manifest = await manifestOf(zip);
    const swollen = manifest.files.reduce((sum, { bytes }) => sum + bytes, 0);
    if (swollen > MOST_SWELLING * task.bytes + 2 * DOCUMENT_BYTES) throw no('it would grow beyond measure');
    const tables = await tablesOf(zip, manifest);
    checkBelongs(tables, manifest);
    const read = ownDrillsDocument.safeParse(await json(zip, 'own_drills.json'));
    if (!read.success) throw no('own_drills.json');
    const rowsOf = (name: string) => tables.find(([table]) => table === name)?.[1] ?? [];
    const isNamed = namesDrill(rowsOf);
    const drills = read.data.drills.filter(({ drill }) => isNamed(drill.id));
    if (new Set(drills.map(({ drill }) => drill.id)).size < drills.length) throw no('own_drills.json');
    const clips = await clipsOf(zip, manifest, task);
    const kept = new Set(clips.map(({ file }) => file));
    for (const file of filesNamed(tables)) if (!kept.has(file)) throw no(`clips/${file} is missing`);
    layOut(tables, task);
    return { ...summaryOf(rowsOf, manifest.studentId), rows: countOf(tables), clips, drills };
  } finally {
    zip.close();
  }
}

const countOf = (tables: readonly [string, readonly Row[]][]): number =>
  tables.reduce((sum, [, rows]) => sum + rows.length, 0);

function summaryOf(rowsOf: (name: string) => readonly Row[], studentId: string) {
  const profile = JSON.parse(String(rowsOf('students')[0]?.profile)) as {
    firstName: string;
    familyName: string;
    nextLesson: string | null;
    mail?: { address: string } | null;
  };
  return {
    studentId,
    name: `${profile.firstName} ${profile.familyName}`,
    nextLesson: profile.nextLesson,
    mail: profile.mail?.address ?? null,
    unsent: rowsOf('mails').filter((row) => row.made_at === null && (row.failed_at ?? null) === null).length,
  };
}

/** Puts the rows into a database of their own, with every rule of the program's: what is wrong with them shows here. */
function layOut(tables: readonly [string, readonly Row[]][], { folder, at }: ArchiveTask): void {
  const { $client } = openDb(folder);
  try {
    $client.transaction(() => {
      for (const [table, rows] of tables)
        for (const row of rows) insertRow($client, table, asHistory(table, row, at));
    })();
  } catch (error) {
    if (String((error as { code?: string }).code).startsWith('SQLITE_CONSTRAINT'))
      throw no('its rows contradict each other');
    throw error;
  } finally {
    $client.close();
  }
}

/** Writes a row as it is; its columns are the table's own, since its shape was checked. */
export function insertRow(client: Database, table: string, row: Row): void {
  const columns = Object.keys(row);
  const names = columns.map((name) => `"${name}"`).join(', ');
  client
    .prepare(`INSERT INTO "${table}" (${names}) VALUES (${columns.map(() => '?').join(', ')})`)
    .run(...columns.map((name) => row[name]));
}

async function json(zip: OpenZip, name: string): Promise<unknown> {
  try {
    const bytes = await zip.bytes(name, DOCUMENT_BYTES);
    checkShape(bytes, Number.POSITIVE_INFINITY);
    return plainTexts(parse(bytes.toString('utf8')));
  } catch {
    throw no(name);
  }
}

async function manifestOf(zip: OpenZip): Promise<StudentManifest> {
  const told = await json(zip, 'manifest.json');
  const format = String((told as { format?: unknown } | null)?.format ?? '');
  if (/^inchstep\.student\/\d+$/.test(format) && format !== STUDENT_FORMAT)
    throw new Refusal('archive_newer');
  const manifest = studentManifest.safeParse(told);
  if (!manifest.success) throw no('manifest.json');
  return manifest.data;
}

async function tablesOf(zip: OpenZip, manifest: StudentManifest): Promise<[string, Row[]][]> {
  const tables: [string, Row[]][] = [];
  for (const table of STUDENT_TABLES) {
    if (table.later && !zip.entries.has(`${table.table}.json`)) continue;
    const document = await json(zip, `${table.table}.json`);
    const read = tableDocument(table).safeParse(document);
    if (!read.success) {
      const issue = read.error.issues[0];
      throw no(`${table.table}.json, ${pathText(issue?.path ?? [])}: ${issue?.message ?? ''}`.slice(0, 200));
    }
    // What was read is only checked: the rows go in as they were written.
    const rows = (document as { rows: Row[] }).rows;
    tables.push([table.table, rows.map((row) => asStored(row, table.json))]);
  }
  if (!manifest.files.length) throw no('manifest.json');
  return tables;
}

const asStored = (row: Row, columns: readonly string[]): Row =>
  Object.fromEntries(
    Object.entries(row).map(([column, value]) => [
      column,
      columns.includes(column) && value !== null ? JSON.stringify(value) : value,
    ]),
  );

/** No row may be somebody else's, whatever the list says, and every row must hang on one that is there. */
function checkBelongs(tables: readonly [string, Row[]][], { studentId }: StudentManifest): void {
  const rows = (name: string) => tables.find(([table]) => table === name)?.[1] ?? [];
  if (rows('students').length !== 1 || rows('students')[0]?.id !== studentId) throw no('students.json');
  for (const [name, all] of tables)
    if (all.some((row) => 'student_id' in row && row.student_id !== studentId)) throw no(`${name}.json`);
  const ids = (name: string) => new Set(rows(name).map((row) => row.id));
  const hangs: [table: string, column: string, on: string][] = [
    ['readings', 'swing_id', 'swings'],
    ['pressures', 'swing_id', 'swings'],
    ['shot_sets', 'swing_id', 'swings'],
    ['drill_choices', 'diagnosis_id', 'diagnoses'],
    ['replies', 'checkin_id', 'checkins'],
    ['enclosures', 'checkin_id', 'checkins'],
  ];
  for (const [table, column, on] of hangs) {
    const known = ids(on);
    if (rows(table).some((row) => row[column] !== null && !known.has(row[column]))) throw no(`${table}.json`);
  }
  const clips = ids('clips');
  for (const name of ['checkins', 'enclosures'])
    for (const row of rows(name))
      if ((JSON.parse(String(row.clip_ids)) as string[]).some((id) => !clips.has(id)))
        throw no(`${name}.json`);
  for (const row of rows('swings'))
    if (
      (JSON.parse(String(row.body)) as { views: { clipId: string | null }[] }).views.some(
        ({ clipId }) => clipId !== null && !clips.has(clipId),
      )
    )
      throw no('swings.json');
}

const filesNamed = (tables: readonly [string, Row[]][]): string[] =>
  tables.flatMap(([table, rows]) =>
    table === 'clips' || table === 'enclosures'
      ? rows.map((row) => String(row.file))
      : table === 'swings'
        ? rows.flatMap(
            (row) => (JSON.parse(String(row.body)) as { track?: { file?: string } | null }).track?.file ?? [],
          )
        : [],
  );

async function clipsOf(zip: OpenZip, manifest: StudentManifest, task: ArchiveTask): Promise<ArrivedClip[]> {
  const clips: ArrivedClip[] = [];
  for (const told of manifest.files) {
    const [, hash, ending] = CLIP_NAME.exec(told.name) ?? [];
    if (!hash || !ending) continue;
    // What the ZIP itself says of its length is enforced while reading: nothing larger is ever unpacked.
    if (told.sha256 !== hash || zip.entries.get(told.name)?.uncompressedSize !== told.bytes)
      throw no(told.name);
    const path = join(task.folder, `clip-${clips.length}`);
    const found = await zip.extract(told.name, path).catch(() => {
      throw no(told.name);
    });
    if (found.sha256 !== hash || found.bytes !== told.bytes) throw no(told.name);
    clips.push({ file: `${hash}.${ending}`, path, hash, bytes: found.bytes });
  }
  return clips;
}
