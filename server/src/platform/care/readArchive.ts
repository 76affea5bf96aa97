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
import { Refusal } from '../errors.ts';
import type { Row } from './studentRows.ts';
import { type OpenZip, openZip } from './zips.ts';

/** Reading of an export that came from outside; runs on a worker. */

export interface ArchiveTask {
  readonly path: string;
  readonly bytes: number;
  /** Where clips are put until their rows are written; `prefix` marks them as half. */
  readonly folder: string;
  readonly prefix: string;
}

export interface Archive {
  readonly studentId: string;
  /** Rows as the database holds them, table by table in the order in which they go in. */
  readonly tables: readonly (readonly [table: string, rows: readonly Row[]])[];
  readonly ownDrills: readonly OwnDrillDocument[];
  /** Kept name, and where it lies now. */
  readonly clips: readonly {
    readonly file: string;
    readonly path: string;
    readonly hash: string;
    readonly bytes: number;
  }[];
}

const DOCUMENT_BYTES = 64 * 1024 * 1024;
const CLIP_NAME = /^clips\/([0-9a-f]{64})\.([a-z0-9]{2,4})$/;
/** Clips are packed already: an archive that would swell more than this is a trap. */
const MOST_SWELLING = 3;

const no = (part: string): Refusal => new Refusal('archive_unreadable', { part });

/** Everything an archive holds, held against its list, its shapes and itself; a refusal says what is wrong. */
export async function readArchive(task: ArchiveTask): Promise<Archive> {
  const zip = await openZip(task.path).catch(() => {
    throw no('it is no ZIP, or breaks off');
  });
  try {
    const manifest = await manifestOf(zip);
    const swollen = manifest.files.reduce((sum, { bytes }) => sum + bytes, 0);
    if (swollen > MOST_SWELLING * task.bytes + 2 * DOCUMENT_BYTES) throw no('it would grow beyond measure');
    const tables = await tablesOf(zip, manifest);
    checkBelongs(tables, manifest);
    const drills = ownDrillsDocument.safeParse(await json(zip, 'own_drills.json'));
    if (!drills.success) throw no('own_drills.json');
    const clips = await clipsOf(zip, manifest, task);
    for (const file of filesNamed(tables))
      if (!clips.some((clip) => clip.file === file)) throw no(`clips/${file} is missing`);
    return { studentId: manifest.studentId, tables, ownDrills: drills.data.drills, clips };
  } finally {
    zip.close();
  }
}

async function json(zip: OpenZip, name: string): Promise<unknown> {
  try {
    return JSON.parse((await zip.bytes(name, DOCUMENT_BYTES)).toString('utf8'));
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

async function clipsOf(
  zip: OpenZip,
  manifest: StudentManifest,
  task: ArchiveTask,
): Promise<Archive['clips']> {
  const clips: { file: string; path: string; hash: string; bytes: number }[] = [];
  for (const told of manifest.files) {
    const [, hash, ending] = CLIP_NAME.exec(told.name) ?? [];
    if (!hash || !ending) continue;
    if (told.sha256 !== hash) throw no(told.name);
    const path = join(task.folder, `${task.prefix}${clips.length}`);
    const found = await zip.extract(told.name, path).catch(() => {
      throw no(told.name);
    });
    if (found.sha256 !== hash || found.bytes !== told.bytes) throw no(told.name);
    clips.push({ file: `${hash}.${ending}`, path, hash, bytes: found.bytes });
  }
  return clips;
}
