import { WEEKDAYS, type Weekday } from '../../../foundation/index.ts';
import { isChild, minutesOf, type Place } from '../../intake/index.ts';
import { CHILD_MINUTES_A_DAY, MOST_WISHED } from '../ruleNumbers.ts';
import { STAGES, type Stage } from '../stages.ts';
import { LATE } from './gateDates.ts';
import { groundOf } from './ground.ts';
import { aimStage } from './improve.ts';
import { layDays } from './lay.ts';
import type { Ground, Laid } from './layout.ts';
import type { Binding, BindingRule, Give } from './planModel.ts';
import type { PlanRequest } from './planRequest.ts';
import { BALL_PLACES } from './slots.ts';
import { dayBy, walk } from './walk.ts';

const MORE_MINUTES = 10;
const MORE_BALLS = 20;
const MORE_WISH = 100;
const LONGEST_DAY_MINUTES = 240;

type Way = {
  readonly what: Give['what'];
  readonly by: number;
  readonly about: string;
  readonly request: PlanRequest;
};

/** The rules that held the root back before its gate, the most frequent first. */
export const bindingOf = (ground: Ground, { bound }: Laid): Binding[] =>
  [...bound]
    .filter(([rule]) => rule !== 'visit')
    .sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
    .map(([rule, days]) => ({ rule, about: ground.tracks[0]?.drill.id ?? '', days }));

/**
 * Every way out that would bring the root's gate sooner, with the days it gains by a plan solved anew with that
 * one thing changed. What would gain nothing is not said.
 */
export function waysOut(ground: Ground, laid: Laid): Give[] {
  if (!ground.tracks[0] || ground.request.held || ground.tracks[0].stopped) return [];
  const now = lateOf(ground, laid);
  return waysFor(ground, laid.bound)
    .flatMap(({ request, ...way }): Give[] => {
      const other = groundOf(request, ground.futures);
      const late = lateOf(other, layDays(other, { skips: new Set() }));
      if (now.stage !== late.stage)
        return isHigher(late.stage, now.stage) && late.day !== null ? [{ ...way, gainDays: null }] : [];
      if (late.day === null) return [];
      const gainDays = now.day === null ? null : now.day - late.day;
      return gainDays === null || gainDays > 0 ? [{ ...way, gainDays }] : [];
    })
    .sort((a, b) => (b.gainDays ?? 999) - (a.gainDays ?? 999));
}

const isHigher = (a: Stage, b: Stage): boolean => STAGES.indexOf(a) > STAGES.indexOf(b);

function lateOf(ground: Ground, laid: Laid) {
  const root = ground.tracks[0] as Ground['tracks'][number];
  const stage = aimStage(root.reachable);
  const climb = laid.climbs[0];
  const days = climb && walk(ground, root, climb, stage)[STAGES.indexOf(stage)];
  return { stage, day: days ? dayBy(days, LATE) : null };
}

/** What could be given, so far as the rules that bind speak of it. */
function waysFor({ request, student, slots }: Ground, bound: ReadonlyMap<BindingRule, number>): Way[] {
  const ways: Way[] = [];
  const has = (...rules: BindingRule[]) => rules.some((rule) => bound.has(rule));
  const { days, minutesPerDay, placeByDay } = request;
  const free = WEEKDAYS.filter((day) => !days.includes(day));
  const best = free.find((day) => !days.includes(before(day)) && !days.includes(after(day))) ?? free[0];
  const minutesOn = (day: Weekday) => minutesOf(minutesPerDay, day);
  if (best) {
    const balls = days.find((day) => BALL_PLACES.includes(placeByDay[day] as Place));
    const place = balls ? placeByDay[balls] : undefined;
    ways.push({
      what: 'day',
      by: 1,
      about: place && has('ball_place') ? `${best}.${place}` : best,
      request: {
        ...request,
        days: WEEKDAYS.filter((day) => day === best || days.includes(day)),
        placeByDay: place && has('ball_place') ? { ...placeByDay, [best]: place } : placeByDay,
      },
    });
  }
  const most = isChild(student) ? CHILD_MINUTES_A_DAY : LONGEST_DAY_MINUTES;
  if (has('minutes') && days.some((day) => minutesOn(day) < most))
    ways.push({
      what: 'minutes',
      by: MORE_MINUTES,
      about: '',
      request: {
        ...request,
        minutesPerDay: Object.fromEntries(
          days.map((day) => [day, Math.max(minutesOn(day), Math.min(most, minutesOn(day) + MORE_MINUTES))]),
        ),
      },
    });
  if (has('ball_place')) ways.push(...ballDay(request, slots));
  if (has('balls'))
    ways.push({
      what: 'balls',
      by: MORE_BALLS,
      about: '',
      request: withBalls(request, student.ballsPerVisit + MORE_BALLS),
    });
  if (has('wish') && request.wishRepsPerWeek + MORE_WISH <= MOST_WISHED)
    ways.push({
      what: 'wish',
      by: MORE_WISH,
      about: '',
      request: { ...request, wishRepsPerWeek: request.wishRepsPerWeek + MORE_WISH },
    });
  return ways;
}

const before = (day: Weekday) => WEEKDAYS[(WEEKDAYS.indexOf(day) + 6) % 7] as Weekday;
const after = (day: Weekday) => WEEKDAYS[(WEEKDAYS.indexOf(day) + 1) % 7] as Weekday;

/** One of the days that are practised at home, at a range instead; the longest of them. */
function ballDay(request: PlanRequest, slots: Ground['slots']): Way[] {
  const home = slots.filter(
    ({ asked, place, weekday }) => asked && request.days.includes(weekday) && !BALL_PLACES.includes(place),
  );
  const longest = Math.max(...home.map(({ minutes }) => minutes));
  const day = home.find(({ minutes }) => minutes === longest)?.weekday;
  if (!day) return [];
  const { student } = request.file;
  const asked = { ...request, placeByDay: { ...request.placeByDay, [day]: 'range' as const } };
  return [
    {
      what: 'ball_day',
      by: 1,
      about: day,
      request: student.ballsPerVisit > 0 ? asked : withBalls(asked, MORE_BALLS),
    },
  ];
}

const withBalls = (request: PlanRequest, ballsPerVisit: number): PlanRequest => ({
  ...request,
  file: { ...request.file, student: { ...request.file.student, ballsPerVisit } },
});
