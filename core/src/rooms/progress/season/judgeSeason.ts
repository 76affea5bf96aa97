import { daysBetween, type IsoDay } from '../../../foundation/index.ts';
import { BAND_ROWS } from '../../intake/index.ts';
import { sharedShare } from '../../measures/index.ts';
import { barFor } from './barTable.ts';
import { type Belief, beliefAt, changeCdf, changeQuantile, meanChange } from './belief.ts';
import { type Evidence, evidenceOf } from './evidence.ts';
import { cellOf, inOrder, type Occasion } from './occasion.ts';
import { HOUSE_SPREADS, PRACTICE, SAYS } from './seasonTable.ts';
import { NEVER } from './sought.ts';

export type ChangeVerdict = 'real' | 'maybe' | 'none' | 'cant_tell';

/** What is said after one occasion, of the change since the baseline in the same cell. */
export interface Look {
  readonly date: IsoDay;
  readonly verdict: ChangeVerdict;
  /** Of what is said: of a change in that direction; of less than a step for "none". */
  readonly probability: number;
  /** P(a change in the direction of `delta`), whatever is said. */
  readonly changed: number;
  /** In the measure's unit; null before there is anything to compare. */
  readonly delta: number | null;
  readonly lo95: number | null;
  readonly hi95: number | null;
}

/** What a measure is counted in: one step of its band in its unit, and the share of the marks' variance that a day's swings share. */
interface Scale {
  readonly step: number;
  readonly shared: number;
  /** How often each row of `SPREAD_ROWS` is met among this coach's students. */
  readonly usual: readonly number[];
}

/** By the house's step, or by that of the band a student is judged by; by the house's table of spreads, or the coach's own. */
export const scaleOf = (
  measure: string,
  step = stepOf(measure),
  usual: readonly number[] = HOUSE_SPREADS,
): Scale => ({ step, shared: sharedShare(measure), usual });

const stepOf = (measure: string): number => BAND_ROWS.find((row) => row.id === measure)?.step ?? 1;

/**
 * One verdict after each occasion, as it would have been given that day: "real" so seldom wrongly that over a whole season of
 * looks at `family` measures it is at most 5 times in 100; "maybe" and "none" by their probabilities.
 */
export function judgeSeason(scale: Scale, occasions: readonly Occasion[], family = 1): Look[] {
  const ordered = inOrder(occasions);
  const cells = new Map<string, Evidence>();
  const count = new Map<string, number>();
  return ordered.map((one) => {
    if (one.values.length === 0) return nothingToCompare(one.date);
    if (!cells.has(cellOf(one))) cells.set(cellOf(one), cellEvidence(scale, ordered, cellOf(one)));
    const cell = cellOf(one);
    const look = count.get(cell) ?? 0;
    count.set(cell, look + 1);
    return lookAt(cells.get(cell) as Evidence, look, scale.step, family);
  });
}

/**
 * What one cell's occasions, in order, tell of a measure. Where the work's first day is known, what was filmed up to it without a cue
 * is the baseline.
 */
export function cellEvidence(
  scale: Scale,
  ordered: readonly Occasion[],
  cell: string,
  began?: IsoDay,
): Evidence {
  const own = ordered.filter((one) => cellOf(one) === cell && one.values.length > 0);
  if (began === undefined) return evidenceOf(own, scale.step, scale.shared, undefined, scale.usual);
  const after = own.findIndex(({ date, cue }) => date > began || cue === 'after');
  const baseline = after < 0 ? own.length : Math.max(1, after);
  return evidenceOf(own, scale.step, scale.shared, baseline, scale.usual);
}

export function lookAt(evidence: Evidence, look: number, step: number, family: number): Look {
  const { date } = evidence.occasions[look] as Occasion;
  if (look < evidence.baseline) return nothingToCompare(date);
  const belief = beliefAt(evidence, look);
  const lo95 = step * changeQuantile(belief.moved, 0.025);
  const hi95 = step * changeQuantile(belief.moved, 0.975);
  return { date, ...toldOf(evidence, belief, look, step, family), lo95, hi95 };
}

/** The same without the interval, which takes as long as all the rest: for lists of many measures. */
export type BriefLook = Omit<Look, 'lo95' | 'hi95'>;

export function briefLookAt(evidence: Evidence, look: number, step: number, family: number): BriefLook {
  const { date } = evidence.occasions[look] as Occasion;
  if (look < evidence.baseline) {
    const { verdict, probability, changed, delta } = nothingToCompare(date);
    return { date, verdict, probability, changed, delta };
  }
  return { date, ...toldOf(evidence, beliefAt(evidence, look), look, step, family) };
}

function toldOf(evidence: Evidence, belief: Belief, look: number, step: number, family: number) {
  const { verdict, probability, changed } = verdictOf(evidence, belief, look, family);
  return { verdict, probability, changed, delta: step * meanChange(belief.moved) };
}

const nothingToCompare = (date: IsoDay): Look => ({
  date,
  verdict: 'cant_tell',
  probability: 0.5,
  changed: 0,
  delta: null,
  lo95: null,
  hi95: null,
});

/** A verdict without its interval: what is said, how probably, and whether the change goes up. */
export interface Said {
  readonly verdict: ChangeVerdict;
  readonly probability: number;
  readonly changed: number;
  readonly up: boolean;
}

export function verdictOf(evidence: Evidence, belief: Belief, look: number, family: number): Said {
  const { sided, up } = directionOf(belief);
  const changed = belief.movedShare * sided;
  if (changed >= SAYS.maybe) {
    const real =
      clears(evidence, belief, look, family) ||
      (changed >= SAYS.stays && wasReal(evidence, look, family, up));
    return { verdict: real ? 'real' : 'maybe', probability: changed, changed, up };
  }
  const far = changeCdf(belief.moved, -SAYS.sameSteps) + 1 - changeCdf(belief.moved, SAYS.sameSteps);
  if (far <= SAYS.sameAtMost)
    return { verdict: 'none', probability: 1 - belief.movedShare * far, changed, up };
  return { verdict: 'cant_tell', probability: changed, changed, up };
}

function directionOf({ moved }: Belief): { sided: number; up: boolean } {
  const below = changeCdf(moved, 0);
  return { sided: Math.max(below, 1 - below), up: below < 0.5 };
}

/** Odds of a change that way against the sceptic; nothing where the change is not probable enough to be called real at all. */
function scoreAt(evidence: Evidence, belief: Belief, look: number): number {
  const { sided } = directionOf(belief);
  const least = toldBeside(evidence, look) ? SAYS.realBeside : SAYS.maybe;
  return belief.movedShare * sided < least ? NEVER : scoreOf(belief, sided);
}

/** Whether other measures had told of the player's days by then. */
const toldBeside = ({ others }: Evidence, look: number): boolean => others?.[look] != null;

function clears(evidence: Evidence, belief: Belief, look: number, family: number): boolean {
  if (!canBeReal(evidence, look)) return false;
  const bar = barFor(family, look + 2 - evidence.baseline, toldBeside(evidence, look));
  return scoreAt(evidence, belief, look) > bar;
}

/** What was proved once in this direction stays so while it is still probable: a season's false alarms are counted once. */
function wasReal(evidence: Evidence, look: number, family: number, up: boolean): boolean {
  for (let before = evidence.baseline; before < look; before++) {
    const belief = beliefAt(evidence, before);
    if (directionOf(belief).up === up && clears(evidence, belief, before, family)) return true;
  }
  return false;
}

/** What has to clear the bar: the odds against the sceptic, less what the direction leaves open. */
const scoreOf = (belief: Belief, sided: number): number =>
  belief.scepticLog() + Math.log(Math.max(1e-12, 2 * sided - 1));

/** One swing a day alone proves nothing: there are repeats before and since. */
function canBeReal({ occasions, baseline }: Evidence, look: number): boolean {
  const repeated = (from: number, to: number) =>
    occasions.slice(from, to).some(({ values }) => values.length > 1);
  return repeated(0, baseline) && repeated(baseline, look + 1);
}

/** What each look of a cell's season scores against the bar; what the bars were set from. */
export const scoresOf = (evidence: Evidence): number[] =>
  evidence.occasions.map((_, look) =>
    look < evidence.baseline ? NEVER : scoreAt(evidence, beliefAt(evidence, look), look),
  );

/** How the work went on of late: units of practice a day since the baseline, as the model counts them. */
export function practicePerDay({ occasions, baseline }: Evidence): number {
  const first = occasions[baseline - 1];
  const last = occasions.at(-1);
  const days = first && last ? daysBetween(first.date, last.date) : 0;
  const counted = occasions.slice(baseline).map(({ reps }) => reps);
  const { repsPerUnit, daysPerUnit } = PRACTICE;
  if (days <= 0 || counted.length === 0 || counted.some((reps) => reps == null)) return 1 / daysPerUnit;
  return counted.reduce<number>((sum, reps) => sum + (reps ?? 0), 0) / repsPerUnit / days;
}
