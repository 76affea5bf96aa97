import { type IsoDay, plusDays } from '../../foundation/index.ts';
import type { PrescriptionRecord } from '../prescription/index.ts';
import type { PracticeRecord } from './practiceRecord.ts';
import { rungOf } from './rung.ts';
import { STAGES, type Stage } from './stages.ts';

/** Why a set is not what was prescribed: the drill was not in use that day, or stood on a lower rung. */
export type NotPrescribed = 'drill' | 'rung';

export interface SetDone {
  readonly drill: string;
  readonly stage: Stage;
  readonly date: IsoDay;
}

/**
 * Whether a set was prescribed on the day it was done, whenever it arrives. Lower rungs than the drill's own are
 * always welcome; where the student is, the day may be one earlier or later than the coach's.
 */
export function notPrescribed(
  file: {
    readonly prescription: PrescriptionRecord;
    readonly practice: Pick<PracticeRecord, 'gates'>;
  },
  { drill, stage, date }: SetDone,
): NotPrescribed | null {
  const [earliest, latest] = [plusDays(date, -1), plusDays(date, 1)];
  const inUseThen = file.prescription.choices.some(
    ({ drills, day, endedDay }) =>
      drills.includes(drill) && day <= latest && (endedDay === null || endedDay >= earliest),
  );
  if (!inUseThen) return 'drill';
  return STAGES.indexOf(stage) > highestRung(file.practice, drill, earliest, latest) ? 'rung' : null;
}

/** The highest rung on which the drill stood at any moment of these days. */
function highestRung(
  { gates }: Pick<PracticeRecord, 'gates'>,
  drill: string,
  from: IsoDay,
  to: IsoDay,
): number {
  const words = gates.filter((word) => word.drill === drill);
  const before = words.filter(({ day }) => day < from).length;
  const until = words.filter(({ day }) => day <= to).length;
  let highest = 0;
  for (let known = before; known <= until; known++)
    highest = Math.max(highest, STAGES.indexOf(rungOf(words.slice(0, known), drill)));
  return highest;
}
