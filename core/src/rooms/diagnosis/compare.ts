import type { Diagnosis } from './diagnose.ts';
import { FAULTS } from './faultTable.ts';
import { honestOdds } from './honestOdds.ts';
import { PRIOR } from './network.ts';
import { BELIEVED } from './roots.ts';

export type FaultCourse = 'resolved' | 'improved' | 'same' | 'worse' | 'new' | 'unsure';

interface FaultChange {
  readonly fault: string;
  readonly course: FaultCourse;
  /** Steps beyond the band then and now; null where it was not believed. */
  readonly before: number | null;
  readonly now: number | null;
}

type Past = Pick<Diagnosis, 'faults' | 'strengths'>;

/** Gone = less likely than before anything is known: somebody looked and found nothing. */
const GONE = honestOdds(0.9 * PRIOR);
/** Half a grade is within what marks and swings wander. */
const NOTICEABLE_STEPS = 0.5;

/** How each fault of two diagnoses of one player went; faults that were never believed are left out. */
export function compareDiagnoses(before: Past, now: Past): FaultChange[] {
  return FAULTS.flatMap(({ id }) => {
    const was = (before.faults[id] ?? 0) > BELIEVED;
    const is = (now.faults[id] ?? 0) > BELIEVED;
    if (!was && !is) return [];
    const then = was ? (before.strengths[id] ?? 0) : null;
    const here = is ? (now.strengths[id] ?? 0) : null;
    return [{ fault: id, course: courseOf(then, here, now.faults[id] ?? 0), before: then, now: here }];
  });
}

function courseOf(before: number | null, now: number | null, probability: number): FaultCourse {
  if (before === null) return 'new';
  if (now === null) return probability < GONE ? 'resolved' : 'unsure';
  if (now - before > NOTICEABLE_STEPS) return 'worse';
  return before - now > NOTICEABLE_STEPS ? 'improved' : 'same';
}
