import { Z95 } from '../../foundation/index.ts';
import { STATIONS, type Station } from '../capture/index.ts';
import type { Measure } from './measureCapture.ts';

/** One measure of two swings: later minus earlier, with what both readings leave open. */
export interface Difference {
  readonly id: string;
  readonly station: Station;
  readonly earlier: number;
  readonly later: number;
  readonly delta: number;
  readonly sd: number;
  readonly lo95: number;
  readonly hi95: number;
  /** Whether the interval leaves out 0. */
  readonly differs: boolean;
}

type Read = Pick<Measure, 'id' | 'station' | 'value' | 'sd'>;

/**
 * Differences of the measures that both swings have; the two readings count as independent, which is
 * careful where both cameras stood still. Clock bearings go the short way round. It is the difference
 * of two swings, not of two habits: how one player's swings scatter is judged over sessions.
 */
export function compareSwings(earlier: readonly Read[], later: readonly Read[]): Difference[] {
  return later.flatMap((now) => {
    const then = earlier.find((m) => m.id === now.id);
    if (!then) return [];
    const raw = now.value - then.value;
    const delta = now.id.startsWith('bearing_') ? ((raw + 18) % 12) - 6 : raw;
    const sd = Math.hypot(now.sd, then.sd);
    const [lo95, hi95] = [delta - Z95 * sd, delta + Z95 * sd];
    return [
      {
        id: now.id,
        station: now.station,
        earlier: then.value,
        later: now.value,
        delta,
        sd,
        lo95,
        hi95,
        differs: lo95 > 0 || hi95 < 0,
      },
    ];
  });
}

type StationTimes = Readonly<Partial<Record<Station, number>>>;

/**
 * The moment of the other clip at which the body is as far as in this one: straight between the
 * stations both have, at the same pace before the first and after the last. Null without a common station.
 */
export function sameMoment(seconds: number, here: StationTimes, there: StationTimes): number | null {
  const common = STATIONS.flatMap((s): [number, number][] => {
    const [a, b] = [here[s], there[s]];
    return a === undefined || b === undefined ? [] : [[a, b]];
  });
  const [first, last] = [common[0], common.at(-1)];
  if (!first || !last) return null;
  if (seconds <= first[0]) return first[1] + seconds - first[0];
  if (seconds >= last[0]) return last[1] + seconds - last[0];
  const next = common.findIndex(([a]) => a >= seconds);
  const [[a0, b0], [a1, b1]] = [common[next - 1] as [number, number], common[next] as [number, number]];
  return a1 === a0 ? b1 : b0 + ((seconds - a0) / (a1 - a0)) * (b1 - b0);
}

/** Picture points moved, turned and scaled: u' = a u - b v + du, v' = b u + a v + dv. */
interface Similarity {
  readonly a: number;
  readonly b: number;
  readonly du: number;
  readonly dv: number;
}

type Place = Readonly<{ u: number; v: number }>;

/** Least squares over pairs of places; null for fewer than two different ones. */
export function similarity(from: readonly Place[], to: readonly Place[]): Similarity | null {
  const n = Math.min(from.length, to.length);
  if (n < 2) return null;
  const middle = (places: readonly Place[]) => ({
    u: places.slice(0, n).reduce((sum, p) => sum + p.u, 0) / n,
    v: places.slice(0, n).reduce((sum, p) => sum + p.v, 0) / n,
  });
  const [cf, ct] = [middle(from), middle(to)];
  let [along, across, size] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    const [p, q] = [from[i] as Place, to[i] as Place];
    const [pu, pv, qu, qv] = [p.u - cf.u, p.v - cf.v, q.u - ct.u, q.v - ct.v];
    along += pu * qu + pv * qv;
    across += pu * qv - pv * qu;
    size += pu * pu + pv * pv;
  }
  if (size < 1e-9) return null;
  const [a, b] = [along / size, across / size];
  return { a, b, du: ct.u - a * cf.u + b * cf.v, dv: ct.v - b * cf.u - a * cf.v };
}

/** How one picture is laid on another: moved, turned and scaled, after it was mirrored where that is nearer. */
export interface Laid {
  readonly onto: Similarity;
  readonly mirrored: boolean;
}

/** A camera that mirrors, or stands on the other side, must fit so much better to be believed: a body is nearly its own mirror image. */
const MIRROR_GAIN = 0.6;

/**
 * Lays the pairs of places of one picture on those of another, `widthPx` wide; null for fewer than two different ones. Two
 * places fit either way about, and are never mirrored.
 */
export function layTogether(from: readonly Place[], to: readonly Place[], widthPx: number): Laid | null {
  const onto = similarity(from, to);
  if (!onto) return null;
  const turned = from.map(({ u, v }) => ({ u: widthPx - u, v }));
  const other = similarity(turned, to);
  if (!other || from.length < 3) return { onto, mirrored: false };
  return missOf(other, turned, to) < MIRROR_GAIN * missOf(onto, from, to)
    ? { onto: other, mirrored: true }
    : { onto, mirrored: false };
}

/** Root mean square of what is left between laid and given places, in pixels of the second picture. */
function missOf({ a, b, du, dv }: Similarity, from: readonly Place[], to: readonly Place[]): number {
  const squares = from.map(({ u, v }, i) => {
    const { u: x, v: y } = to[i] as Place;
    return (a * u - b * v + du - x) ** 2 + (b * u + a * v + dv - y) ** 2;
  });
  return Math.sqrt(squares.reduce((sum, square) => sum + square, 0) / from.length);
}
