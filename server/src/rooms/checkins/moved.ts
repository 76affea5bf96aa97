import type { MovedMeasure } from '@inchstep/core/checkins';
import { mean } from '@inchstep/core/foundation';
import { tellingMeasures } from '@inchstep/core/prescription';
import { judgeChange, movedToward } from '@inchstep/core/progress';
import { type Context, dayOf } from '../../platform/context.ts';
import { baselineAndLast, latestBand, listReadings, sessionsOf } from '../measures/index.ts';
import { drillsInUse, libraryOf } from '../prescription/index.ts';

const SUREST_FIRST: readonly MovedMeasure['verdict'][] = ['real', 'maybe', 'none', 'cant_tell'];

/** How the measures that tell of the present work changed, last day against the days before it began. */
export function movedMeasures(ctx: Context, studentId: string): MovedMeasure[] {
  const choice = drillsInUse(ctx, studentId);
  if (!choice) return [];
  const readings = listReadings(ctx, studentId);
  const ids = tellingMeasures(choice.drills, choice.forFault, libraryOf(ctx));
  const moved = ids.flatMap((id): MovedMeasure[] => {
    const sessions = sessionsOf(readings, id);
    const band = latestBand(readings, id);
    const last = sessions.at(-1);
    if (!last || !band || sessions.length < 2) return [];
    const compared = baselineAndLast(sessions, dayOf(choice.at));
    const { verdict, delta } = judgeChange(id, compared, ids.length);
    const after = mean(last.values);
    const before = after - delta;
    return [{ id, unit: band.unit, before, after, verdict, direction: movedToward(before, after, band) }];
  });
  const sure = (m: MovedMeasure) => SUREST_FIRST.indexOf(m.verdict);
  return moved.sort((a, b) => sure(a) - sure(b));
}
