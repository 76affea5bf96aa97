import type { Station } from '../capture/index.ts';
import type { BodyFit } from './bodyFit.ts';
import type { FitLandmark } from './bodyPriors.ts';

/** Covariance of one landmark from the variances of its axes and their sums. */
export function landmarkCovariance(fit: BodyFit, station: Station, id: FitLandmark): number[][] {
  const start = fit.layout.landmarkAt(station, id);
  return formCovariance(
    fit,
    [0, 1, 2].map((axis) => [[start + axis, 1]]),
  );
}

/** Covariance of several linear forms of the unknowns. */
export function formCovariance(
  fit: BodyFit,
  forms: readonly (readonly (readonly [number, number])[])[],
): number[][] {
  const alone = forms.map((form) => fit.variance(form));
  return forms.map((a, i) =>
    forms.map((b, j) =>
      i === j
        ? (alone[i] as number)
        : (fit.variance([...a, ...b]) - (alone[i] as number) - (alone[j] as number)) / 2,
    ),
  );
}
