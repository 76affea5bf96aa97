import { mean, squaredDeviations } from '../../foundation/index.ts';
import { BAND_ROWS } from '../intake/index.ts';
import { BLIND_FROM_THE_FRONT } from './blindSides.ts';
import { POSE_MEASURES } from './definitions.ts';

/**
 * Part of a measure's error variance that all swings of one day before the same cameras share. On 60
 * stand-in golfers with three swings each it was 0.06 over all measures, 0.31 at most (the seat), and 0.9
 * where a width from the height table is divided by. A coach who marks a place a little off does so on
 * every swing, which stand-ins don't: hence more than was measured.
 */
const SHARED_SHARE = 0.3;
const SHARED_SHARE_OF_WIDTHS = 0.9;
/** What one view can't see is supposed alike on every swing. */
const SHARED_SHARE_OF_SUPPOSED = 0.8;
const BY_WIDTH = new Set(POSE_MEASURES.filter((m) => m.dividesByHipWidth).map((m) => m.id));
export const sharedShare = (measure: string): number =>
  BY_WIDTH.has(measure)
    ? SHARED_SHARE_OF_WIDTHS
    : BLIND_FROM_THE_FRONT.has(measure)
      ? SHARED_SHARE_OF_SUPPOSED
      : SHARED_SHARE;

/** A player is taken to wander by about a third of a step from swing to swing, until swings say otherwise. */
const WANDER_STEPS = 0.33;
const WANDER_WEIGHT = 2;

interface Pooled {
  readonly id: string;
  readonly value: number;
  readonly sd: number;
  /** Swings on which it was measured. */
  readonly swings: number;
}

/**
 * Several swings of one day as one: for each measure the mean, in its unit, with the sd of the player's
 * habit. One swing stays as it is. With more, what the swings share of their error stays whole; the rest,
 * with the player's own wandering as these swings show it, is divided by their number.
 */
export function poolSwings(swings: readonly (readonly Omit<Pooled, 'swings'>[])[]): Pooled[] {
  const byId = new Map<string, { readonly value: number; readonly sd: number }[]>();
  for (const { id, value, sd } of swings.flat()) byId.set(id, [...(byId.get(id) ?? []), { value, sd }]);
  return [...byId].map(([id, seen]) => ({ id, ...pooled(id, seen), swings: seen.length }));
}

function pooled(id: string, seen: readonly { readonly value: number; readonly sd: number }[]) {
  const values = seen.map(({ value }) => value);
  const value = mean(values);
  const error = mean(seen.map(({ sd }) => sd ** 2));
  if (seen.length === 1) return { value, sd: Math.sqrt(error) };
  const shared = sharedShare(id) * error;
  const own = error - shared;
  const step = BAND_ROWS.find((row) => row.id === id)?.step ?? 1;
  const guess = own + (WANDER_STEPS * step) ** 2;
  const seenSpread =
    (WANDER_WEIGHT * guess + squaredDeviations(values)) / (WANDER_WEIGHT + values.length - 1);
  // Swings that happen to lie close together are no surer than their marks.
  return { value, sd: Math.sqrt(shared + Math.max(seenSpread, own) / values.length) };
}
