import { mean, Z95 } from '../../foundation/index.ts';
import type { ShotFieldId } from './shotFields.ts';
import type { Shot } from './shots.ts';

/** A ball finding read from imported shots. */
export interface ShotSign {
  readonly finding: string;
  readonly seen: 'present' | 'absent' | 'not_looked';
  readonly field: ShotFieldId;
  readonly mean: number;
  /** Half the 95 % interval of the mean. */
  readonly within: number;
  readonly shots: number;
}

/** Field, side, edge: the finding is there where the mean lies beyond the edge. Teaching conventions. */
const SIGNS: readonly (readonly [
  finding: string,
  field: ShotFieldId,
  side: 'below' | 'above',
  edge: number,
])[] = [
  ['ball.low_point_behind', 'lowPointIn', 'below', 0],
  ['ball.slice', 'curveDeg', 'above', 3],
  ['ball.hook', 'curveDeg', 'below', -3],
  ['ball.push', 'startLineDeg', 'above', 3],
  ['ball.pull', 'startLineDeg', 'below', -3],
  ['ball.toe', 'strikeIn', 'above', 0.4],
  ['ball.heel', 'strikeIn', 'below', -0.4],
];

/** Fewer shots tell a habit from chance too badly. */
export const FEWEST_SHOTS = 5;
const Z90 = 1.2816;

/** Signs that the mean of the shots shows or rules out with nine in ten; the rest stays not looked. */
export function shotSigns(shots: readonly Shot[]): ShotSign[] {
  return SIGNS.flatMap(([finding, field, side, edge]) => {
    const values = shots.flatMap((shot) => shot[field] ?? []);
    if (values.length < FEWEST_SHOTS) return [];
    const { mean: middle, standardError } = describeShots(values);
    const beyond = side === 'above' ? middle - edge : edge - middle;
    const seen =
      beyond > Z90 * standardError ? 'present' : beyond < -Z90 * standardError ? 'absent' : 'not_looked';
    return [{ finding, seen, field, mean: middle, within: Z95 * standardError, shots: values.length }];
  });
}

/** Mean and spread of one quantity. */
export function describeShots(values: readonly number[]): {
  mean: number;
  sd: number;
  standardError: number;
} {
  const middle = mean(values);
  const sd =
    values.length < 2
      ? Number.POSITIVE_INFINITY
      : Math.sqrt(values.reduce((sum, v) => sum + (v - middle) ** 2, 0) / (values.length - 1));
  return { mean: middle, sd, standardError: sd / Math.sqrt(values.length) };
}
