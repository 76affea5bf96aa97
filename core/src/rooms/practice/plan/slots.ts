import {
  daysBetween,
  type IsoDay,
  plusDays,
  WEEKDAYS,
  type Weekday,
  weekdayOf,
} from '../../../foundation/index.ts';
import { isChild, minutesOf, type Place } from '../../intake/index.ts';
import { CHILD_MINUTES_A_DAY, TOURNAMENT_QUIET_DAYS } from '../ruleNumbers.ts';
import type { EmptyReason } from './planModel.ts';
import type { PlanRequest } from './planRequest.ts';

/** A day of the plan's time: whether it can be practised on, for how long, where, and what it must not hold. */
export interface Slot {
  /** Days from the plan's first day. */
  readonly day: number;
  readonly date: IsoDay;
  readonly weekday: Weekday;
  /** It was asked for, as a usual day, an extra one or one that a session was put on. */
  readonly asked: boolean;
  /** Why it is closed although it was asked for. */
  readonly closed: EmptyReason | null;
  readonly minutes: number;
  readonly place: Place;
  /** The day before a lesson, or its day. */
  readonly light: boolean;
  /** No new drill begins: a lesson, a tournament near. */
  readonly nothingNew: boolean;
  /** A tournament is near: upkeep and routine alone. */
  readonly quiet: boolean;
}

export const BALL_PLACES: readonly Place[] = ['range', 'net'];

/** The first day that can still be planned: the one asked for, or the day after the last log. */
function firstDayOf({ start, logs }: Pick<PlanRequest, 'start' | 'logs'>): IsoDay {
  let first = start;
  for (const { date } of logs) if (date >= first) first = plusDays(date, 1);
  return first;
}

export function slotsOf(request: PlanRequest): Slot[] {
  const first = firstDayOf(request);
  const days = Math.max(1, request.weeks * 7 - daysBetween(request.start, first));
  const weekday = WEEKDAYS.indexOf(weekdayOf(first));
  const missed = new Set(request.missed);
  const slots: Slot[] = [];
  for (let day = 0; day < days; day++) {
    const date = plusDays(first, day);
    slots.push(slotOf(request, date, day, (weekday + day) % 7, missed));
  }
  return slots;
}

/** Where a student practises when nothing else is said. */
const usualPlace = ({ file }: Pick<PlanRequest, 'file'>): Place => {
  const { places } = file.student;
  return places.includes('home') ? 'home' : (places[0] ?? 'home');
};

function slotOf(
  request: PlanRequest,
  date: IsoDay,
  day: number,
  weekdayIndex: number,
  missed: ReadonlySet<IsoDay>,
): Slot {
  const weekday = WEEKDAYS[weekdayIndex] as (typeof WEEKDAYS)[number];
  const { student } = request.file;
  const exceptions = request.exceptions.filter(({ from, to }) => from <= date && date <= to);
  const of = (kind: string) => exceptions.find((one) => one.kind === kind);
  const movedAway = request.moves.some(({ from }) => from === date);
  const movedHere = request.moves.find(({ to }) => to === date);
  const extra = of('extra');
  // A session that was put here brings its own day's minutes and place along.
  const source = movedHere ? WEEKDAYS.indexOf(weekdayOf(movedHere.from)) : weekdayIndex;
  const sourceDay = WEEKDAYS[source] as typeof weekday;
  const usual = minutesOf(request.minutesPerDay, sourceDay);
  const away = of('ill') ?? of('away');
  const asked =
    (request.days.includes(weekday) && !movedAway) || movedHere !== undefined || extra !== undefined;
  const wanted = extra?.minutes ?? (away ? (away.minutes ?? 0) : usual);
  const minutes = isChild(student) ? Math.min(wanted, CHILD_MINUTES_A_DAY) : wanted;
  const place = extra?.place ?? away?.place ?? placeOf(request, sourceDay, of('no_range') !== undefined);
  const untilLesson = request.nextLesson === null ? null : daysBetween(date, request.nextLesson);
  const quiet = request.exceptions.some(
    ({ kind, from, to }) =>
      kind === 'tournament' && date <= to && daysBetween(date, from) <= TOURNAMENT_QUIET_DAYS,
  );
  return {
    day,
    date,
    weekday,
    asked,
    closed: asked ? closedBy(request, date, away, minutes, missed) : null,
    minutes,
    place,
    light: untilLesson === 0 || untilLesson === 1,
    nothingNew: untilLesson === 0 || quiet,
    quiet,
  };
}

function closedBy(
  request: PlanRequest,
  date: IsoDay,
  away: PlanRequest['exceptions'][number] | undefined,
  minutes: number,
  missed: ReadonlySet<IsoDay>,
): EmptyReason | null {
  if (request.held) return 'held';
  if (missed.has(date)) return 'missed';
  if (away && (away.kind === 'ill' || away.minutes === null)) return away.kind === 'ill' ? 'ill' : 'away';
  return minutes < 1 ? 'no_minutes' : null;
}

function placeOf(request: PlanRequest, weekday: (typeof WEEKDAYS)[number], noRange: boolean): Place {
  const place = request.placeByDay[weekday] ?? usualPlace(request);
  if (!noRange || !BALL_PLACES.includes(place)) return place;
  const usual = usualPlace(request);
  return BALL_PLACES.includes(usual) ? 'home' : usual;
}

/** Whether any day of the plan is at a place where balls can be hit. */
export const hasBallPlace = (slots: readonly Slot[]): boolean =>
  slots.some(({ asked, closed, place }) => asked && closed === null && BALL_PLACES.includes(place));
export const hasCoursePlace = (slots: readonly Slot[]): boolean =>
  slots.some(({ asked, closed, place }) => asked && closed === null && place === 'course');
