import { type IsoDay, roundTo, weekdayOf } from '../../foundation/index.ts';
import { isChild, type Place } from '../intake/index.ts';
import { BALL_SETS_A_VISIT, CHILD_MINUTES_A_DAY, dailyCap, WARM_UP_MINUTES } from './caps.ts';
import type { PlanDay, PlanItem } from './planModel.ts';
import type { PlanRequest } from './planRequest.ts';
import { REHEARSALS_PER_BALL, SECONDS, type Stage, stageRow } from './stages.ts';
import { BALL_PLACES, DRY_SET, isOpen, note, placeOn, type Track, weekGoal, weekRoom } from './track.ts';

export function layDay(
  request: PlanRequest,
  tracks: readonly Track[],
  date: IsoDay,
  week: number,
): PlanDay | null {
  const weekday = weekdayOf(date);
  if (!request.days.includes(weekday) || request.missed.includes(date)) return null;
  const { student } = request.file;
  const share = student.minutesPerWeek / request.days.length;
  const asked = request.minutesPerDay[weekday] ?? Math.round(share);
  const minutes = isChild(student) ? Math.min(asked, CHILD_MINUTES_A_DAY) : asked;
  const place = placeOn(request, date);
  const open = tracks.filter((track) => isOpen(track, date));
  const warmUpMinutes = minutes >= 8 ? WARM_UP_MINUTES : 0;
  let seconds = (minutes - warmUpMinutes) * 60;
  let balls = BALL_PLACES.includes(place) ? student.ballsPerVisit : 0;
  const items: PlanItem[] = [];
  open.forEach((track, i) => {
    const item = layItem(request, track, place, date, week, seconds / (open.length - i), balls);
    if (!item) return;
    items.push(item);
    seconds -= item.minutes * 60;
    balls -= item.balls;
  });
  if (items.length === 0) return null;
  const used = warmUpMinutes + items.reduce((sum, item) => sum + item.minutes, 0);
  return { date, place, minutes: roundTo(used, 0), warmUpMinutes, items };
}

function layItem(
  request: PlanRequest,
  track: Track,
  place: Place,
  date: IsoDay,
  week: number,
  seconds: number,
  ballsLeft: number,
): PlanItem | null {
  const stage = track.stage as Stage;
  const row = stageRow(stage);
  if (stage === 'course')
    return place === 'course' ? courseItem(track, date, week) : keepFeel(request, track, date, week, seconds);
  if (row.ball && !BALL_PLACES.includes(place)) return keepFeel(request, track, date, week, seconds);
  return row.ball
    ? ballItem(request, track, stage, date, week, seconds, ballsLeft)
    : dryItem(request, track, stage, date, week, seconds, true);
}

/** On days that can't serve the rung itself. */
const KEPT_SHARE = 0.5;

/** The week's repetitions in even shares over its days, as far as the day's time and cap allow. */
function dryItem(
  request: PlanRequest,
  track: Track,
  stage: Stage,
  date: IsoDay,
  week: number,
  seconds: number,
  counts: boolean,
): PlanItem | null {
  const row = stageRow(stage);
  const perSet = DRY_SET * SECONDS.rehearsal + SECONDS.restPerSet + SECONDS.look / row.lookEvery;
  const cap = Math.min(dailyCap(track.drill, request.file.student), weekRoom(track, week));
  const share = Math.ceil(
    (counts ? 1 : KEPT_SHARE) * (weekGoal(track, week) / request.days.length / DRY_SET),
  );
  const sets = Math.floor(Math.min(seconds / perSet, cap / DRY_SET, share));
  if (sets < 1) return null;
  note(track, date, week, sets * DRY_SET, counts);
  return {
    drill: track.drill.id,
    stage,
    sets,
    rehearsals: sets * DRY_SET,
    balls: 0,
    looks: Math.ceil(sets / row.lookEvery),
    speedPct: row.speedPct,
    club: null,
    minutes: roundTo((sets * perSet) / 60, 1),
  };
}

/** Away from a range the feel is kept warm with slow rehearsals; the rung waits. */
const keepFeel = (request: PlanRequest, track: Track, date: IsoDay, week: number, seconds: number) =>
  dryItem(request, track, 'slow', date, week, seconds, false);

function ballItem(
  request: PlanRequest,
  track: Track,
  stage: Stage,
  date: IsoDay,
  week: number,
  seconds: number,
  ballsLeft: number,
): PlanItem | null {
  const row = stageRow(stage);
  const perSet = REHEARSALS_PER_BALL * SECONDS.rehearsal + SECONDS.ball + SECONDS.look / row.lookEvery;
  const repsPerSet = REHEARSALS_PER_BALL + 1;
  const cap = Math.min(dailyCap(track.drill, request.file.student), weekRoom(track, week)) / repsPerSet;
  const fits = Math.floor(Math.min(seconds / perSet, cap, BALL_SETS_A_VISIT));
  const sets = Math.min(fits, ballsLeft);
  track.ballsCut += Math.max(0, fits - sets);
  if (sets < 1) return null;
  note(track, date, week, sets * repsPerSet, true);
  const club = row.clubs[track.daysHere % row.clubs.length] ?? 'mid_iron';
  return {
    drill: track.drill.id,
    stage,
    sets,
    rehearsals: sets * REHEARSALS_PER_BALL,
    balls: sets,
    looks: Math.ceil(sets / row.lookEvery),
    speedPct: row.speedPct,
    club,
    minutes: roundTo((sets * perSet) / 60, 1),
  };
}

function courseItem(track: Track, date: IsoDay, week: number): PlanItem {
  const row = stageRow('course');
  note(track, date, week, row.reps, true);
  return {
    drill: track.drill.id,
    stage: 'course',
    sets: row.reps,
    rehearsals: 0,
    balls: 0,
    looks: 0,
    speedPct: row.speedPct,
    club: null,
    minutes: 0,
  };
}
