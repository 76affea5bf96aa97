import { daysBetween, type IsoDay, plusDays } from '../../foundation/index.ts';
import { WEEKLY_WISH } from './caps.ts';
import type { Give, PlanDay, PlanStage } from './planModel.ts';
import type { PlanRequest } from './planRequest.ts';
import type { Track } from './track.ts';

export function whatGives(
  request: PlanRequest,
  tracks: readonly Track[],
  days: readonly PlanDay[],
  stages: readonly PlanStage[],
): Give[] {
  const gives: Give[] = [];
  const firstWeek = days.filter((day) => daysBetween(request.start, day.date) < 7);
  const reps = firstWeek
    .flatMap((day) => day.items)
    .reduce((sum, item) => sum + item.rehearsals + item.balls, 0);
  const early = tracks.some((track) => track.rungs.get('slow')?.state !== 'done');
  if (early && reps < WEEKLY_WISH)
    gives.push({ what: 'weekly_reps', by: WEEKLY_WISH - reps, about: `${reps}` });
  for (const track of tracks) {
    if (track.ballsCut > 0) gives.push({ what: 'balls', by: track.ballsCut, about: track.drill.id });
    if (track.rungs.get('half')?.state === 'no_place')
      gives.push({ what: 'ball_place', by: 0, about: track.drill.id });
    if (track.rungs.get('course')?.state === 'skipped')
      gives.push({ what: 'course', by: 0, about: track.drill.id });
  }
  const { nextLesson } = request;
  if (nextLesson !== null) {
    for (const drill of request.drills) {
      const slow = stages.find((stage) => stage.drill === drill && stage.stage === 'slow');
      if (slow?.gateBy && slow.gateBy > nextLesson) {
        gives.push({ what: 'gate_later', by: daysBetween(nextLesson, slow.gateBy), about: drill });
      }
    }
  }
  return gives;
}

/** The next lesson, a check-in each week until the last gate, and two looks for what lasts. */
export function reviews(request: PlanRequest, stages: readonly PlanStage[]): IsoDay[] {
  const gates = stages.map((stage) => stage.gateBy).filter((day): day is IsoDay => day !== null);
  const last = gates.sort().at(-1) ?? plusDays(request.start, 14);
  const dates = new Set<IsoDay>();
  for (let day = plusDays(request.start, 7); day <= last; day = plusDays(day, 7)) dates.add(day);
  if (request.nextLesson !== null) dates.add(request.nextLesson);
  dates.add(plusDays(last, 7));
  dates.add(plusDays(last, 30));
  return [...dates].sort();
}
