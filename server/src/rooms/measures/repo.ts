import { measureSchema, type Reading, readingSchema } from '@inchstep/contract/measures';
import { and, asc, eq, isNull } from 'drizzle-orm';
import type { Db } from '../../platform/db.ts';
import { swings } from '../capture/tables.ts';
import { readings } from './tables.ts';

export const putReading = (db: Db, studentId: string, reading: Reading): void => {
  const row = { swingId: reading.swingId, studentId, recordedOn: reading.recordedOn, body: reading };
  db.insert(readings).values(row).onConflictDoUpdate({ target: readings.swingId, set: row }).run();
};

/**
 * A reading of an older program may hold a measure that makes no sense: it counts as not measured. One that
 * can't be understood at all holds nothing.
 */
function understood(body: Reading): Reading {
  if (readingSchema.safeParse(body).success) return body;
  const measures = Array.isArray(body.measures) ? body.measures : [];
  const { track: _, ...rest } = body;
  const kept = { ...rest, measures: measures.filter((measure) => measureSchema.safeParse(measure).success) };
  return readingSchema.safeParse(kept).success ? kept : { ...kept, measures: [] };
}

export const readingOf = (db: Db, swingId: string): Reading | null => {
  const row = db.select().from(readings).where(eq(readings.swingId, swingId)).get();
  return row ? understood(row.body) : null;
};

/** Readings of swings that were not discarded, oldest first. */
export const readingsOf = (db: Db, studentId: string): Reading[] =>
  db
    .select({ body: readings.body })
    .from(readings)
    .innerJoin(swings, and(eq(swings.id, readings.swingId), isNull(swings.discardedAt)))
    .where(eq(readings.studentId, studentId))
    .orderBy(asc(readings.recordedOn))
    .all()
    .map((row) => understood(row.body));
