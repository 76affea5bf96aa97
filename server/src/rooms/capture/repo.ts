import { type Clip, clipSchema, type Swing } from '@inchstep/contract/capture';
import { isIsoDay } from '@inchstep/core/foundation';
import { and, desc, eq, gte, sql } from 'drizzle-orm';
import { dayOf } from '../../platform/context.ts';
import type { Db } from '../../platform/db.ts';
import { clips, swings } from './tables.ts';

type ClipRow = typeof clips.$inferSelect;
type SwingRow = typeof swings.$inferSelect;

/** A row of an older program may hold what makes no sense: it is shown as such, and breaks no list. */
function toClip({ id, studentId, createdAt, file, facts }: ClipRow): Clip {
  const read = clipSchema.safeParse({ ...facts, id, studentId, createdAt });
  if (read.success) return read.data;
  const told = (facts ?? {}) as Partial<Clip>;
  const ending = file.split('.').at(-1);
  return {
    id,
    studentId,
    createdAt,
    kind: told.kind === 'down_the_line' ? 'down_the_line' : 'face_on',
    fileName: typeof told.fileName === 'string' ? told.fileName : file,
    bytes: 0,
    container: ending === 'mov' || ending === 'webm' ? ending : 'mp4',
    codec: 'unknown',
    widthPx: 0,
    heightPx: 0,
    durationS: 0,
    frames: 0,
    framesPerSecond: 0,
    from: told.from === 'student' ? 'student' : 'coach',
    recordedOn: isIsoDay(String(told.recordedOn)) ? String(told.recordedOn) : dayOf(createdAt),
    trouble: 'unreadable',
  };
}
const toSwing = ({ body, ...row }: SwingRow): Swing => ({
  ...row,
  ...body,
});

export const insertClip = (db: Db, clip: Clip, file: string): void => {
  const { id, studentId, createdAt, trouble: _, ...facts } = clip;
  db.insert(clips).values({ id, studentId, file, facts, createdAt }).run();
};
export const clipById = (db: Db, id: string): { clip: Clip; file: string } | null => {
  const row = db.select().from(clips).where(eq(clips.id, id)).get();
  return row ? { clip: toClip(row), file: row.file } : null;
};
export const clipsOf = (db: Db, studentId: string): Clip[] =>
  db
    .select()
    .from(clips)
    .where(eq(clips.studentId, studentId))
    .orderBy(desc(clips.createdAt))
    .all()
    .map(toClip);

export const insertSwing = (db: Db, swing: Swing): void => {
  db.insert(swings).values(toRow(swing)).run();
};
export const swingById = (db: Db, id: string): Swing | null => {
  const row = db.select().from(swings).where(eq(swings.id, id)).get();
  return row ? toSwing(row) : null;
};
export const swingsOf = (db: Db, studentId: string): Swing[] =>
  db
    .select()
    .from(swings)
    .where(eq(swings.studentId, studentId))
    .orderBy(desc(swings.recordedOn), desc(swings.createdAt))
    .all()
    .map(toSwing);

/** Whether a clip is a view of a swing already; a swing has the day of its clips. */
export const isInSwing = (db: Db, studentId: string, clipId: string, recordedOn: string): boolean =>
  db
    .select()
    .from(swings)
    .where(and(eq(swings.studentId, studentId), eq(swings.recordedOn, recordedOn)))
    .all()
    .some((row) => toSwing(row).views.some((view) => view.clipId === clipId));

/** Swings of the days since `day`, oldest first: student by student, as the index lies. */
export const recentSwingIds = (db: Db, day: string): string[] =>
  (
    db.$client
      .prepare(
        `SELECT s.id FROM students JOIN swings s ON s.student_id = students.id AND s.recorded_on >= ?
         WHERE students.archived_at IS NULL ORDER BY s.recorded_on, s.rowid`,
      )
      .all(day) as { id: string }[]
  ).map(({ id }) => id);

export function updateSwing(db: Db, swing: Swing, version: number): boolean {
  const { id, body, recordedOn } = toRow(swing);
  const done = db
    .update(swings)
    .set({ body, recordedOn, version: version + 1 })
    .where(and(eq(swings.id, id), eq(swings.version, version)))
    .run();
  return done.changes === 1;
}

export const setDiscarded = (db: Db, id: string, discardedAt: string | null): void => {
  db.update(swings).set({ discardedAt }).where(eq(swings.id, id)).run();
};

const toRow = ({ club, speed, drill, aid, place, cue, views, marks, track, ...row }: Swing): SwingRow => ({
  ...row,
  body: { club, speed, drill, aid, place, cue, views, marks, track },
});

/** Bytes of film that a student sent since a moment. */
export const studentBytesSince = (db: Db, studentId: string, since: string): number =>
  db
    .select({ bytes: sql<number>`coalesce(sum(json_extract(${clips.facts}, '$.bytes')), 0)` })
    .from(clips)
    .where(
      and(
        eq(clips.studentId, studentId),
        gte(clips.createdAt, since),
        sql`json_extract(${clips.facts}, '$.from') = 'student'`,
      ),
    )
    .get()?.bytes ?? 0;
