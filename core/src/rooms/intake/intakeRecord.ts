import type { IsoDay } from '../../foundation/index.ts';
import type { ConsentFacts } from './consent.ts';
import type { LessonRecord } from './lesson.ts';
import type { School } from './schools.ts';
import type { Hand, Limit, StudentFacts, ViewKind } from './student.ts';

/** This room's slice of a student's file: who it is, as the other rooms read it. */
export interface IntakeRecord {
  readonly studentId: string;
  readonly firstName: string;
  readonly familyName: string;
  readonly bornOn: IsoDay;
  readonly handedness: Hand;
  readonly films: readonly ViewKind[];
  /** Agreed, held and called off, by day and time. */
  readonly lessons: readonly LessonRecord[];
  /** What the student's own answers ask for care with. */
  readonly limits: readonly Limit[];
  /** ISO stamp; null while the student is on the roster. */
  readonly archivedAt: string | null;
  /** The profile as the reasoning rooms read it; pain is among the limits while it holds the drills. */
  readonly facts: StudentFacts;
  readonly consent: ConsentFacts;
  readonly school: School;
  /** Since when pain holds the drills, an ISO stamp; null when it does not. */
  readonly heldSince: string | null;
  /** Where it hurts, of that report; empty when nobody said. */
  readonly heldWhere: string;
}
