import { plusDays } from '../../foundation/index.ts';
import { layDay } from './layDay.ts';
import type { Plan, PlanDay } from './planModel.ts';
import type { PlanRequest } from './planRequest.ts';
import { makeTracks, stagesOf } from './track.ts';
import { reviews, whatGives } from './whatGives.ts';

const HORIZON_DAYS = 56;

/** A dated ladder over so many days from the start; what was done already is kept and counts. */
export function buildPlan(request: PlanRequest, horizonDays = HORIZON_DAYS): Plan {
  const tracks = makeTracks(request);
  const days: PlanDay[] = [];
  for (let offset = 0; offset < horizonDays; offset++) {
    const date = plusDays(request.start, offset);
    const day = layDay(request, tracks, date, Math.floor(offset / 7));
    if (day) days.push(day);
    if (tracks.every((track) => track.stage === null)) break;
  }
  const stages = tracks.flatMap(stagesOf);
  return {
    stages,
    days,
    gives: whatGives(request, tracks, days, stages),
    reviewDates: reviews(request, stages),
  };
}
