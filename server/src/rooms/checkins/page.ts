import type { PagePlan, StudentPage } from '@inchstep/contract/checkins';
import { plusDays } from '@inchstep/core/foundation';
import { mayBeFilmed, nextLessonFrom } from '@inchstep/core/intake';
import { cardOf, countedSets, type LadderStanding, moreAtThisRate, standsOn } from '@inchstep/core/practice';
import {
  amountsFor,
  cautionsFor,
  feelSizingFor,
  inUse,
  knownCase,
  layerOf,
  setupFor,
} from '@inchstep/core/prescription';
import { firstCoach } from '../../platform/auth.ts';
import { type Context, today } from '../../platform/context.ts';
import { holdOf } from '../intake/index.ts';
import { livePlan, packedPlan } from '../practice/index.ts';
import { feelPage, libraryOf, libraryWords } from '../prescription/index.ts';
import { requestFor } from './requests.ts';
import { recentCheckins } from './service.ts';

const RECENT_CHECKINS = 10;
const RECENT_LESSONS = 5;

/** Everything a student's phone shows, and nothing of anybody else. */
export function pageOf(ctx: Context, studentId: string): StudentPage {
  const record = ctx.records.of(studentId);
  const library = libraryOf(ctx);
  const { wordsOf } = libraryWords(ctx);
  const { intake, practice } = record;
  const { sets, plan } = practice;
  const now = today(ctx);
  const day = cardOf(record, library, now);
  const next = plan?.plan.days.find((d) => d.date > now) ?? null;
  const file = knownCase(record);
  const feels = feelPage(ctx, studentId).records;
  const choice = inUse(record.prescription);
  const drills = (choice?.drills ?? []).flatMap((id) => library.byId(id) ?? []);
  return {
    firstName: intake.firstName,
    coach: firstCoach(ctx)?.name ?? '',
    today: now,
    handedness: intake.handedness,
    heightIn: intake.facts.heightIn,
    setupBias: intake.school.setup_bias,
    needsConsent: !mayBeFilmed(intake.consent, now),
    hold: intake.heldSince === null ? null : holdOf(ctx, studentId),
    day,
    nextDay: next?.date ?? null,
    ownTask: choice?.ownTask ?? '',
    drills: drills.map((drill) => ({
      id: drill.id,
      ...rungOf(standsOn(record, drill)),
      setup: setupFor(drill, file),
      cautions: cautionsFor(drill, file),
      layers: drill.layers.map(({ tells }) => ({ tells })),
      guard: drill.guard,
      layer: choice ? layerOf(choice, drill) : 1,
      amounts: amountsFor(drill, file),
      exaggerate: feelSizingFor(feels, drill.moves, choice?.forFault ?? null).factor,
    })),
    words: Object.fromEntries(
      drills.flatMap(({ id }) => {
        const words = wordsOf(id);
        return words ? [[id, words]] : [];
      }),
    ),
    sets: countedSets(sets.filter(({ date }) => date === now)),
    checkins: recentCheckins(ctx, studentId, RECENT_CHECKINS),
    lessons: intake.lessons
      .flatMap(({ id, day: held, summary }) => (summary === null ? [] : [{ id, day: held, summary }]))
      .reverse()
      .slice(0, RECENT_LESSONS),
    nextLesson: nextLessonFrom(intake.lessons, now),
    request: requestFor(ctx, studentId),
    clipLimitMb: ctx.clipLimitMb,
  };
}

/** The rung with what is left to it: repetitions at the student's rate, or the coach's look. */
const rungOf = ({ stage, test }: LadderStanding) => ({
  stage,
  more: moreAtThisRate(test),
  waits: test.decision === 'advance',
});

const AHEAD_DAYS = 14;

/** The days of the next two weeks, as the plan stands today. */
export function pagePlan(ctx: Context, studentId: string): PagePlan {
  const now = today(ctx);
  const plan = livePlan(ctx, studentId);
  const until = plusDays(now, AHEAD_DAYS);
  return {
    today: now,
    days: (plan?.days ?? []).filter(({ date }) => date <= until),
    gates: plan?.gateDates ?? [],
    pack: packedPlan(ctx, studentId),
  };
}
