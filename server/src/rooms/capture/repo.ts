import type { Clip, Swing } from '@inchstep/contract/capture';
import { and, desc, eq } from 'drizzle-orm';
import type { Db } from '../../platform/db.ts';
import { clips, swings } from './tables.ts';

type ClipRow = typeof clips.$inferSelect;
type SwingRow = typeof swings.$inferSelect;

const toClip = (row: ClipRow): Clip => ({
  id: row.id,
  studentId: row.studentId,
  createdAt: row.createdAt,
  ...row.facts,
});
const toSwing = ({ body, ...row }: SwingRow): Swing => ({ ...row, track: null, ...body });

export const insertClip = (db: Db, clip: Clip, file: string): void => {
  const { id, studentId, createdAt, ...facts } = clip;
  db.insert(clips).values({ id, studentId, file, facts, createdAt }).onConflictDoNothing().run();
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
  db.insert(swings).values(toRow(swing)).onConflictDoNothing().run();
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

const toRow = ({ club, speed, views, marks, track, ...row }: Swing): SwingRow => ({
  ...row,
  body: { club, speed, views, marks, track },
});
