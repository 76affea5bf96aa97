import { join } from 'node:path';
import { setImmediate as breathe } from 'node:timers/promises';
import type { TakenIn } from '@inchstep/contract/care';
import { STUDENT_TABLES } from '@inchstep/contract/care';
import type { OwnDrillDocument } from '@inchstep/contract/formats';
import Database from 'better-sqlite3';
import { pauseForPainNow, setNextLesson } from '../../rooms/intake/index.ts';
import { type Context, stamp, today } from '../context.ts';
import { Refusal } from '../errors.ts';
import { DATABASE_FILE } from '../folder.ts';
import { drillsToAdd, ownDrillsIn } from './arrivalDrills.ts';
import { type ArrivedClip, type ArrivedRecord, insertRow } from './readArchive.ts';
import type { Row } from './studentRows.ts';

/** SQLite's own: pages of the log after which it is written back. */
const USUAL_PAGES = 1000;
/** So long rows are written before everybody else has a turn. */
const SLICE_MS = 10;

/**
 * Takes a record over that lies in `folder`, whole or not at all, in slices between which others are answered. The
 * student's own row comes last: until then nobody sees anything of it, and what a stop leaves is taken out at the start.
 */
export async function takeOver(ctx: Context, record: ArrivedRecord, folder: string): Promise<TakenIn> {
  const { studentId } = record;
  announce(ctx, studentId);
  const source = new Database(join(folder, DATABASE_FILE), { readonly: true });
  try {
    // The log is written back by a helper: here it would hold everybody up.
    ctx.db.$client.pragma('wal_autocheckpoint = 0');
    const files = new Map(record.clips.map((clip) => [clip.file, clip]));
    for (const { table } of STUDENT_TABLES)
      if (table !== 'students') await copyTable(ctx, source, table, files);
    await writeBack(ctx);
    const [student] = source.prepare('SELECT * FROM students').all() as Row[];
    ctx.db.transaction(() => {
      insertRow(ctx.db.$client, 'students', student as Row);
      addDrills(ctx, record.drills);
      ctx.db.$client.prepare('DELETE FROM arrivals WHERE student_id = ?').run(studentId);
      // Older programs kept the day of the next lesson with the profile, and "pain now" without its pause.
      if (record.nextLesson !== null && record.nextLesson >= today(ctx))
        setNextLesson(ctx, studentId, record.nextLesson, 'the program');
      pauseForPainNow(ctx, studentId);
    });
  } catch (error) {
    takeOut(ctx, studentId);
    if (String((error as { code?: string }).code).startsWith('SQLITE_CONSTRAINT'))
      throw new Refusal('id_taken');
    throw error;
  } finally {
    source.close();
    ctx.db.$client.pragma(`wal_autocheckpoint = ${USUAL_PAGES}`);
  }
  ctx.records.everybodyChanged();
  return { studentId, name: record.name, rows: record.rows, clips: record.clips.length };
}

/** Has the log put on the disk and written back by a helper: the last transaction then has little to wait for. */
async function writeBack(ctx: Context): Promise<void> {
  await ctx.jobs.run('writeBack', { file: join(ctx.dataDir, DATABASE_FILE) }).catch(() => undefined);
}

/** Notes the arrival, so that a stop in the middle leaves nothing; refused where the student is here, or coming. */
function announce(ctx: Context, studentId: string): void {
  const client = ctx.db.$client;
  ctx.db.transaction(() => {
    if (client.prepare('SELECT 1 FROM students WHERE id = ?').get(studentId))
      throw new Refusal('already_here');
    if (client.prepare('SELECT 1 FROM arrivals WHERE student_id = ?').get(studentId))
      throw new Refusal('busy');
    client.prepare('INSERT INTO arrivals (student_id, at) VALUES (?, ?)').run(studentId, stamp(ctx));
  });
}

async function copyTable(
  ctx: Context,
  source: Database.Database,
  table: string,
  files: ReadonlyMap<string, ArrivedClip>,
): Promise<void> {
  const rows = source.prepare(`SELECT * FROM "${table}" ORDER BY rowid`).iterate() as IterableIterator<Row>;
  try {
    while (!slice(ctx, table, rows, files)) await breathe();
  } finally {
    rows.return?.();
  }
}

/** Writes as many rows as a short moment holds; true when there are no more. Their files come with them. */
function slice(
  ctx: Context,
  table: string,
  rows: IterableIterator<Row>,
  files: ReadonlyMap<string, ArrivedClip>,
): boolean {
  const client = ctx.db.$client;
  const until = performance.now() + SLICE_MS;
  // The row that all of them hang on comes last.
  client.pragma('foreign_keys = OFF');
  // Nothing is acknowledged before the last transaction, so that a slice need not wait for the disk.
  client.pragma('synchronous = NORMAL');
  try {
    return client.transaction(() => {
      while (performance.now() < until) {
        const next = rows.next();
        if (next.done) return true;
        const clip = files.get(fileOf(table, next.value) ?? '');
        if (clip) ctx.files.keep(clip, clip.file.split('.')[1] as string);
        insertRow(client, table, next.value);
      }
      return false;
    })();
  } finally {
    client.pragma('synchronous = FULL');
    client.pragma('foreign_keys = ON');
  }
}

function fileOf(table: string, row: Row): string | null {
  if (table === 'clips' || table === 'enclosures') return String(row.file);
  if (table !== 'swings') return null;
  return (JSON.parse(String(row.body)) as { track?: { file?: string } | null }).track?.file ?? null;
}

function addDrills(ctx: Context, brought: readonly OwnDrillDocument[]): void {
  const add = ctx.db.$client.prepare('INSERT INTO own_drills (id, document, at) VALUES (?, ?, ?)');
  for (const entry of drillsToAdd(brought, ownDrillsIn(ctx.db.$client)))
    add.run(entry.drill.id, JSON.stringify(entry), stamp(ctx));
}

/** Takes a half record out again: a row to hang on, and everything goes with it. */
function takeOut(ctx: Context, studentId: string): void {
  const client = ctx.db.$client;
  ctx.db.transaction(() => {
    client
      .prepare("INSERT OR IGNORE INTO students (id, version, profile, created_at) VALUES (?, 1, '{}', '')")
      .run(studentId);
    client.prepare('DELETE FROM students WHERE id = ?').run(studentId);
    client.prepare('DELETE FROM arrivals WHERE student_id = ?').run(studentId);
  });
}

/** What a stop left half is taken out. Returns how many records went. */
export function clearArrivals(ctx: Context): number {
  const half = ctx.db.$client.prepare('SELECT student_id FROM arrivals').pluck().all() as string[];
  for (const studentId of half) takeOut(ctx, studentId);
  return half.length;
}
