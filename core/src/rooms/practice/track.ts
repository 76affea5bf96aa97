import { daysBetween, type IsoDay, weekdayOf } from '../../foundation/index.ts';
import { PHASES } from '../diagnosis/index.ts';
import type { Place } from '../intake/index.ts';
import { type Drill, HOUSE_LIBRARY } from '../prescription/index.ts';
import { hasMarkedLoad, WEEKLY_GROWTH, WEEKLY_WISH } from './caps.ts';
import { countsAdvance } from './gate.ts';
import type { PlanStage } from './planModel.ts';
import type { PlanRequest } from './planRequest.ts';
import { STAGES, type Stage, stageAfter, stageRow } from './stages.ts';

export const DRY_SET = 10;

export const BALL_PLACES: readonly Place[] = ['range', 'net'];

/** One drill climbing its ladder while days are laid out. */
export interface Track {
  readonly drill: Drill;
  stage: Stage | null;
  repsHere: number;
  daysHere: number;
  lastDay: IsoDay | null;
  startsAfter: Track | null;
  readonly rungs: Map<
    Stage,
    { from: IsoDay | null; gateBy: IsoDay | null; state: PlanStage['state']; reps: number }
  >;
  readonly weekReps: Map<number, number>;
  ballsCut: number;
}

export function makeTracks(request: PlanRequest): Track[] {
  const { student } = request.file;
  const drills = request.drills
    .map((id) => (request.library ?? HOUSE_LIBRARY).byId(id) as Drill)
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
      const state =
        stage === 'course' && !student.places.includes('course')
          ? 'skipped'
          : stageRow(stage).ball && !hasBallPlace(request) && stage !== 'course'
            ? 'no_place'
            : 'ahead';
      track.rungs.set(stage, { from: null, gateBy: null, state, reps: stageRow(stage).reps });
    }
    climbDone(track, request);
    tracks.push(track);
  }
  return tracks;
}

export const placeOn = (request: PlanRequest, date: IsoDay): Place => {
  const { places } = request.file.student;
  const usual = places.includes('home') ? 'home' : (places[0] ?? 'home');
  return request.placeByDay[weekdayOf(date)] ?? usual;
};

const hasBallPlace = (request: PlanRequest): boolean =>
  request.days.some((day) =>
    BALL_PLACES.includes(
      request.placeByDay[day] ??
        (request.file.student.places.includes('home') ? 'home' : (request.file.student.places[0] ?? 'home')),
    ),
  );

/** Skips the rungs that earlier sets or the coach's decision have settled. */
function climbDone(track: Track, request: PlanRequest): void {
  const reached = request.reached[track.drill.id];
  for (const stage of STAGES) {
    const sets = request.done.filter((set) => set.drill === track.drill.id && set.stage === stage);
    const reps = sets.reduce((sum, set) => sum + set.reps, 0);
    const passes = sets.reduce((sum, set) => sum + set.passes, 0);
    const settled = reached
      ? STAGES.indexOf(stage) < STAGES.indexOf(reached)
      : countsAdvance(passes, reps - passes);
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

/** A later drill waits until the earlier one swings at three quarters; marked loads rest a day. */
export function isOpen(track: Track, date: IsoDay): boolean {
  if (track.stage === null) return false;
  const before = track.startsAfter;
  if (before && before.stage !== null && STAGES.indexOf(before.stage) < STAGES.indexOf('three_quarter'))
    return false;
  const rested = track.lastDay === null || daysBetween(track.lastDay, date) > 1;
  return rested || !hasMarkedLoad(track.drill);
}

/** A quarter more than last week at most, once there was a last week. */
const weekCap = (track: Track, week: number): number => {
  const last = track.weekReps.get(week - 1);
  return last === undefined ? Number.POSITIVE_INFINITY : Math.max(DRY_SET, last * WEEKLY_GROWTH);
};

/** Repetitions to aim at this week. */
export const weekGoal = (track: Track, week: number): number => Math.min(WEEKLY_WISH, weekCap(track, week));

/** Room left this week. */
export const weekRoom = (track: Track, week: number): number =>
  weekCap(track, week) - (track.weekReps.get(week) ?? 0);

export function note(track: Track, date: IsoDay, week: number, reps: number, counts: boolean): void {
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

export function stagesOf(track: Track): PlanStage[] {
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
