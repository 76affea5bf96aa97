import type { RosterProgress } from '@inchstep/contract/formats';
import type {
  Brief,
  BriefCard,
  Everybody,
  LessonCard,
  MeasureStory,
  Progress,
  RosterRow,
} from '@inchstep/contract/progress';
import { ageOn } from '@inchstep/core/foundation';
import { lessonKey, nextLessonFrom, plannedFrom, runningAt } from '@inchstep/core/intake';
import {
  ballBeside,
  briefOf,
  type ForecastScore,
  feltPer,
  gateTimes,
  judgedForecasts,
  measureStory,
  progressOf,
  STANDINGS,
  type Summary,
  scoreOfForecasts,
  standingAt,
  whatWorks,
} from '@inchstep/core/progress';
import { type Context, stamp, today } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { shotDaysOf } from '../capture/index.ts';
import { feelPage, libraryOf } from '../prescription/index.ts';
import { toldForecasts } from './forecastRepo.ts';

export const briefFor = (ctx: Context, studentId: string): Brief =>
  briefOf(ctx.records.of(studentId), libraryOf(ctx), stamp(ctx), today(ctx));

export const progressFor = (ctx: Context, studentId: string): Progress =>
  progressOf(ctx.records.of(studentId), libraryOf(ctx));

/** Everything known of one measure; a measure that was never seen is not found. */
export function measureStoryFor(ctx: Context, studentId: string, measure: string): MeasureStory {
  const story = storyOf(ctx, studentId, measure);
  if (!story) throw new Refusal('not_found');
  return story;
}

function storyOf(ctx: Context, studentId: string, measure: string): MeasureStory | null {
  const record = ctx.records.of(studentId);
  const story = measureStory(record, libraryOf(ctx), measure, today(ctx));
  if (!story) return null;
  const own = toldForecasts(ctx.db, studentId).filter((told) => told.measure === measure);
  const answers = feelPage(ctx, studentId)
    .records.filter((one) => one.measure === measure)
    .map(({ at, felt, measured }) => ({ at, felt, measured }));
  const per = feltPer(answers);
  return {
    ...story,
    dates: { told: judgedForecasts(record, own), score: scoreOfAll(ctx) },
    felt: per && { answers, per: per.per, lo95: per.lo95, hi95: per.hi95, nothingFelt: per.nothingFelt },
    ball: ballBeside(story.occasions, shotDaysOf(ctx.db, studentId)),
  };
}

/** How good told dates were, over everybody. */
const scoreOfAll = (ctx: Context): ForecastScore =>
  scoreOfForecasts([...ctx.records.summaries().all].flatMap(({ forecasts }) => forecasts));

/** The stories of what is worked on and of what else is known, for files that leave the program. */
export function storiesFor(ctx: Context, studentId: string): MeasureStory[] {
  const { series, focus } = progressFor(ctx, studentId);
  return series
    .filter(({ measure, change }) => focus.includes(measure) || change.verdict !== 'cant_tell')
    .flatMap(({ measure }) => storyOf(ctx, studentId, measure) ?? []);
}

function cardFrom(summary: Summary, now: string, day: string): BriefCard {
  const { studentId, firstName, familyName, lessons, focus, drills, stage, moved, limits } = summary;
  return {
    studentId,
    name: `${firstName} ${familyName}`,
    nextLesson: nextLessonFrom(lessons, day)?.day ?? null,
    focus,
    drills,
    stage,
    moved,
    limits,
    state: standingAt(summary.standing, now, day),
  };
}

/** A card for each lesson that goes on or comes, by day and time. */
export function lessonsToCome(ctx: Context): { students: number; lessons: LessonCard[] } {
  const [now, day] = [stamp(ctx), today(ctx)];
  const active = [...ctx.records.summaries().all].filter(({ archived }) => !archived);
  const lessons: { readonly key: string; readonly card: LessonCard }[] = [];
  for (const summary of active) {
    if (summary.lessons.length === 0) continue;
    const card = cardFrom(summary, now, day);
    const running = runningAt(summary.lessons, now);
    // What goes on comes first; each key is made once, not with every comparison.
    if (running) lessons.push({ key: '', card: { ...card, lesson: running, running: true } });
    for (const lesson of plannedFrom(summary.lessons, day))
      lessons.push({ key: lessonKey(lesson), card: { ...card, lesson, running: false } });
  }
  lessons.sort((a, b) => (a.key < b.key ? -1 : a.key > b.key ? 1 : 0));
  return { students: active.length, lessons: lessons.map(({ card }) => card) };
}

/** Everybody, archived ones too, by first name. */
export function rosterOf(ctx: Context): RosterRow[] {
  const [now, day] = [stamp(ctx), today(ctx)];
  return [...ctx.records.summaries().all]
    .map((summary) => {
      const row = cardFrom(summary, now, day) as { -readonly [K in keyof RosterRow]: RosterRow[K] };
      row.handedness = summary.handedness;
      row.ageYears = ageOn(summary.bornOn, day);
      row.archived = summary.archived;
      return row;
    })
    .sort(by(({ name }) => name));
}

/** All students that are at work, together; those who were archived still count for what worked. */
export function everybodyOf(ctx: Context): Everybody {
  const [now, day] = [stamp(ctx), today(ctx)];
  const all = [...ctx.records.summaries().all];
  const active = all.filter(({ archived }) => !archived);
  const states = active.map((summary) => ({
    name: `${summary.firstName} ${summary.familyName}`,
    state: standingAt(summary.standing, now, day),
  }));
  return {
    students: active.length,
    standings: STANDINGS.map((state) => ({
      state,
      names: states.filter((one) => one.state === state).map(({ name }) => name),
    })).filter(({ names }) => names.length > 0),
    works: whatWorks(all.flatMap(({ courses }) => courses)),
    gates: gateTimes(
      all.flatMap(({ climbs }) => climbs),
      day,
    ),
    dates: scoreOfAll(ctx),
  };
}

/** Everybody's present work and its surest change, for files that leave the program. */
export function rosterProgressOf(ctx: Context): RosterProgress[] {
  const [now, day] = [stamp(ctx), today(ctx)];
  return [...ctx.records.summaries().all]
    .map(
      (summary): RosterProgress => ({
        student: `${summary.firstName} ${summary.familyName}`,
        archived: summary.archived,
        state: standingAt(summary.standing, now, day),
        fault: summary.focus[0] ?? '',
        drills: summary.drills,
        rung: summary.stage,
        moved: summary.moved,
      }),
    )
    .sort(by(({ student }) => student));
}

const inOrder = new Intl.Collator();
const by =
  <T>(text: (row: T) => string) =>
  (a: T, b: T): number =>
    inOrder.compare(text(a), text(b));
