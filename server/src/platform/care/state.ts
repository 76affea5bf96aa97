import { existsSync, readdirSync, statfsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { Care, Erasure } from '@inchstep/contract/care';
import { sessionsOf } from '../auth.ts';
import { type Context, stamp } from '../context.ts';
import { DATABASE_FILE } from '../folder.ts';
import { type ErasureRow, listErasures } from './erase.ts';
import type { Runs } from './runs.ts';

/** Everything the screen "Data and devices" shows. */
export function careState(ctx: Context, runs: Runs, coach: { id: string; session: string }): Care {
  return {
    now: stamp(ctx),
    backupDir: ctx.backupDir,
    backups: runs.backups(),
    running: runs.running,
    trouble: runs.trouble,
    verified: runs.verified(),
    storage: storage(ctx),
    erasures: listErasures(ctx).map((row) => presentErasure(ctx, row)),
    sessions: sessionsOf(ctx, coach.id).map((session) => ({
      ...session,
      here: session.id === coach.session,
    })),
    links: openLinks(ctx),
    contact: contactOf(ctx, coach.id),
  };
}

const contactOf = (ctx: Context, coachId: string): string =>
  (ctx.db.$client.prepare('SELECT contact FROM coaches WHERE id = ?').pluck().get(coachId) as
    | string
    | undefined) ?? '';

function presentErasure(
  ctx: Context,
  { id, what, subjectId, askedAt, dueAt, doneAt, receipt }: ErasureRow,
): Erasure {
  return { id, what, name: nameOf(ctx, what, subjectId), askedAt, dueAt, doneAt, receipt };
}

/** Whose it is, as long as it is here. */
export function nameOf(ctx: Context, what: ErasureRow['what'], id: string): string | null {
  const of = what === 'student' ? '?' : '(SELECT student_id FROM clips WHERE id = ?)';
  const row = ctx.db.$client
    .prepare(
      `SELECT json_extract(profile, '$.firstName') || ' ' || json_extract(profile, '$.familyName') AS name FROM students WHERE id = ${of}`,
    )
    .get(id) as { name: string } | undefined;
  return row?.name ?? null;
}

const openLinks = (ctx: Context): Care['links'] =>
  ctx.db.$client
    .prepare(
      `SELECT l.id, l.student_id AS studentId, l.created_at AS createdAt, l.expires_at AS expiresAt, l.last_used_at AS lastUsedAt,
         json_extract(s.profile, '$.firstName') || ' ' || json_extract(s.profile, '$.familyName') AS name
       FROM links l JOIN students s ON s.id = l.student_id
       WHERE l.revoked_at IS NULL AND l.expires_at > ? ORDER BY coalesce(l.last_used_at, '') DESC, l.created_at DESC`,
    )
    .all(stamp(ctx)) as Care['links'];

function storage(ctx: Context): Care['storage'] {
  const { dataDir } = ctx;
  const sizeOf = (path: string) => (existsSync(path) ? statSync(path).size : 0);
  const clips = ctx.files.list();
  const { bavail, bsize } = statfsSync(dataDir);
  const outbox = join(dataDir, 'outbox');
  return {
    dataDir,
    databaseBytes: sizeOf(join(dataDir, DATABASE_FILE)) + sizeOf(join(dataDir, `${DATABASE_FILE}-wal`)),
    clipBytes: clips.reduce((sum, name) => sum + sizeOf(ctx.files.pathOf(name)), 0),
    clips: clips.length,
    letters: existsSync(outbox) ? readdirSync(outbox).length : 0,
    freeBytes: bavail * bsize,
  };
}
