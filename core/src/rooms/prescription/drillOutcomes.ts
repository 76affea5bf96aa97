import { daysBetween } from '../../foundation/index.ts';
import type { DrillHistory, DrillRecord } from '../diagnosis/index.ts';
import type { ChosenDrills } from './prescriptionRecord.ts';

/** A drill that brought the student to three quarters of full speed has worked. */
const WORKED_FROM: readonly string[] = ['three_quarter', 'full', 'clubs', 'course'];
/** Work that was given this many days and did not get there has stalled: one meaning for drill and student. */
export const STALLED_AFTER_DAYS = 21;

/** What the drills of one choice came to; one that is in use and has not worked yet is only in use. */
function outcomesOf(choice: ChosenDrills): DrillHistory[] {
  return choice.drills.flatMap((drill): DrillHistory[] => {
    if (WORKED_FROM.includes(choice.reached[drill] ?? '')) return [{ drill, outcome: 'worked' }];
    if (choice.endedDay === null) return [{ drill, outcome: 'in_use' }];
    const days = daysBetween(choice.day, choice.endedDay);
    return days >= STALLED_AFTER_DAYS ? [{ drill, outcome: 'stalled' }] : [];
  });
}

/** What drills came to with one student, oldest first. */
export const drillHistory = (choices: readonly ChosenDrills[]): DrillHistory[] => choices.flatMap(outcomesOf);

/** Adds what drills came to with one student to a count over many. */
export function addOutcomes(record: Record<string, DrillRecord>, history: readonly DrillHistory[]): void {
  for (const { drill, outcome } of history) {
    if (outcome !== 'worked' && outcome !== 'stalled') continue;
    const { worked, stalled } = record[drill] ?? { worked: 0, stalled: 0 };
    record[drill] = outcome === 'worked' ? { worked: worked + 1, stalled } : { worked, stalled: stalled + 1 };
  }
}
