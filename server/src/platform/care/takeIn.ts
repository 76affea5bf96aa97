import { randomUUID } from 'node:crypto';
import { mkdirSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import type { TakenIn } from '@inchstep/contract/care';
import { READING } from '@inchstep/contract/kept';
import { setNextLesson } from '../../rooms/intake/index.ts';
import { gistOf } from '../../rooms/measures/index.ts';
import { type Context, stamp, today } from '../context.ts';
import { Refusal } from '../errors.ts';
import { readKept } from '../keptColumn.ts';
import type { Archive, ArchiveTask } from './readArchive.ts';
import type { Row } from './studentRows.ts';

/** What a slow machine unpacks and hashes, at worst. */
const UNPACKED_BYTES_PER_MS = 5000;

/** Takes a student's export in, whole or not at all; nobody who is here already is touched. */
export async function takeInStudent(
  ctx: Context,
  stream: Readable,
  truncated: () => boolean,
): Promise<TakenIn> {
  const received = await ctx.files.receive(stream);
  const prefix = `.incoming-${randomUUID()}-`;
  const folder = ctx.files.clipFolder;
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  try {
    if (truncated()) throw new Refusal('archive_unreadable', { part: 'it is larger than can be taken in' });
    const task: ArchiveTask = { path: received.path, bytes: received.bytes, folder, prefix };
    const archive = await ctx.jobs.run<Archive>('readArchive', task, received.bytes / UNPACKED_BYTES_PER_MS);
    keepArchive(ctx, archive);
    const profile = JSON.parse(String(archive.tables[0]?.[1][0]?.profile)) as {
      firstName: string;
      familyName: string;
      nextLesson: string | null;
    };
    // Older programs kept the day of the next lesson with the profile.
    const { nextLesson } = profile;
    if (nextLesson !== null && nextLesson >= today(ctx))
      setNextLesson(ctx, archive.studentId, nextLesson, 'the program');
    return {
      studentId: archive.studentId,
      name: `${profile.firstName} ${profile.familyName}`,
      rows: archive.tables.reduce((sum, [, rows]) => sum + rows.length, 0),
      clips: archive.clips.length,
    };
  } finally {
    await ctx.files.drop(received);
    for (const name of readdirSync(folder))
      if (name.startsWith(prefix)) rmSync(join(folder, name), { force: true });
  }
}

function keepArchive(ctx: Context, archive: Archive): void {
  const client = ctx.db.$client;
  ctx.db.transaction(
    () => {
      if (client.prepare('SELECT 1 FROM students WHERE id = ?').get(archive.studentId))
        throw new Refusal('already_here');
      for (const clip of archive.clips)
        ctx.files.keep(
          { path: clip.path, hash: clip.hash, bytes: clip.bytes },
          clip.file.split('.')[1] as string,
        );
      for (const [table, rows] of archive.tables)
        for (const row of rows) insertRow(ctx, table, AS_TAKEN_IN[table]?.(ctx, row) ?? row);
      for (const { drill, ...rest } of archive.ownDrills)
        client
          .prepare('INSERT OR IGNORE INTO own_drills (id, document, at) VALUES (?, ?, ?)')
          .run(drill.id, JSON.stringify({ drill, ...rest }), stamp(ctx));
    },
    { behavior: 'immediate' },
  );
  ctx.records.everybodyChanged();
}

/** What is not taken over as it is written. */
const AS_TAKEN_IN: Readonly<Record<string, (ctx: Context, row: Row) => Row>> = {
  // A way in is no part of the record: whoever wrote the file may hold its token.
  links: (ctx, row) => ({ ...row, revoked_at: row.revoked_at ?? stamp(ctx) }),
  // What is made from another column says nothing of its own.
  readings: (_, row) => ({ ...row, gist: JSON.stringify(gistOf(readKept(READING, String(row.body)))) }),
};

function insertRow(ctx: Context, table: string, row: Row): void {
  const columns = Object.keys(row);
  const names = columns.map((name) => `"${name}"`).join(', ');
  try {
    ctx.db.$client
      .prepare(`INSERT INTO "${table}" (${names}) VALUES (${columns.map(() => '?').join(', ')})`)
      .run(...columns.map((name) => row[name]));
  } catch (error) {
    if (String((error as { code?: string }).code).startsWith('SQLITE_CONSTRAINT'))
      throw new Refusal('id_taken');
    throw error;
  }
}
