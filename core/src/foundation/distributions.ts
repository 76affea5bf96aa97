import jstat from 'jstat';

/** P(Z <= z) for a standard normal Z. */
export const normalCdf = (z: number): number => jstat.normal.cdf(z, 0, 1);

/** The z with P(Z <= z) = p; p strictly between 0 and 1. */
export const normalQuantile = (p: number): number => jstat.normal.inv(p, 0, 1);

const QUANTILES = new Map<string, number>();
const MOST_QUANTILES = 2000;

/**
 * The t with P(T <= t) = p for Student's t with `dof` degrees of freedom. Found by a search that takes long;
 * the same few are asked for again and again, so they are remembered.
 */
export function studentQuantile(p: number, dof: number): number {
  const key = `${p} ${dof}`;
  const known = QUANTILES.get(key);
  if (known !== undefined) return known;
  const found = jstat.studentt.inv(p, dof);
  if (QUANTILES.size >= MOST_QUANTILES) QUANTILES.clear();
  QUANTILES.set(key, found);
  return found;
}

/** P(T <= t) for Student's t with `dof` degrees of freedom. */
export const studentCdf = (t: number, dof: number): number => jstat.studentt.cdf(t, dof);

export const normalDensity = (x: number, mean: number, sd: number): number =>
  Math.exp(-0.5 * ((x - mean) / sd) ** 2) / (sd * Math.sqrt(2 * Math.PI));

export function mean(values: readonly number[]): number {
  if (values.length === 0) throw new Error('mean: no values');
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}

/** Sum of squared deviations from the mean. */
export function squaredDeviations(values: readonly number[]): number {
  const centre = mean(values);
  return values.reduce((sum, value) => sum + (value - centre) ** 2, 0);
}
