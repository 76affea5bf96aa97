import type { PressureTrace } from '@inchstep/core/capture';
import { gaussian, type Random } from '@inchstep/core/foundation';
import type { StandInGolfer } from '../golfer/golfer.ts';

/** Share of the pressure that an inch of shift moves, and what the push ahead of it adds, percent. */
const PCT_PER_IN = 5;
const PCT_PER_IN_PER_SECOND = 0.9;
const STEP = 0.004;

/** Pressure runs ahead of the pelvis: where it is, and how fast it moves, decide it. */
function leadPctAt(golfer: StandInGolfer, seconds: number): number {
  const x = (t: number) => {
    const { lead_hip: l, trail_hip: r, lead_ankle: la, trail_ankle: ra } = golfer.poseAt(t).landmarks;
    return (l[0] + r[0] - la[0] - ra[0]) / 2;
  };
  const speed = (x(seconds + STEP) - x(seconds - STEP)) / (2 * STEP);
  return Math.min(97, Math.max(3, 50 + PCT_PER_IN * x(seconds) + PCT_PER_IN_PER_SECOND * speed));
}

/** A mat under both feet with a clock of its own that runs `lateSeconds` behind the clip's. */
export function standOnMat(
  golfer: StandInGolfer,
  { rateHz = 100, noisePct = 0.8, lateSeconds = 0 },
  random: Random,
): PressureTrace {
  const times = Array.from({ length: Math.floor(golfer.lengthSeconds * rateHz) }, (_, i) => i / rateHz);
  return {
    times,
    leadPct: times.map((t) =>
      Math.min(100, Math.max(0, leadPctAt(golfer, t + lateSeconds) + noisePct * gaussian(random))),
    ),
  };
}
