import type { Pressure, RememberedMatch, ShotSet, ShotSetLine } from '@inchstep/contract/capture';
import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import type { Db } from '../../platform/db.ts';
import { columnMatches, pressures, shotSets } from './tables.ts';

export const insertShots = (db: Db, set: ShotSet): void => {
  db.insert(shotSets).values(set).run();
};
export const shotsById = (db: Db, id: string): ShotSet | null =>
  db.select().from(shotSets).where(eq(shotSets.id, id)).get() ?? null;
export const shotLinesOf = (db: Db, studentId: string): ShotSetLine[] =>
  db
    .select({
      id: shotSets.id,
      studentId: shotSets.studentId,
      swingId: shotSets.swingId,
      recordedOn: shotSets.recordedOn,
      fileName: shotSets.fileName,
      count: sql<number>`json_array_length(${shotSets.shots})`,
      discardedAt: shotSets.discardedAt,
      createdAt: shotSets.createdAt,
    })
    .from(shotSets)
    .where(and(eq(shotSets.studentId, studentId), isNull(shotSets.discardedAt)))
    .orderBy(desc(shotSets.recordedOn), desc(shotSets.createdAt))
    .all();
/** Shots by day, those that were thrown away left out. */
export const shotDaysOf = (
  db: Db,
  studentId: string,
): { readonly date: string; readonly shots: ShotSet['shots'] }[] =>
  db
    .select({ date: shotSets.recordedOn, shots: shotSets.shots })
    .from(shotSets)
    .where(and(eq(shotSets.studentId, studentId), isNull(shotSets.discardedAt)))
    .orderBy(shotSets.recordedOn)
    .all();
export const updateShots = (
  db: Db,
  id: string,
  change: Partial<Pick<ShotSet, 'swingId' | 'discardedAt'>>,
): void => {
  db.update(shotSets).set(change).where(eq(shotSets.id, id)).run();
};

export const putMatch = (db: Db, body: RememberedMatch): void => {
  db.insert(columnMatches)
    .values({ headings: JSON.stringify(body.headings), body })
    .onConflictDoUpdate({ target: columnMatches.headings, set: { body } })
    .run();
};
export const allMatches = (db: Db): RememberedMatch[] =>
  db
    .select()
    .from(columnMatches)
    .all()
    .map((row) => row.body);

export const putPressureRow = (db: Db, swingId: string, body: Pressure): void => {
  db.insert(pressures)
    .values({ swingId, body })
    .onConflictDoUpdate({ target: pressures.swingId, set: { body } })
    .run();
};
export const pressureRow = (db: Db, swingId: string): Pressure | null =>
  db.select().from(pressures).where(eq(pressures.swingId, swingId)).get()?.body ?? null;
export const deletePressure = (db: Db, swingId: string): void => {
  db.delete(pressures).where(eq(pressures.swingId, swingId)).run();
};
