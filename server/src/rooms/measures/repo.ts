import { measureSchema, type Reading, readingSchema } from '@inchstep/contract/measures';
import { and, asc, eq, isNull, ne, or, sql } from 'drizzle-orm';
import type { Db } from '../../platform/db.ts';
import { swings } from '../capture/tables.ts';
import { gistOf } from './gist.ts';
import { readings } from './tables.ts';

export const putReading = (db: Db, studentId: string, reading: Reading): void => {
  const row = {
    swingId: reading.swingId,
    studentId,
    recordedOn: reading.recordedOn,
    swingVersion: reading.version ?? 0,
    body: reading,
    gist: gistOf(reading),
  };
  db.insert(readings).values(row).onConflictDoUpdate({ target: readings.swingId, set: row }).run();
};

const looksWhole = ({ measures, version }: Reading): boolean =>
  version !== undefined &&
  Array.isArray(measures) &&
  measures.every(
    (m) =>
      Number.isFinite(m?.value) &&
      Number.isFinite(m?.sd) &&
      Number.isFinite(m?.lo95) &&
      Number.isFinite(m?.hi95) &&
      Number.isFinite(m?.band?.step),
  );

/**
 * A reading of an older program may hold a measure that makes no sense: it counts as not measured. One that
 * can't be understood at all holds nothing.
 */
function understood(stored: Reading): Reading {
  const body: Reading = {
    ...stored,
    drill: stored.drill ?? null,
    aid: stored.aid ?? null,
    place: stored.place ?? null,
    cue: stored.cue ?? null,
    stale: false,
  };
  // What this program wrote was looked through when it was written.
  if (looksWhole(stored) || readingSchema.safeParse(body).success) return body;
  const measures = Array.isArray(body.measures) ? body.measures : [];
  const { track: _, ...rest } = body;
  const kept = { ...rest, measures: measures.filter((measure) => measureSchema.safeParse(measure).success) };
  return readingSchema.safeParse(kept).success ? kept : { ...kept, measures: [] };
}

export const readingOf = (db: Db, swingId: string): Reading | null => {
  const row = db.select().from(readings).where(eq(readings.swingId, swingId)).get();
  return row ? understood(row.body) : null;
};

export const dropReading = (db: Db, swingId: string): void => {
  db.delete(readings).where(eq(readings.swingId, swingId)).run();
};

export const NOT_OURS = -1;

/** Every reading that is kept was made by another program than this: none is of the marks' present version. */
export const makeAllStale = (db: Db): void => {
  db.update(readings)
    .set({
      swingVersion: NOT_OURS,
      body: sql`json_set(${readings.body}, '$.version', ${NOT_OURS})`,
    })
    .where(sql`json_valid(${readings.body})`)
    .run();
};

/** Swings whose marks are not the ones that were read. Old folders did not note what was read. */
export const oldReadings = (db: Db): string[] =>
  db
    .select({ id: swings.id })
    .from(swings)
    .leftJoin(readings, eq(readings.swingId, swings.id))
    .where(
      and(
        isNull(swings.discardedAt),
        or(isNull(readings.swingId), ne(readings.swingVersion, swings.version)),
      ),
    )
    .all()
    .map(({ id }) => id);

/** Readings of swings that were not discarded, oldest first, with what the swing is now. */
export const readingsOf = (db: Db, studentId: string): { reading: Reading; version: number }[] =>
  db
    .select({ body: readings.body, version: swings.version })
    .from(readings)
    .innerJoin(swings, and(eq(swings.id, readings.swingId), isNull(swings.discardedAt)))
    .where(eq(readings.studentId, studentId))
    .orderBy(asc(readings.recordedOn))
    .all()
    .map(({ body, version }) => ({ reading: understood(body), version }));
