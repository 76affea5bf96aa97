import type { StudentPage } from '@inchstep/contract/checkins';
import { cautionsFor, type Drill, setupFor } from '@inchstep/core/prescription';
import { firstCoach } from '../../platform/auth.ts';
import { type Context, today } from '../../platform/context.ts';
import { caseOf } from '../diagnosis/index.ts';
import { consentMissing, getStudent, holdOf } from '../intake/index.ts';
import { currentPlan, dayOfCard, listSets, stageOf } from '../practice/index.ts';
import { feelPage, libraryOf, ownAmong } from '../prescription/index.ts';
import { listCheckins } from './service.ts';

const RECENT_SETS = 60;

/** Everything a student's phone shows, and nothing of anybody else. */
export function pageOf(ctx: Context, studentId: string): StudentPage {
  const student = getStudent(ctx, studentId);
  const plan = currentPlan(ctx, studentId);
  const day = dayOfCard(ctx, studentId);
  const next = plan?.plan.days.find((d) => d.date > today(ctx)) ?? null;
  const library = libraryOf(ctx);
  const file = caseOf(ctx, studentId);
  return {
    firstName: student.profile.firstName,
    coach: firstCoach(ctx)?.name ?? '',
    today: today(ctx),
    handedness: student.profile.handedness,
    heightIn: student.profile.heightIn,
    needsConsent: consentMissing(ctx, student),
    hold: holdOf(ctx, studentId),
    day: day && { date: day.date, place: day.place, minutes: day.minutes, items: [...day.items] },
    nextDay: next?.date ?? null,
    drills: (plan?.drills ?? []).map((id) => {
      const drill = library.byId(id) as Drill;
      return {
        id,
        stage: stageOf(ctx, studentId, id),
        setup: setupFor(drill, file),
        cautions: cautionsFor(drill, file),
      };
    }),
    ownDrills: ownAmong(ctx, plan?.drills ?? []),
    exaggerate: feelPage(ctx, studentId).sizing.factor,
    sets: listSets(ctx, studentId).slice(-RECENT_SETS),
    checkins: listCheckins(ctx, studentId).slice(0, 10),
    clipLimitMb: ctx.clipLimitMb,
  };
}
