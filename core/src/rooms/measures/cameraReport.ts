import { toRad } from '../../foundation/index.ts';
import { type CameraKnowledge, cameraPrior } from '../capture/index.ts';
import type { BodyFit } from './bodyFit.ts';

export type CameraAdvice =
  | { readonly code: 'turned'; readonly deg: number; readonly sdDeg: number; readonly moveIn: number }
  | { readonly code: 'tilted'; readonly deg: number; readonly sdDeg: number }
  | { readonly code: 'too_high' | 'too_low'; readonly heightIn: number; readonly wantedIn: number }
  | { readonly code: 'no_sticks' }
  | { readonly code: 'not_told'; readonly field: keyof CameraKnowledge };

export interface CameraReport {
  readonly id: string;
  readonly focalPx: number;
  readonly positionIn: readonly [number, number, number];
  readonly yawDeg: number;
  readonly pitchDeg: number;
  readonly rollDeg: number;
  readonly sd: {
    readonly focalPx: number;
    readonly positionIn: readonly [number, number, number];
    readonly yawDeg: number;
    readonly pitchDeg: number;
    readonly rollDeg: number;
  };
  readonly advice: readonly CameraAdvice[];
}

const ANGLE_WORTH_SAYING_DEG = 4;
const HEIGHT_WORTH_SAYING_IN = 8;
/** Belt-buckle height as a share of standing height. */
const BELT_SHARE = 0.57;

/** Solved cameras with their uncertainty, and what to move next time. */
export function reportCameras(fit: BodyFit): CameraReport[] {
  return fit.capture.views.map((view, i) => {
    const camera = fit.camera(i);
    const start = fit.layout.cameraAt(i);
    const sds = camera.map((_, k) => Math.sqrt(fit.variance([[start + k, 1]])));
    const [x, y, z, yaw, pitch, roll, focal] = camera as number[] as [
      number,
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    const [xSd, ySd, zSd, yawSd, pitchSd, rollSd, focalSd] = sds as [
      number,
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    return {
      id: view.id,
      focalPx: focal,
      positionIn: [x, y, z],
      yawDeg: yaw,
      pitchDeg: pitch,
      rollDeg: roll,
      sd: {
        focalPx: focalSd,
        positionIn: [xSd, ySd, zSd],
        yawDeg: yawSd,
        pitchDeg: pitchSd,
        rollDeg: rollSd,
      },
      advice: adviseCamera(fit, i, { yaw, yawSd, roll, rollSd, heightIn: z }),
    };
  });
}

function adviseCamera(
  fit: BodyFit,
  viewIndex: number,
  solved: { yaw: number; yawSd: number; roll: number; rollSd: number; heightIn: number },
): CameraAdvice[] {
  const view = fit.capture.views[viewIndex] as BodyFit['capture']['views'][number];
  const advice: CameraAdvice[] = [];
  const distanceIn = view.camera.distanceIn ?? 150;
  if (Math.abs(solved.yaw) > Math.max(ANGLE_WORTH_SAYING_DEG, 2 * solved.yawSd)) {
    const moveIn = distanceIn * Math.tan(toRad(Math.abs(solved.yaw)));
    advice.push({ code: 'turned', deg: solved.yaw, sdDeg: solved.yawSd, moveIn });
  }
  if (Math.abs(solved.roll) > Math.max(2, 2 * solved.rollSd)) {
    advice.push({ code: 'tilted', deg: solved.roll, sdDeg: solved.rollSd });
  }
  const wantedIn = BELT_SHARE * fit.capture.golfer.heightIn;
  const off = solved.heightIn - wantedIn;
  if (Math.abs(off) > HEIGHT_WORTH_SAYING_IN) {
    advice.push({ code: off > 0 ? 'too_high' : 'too_low', heightIn: solved.heightIn, wantedIn });
  }
  if (view.groundMarks.length < 2) advice.push({ code: 'no_sticks' });
  for (const field of cameraPrior(view).assumed) advice.push({ code: 'not_told', field });
  return advice;
}
