import type { Profile } from '@inchstep/contract/intake';
import { PROFILE } from '@inchstep/contract/kept';
import {
  type IntakeRecord,
  limitSet,
  type School,
  type StudentFacts,
  weekMinutes,
} from '@inchstep/core/intake';
import { type Db, prepared } from '../../platform/db.ts';
import { readKept } from '../../platform/keptColumn.ts';
import { lessonsOf } from './lessonRepo.ts';

interface Row {
  readonly profile: string;
  readonly archived_at: string | null;
  readonly held_since: string | null;
  readonly held_where: string | null;
}

/** What the profile alone does not say. */
interface IntakeAsk {
  readonly ageOf: (bornOn: string) => number;
  readonly schoolOf: (profile: Profile) => School;
}

/** One statement: the student's row with the pain report that stands. Undefined when there is no such student. */
export function intakeSlice(db: Db, studentId: string, ask: IntakeAsk): IntakeRecord | undefined {
  const row = prepared(
    db,
    `SELECT profile, archived_at, max(h.at) AS held_since, h.where_it_hurts AS held_where
      FROM students s LEFT JOIN holds h ON h.student_id = s.id AND h.lifted_at IS NULL
      WHERE s.id = ? GROUP BY s.id`,
  ).get(studentId) as Row | undefined;
  if (!row) return undefined;
  const profile = readKept(PROFILE, row.profile);
  const ageYears = ask.ageOf(profile.bornOn);
  return {
    studentId,
    firstName: profile.firstName,
    familyName: profile.familyName,
    bornOn: profile.bornOn,
    handedness: profile.handedness,
    films: profile.films,
    lessons: lessonsOf(db, studentId),
    limits: limitSet(profile.safety),
    archivedAt: row.archived_at,
    facts: factsFrom(profile, ageYears, row.held_since !== null),
    consent: { ageYears, guardianConsent: profile.guardianConsent },
    school: ask.schoolOf(profile),
    heldSince: row.held_since,
    heldWhere: row.held_where ?? '',
  };
}

/** The profile as the reasoning rooms read it. */
function factsFrom(profile: Profile, ageYears: number, painHold: boolean): StudentFacts {
  const limits = limitSet(profile.safety);
  return {
    handedness: profile.handedness,
    heightIn: profile.heightIn,
    ageYears,
    flexibility: profile.flexibility,
    armSwing: profile.armSwing,
    beginner: profile.beginner,
    limits: painHold && !limits.includes('pain') ? [...limits, 'pain'] : limits,
    aids: profile.aids,
    places: profile.places,
    cueLiking: profile.cueLiking,
    films: profile.films,
    minutesPerWeek: weekMinutes(profile),
    ballsPerVisit: profile.ballsPerVisit,
  };
}
