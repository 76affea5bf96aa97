import type { Band } from '../../intake/index.ts';
import { type ChangeVerdict, cellEvidence, judgeSeason, type Look, scaleOf } from './judgeSeason.ts';
import { cellOf, inOrder, type Occasion } from './occasion.ts';

/** What the last session of a season shows: the verdict that the whole season gives that day. */
interface LastChange {
  readonly verdict: ChangeVerdict;
  /** The change since the baseline, in the measure's unit; 0 before there is anything to compare. */
  readonly delta: number;
  /** Ends of the 95 % interval; null before there is anything to compare. */
  readonly lo95: number | null;
  readonly hi95: number | null;
  /** The smallest change in that direction that these sessions could have shown as real; null where none could. */
  readonly smallestReal: number | null;
}

/** No player changes by more than this many steps of a target range. */
const MOST_STEPS = 40;
/** Halvings of the search: to a millionth of a step. */
const HALVINGS = 26;

/** Sessions in any order; `family` as in `judgeSeason`. Only sessions like the last one are compared with it. */
export function lastChange(
  measure: string,
  band: Pick<Band, 'step'>,
  sessions: readonly Occasion[],
  family: number,
): LastChange {
  const scale = scaleOf(measure, band.step);
  const ordered = inOrder(sessions).filter(({ values }) => values.length > 0);
  const last = ordered.at(-1);
  const own = ordered.filter((one) => last && cellOf(one) === cellOf(last));
  const baseline = last ? cellEvidence(scale, own, cellOf(last)).baseline : 0;
  const lookAfter = (shift: number): Look | undefined =>
    judgeSeason(scale, shifted(own, baseline, shift), family).at(-1);
  const now = lookAfter(0);
  if (!now || now.delta === null)
    return { verdict: 'cant_tell', delta: 0, lo95: null, hi95: null, smallestReal: null };
  const { verdict, delta, lo95, hi95 } = now;
  return { verdict, delta, lo95, hi95, smallestReal: smallestReal(lookAfter, now, scale.step) };
}

/** The same sessions, had the player changed by so much more since the baseline. */
const shifted = (own: readonly Occasion[], baseline: number, shift: number): Occasion[] =>
  own.map((one, i) => (i < baseline ? one : { ...one, values: one.values.map((value) => value + shift) }));

/** Moves what came after the baseline along until the change is real, and halves the way to where that begins. */
function smallestReal(
  lookAfter: (shift: number) => Look | undefined,
  now: Look,
  step: number,
): number | null {
  const way = (now.delta ?? 0) < 0 ? -1 : 1;
  const realAfter = (shift: number): number | null => {
    const look = lookAfter(shift);
    const size = way * (look?.delta ?? 0);
    return look?.verdict === 'real' && size > 0 ? size : null;
  };
  const nowReal = realAfter(0);
  let [below, above] = nowReal === null ? [0, way * MOST_STEPS * step] : [-(now.delta ?? 0), 0];
  let found = nowReal ?? realAfter(above);
  if (found === null) return null;
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (below + above) / 2;
    const real = realAfter(middle);
    if (real === null) below = middle;
    else [above, found] = [middle, real];
  }
  return found;
}
