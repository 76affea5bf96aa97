import { type IsoDay, plusDays } from '../../foundation/index.ts';
import { type MovedMeasure, silentFrom } from '../checkins/index.ts';
import { type GateStanding, waitsForCoach } from '../practice/index.ts';
import { inUse, STALLED_AFTER_DAYS } from '../prescription/index.ts';
import { mayHaveImproved } from './moved.ts';
import type { StudentRecord } from './studentRecord.ts';

/** Where a student stands, in one word; what is more pressing goes before. */
export const STANDINGS = ['pain', 'new', 'owned', 'gate_waiting', 'silent', 'stalled', 'working'] as const;
export type StandingWord = (typeof STANDINGS)[number];

/** Where a student stands, whatever the hour: what time alone will change is said with its moment. */
export interface Standing {
  readonly now: 'pain' | 'new' | 'owned' | 'gate_waiting' | 'working';
  /** From this moment on work that is not held, owned or waiting counts as silent; an ISO stamp. */
  readonly silentFrom: string | null;
  /** From this day on as stalled. */
  readonly stalledFrom: IsoDay | null;
}

export function standingOf(
  record: StudentRecord,
  gates: readonly GateStanding[],
  moved: readonly MovedMeasure[],
  owned: boolean,
): Standing {
  const work = inUse(record.prescription);
  const now = record.intake.heldSince
    ? 'pain'
    : !work
      ? 'new'
      : owned
        ? 'owned'
        : gates.some(waitsForCoach)
          ? 'gate_waiting'
          : 'working';
  return {
    now,
    silentFrom: silentFrom({ ...record, ...record.checkins }),
    // What can't be told is not said to stand still: only where nothing is as likely as not better.
    stalledFrom:
      work && moved.length > 0 && !moved.some(mayHaveImproved)
        ? plusDays(work.day, STALLED_AFTER_DAYS)
        : null,
  };
}

/** The word for this moment. */
export function standingAt(
  { now, silentFrom, stalledFrom }: Standing,
  at: string,
  today: IsoDay,
): StandingWord {
  if (now !== 'working') return now;
  if (silentFrom !== null && silentFrom <= at) return 'silent';
  return stalledFrom !== null && stalledFrom <= today ? 'stalled' : 'working';
}
