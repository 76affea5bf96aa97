import { sub, toDeg, type Vec3 } from '../../foundation/index.ts';
import type { Station } from '../capture/index.ts';
import type { BodyFit } from './bodyFit.ts';
import type { FitLandmark } from './bodyPriors.ts';
import { formCovariance } from './formCovariance.ts';

/** An uncertainty ellipse on the ground: 95 %, half-axes in inches, angle from +x toward +y. */
interface GroundEllipse {
  readonly majorIn: number;
  readonly minorIn: number;
  readonly angleDeg: number;
}

export interface FloorStation {
  readonly station: Station;
  readonly leadHip: Vec3;
  readonly trailHip: Vec3;
  readonly centre: Vec3;
  /** Of the pelvis centre's travel since address. */
  readonly ellipse: GroundEllipse;
  readonly feet: Readonly<
    Record<'lead' | 'trail', { readonly heel: Vec3; readonly toe: Vec3; readonly ankle: Vec3 }>
  >;
}

/** sqrt of the 95 % quantile of chi-square with two degrees of freedom. */
const RADIUS_95 = 2.4477;

/** What the map from above draws, station by station, in inches with the ball at the origin. */
export function floorMap(fit: BodyFit): FloorStation[] {
  return fit.layout.stations.map((station) => {
    const at = (landmark: FitLandmark) => fit.landmark(station, landmark);
    const leadHip = at('lead_hip');
    const trailHip = at('trail_hip');
    const foot = (side: 'lead' | 'trail') => ({
      heel: at(`${side}_heel`),
      toe: at(`${side}_toe`),
      ankle: at(`${side}_ankle`),
    });
    return {
      station,
      leadHip,
      trailHip,
      centre: [0, 1, 2].map(
        (axis) => ((leadHip[axis] as number) + (trailHip[axis] as number)) / 2,
      ) as unknown as Vec3,
      ellipse: travelEllipse(fit, station),
      feet: { lead: foot('lead'), trail: foot('trail') },
    };
  });
}

function travelEllipse(fit: BodyFit, station: Station): GroundEllipse {
  if (station === 'address') return { majorIn: 0, minorIn: 0, angleDeg: 0 };
  const form = (axis: number): [number, number][] =>
    (['lead_hip', 'trail_hip'] as const).flatMap((hip) => [
      [fit.layout.landmarkAt(station, hip) + axis, 0.5] as [number, number],
      [fit.layout.landmarkAt('address', hip) + axis, -0.5] as [number, number],
    ]);
  const [rowX, rowY] = formCovariance(fit, [form(0), form(1)]) as [number[], number[]];
  return ellipseOf(rowX[0] as number, rowX[1] as number, rowY[1] as number);
}

/** 95 % ellipse of a 2 x 2 covariance [[a, b], [b, c]]. */
export function ellipseOf(a: number, b: number, c: number): GroundEllipse {
  const middle = (a + c) / 2;
  const spread = Math.sqrt(((a - c) / 2) ** 2 + b * b);
  return {
    majorIn: RADIUS_95 * Math.sqrt(middle + spread),
    minorIn: RADIUS_95 * Math.sqrt(Math.max(0, middle - spread)),
    angleDeg: toDeg(0.5 * Math.atan2(2 * b, a - c)),
  };
}

/** Direction of a foot on the ground, degrees from straight at the target line, + toward the target. */
export function footBearingDeg(foot: { readonly heel: Vec3; readonly toe: Vec3 }): number {
  const along = sub(foot.toe, foot.heel);
  return toDeg(Math.atan2(along[0], along[1]));
}
