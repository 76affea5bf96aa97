import { daysBetween } from '../../../foundation/index.ts';
import { dayLevel, type Occasion } from './occasion.ts';
import { RETENTION, TRANSFER } from './seasonTable.ts';

/** What was kept of a gain over gaps of one length. */
export interface Kept {
  /** Gaps of at most so many days; null for all longer ones. */
  readonly upToDays: number | null;
  /** 1: all of it; more: it went on growing. */
  readonly share: number;
  readonly sd: number;
  readonly gaps: number;
}

/**
 * The share of a gain that was still there at the next occasion's first swings, before any cue: for every gap between the last
 * swings of one day and the cold ones of the next, what was left of the distance from the baseline, pooled by the length of the
 * gap. Gaps before which no gain could be seen tell nothing and are left out. Occasions of one cell, in order.
 */
export function retentionOf(
  occasions: readonly Occasion[],
  baseline: number,
  step: number,
  shared: number,
): Kept[] {
  const levels = occasions.map((one) => dayLevelOf(one, step, shared));
  const first = pooled(levels.slice(0, baseline));
  const bins = RETENTION.upToDays.map((upToDays) => ({ upToDays, weight: 0, sum: 0, gaps: 0 }));
  for (let i = Math.max(1, baseline); i < occasions.length - 1; i++) {
    const [before, after] = [occasions[i], occasions[i + 1]] as [Occasion, Occasion];
    const gap = daysBetween(before.date, after.date);
    if (gap < 1 || after.cue === 'after') continue;
    const [was, is] = [levels[i], levels[i + 1]] as [Level, Level];
    const gain = was.mean - first.mean;
    if (gain ** 2 < RETENTION.gainSds ** 2 * (was.variance + first.variance)) continue;
    const share = (is.mean - first.mean) / gain;
    // By the rule of small errors; the baseline is in both.
    const variance =
      (is.variance + share ** 2 * was.variance + (1 - share) ** 2 * first.variance) / gain ** 2;
    const bin = bins.find(({ upToDays }) => upToDays === null || gap <= upToDays) as (typeof bins)[number];
    bin.weight += 1 / variance;
    bin.sum += share / variance;
    bin.gaps += 1;
  }
  return bins
    .filter(({ gaps }) => gaps > 0)
    .map(({ upToDays, weight, sum, gaps }) => ({
      upToDays,
      share: sum / weight,
      sd: Math.sqrt(1 / weight),
      gaps,
    }));
}

interface Level {
  readonly mean: number;
  readonly variance: number;
}

/** A day’s level in steps with all that its swings, its marks and the day itself leave open. */
export function dayLevelOf({ values, sd }: Occasion, step: number, shared: number): Level {
  const marks = (sd / step) ** 2;
  const { mean, variance } = dayLevel(
    values.map((value) => value / step),
    TRANSFER.swingSteps ** 2 + (1 - shared) * marks,
  );
  return { mean, variance: variance + shared * marks + TRANSFER.daySteps ** 2 };
}

function pooled(levels: readonly Level[]): Level {
  const weight = levels.reduce((sum, { variance }) => sum + 1 / variance, 0);
  return {
    mean: levels.reduce((sum, { mean, variance }) => sum + mean / variance, 0) / weight,
    variance: 1 / weight,
  };
}
