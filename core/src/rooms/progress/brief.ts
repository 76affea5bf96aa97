import type { IsoDay } from '../../foundation/index.ts';
import type { MovedMeasure } from '../checkins/index.ts';
import { type Limit, nextLessonFrom } from '../intake/index.ts';
import {
  gateStates,
  missedDays,
  overdoneDays,
  type Practised,
  practisedOf,
  type Stage,
} from '../practice/index.ts';
import { inUse, type Library } from '../prescription/index.ts';
import { movedOf } from './moved.ts';
import { type Owned, ownedOf } from './owned.ts';
import { type StandingWord, standingAt, standingOf } from './standing.ts';
import type { StudentRecord } from './studentRecord.ts';

/** One screen before a lesson: what is being worked on, what was done, what moved, what is due. */
interface Brief extends Practised {
  readonly studentId: string;
  readonly name: string;
  readonly nextLesson: IsoDay | null;
  readonly focus: readonly string[];
  readonly drills: readonly string[];
  readonly stage: Stage | null;
  readonly missed: readonly IsoDay[];
  /** Days under the present plan on which well more was done than a day may hold. */
  readonly overdone: readonly IsoDay[];
  readonly moved: readonly MovedMeasure[];
  readonly owned: Owned;
  readonly limits: readonly Limit[];
  readonly hold: boolean;
  readonly lastWords: string;
  readonly state: StandingWord;
}

export function briefOf(record: StudentRecord, library: Library, now: string, today: IsoDay): Brief {
  const { intake, prescription, practice, checkins } = record;
  const gates = gateStates(record, library);
  const moved = movedOf(record, library);
  const owned = ownedOf(record, library);
  const work = inUse(prescription);
  return {
    studentId: intake.studentId,
    name: `${intake.firstName} ${intake.familyName}`,
    nextLesson: nextLessonFrom(intake.lessons, today)?.day ?? null,
    focus: work ? [work.forFault] : [],
    drills: work?.drills ?? [],
    stage: gates[0]?.stage ?? null,
    ...practisedOf(practice, today),
    missed: missedDays(practice, today),
    overdone: overdoneDays(practice.sets, practice.plan?.ask.start ?? '', { student: intake.facts, library }),
    moved,
    owned,
    limits: intake.limits,
    hold: intake.heldSince !== null,
    lastWords: checkins.checkins.at(-1)?.note ?? '',
    state: standingAt(standingOf(record, gates, moved, owned.owned), now, today),
  };
}
