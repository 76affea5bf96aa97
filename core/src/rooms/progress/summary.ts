import type { IsoDay } from '../../foundation/index.ts';
import {
  type MovedMeasure,
  opensAt,
  type PainReport,
  painReportOf,
  type Since,
  whyWaiting,
} from '../checkins/index.ts';
import type { DrillHistory } from '../diagnosis/index.ts';
import type { Hand, LessonRecord, Limit } from '../intake/index.ts';
import { gateStates, type Stage } from '../practice/index.ts';
import { drillHistory, inUse, type Library } from '../prescription/index.ts';
import { type Climb, climbsOf, coursesOf, type DrillCourse } from './courses.ts';
import { judgedForecasts } from './forecasts.ts';
import { hasWorsened, movedOf } from './moved.ts';
import { ownedOf } from './owned.ts';
import type { JudgedForecast, ToldForecast } from './season/toldForecast.ts';
import { type Standing, standingOf } from './standing.ts';
import type { StudentRecord } from './studentRecord.ts';
import { studentSpreads } from './studentSpreads.ts';

/**
 * What lists say of a student: made from the whole file with every write, and read without it. It holds
 * moments instead of "now", so that it stays right while time goes by.
 */
export interface Summary {
  readonly studentId: string;
  readonly firstName: string;
  readonly familyName: string;
  readonly bornOn: IsoDay;
  readonly handedness: Hand;
  readonly limits: readonly Limit[];
  readonly archived: boolean;
  /** Agreed ones and those that go on: what is past is left out by who reads it. */
  readonly lessons: readonly LessonRecord[];
  readonly focus: readonly string[];
  readonly drills: readonly string[];
  readonly stage: Stage | null;
  /** The surest change of the present work. */
  readonly moved: MovedMeasure | null;
  readonly standing: Standing;
  readonly waiting: readonly Since[];
  /** What drills came to, for the count over all students. */
  readonly outcomes: readonly DrillHistory[];
  /** Work that can be counted with that of all students: courses of drills, and when rungs were passed. */
  readonly courses: readonly DrillCourse[];
  readonly climbs: readonly Climb[];
  /** How well each row of the model's spreads accounts for this student's days; null while nobody can say. */
  readonly spreads: readonly number[] | null;
  /** Dates that were told, beside what came; for the count over all students, too. */
  readonly forecasts: readonly JudgedForecast[];
  /** The report of pain that pauses the drills. */
  readonly pain: PainReport | null;
  /** The check-in that waits longest for an answer: a press on the queue's line opens it. */
  readonly opens: { readonly checkinId: string; readonly note: string } | null;
}

export function summaryOf(record: StudentRecord, library: Library, kept: readonly ToldForecast[]): Summary {
  const { intake, measures, prescription, checkins } = record;
  const gates = gateStates(record, library);
  const moved = movedOf(record, library);
  const { owned } = ownedOf(record, library);
  const work = inUse(prescription);
  const file = { ...record, ...checkins };
  const opens = opensAt(file);
  return {
    studentId: intake.studentId,
    firstName: intake.firstName,
    familyName: intake.familyName,
    bornOn: intake.bornOn,
    handedness: intake.handedness,
    limits: intake.limits,
    archived: intake.archivedAt !== null,
    lessons: intake.lessons.filter(({ endedAt, cancelledAt }) => endedAt === null && cancelledAt === null),
    focus: work ? [work.forFault] : [],
    drills: work?.drills ?? [],
    stage: gates[0]?.stage ?? null,
    moved: moved[0] ?? null,
    standing: standingOf(record, gates, moved, owned),
    waiting:
      intake.archivedAt !== null
        ? []
        : whyWaiting({
            ...file,
            gates,
            filmedAt: measures.readings.at(-1)?.at ?? null,
            wrongWay: moved.some(hasWorsened),
          }),
    outcomes: drillHistory(prescription.choices).filter(({ outcome }) => outcome !== 'in_use'),
    courses: coursesOf(record, library),
    climbs: climbsOf(record, gates),
    spreads: studentSpreads(record, library),
    forecasts: judgedForecasts(record, kept),
    pain: painReportOf(file),
    opens: opens && { checkinId: opens.id, note: opens.note },
  };
}
