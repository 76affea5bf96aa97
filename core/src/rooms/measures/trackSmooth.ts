import type { Vec3 } from '../../foundation/index.ts';
import type { Landmark, Motion } from '../capture/index.ts';

/** A track at even steps, smoothed without lag, with what the smoothing took away as its noise. */
export interface SmoothTrack {
  readonly stepSeconds: number;
  readonly startSeconds: number;
  readonly frames: number;
  readonly points: ReadonlyMap<Landmark, readonly Vec3[]>;
  /** Noise of one raw coordinate, inches, robust sd over the track; empty where not asked for. */
  readonly noiseIn: ReadonlyMap<Landmark, number>;
}

/** Body landmarks hold next to nothing above this. */
const CUTOFF_HZ = 12;
/** Gaps up to this long are bridged; longer ones leave the landmark out. */
const LONGEST_GAP_SECONDS = 0.12;
const STEADIEST_RATE_HZ = 500;
const MAD_TO_SD = 1.4826;

/** Evens out the time steps, bridges short gaps, and runs a Butterworth low-pass forward and back. */
export function smoothTrack(motion: Motion, { cutoffHz = CUTOFF_HZ, withNoise = true } = {}): SmoothTrack {
  const { times } = motion;
  const [first, last] = [times[0] as number, times.at(-1) as number];
  const rate = Math.min(STEADIEST_RATE_HZ, (times.length - 1) / (last - first));
  const frames = Math.floor((last - first) * rate + 1e-9) + 1;
  const at = Array.from({ length: frames }, (_, i) => first + i / rate);
  const points = new Map<Landmark, readonly Vec3[]>();
  const noiseIn = new Map<Landmark, number>();
  for (const [landmark, raw] of motion.points) {
    const axes = [0, 1, 2].map((axis) =>
      evened(
        times,
        raw.map((p) => p[axis] as number),
        at,
      ),
    );
    if (axes.some((axis) => axis === null)) continue;
    const even = axes as number[][];
    const smooth = even.map((axis) => zeroLag(axis, cutoffHz / rate));
    points.set(
      landmark,
      at.map((_, i) => [smooth[0]?.[i], smooth[1]?.[i], smooth[2]?.[i]] as unknown as Vec3),
    );
    if (withNoise) noiseIn.set(landmark, noiseOf(even, smooth));
  }
  return { stepSeconds: 1 / rate, startSeconds: first, frames, points, noiseIn };
}

/** Values at new times by straight lines between the seen ones; null where a gap is too long. */
function evened(times: readonly number[], values: readonly number[], at: readonly number[]): number[] | null {
  const seen: number[] = [];
  let since = times[0] as number;
  for (let i = 0; i < times.length; i++) {
    if (!Number.isFinite(values[i])) continue;
    if ((times[i] as number) - since > LONGEST_GAP_SECONDS) return null;
    since = times[i] as number;
    seen.push(i);
  }
  if (seen.length < 2 || (times.at(-1) as number) - since > LONGEST_GAP_SECONDS) return null;
  let k = 0;
  return at.map((t) => {
    while (k < seen.length - 2 && (times[seen[k + 1] as number] as number) < t) k++;
    const [a, b] = [seen[k] as number, seen[k + 1] as number];
    const [ta, tb] = [times[a] as number, times[b] as number];
    const share = Math.min(1, Math.max(0, (t - ta) / (tb - ta)));
    return (values[a] as number) + share * ((values[b] as number) - (values[a] as number));
  });
}

/**
 * Second-order Butterworth, forward and back, so that nothing is late. The ends are prolonged by their
 * own point reflection. `cutoff` is a share of the frame rate.
 */
export function zeroLag(values: readonly number[], cutoff: number): number[] {
  if (cutoff >= 0.45) return [...values];
  // Two passes: each alone must be wider for the pair to be down 3 dB at the cutoff.
  const w = Math.tan(Math.PI * cutoff) / (Math.SQRT2 - 1) ** 0.25;
  const a0 = 1 + Math.SQRT2 * w + w * w;
  const [b0, a1, a2] = [(w * w) / a0, (2 * (w * w - 1)) / a0, (1 - Math.SQRT2 * w + w * w) / a0];
  const pad = Math.min(values.length - 1, Math.ceil(3 / cutoff));
  const n = values.length + 2 * pad;
  const [head, tail] = [values[0] as number, values.at(-1) as number];
  const long = new Float64Array(n);
  for (let i = 0; i < pad; i++) {
    long[i] = 2 * head - (values[pad - i] as number);
    long[n - 1 - i] = 2 * tail - (values[values.length - 1 - (pad - i)] as number);
  }
  long.set(values, pad);
  const pass = (from: number, step: 1 | -1) => {
    let x1 = long[from] as number;
    let [x2, y1, y2] = [x1, x1, x1];
    for (let k = 0, i = from; k < n; k++, i += step) {
      const x = long[i] as number;
      const y = b0 * (x + 2 * x1 + x2) - a1 * y1 - a2 * y2;
      x2 = x1;
      x1 = x;
      y2 = y1;
      y1 = y;
      long[i] = y;
    }
  };
  pass(0, 1);
  pass(n - 1, -1);
  return [...long.subarray(pad, pad + values.length)];
}

/** Median absolute residual over all axes, as the sd of a normal. */
function noiseOf(raw: readonly (readonly number[])[], smooth: readonly (readonly number[])[]): number {
  const off = Float64Array.from(
    raw.flatMap((axis, k) => axis.map((v, i) => Math.abs(v - (smooth[k]?.[i] as number)))),
  ).sort();
  return MAD_TO_SD * (off[Math.floor(off.length / 2)] ?? 0);
}
