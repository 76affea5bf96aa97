import { SHAPE_STATIONS, type ShapeKey, type StationShape, type SwingShape } from './swingShape.ts';

/**
 * The body between stations: a monotone cubic through each quantity (Fritsch-Carlson), so that
 * nothing overshoots a station and everything rests before the start and after the finish.
 */
export function interpolateShape(shape: SwingShape, seconds: number, leadSeconds: number): StationShape {
  const times = SHAPE_STATIONS.map((station) => shape[station].at);
  const keys = (Object.keys(shape.address) as ShapeKey[]).filter((key) => key !== 'shift');
  const [shiftTimes, shifts] = shiftKnots(shape, leadSeconds);
  const between = Object.fromEntries(
    keys.map((key) => [
      key,
      at(
        times,
        SHAPE_STATIONS.map((s) => shape[s][key]),
        seconds,
      ),
    ]),
  );
  return { ...between, at: seconds, shift: at(shiftTimes, shifts, seconds) } as unknown as StationShape;
}

/** How far the pelvis still drifts away between its last station and its start forward, inches. */
const LAST_DRIFT_IN = 0.04;

/** Shifts with one more knot: the start toward the target, `leadSeconds` before the top (negative: after). */
function shiftKnots(shape: SwingShape, leadSeconds: number): [readonly number[], readonly number[]] {
  const start = {
    at: shape.top.at - leadSeconds,
    shift: Math.min(shape.arm_back.shift, shape.top.shift) - LAST_DRIFT_IN,
  };
  const knots = [...SHAPE_STATIONS.map((station) => shape[station]), start].sort((a, b) => a.at - b.at);
  return [knots.map((knot) => knot.at), knots.map((knot) => knot.shift)];
}

function at(times: readonly number[], values: readonly number[], time: number): number {
  const n = times.length;
  if (time <= (times[0] as number)) return values[0] as number;
  if (time >= (times[n - 1] as number)) return values[n - 1] as number;
  let i = 0;
  while (time > (times[i + 1] as number)) i++;
  const [t0, t1] = [times[i] as number, times[i + 1] as number];
  const width = t1 - t0;
  const u = (time - t0) / width;
  const [a, b] = [values[i] as number, values[i + 1] as number];
  const [ma, mb] = [slope(times, values, i), slope(times, values, i + 1)];
  const [u2, u3] = [u * u, u * u * u];
  return (
    a * (2 * u3 - 3 * u2 + 1) +
    ma * width * (u3 - 2 * u2 + u) +
    b * (-2 * u3 + 3 * u2) +
    mb * width * (u3 - u2)
  );
}

/** Harmonic mean of the neighbouring secants, zero at turning points and at the ends. */
function slope(times: readonly number[], values: readonly number[], i: number): number {
  if (i === 0 || i === times.length - 1) return 0;
  const secant = (j: number) =>
    ((values[j + 1] as number) - (values[j] as number)) / ((times[j + 1] as number) - (times[j] as number));
  const [before, after] = [secant(i - 1), secant(i)];
  return before * after <= 0 ? 0 : (2 * before * after) / (before + after);
}
