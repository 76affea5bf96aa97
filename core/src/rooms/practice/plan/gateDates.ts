import type { IsoDay } from '../../../foundation/index.ts';
import { STAGES } from '../stages.ts';
import type { Ground, Laid } from './layout.ts';
import type { GateDate } from './planModel.ts';
import { dayBy, type GateDays, walk } from './walk.ts';

const LIKELY = 0.5;
export const LATE = 0.8;

/** Share of the futures that get there at all. */
export const lateShare = (days: Float64Array): number =>
  days.reduce((sum, day) => sum + Number(Number.isFinite(day)), 0) / days.length;

/** For every rung ahead: the day met with an even chance, and with four chances in five. */
export function gateDatesOf(ground: Ground, laid: Laid): GateDate[] {
  const walked: GateDays[] = [];
  return ground.tracks.flatMap((track, i): GateDate[] => {
    const climb = laid.climbs[i];
    if (!climb || track.retired) return [];
    const days = walk(ground, track, climb, null, startsOf(ground, i, walked));
    walked.push(days);
    const from = track.standing.finished ? STAGES.length : STAGES.indexOf(track.standing.stage);
    return track.reachable
      .filter((stage) => STAGES.indexOf(stage) >= from)
      .map((stage) => {
        const of = days[STAGES.indexOf(stage)] as Float64Array;
        return {
          drill: track.drill.id,
          stage,
          likely: dateOn(ground, dayBy(of, LIKELY)),
          late: dateOn(ground, dayBy(of, LATE)),
        };
      });
  });
}

/** A drill that waits for the one before begins in each future when that one has come far enough there. */
function startsOf(
  { tracks, ballPlace }: Ground,
  index: number,
  walked: readonly GateDays[],
): Float64Array | null {
  const track = tracks[index];
  const before = track && track.waitsFor !== null && !track.inUse ? tracks[track.waitsFor] : undefined;
  if (!before) return null;
  // Standing at three quarters is having left half; without balls, having left still.
  const left = ballPlace ? 'half' : 'still';
  const passed = STAGES.indexOf(before.standing.stage) > STAGES.indexOf(left) || before.standing.finished;
  const days = walked[before.index]?.[STAGES.indexOf(left)];
  return passed || !days ? null : days.map((day) => day + 1);
}

/** The date of a day of the plan; null beyond it. */
export const dateOn = ({ slots }: Ground, day: number | null): IsoDay | null =>
  day === null ? null : (slots[day]?.date ?? null);
