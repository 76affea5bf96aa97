import { daysBetween, type IsoDay, plusDays, roundTo, weekdayOf } from '../../foundation/index.ts';
import { PHASES } from '../diagnosis/index.ts';
import { isChild, type Place } from '../intake/index.ts';
import { type Drill, drillById } from '../prescription/index.ts';
import { CHILD_MINUTES_A_DAY, dailyCap, hasMarkedLoad, WARM_UP_MINUTES, WEEKLY_GROWTH, WEEKLY_WISH } from './caps.ts';
import { countsAdvance } from './gate.ts';
import type { PlanRequest } from './planRequest.ts';
import { REHEARSALS_PER_BALL, SECONDS, STAGES, type Stage, stageAfter, stageRow } from './stages.ts';

export interface PlanItem {
  readonly drill: string;
  readonly stage: Stage;
  readonly sets: number;
  /** Dry repetitions, rehearsals before balls included. */
  readonly rehearsals: number;
  readonly balls: number;
  readonly looks: number;
  readonly speedPct: number;
  readonly club: string | null;
  readonly minutes: number;
}

export interface PlanDay {
  readonly date: IsoDay;
  readonly place: Place;
  readonly minutes: number;
  readonly warmUpMinutes: number;
  readonly items: readonly PlanItem[];
}

export interface PlanStage {
  readonly drill: string;
  readonly stage: Stage;
  readonly state: 'done' | 'now' | 'ahead' | 'skipped' | 'no_place';
  readonly from: IsoDay | null;
  /** When the gate can be expected to open; held back if the gate says so. */
  readonly gateBy: IsoDay | null;
  readonly reps: number;
}

export interface Give {
  readonly what: 'weekly_reps' | 'balls' | 'ball_place' | 'gate_later' | 'course';
  /** Repetitions, balls or days, by kind. */
  readonly by: number;
  readonly about: string;
}

export interface Plan {
  readonly stages: readonly PlanStage[];
  readonly days: readonly PlanDay[];
  readonly gives: readonly Give[];
  readonly reviewDates: readonly IsoDay[];
}

const HORIZON_DAYS = 56;
const DRY_SET = 10;
const BALL_PLACES: readonly Place[] = ['range', 'net'];

/** One drill climbing its ladder while days are laid out. */
interface Track {
  readonly drill: Drill;
  stage: Stage | null;
  repsHere: number;
  daysHere: number;
  lastDay: IsoDay | null;
  startsAfter: Track | null;
  readonly rungs: Map<Stage, { from: IsoDay | null; gateBy: IsoDay | null; state: PlanStage['state']; reps: number }>;
  readonly weekReps: Map<number, number>;
  ballsCut: number;
}

/** A dated ladder from today; what was done already is kept and counts. */
export function buildPlan(request: PlanRequest): Plan {
  const tracks = makeTracks(request);
  const days: PlanDay[] = [];
  for (let offset = 0; offset < HORIZON_DAYS; offset++) {
    const date = plusDays(request.start, offset);
    const day = layDay(request, tracks, date, Math.floor(offset / 7));
    if (day) days.push(day);
    if (tracks.every((track) => track.stage === null)) break;
  }
  const stages = tracks.flatMap(stagesOf);
  return { stages, days, gives: whatGives(request, tracks, days, stages), reviewDates: reviews(request, stages) };
}

function makeTracks(request: PlanRequest): Track[] {
  const { student } = request.file;
  const drills = request.drills
    .map((id) => drillById(id) as Drill)
    .sort((a, b) => PHASES.indexOf(a.phase) - PHASES.indexOf(b.phase));
  const tracks: Track[] = [];
  for (const drill of drills) {
    const track: Track = {
      drill,
      stage: 'still',
      repsHere: 0,
      daysHere: 0,
      lastDay: null,
      startsAfter: tracks.at(-1) ?? null,
      rungs: new Map(),
      weekReps: new Map(),
      ballsCut: 0,
    };
    for (const stage of STAGES) {
      const state = stage === 'course' && !student.places.includes('course') ? 'skipped' : stageRow(stage).ball && !hasBallPlace(request) && stage !== 'course' ? 'no_place' : 'ahead';
      track.rungs.set(stage, { from: null, gateBy: null, state, reps: stageRow(stage).reps });
    }
    climbDone(track, request);
    tracks.push(track);
  }
  return tracks;
}

const placeOn = (request: PlanRequest, date: IsoDay): Place => {
  const { places } = request.file.student;
  const usual = places.includes('home') ? 'home' : (places[0] ?? 'home');
  return request.placeByDay[weekdayOf(date)] ?? usual;
};

const hasBallPlace = (request: PlanRequest): boolean =>
  request.days.some((day) => BALL_PLACES.includes(request.placeByDay[day] ?? (request.file.student.places.includes('home') ? 'home' : (request.file.student.places[0] ?? 'home'))));

/** Skips the rungs that earlier sets or the coach's decision have settled. */
function climbDone(track: Track, request: PlanRequest): void {
  const reached = request.reached[track.drill.id];
  for (const stage of STAGES) {
    const sets = request.done.filter((set) => set.drill === track.drill.id && set.stage === stage);
    const reps = sets.reduce((sum, set) => sum + set.reps, 0);
    const passes = sets.reduce((sum, set) => sum + set.passes, 0);
    const settled = reached ? STAGES.indexOf(stage) < STAGES.indexOf(reached) : countsAdvance(passes, reps - passes);
    if (!settled) {
      track.stage = stage;
      track.repsHere = reps;
      track.daysHere = new Set(sets.map((set) => set.date)).size;
      break;
    }
    const rung = track.rungs.get(stage);
    if (rung) rung.state = 'done';
  }
  settleStage(track);
}

/** Moves past rungs that can't be stood on. */
function settleStage(track: Track): void {
  while (track.stage !== null) {
    const rung = track.rungs.get(track.stage);
    if (rung?.state !== 'skipped' && rung?.state !== 'no_place' && rung?.state !== 'done') break;
    track.stage = stageAfter(track.stage);
  }
}

function layDay(request: PlanRequest, tracks: readonly Track[], date: IsoDay, week: number): PlanDay | null {
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

/** A later drill waits until the earlier one swings at three quarters; marked loads rest a day. */
function isOpen(track: Track, date: IsoDay): boolean {
  if (track.stage === null) return false;
  const before = track.startsAfter;
  if (before && before.stage !== null && STAGES.indexOf(before.stage) < STAGES.indexOf('three_quarter')) return false;
  const rested = track.lastDay === null || daysBetween(track.lastDay, date) > 1;
  return rested || !hasMarkedLoad(track.drill);
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
  if (stage === 'course') return place === 'course' ? courseItem(track, date, week) : keepFeel(request, track, date, week, seconds);
  if (row.ball && !BALL_PLACES.includes(place)) return keepFeel(request, track, date, week, seconds);
  return row.ball
    ? ballItem(request, track, stage, date, week, seconds, ballsLeft)
    : dryItem(request, track, stage, date, week, seconds, true);
}

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
  const wanted = counts ? Math.max(DRY_SET, row.reps - track.repsHere) : 2 * DRY_SET;
  const sets = Math.floor(Math.min(seconds / perSet, cap / DRY_SET, Math.ceil(wanted / DRY_SET)));
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

/** Away from a range the feel is kept warm with a few slow rehearsals; the rung waits. */
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
  const wanted = Math.max(4, Math.ceil((row.reps - track.repsHere) / repsPerSet));
  const fits = Math.floor(Math.min(seconds / perSet, cap, wanted));
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

/** Room left this week: a quarter more than last week, once there was a last week. */
function weekRoom(track: Track, week: number): number {
  const last = track.weekReps.get(week - 1);
  const soFar = track.weekReps.get(week) ?? 0;
  return last === undefined ? Number.POSITIVE_INFINITY : Math.max(DRY_SET, last * WEEKLY_GROWTH) - soFar;
}

function note(track: Track, date: IsoDay, week: number, reps: number, counts: boolean): void {
  track.lastDay = date;
  track.weekReps.set(week, (track.weekReps.get(week) ?? 0) + reps);
  const stage = track.stage;
  if (!counts || stage === null) return;
  const rung = track.rungs.get(stage);
  if (!rung) return;
  rung.from ??= date;
  track.repsHere += reps;
  track.daysHere += 1;
  const row = stageRow(stage);
  if (track.repsHere < row.reps || track.daysHere < row.days) return;
  rung.gateBy = date;
  track.stage = stageAfter(stage);
  track.repsHere = 0;
  track.daysHere = 0;
  settleStage(track);
}

function stagesOf(track: Track): PlanStage[] {
  let seenNow = false;
  return STAGES.map((stage) => {
    const rung = track.rungs.get(stage) as NonNullable<ReturnType<Track['rungs']['get']>>;
    let state = rung.state;
    if (state === 'ahead' && !seenNow && (rung.from !== null || rung.gateBy !== null)) {
      state = 'now';
      seenNow = true;
    }
    return { drill: track.drill.id, stage, state, from: rung.from, gateBy: rung.gateBy, reps: rung.reps };
  });
}

function whatGives(
  request: PlanRequest,
  tracks: readonly Track[],
  days: readonly PlanDay[],
  stages: readonly PlanStage[],
): Give[] {
  const gives: Give[] = [];
  const firstWeek = days.filter((day) => daysBetween(request.start, day.date) < 7);
  const reps = firstWeek.flatMap((day) => day.items).reduce((sum, item) => sum + item.rehearsals + item.balls, 0);
  const early = tracks.some((track) => track.rungs.get('slow')?.state !== 'done');
  if (early && reps < WEEKLY_WISH) gives.push({ what: 'weekly_reps', by: WEEKLY_WISH - reps, about: `${reps}` });
  for (const track of tracks) {
    if (track.ballsCut > 0) gives.push({ what: 'balls', by: track.ballsCut, about: track.drill.id });
    if (track.rungs.get('half')?.state === 'no_place') gives.push({ what: 'ball_place', by: 0, about: track.drill.id });
    if (track.rungs.get('course')?.state === 'skipped') gives.push({ what: 'course', by: 0, about: track.drill.id });
  }
  const { nextLesson } = request;
  if (nextLesson !== null) {
    for (const drill of request.drills) {
      const half = stages.find((stage) => stage.drill === drill && stage.stage === 'slow');
      if (half?.gateBy && half.gateBy > nextLesson) {
        gives.push({ what: 'gate_later', by: daysBetween(nextLesson, half.gateBy), about: drill });
      }
    }
  }
  return gives;
}

/** The next lesson, a check-in each week until the last gate, and two looks for what lasts. */
function reviews(request: PlanRequest, stages: readonly PlanStage[]): IsoDay[] {
  const gates = stages.map((stage) => stage.gateBy).filter((day): day is IsoDay => day !== null);
  const last = gates.sort().at(-1) ?? plusDays(request.start, 14);
  const dates = new Set<IsoDay>();
  for (let day = plusDays(request.start, 7); day <= last; day = plusDays(day, 7)) dates.add(day);
  if (request.nextLesson !== null) dates.add(request.nextLesson);
  dates.add(plusDays(last, 7));
  dates.add(plusDays(last, 30));
  return [...dates].sort();
}
