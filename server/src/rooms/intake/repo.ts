import type { Hold, Profile, ThreadEvent } from '@inchstep/contract/intake';
import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import { type Db, keptQuery, prepared } from '../../platform/db.ts';
import { bandEdits, events, holds, students } from './tables.ts';

export type StudentRow = typeof students.$inferSelect;

export const allStudents = (db: Db): StudentRow[] => db.select().from(students).all();
export const studentRow = (db: Db, id: string): StudentRow | undefined =>
  db.select().from(students).where(eq(students.id, id)).get();
export const insertStudent = (db: Db, row: StudentRow): void => {
  db.insert(students).values(row).run();
};

/** Writes only over the version that was read; false when somebody was quicker. */
export function updateProfile(db: Db, id: string, version: number, profile: Profile): boolean {
  const done = db
    .update(students)
    .set({ profile, version: version + 1 })
    .where(and(eq(students.id, id), eq(students.version, version)))
    .run();
  return done.changes === 1;
}

/** Whoever holds an older version of the student is told so when it is saved. */
export const bumpVersion = (db: Db, id: string): void => {
  prepared(db, 'UPDATE students SET version = version + 1 WHERE id = ?').run(id);
};

export const setArchived = (db: Db, id: string, archivedAt: string | null): void => {
  db.update(students).set({ archivedAt }).where(eq(students.id, id)).run();
};

export const insertEvent = (db: Db, event: ThreadEvent & { studentId: string }): void => {
  db.insert(events).values(event).onConflictDoNothing().run();
};

export const eventsOf = (db: Db, studentId: string): ThreadEvent[] =>
  db
    .select({
      id: events.id,
      at: events.at,
      kind: events.kind,
      lessonId: events.lessonId,
      detail: events.detail,
    })
    .from(events)
    .where(eq(events.studentId, studentId))
    .orderBy(desc(events.at))
    .all();

export const insertHold = (db: Db, studentId: string, hold: Hold): void => {
  db.insert(holds)
    .values({ ...hold, studentId })
    .onConflictDoNothing()
    .run();
};
/** Where it hurts, of a report that did not say. */
export const sayWhere = (db: Db, id: string, where: string): void => {
  db.update(holds)
    .set({ where })
    .where(and(eq(holds.id, id), eq(holds.where, '')))
    .run();
};
export const openHold = (db: Db, studentId: string): Hold | null =>
  db
    .select()
    .from(holds)
    .where(and(eq(holds.studentId, studentId), isNull(holds.liftedAt)))
    .orderBy(desc(holds.at))
    .get() ?? null;
export const holdsOf = (db: Db, studentId: string): Hold[] =>
  keptQuery(db, 'holdsOf', () =>
    db
      .select()
      .from(holds)
      .where(eq(holds.studentId, sql.placeholder('studentId')))
      .orderBy(holds.at)
      .prepare(),
  ).all({ studentId });
export const liftHolds = (db: Db, studentId: string, liftedAt: string, liftNote: string): number =>
  db
    .update(holds)
    .set({ liftedAt, liftNote })
    .where(and(eq(holds.studentId, studentId), isNull(holds.liftedAt)))
    .run().changes;

type BandEditRow = typeof bandEdits.$inferSelect;
export const bandEditsOf = (db: Db, preset: string): BandEditRow[] =>
  keptQuery(db, 'bandEditsOf', () =>
    db
      .select()
      .from(bandEdits)
      .where(eq(bandEdits.preset, sql.placeholder('preset')))
      .prepare(),
  ).all({ preset });
export const putBandEdit = (db: Db, row: BandEditRow): void => {
  db.insert(bandEdits)
    .values(row)
    .onConflictDoUpdate({ target: [bandEdits.preset, bandEdits.measure], set: row })
    .run();
};
export const dropBandEdit = (db: Db, preset: string, measure: string): void => {
  db.delete(bandEdits)
    .where(and(eq(bandEdits.preset, preset), eq(bandEdits.measure, measure)))
    .run();
};
