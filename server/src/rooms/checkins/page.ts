import type { Checkin, PageFile, PagePlan, StudentPage } from '@inchstep/contract/checkins';
import { measureName } from '@inchstep/contract/words';
import { conversationOf, feltAsked, type Said, saidBy } from '@inchstep/core/checkins';
import { plusDays } from '@inchstep/core/foundation';
import { mayBeFilmed, nextLessonFrom } from '@inchstep/core/intake';
import { type TodayStanding, todayStanding } from '@inchstep/core/practice';
import {
  amountsFor,
  cautionsFor,
  feelSizingFor,
  inUse,
  knownCase,
  type Library,
  ownDrillsOf,
  setupFor,
} from '@inchstep/core/prescription';
import type { StudentRecord } from '@inchstep/core/progress';
import { firstCoach } from '../../platform/auth.ts';
import { type Context, stamp, today } from '../../platform/context.ts';
import { holdOf } from '../intake/index.ts';
import { livePlan, packedPlan } from '../practice/index.ts';
import { feelPage, libraryOf, libraryWords } from '../prescription/index.ts';
import { messagesOf } from './messageRepo.ts';
import { requestFor } from './requests.ts';
import { recentCheckins } from './service.ts';

const RECENT_CHECKINS = 10;
const RECENT_LESSONS = 5;

/** Everything a student's phone shows, and nothing of anybody else. */
export function pageOf(ctx: Context, studentId: string): StudentPage {
  const record = ctx.records.of(studentId);
  const library = libraryOf(ctx);
  const { wordsOf } = libraryWords(ctx);
  const { intake } = record;
  const now = today(ctx);
  const { day, nextDay, rungs, sets } = standingOf(record, library, now);
  const file = knownCase(record);
  const feels = feelPage(ctx, studentId).records;
  const choice = inUse(record.prescription);
  const checkins = recentCheckins(ctx, studentId, RECENT_CHECKINS);
  const drills = (choice?.drills ?? []).flatMap((id) => library.byId(id) ?? []);
  const asked = feltAsked(drills);
  return {
    studentId,
    firstName: intake.firstName,
    coach: firstCoach(ctx)?.name ?? '',
    today: now,
    handedness: intake.handedness,
    heightIn: intake.facts.heightIn,
    setupBias: intake.school.setup_bias,
    needsConsent: !mayBeFilmed(intake.consent, now),
    hold: intake.heldSince === null ? null : holdOf(ctx, studentId),
    day,
    nextDay,
    ownTask: choice?.ownTask ?? '',
    feel: asked && { ...asked, name: measureName(asked.measure) },
    drills: drills.map((drill, i) => ({
      ...(rungs[i] as (typeof rungs)[number]),
      setup: setupFor(drill, file),
      cautions: cautionsFor(drill, file),
      layers: drill.layers.map(({ tells }) => ({ tells })),
      guard: drill.guard,
      amounts: amountsFor(drill, file),
      exaggerate: feelSizingFor(feels, drill.moves, choice?.forFault ?? null).factor,
    })),
    words: Object.fromEntries(
      drills.flatMap(({ id }) => {
        const words = wordsOf(id);
        return words ? [[id, words]] : [];
      }),
    ),
    sets: [...sets],
    checkins,
    word: lastWord(ctx, studentId, checkins),
    lessons: intake.lessons
      .flatMap(({ id, day: held, summary }) => (summary === null ? [] : [{ id, day: held, summary }]))
      .reverse()
      .slice(0, RECENT_LESSONS),
    nextLesson: nextLessonFrom(intake.lessons, now),
    request: requestFor(ctx, studentId),
    clipLimitMb: ctx.clipLimitMb,
  };
}

/** Laying a card weighs most of a page; as long as file, library and day are the same, so is it, however often a phone looks. */
function standingOf(record: StudentRecord, library: Library, day: string): TodayStanding {
  const known = STANDINGS.get(record.practice);
  if (known?.record === record && known.library === library && known.day === day) return known.standing;
  const standing = todayStanding(record, library, day);
  STANDINGS.set(record.practice, { record, library, day, standing });
  return standing;
}
const STANDINGS = new WeakMap<
  StudentRecord['practice'],
  {
    readonly record: StudentRecord;
    readonly library: Library;
    readonly day: string;
    readonly standing: TodayStanding;
  }
>();

/** What the coach said last, in answer or unasked. */
function lastWord(ctx: Context, studentId: string, checkins: readonly Checkin[]): StudentPage['word'] {
  const now = stamp(ctx);
  const said = checkins.flatMap(({ id, reply, enclosures }): Said[] =>
    reply ? [{ ...reply, by: 'coach', as: 'reply', checkinId: id, enclosures }] : [],
  );
  const messages = messagesOf(ctx.db, studentId, RECENT_CHECKINS).map(
    ({ id, at, text, goesAt }): Said => ({
      id,
      at,
      text,
      goesAt,
      by: 'coach',
      as: 'message',
      checkinId: null,
    }),
  );
  return conversationOf(saidBy([...said, ...messages], now))[0] ?? null;
}

/** What a phone needs to say by itself, on another day and without a signal, what is to be done. */
export function pageFile(ctx: Context, studentId: string): PageFile {
  const { intake, prescription, practice } = ctx.records.of(studentId);
  const library = libraryOf(ctx);
  const named = new Set([...(inUse(prescription)?.drills ?? []), ...practice.sets.map(({ drill }) => drill)]);
  return {
    // Letters of lessons stand on the page already.
    file: {
      intake: { ...intake, lessons: intake.lessons.map((lesson) => ({ ...lesson, summary: null })) },
      prescription,
      practice,
    },
    own: ownDrillsOf(library, named),
  };
}

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
