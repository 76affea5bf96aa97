import { type IsoDay, plusDays } from '../../foundation/index.ts';
import type { Drill, Library } from '../prescription/index.ts';
import { stagesAlong } from './ladder.ts';
import type { LoggedSet } from './practiceRecord.ts';
import { eventsOf, type LadderFile, rulesFor, takenUp } from './rung.ts';
import { STAGES, type Stage } from './stages.ts';

/** Why a set is not what was prescribed: the drill was not in use that day, or stood on a lower rung. */
type NotPrescribed = 'drill' | 'rung';

export interface SetDone {
  readonly drill: string;
  readonly stage: Stage;
  readonly date: IsoDay;
  /** The coach may test at full speed whatever the rung; the student goes by the ladder. */
  readonly from: LoggedSet['from'];
}

/**
 * Whether a set was prescribed on the day it was done, whenever it arrives. Lower rungs than the drill's own are
 * always welcome; where the student is, the day may be one earlier or later than the coach's.
 */
export function notPrescribed(
  file: LadderFile,
  { drill, stage, date, from }: SetDone,
  library: Library,
): NotPrescribed | null {
  const [earliest, latest] = [plusDays(date, -1), plusDays(date, 1)];
  const inUseThen = file.prescription.choices.some(
    ({ drills, day, endedDay }) =>
      drills.includes(drill) && day <= latest && (endedDay === null || endedDay >= earliest),
  );
  const known = library.byId(drill);
  if (!inUseThen || !known) return 'drill';
  // The first rung is everybody's: nothing need be walked for it.
  if (stage === STAGES[0] || (from === 'coach' && stage === 'full')) return null;
  return STAGES.indexOf(stage) > highestRung(file, known, earliest, latest) ? 'rung' : null;
}

/** The highest rung on which the drill stood at any moment of these days. */
function highestRung(file: LadderFile, drill: Drill, from: IsoDay, to: IsoDay): number {
  const events = eventsOf(file, drill.id);
  const before = events.filter(({ date }) => date < from).length;
  const until = events.filter(({ date }) => date <= to).length;
  const stages = stagesAlong(events, rulesFor(file, drill)).slice(before, until + 1);
  // Of a drill that was put aside the rung it came to is noted; its sets may no longer be at hand.
  const noted = takenUp(file.prescription, drill.id)?.reached[drill.id];
  return Math.max(...[...stages, noted].map((stage) => STAGES.indexOf(stage as Stage)));
}
