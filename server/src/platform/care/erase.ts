import { UNDO_MINUTES } from '@inchstep/core/foundation';
import type { Database } from 'better-sqlite3';
import { and, eq, isNotNull, isNull, lte } from 'drizzle-orm';
import { type Context, stamp } from '../context.ts';
import { Refusal } from '../errors.ts';
import { countForgetting } from '../programFacts.ts';
import { erasures } from '../tables.ts';
import { filesInUse } from './filesInUse.ts';
import { rowsOfStudent } from './studentRows.ts';

export type ErasureRow = typeof erasures.$inferSelect;
type What = ErasureRow['what'];

/** Asks for erasing; it is carried out after `UNDO_MINUTES` unless it is taken back. Asked twice, it is one. */
export function askErasure(ctx: Context, id: string, what: What, subjectId: string): void {
  ctx.db.transaction(() => {
    if (ctx.db.select().from(erasures).where(eq(erasures.id, id)).get()) return;
    if (!subjectExists(ctx, what, subjectId)) throw new Refusal('not_found');
    const open = openErasures(ctx).find((row) => row.what === what && row.subjectId === subjectId);
    if (open) return;
    const dueAt = new Date(ctx.now().getTime() + UNDO_MINUTES * 60_000).toISOString();
    ctx.db
      .insert(erasures)
      .values({
        id,
        what,
        subjectId,
        askedAt: stamp(ctx),
        dueAt,
        takenBackAt: null,
        doneAt: null,
        receipt: null,
        left: null,
        cleanAt: null,
      })
      .run();
  });
}

export function takeBackErasure(ctx: Context, id: string): void {
  const row = ctx.db.select().from(erasures).where(eq(erasures.id, id)).get();
  if (!row) throw new Refusal('not_found');
  if (row.doneAt !== null) throw new Refusal('erase_due');
  ctx.db
    .update(erasures)
    .set({ takenBackAt: stamp(ctx) })
    .where(eq(erasures.id, id))
    .run();
}

const openErasures = (ctx: Context): ErasureRow[] =>
  ctx.db
    .select()
    .from(erasures)
    .where(and(isNull(erasures.doneAt), isNull(erasures.takenBackAt)))
    .all();

export const listErasures = (ctx: Context): ErasureRow[] =>
  ctx.db.select().from(erasures).where(isNull(erasures.takenBackAt)).orderBy(erasures.askedAt).all();

function subjectExists(ctx: Context, what: What, id: string): boolean {
  const table = what === 'student' ? 'students' : 'clips';
  return ctx.db.$client.prepare(`SELECT 1 FROM ${table} WHERE id = ?`).get(id) !== undefined;
}

/**
 * Carries out what is due: the rows go at once, overwritten in the database, and what lies beside them is written down in
 * the same breath, so that a stop in between forgets none of it (`finishErasures`).
 */
export function carryOutErasures(ctx: Context): number {
  const due = ctx.db
    .select()
    .from(erasures)
    .where(and(isNull(erasures.doneAt), isNull(erasures.takenBackAt), lte(erasures.dueAt, stamp(ctx))))
    .all();
  for (const row of due) {
    ctx.db.transaction(
      () => {
        const { receipt, ...left } =
          row.what === 'student' ? eraseStudent(ctx, row.subjectId) : eraseClip(ctx, row.subjectId);
        ctx.db
          .update(erasures)
          .set({ doneAt: stamp(ctx), receipt, left })
          .where(eq(erasures.id, row.id))
          .run();
        countForgetting(ctx.db);
      },
      { behavior: 'immediate' },
    );
    if (row.what === 'student') ctx.records.forget(row.subjectId);
  }
  return due.length;
}

const finishing = new WeakMap<Context, Promise<number>>();

/** Lets go what lies beside erased rows, until nothing of it is left on the disk. Returns how many are not clean yet. */
export function finishErasures(ctx: Context): Promise<number> {
  const before = finishing.get(ctx);
  if (before) return before;
  const run = finishAll(ctx).finally(() => finishing.delete(ctx));
  finishing.set(ctx, run);
  return run;
}

async function finishAll(ctx: Context): Promise<number> {
  const open = ctx.db
    .select()
    .from(erasures)
    .where(and(isNotNull(erasures.doneAt), isNull(erasures.cleanAt)))
    .all();
  if (open.length === 0) return 0;
  const inUse = new Set(filesInUse(ctx.db.$client));
  for (const { what, subjectId, left } of open) {
    for (const file of left?.files ?? []) if (!inUse.has(file)) ctx.files.remove(file);
    for (const letter of left?.letters ?? []) ctx.outbox.remove(letter);
    if (what === 'student') await ctx.pieces.dropAllAbout(subjectId);
  }
  // The log still holds the pages as they were; while somebody reads them, the next round tries again.
  if (!cutLog(ctx)) return open.length;
  for (const { id } of open)
    ctx.db
      .update(erasures)
      .set({ left: null, cleanAt: stamp(ctx) })
      .where(eq(erasures.id, id))
      .run();
  return 0;
}

/** The log of the database is written back and cut to nothing. False while somebody reads it. */
function cutLog(ctx: Context): boolean {
  const [told] = ctx.db.$client.pragma('wal_checkpoint(TRUNCATE)') as { busy: number }[];
  return told?.busy === 0;
}

interface Gone {
  readonly receipt: Record<string, number>;
  readonly files: readonly string[];
  readonly letters: readonly string[];
}

function eraseStudent(ctx: Context, studentId: string): Gone {
  const client = ctx.db.$client;
  const receipt = countsOf(ctx, 'student', studentId);
  const files = filesOfStudent(client, studentId);
  const letters = [
    ...pluck(client, 'SELECT id FROM mails WHERE student_id = ?', studentId),
    ...pluck(
      client,
      'SELECT r.id FROM replies r JOIN checkins c ON c.id = r.checkin_id WHERE c.student_id = ?',
      studentId,
    ),
  ];
  client.prepare('DELETE FROM students WHERE id = ?').run(studentId);
  return { receipt, files, letters };
}

/** A clip alone: swings and check-ins that name it go on without it. */
function eraseClip(ctx: Context, clipId: string): Gone {
  const client = ctx.db.$client;
  const receipt = countsOf(ctx, 'clip', clipId);
  const files = pluck(client, 'SELECT file FROM clips WHERE id = ?', clipId);
  const owner = pluck(client, 'SELECT student_id FROM clips WHERE id = ?', clipId)[0] ?? '';
  const swings = client.prepare('SELECT id, body FROM swings WHERE student_id = ?').all(owner) as {
    id: string;
    body: string;
  }[];
  for (const { id, body } of swings) {
    if (!body.includes(clipId)) continue;
    const swing = JSON.parse(body) as { views: { clipId: string | null }[] };
    const views = swing.views.map((view) => (view.clipId === clipId ? { ...view, clipId: null } : view));
    client
      .prepare('UPDATE swings SET body = ?, version = version + 1 WHERE id = ?')
      .run(JSON.stringify({ ...swing, views }), id);
    ctx.swingSaved(id);
  }
  const checkins = client.prepare('SELECT id, clip_ids FROM checkins WHERE student_id = ?').all(owner) as {
    id: string;
    clip_ids: string;
  }[];
  for (const { id, clip_ids } of checkins) {
    const ids = JSON.parse(clip_ids) as string[];
    if (ids.includes(clipId))
      client
        .prepare('UPDATE checkins SET clip_ids = ? WHERE id = ?')
        .run(JSON.stringify(ids.filter((one) => one !== clipId)), id);
  }
  const enclosed = dropShowing(client, owner, clipId);
  client.prepare('DELETE FROM clips WHERE id = ?').run(clipId);
  return { receipt, files: [...files, ...enclosed], letters: [] };
}

/** Pictures, clips and talks that show a clip go with it: they are its pictures. Returns their files. */
function dropShowing(client: Database, owner: string, clipId: string): string[] {
  const shown = client
    .prepare('SELECT id, file, clip_ids FROM enclosures WHERE student_id = ?')
    .all(owner) as {
    id: string;
    file: string;
    clip_ids: string;
  }[];
  return shown
    .filter(({ clip_ids }) => (JSON.parse(clip_ids) as string[]).includes(clipId))
    .map(({ id, file }) => {
      client.prepare('DELETE FROM enclosures WHERE id = ?').run(id);
      return file;
    });
}

/** How much belongs to a student or a clip, by kind: what would go, and later the receipt. */
export function countsOf(ctx: Context, what: What, id: string): Record<string, number> {
  const client = ctx.db.$client;
  if (what === 'clip') {
    const named = client.prepare('SELECT count(*) AS n FROM swings WHERE instr(body, ?) > 0').get(id) as {
      n: number;
    };
    return {
      clips: 1,
      clipBytes: bytesOf(client, 'SELECT facts FROM clips WHERE id = ?', id),
      swingsLeft: named.n,
    };
  }
  const counts: Record<string, number> = {};
  for (const [table, rows] of rowsOfStudent(client, id)) counts[table] = rows.length;
  return { ...counts, clipBytes: bytesOf(client, 'SELECT facts FROM clips WHERE student_id = ?', id) };
}

const pluck = (client: Database, sql: string, id: string): string[] =>
  client.prepare(sql).pluck().all(id) as string[];

function bytesOf(client: Database, sql: string, id: string): number {
  return pluck(client, sql, id).reduce((sum, facts) => {
    const { bytes } = JSON.parse(facts) as { bytes?: unknown };
    return sum + (typeof bytes === 'number' ? bytes : 0);
  }, 0);
}

export const filesOfStudent = (client: Database, studentId: string): string[] => [
  ...new Set([
    ...pluck(client, 'SELECT file FROM clips WHERE student_id = ?', studentId),
    ...pluck(client, 'SELECT file FROM enclosures WHERE student_id = ?', studentId),
    ...pluck(
      client,
      "SELECT json_extract(body, '$.track.file') FROM swings WHERE student_id = ? AND json_extract(body, '$.track.file') IS NOT NULL",
      studentId,
    ),
  ]),
];
