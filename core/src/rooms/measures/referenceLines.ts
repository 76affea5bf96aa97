import type { Vec3 } from '../../foundation/index.ts';
import type { Station } from '../capture/index.ts';
import { bodySizes } from '../intake/index.ts';
import type { BodyFit } from './bodyFit.ts';

/** Lines a coach draws on a picture, here where they truly are: in inches on the ground's frame. */
export type LineId = 'lead_leg' | 'trail_leg' | 'seat' | 'trail_thigh' | 'spine';

interface ReferenceLine {
  readonly id: LineId;
  /** The view in which it says something. */
  readonly view: 'face_on' | 'down_the_line';
  /** Only at this station; null = drawn at all of them, to see what crosses it. */
  readonly station: Station | null;
  readonly from: Vec3;
  readonly to: Vec3;
}

/** From the ground to a little over the belt, as a share of standing height. */
const UPRIGHT_SHARE = 0.66;
/** Half the thickness of a clothed shank, as a share of standing height. */
const HALF_LEG_SHARE = 0.035;

/** Outside each leg at address, behind the seat and outside the trail thigh at the top, the spine at each station. */
export function referenceLines(fit: BodyFit): ReferenceLine[] {
  const { stations } = fit.layout;
  const { heightIn } = fit.capture.golfer;
  const has = (station: Station) => stations.includes(station);
  const high = UPRIGHT_SHARE * heightIn;
  const leg = HALF_LEG_SHARE * heightIn;
  const upright = (x: number, y: number): Pick<ReferenceLine, 'from' | 'to'> => ({
    from: [x, y, 0],
    to: [x, y, high],
  });
  const lines: ReferenceLine[] = [];
  if (has('address')) {
    const lead = fit.landmark('address', 'lead_ankle');
    const trail = fit.landmark('address', 'trail_ankle');
    lines.push({ id: 'lead_leg', view: 'face_on', station: null, ...upright(lead[0] + leg, lead[1]) });
    lines.push({ id: 'trail_leg', view: 'face_on', station: null, ...upright(trail[0] - leg, trail[1]) });
  }
  if (has('top')) {
    const seat = fit.landmark('top', 'seat');
    lines.push({ id: 'seat', view: 'down_the_line', station: null, ...upright(seat[0], seat[1]) });
    const hip = fit.landmark('top', 'trail_hip');
    const outside =
      (bodySizes(fit.capture.golfer).outerHipWidthIn - bodySizes(fit.capture.golfer).hipJointsApartIn) / 2;
    lines.push({ id: 'trail_thigh', view: 'face_on', station: null, ...upright(hip[0] - outside, hip[1]) });
  }
  for (const station of stations) {
    const [lead, trail] = [fit.landmark(station, 'lead_hip'), fit.landmark(station, 'trail_hip')];
    const from: Vec3 = [(lead[0] + trail[0]) / 2, (lead[1] + trail[1]) / 2, (lead[2] + trail[2]) / 2];
    for (const view of ['face_on', 'down_the_line'] as const)
      lines.push({ id: 'spine', view, station, from, to: fit.landmark(station, 'neck') });
  }
  return lines;
}
