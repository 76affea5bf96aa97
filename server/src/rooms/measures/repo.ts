import type { Reading } from '@inchstep/contract/measures';
import { and, asc, eq, isNull } from 'drizzle-orm';
import type { Db } from '../../platform/db.ts';
import { swings } from '../capture/tables.ts';
import { readings } from './tables.ts';

export const putReading = (db: Db, studentId: string, reading: Reading): void => {
  const row = { swingId: reading.swingId, studentId, recordedOn: reading.recordedOn, body: reading };
  db.insert(readings).values(row).onConflictDoUpdate({ target: readings.swingId, set: row }).run();
};

export const readingOf = (db: Db, swingId: string): Reading | null =>
  db.select().from(readings).where(eq(readings.swingId, swingId)).get()?.body ?? null;

/** Readings of swings that were not discarded, oldest first. */
export const readingsOf = (db: Db, studentId: string): Reading[] =>
  db
    .select({ body: readings.body })
    .from(readings)
    .innerJoin(swings, and(eq(swings.id, readings.swingId), isNull(swings.discardedAt)))
    .where(eq(readings.studentId, studentId))
    .orderBy(asc(readings.recordedOn))
    .all()
    .map((row) => row.body);
