import type { Profile, Student, ThreadEvent } from '@inchstep/contract/intake';
import { ageOn } from '@inchstep/core/foundation';
import { limitsFrom, mayBeFilmed } from '@inchstep/core/intake';
import { type Context, stamp, today } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { countForgetting } from '../../platform/programFacts.ts';
import { once } from '../../platform/writes/once.ts';
import { pauseForPainNow } from './holds.ts';
import { lessonDays, nextLessonDay, setNextLesson } from './lessons.ts';
import { record } from './record.ts';
import {
  allStudents,
  eventsOf,
  insertStudent,
  type StudentRow,
  setArchived,
  studentRow,
  updateProfile,
} from './repo.ts';
import { resolvedSchool } from './schools.ts';

function present(ctx: Context, row: StudentRow): Student {
  return {
    id: row.id,
    version: row.version,
    // A profile of before there was mail has none.
    profile: { ...row.profile, mail: row.profile.mail ?? null, nextLesson: nextLessonDay(ctx, row.id) },
    ageYears: ageOn(row.profile.bornOn, today(ctx)),
    school: resolvedSchool(ctx.db, row.profile),
    limits: limitsFrom(row.profile.safety),
    archivedAt: row.archivedAt,
    createdAt: row.createdAt,
  };
}

export function listStudents(ctx: Context): Student[] {
  return allStudents(ctx.db)
    .map((row) => present(ctx, row))
    .sort((a, b) => a.profile.firstName.localeCompare(b.profile.firstName));
}

export function getStudent(ctx: Context, id: string): Student {
  const row = studentRow(ctx.db, id);
  if (!row) throw new Refusal('not_found');
  return present(ctx, row);
}

/** Writing the same new student twice is one student: the caller's id decides. */
export function createStudent(ctx: Context, id: string, profile: Profile, author: string): Student {
  return once(
    ctx,
    { id, what: 'student', studentId: id, author },
    () => {
      checkDates(ctx, profile, null);
      const createdAt = stamp(ctx);
      insertStudent(ctx.db, {
        id,
        version: 1,
        profile: { ...profile, nextLesson: null },
        archivedAt: null,
        createdAt,
      });
      record(ctx, id, 'created', {});
      pauseForPainNow(ctx, id);
      setNextLesson(ctx, id, profile.nextLesson, author);
    },
    () => getStudent(ctx, id),
  );
}

export function editStudent(
  ctx: Context,
  id: string,
  version: number,
  profile: Profile,
  author: string,
): Student {
  const before = getStudent(ctx, id);
  checkDates(ctx, profile, before.profile, lessonDays(ctx, id));
  ctx.records.write(id, () => {
    const kept = { ...profile, nextLesson: null };
    if (!updateProfile(ctx.db, id, version, kept)) throw new Refusal('changed_meanwhile');
    setNextLesson(ctx, id, profile.nextLesson, author);
    record(ctx, id, 'edited', {});
    pauseForPainNow(ctx, id);
    // Browsers that hold working copies of this child's films let them go.
    if (!consentMissing(ctx, before) && consentMissing(ctx, getStudent(ctx, id))) countForgetting(ctx.db);
  });
  return getStudent(ctx, id);
}

/** The student takes the agreement to mail back. */
export function endMail(ctx: Context, id: string): void {
  const { profile, version } = getStudent(ctx, id);
  if (profile.mail === null) return;
  ctx.records.write(id, () => {
    updateProfile(ctx.db, id, version, { ...profile, mail: null, nextLesson: null });
    record(ctx, id, 'mail_stopped', {});
  });
}

/** New dates must make sense from today; a date that was already there may have gone by. */
function checkDates(
  ctx: Context,
  profile: Profile,
  before: Profile | null,
  known: readonly string[] = [],
): void {
  const day = today(ctx);
  if (profile.bornOn >= day) throw new Refusal('date_in_future', { value: profile.bornOn }, 'profile.bornOn');
  const mailOn = profile.mail?.agreedOn ?? null;
  if (mailOn !== null && mailOn !== before?.mail?.agreedOn && mailOn > day)
    throw new Refusal('date_in_future', { value: mailOn }, 'profile.mail.agreedOn');
  const { nextLesson } = profile;
  if (nextLesson !== null && nextLesson < day && !known.includes(nextLesson)) {
    throw new Refusal('date_in_past', { value: nextLesson }, 'profile.nextLesson');
  }
  const agreedOn = profile.guardianConsent?.on;
  if (agreedOn !== undefined && agreedOn !== before?.guardianConsent?.on && agreedOn > day)
    throw new Refusal('date_in_future', { value: agreedOn }, 'profile.guardianConsent.on');
}

export function archiveStudent(ctx: Context, id: string, archived: boolean): Student {
  const before = getStudent(ctx, id);
  if ((before.archivedAt !== null) === archived) return before;
  ctx.records.write(id, () => {
    setArchived(ctx.db, id, archived ? stamp(ctx) : null);
    record(ctx, id, archived ? 'archived' : 'restored', {});
  });
  return getStudent(ctx, id);
}

export const thread = (ctx: Context, studentId: string): ThreadEvent[] => {
  getStudent(ctx, studentId);
  return eventsOf(ctx.db, studentId);
};

/** A child's clips wait until a guardian has agreed, and are closed again when the agreement is withdrawn. */
const consentMissing = (ctx: Context, { ageYears, profile }: Student): boolean =>
  !mayBeFilmed({ ageYears, guardianConsent: profile.guardianConsent }, today(ctx));

/** Every way to a child's pictures and marks asks this first. */
export function refuseWithoutConsent(ctx: Context, student: Student): void {
  if (consentMissing(ctx, student)) throw new Refusal('consent_missing');
}
