import { toRad } from '../../foundation/index.ts';
import { type CameraKnowledge, cameraFrame, cameraPrior, project } from '../capture/index.ts';
import type { BodyFit } from './bodyFit.ts';

type CameraAdvice =
  | { readonly code: 'turned'; readonly deg: number; readonly sdDeg: number; readonly moveIn: number }
  | { readonly code: 'tilted'; readonly deg: number; readonly sdDeg: number }
  | { readonly code: 'too_high' | 'too_low'; readonly heightIn: number; readonly wantedIn: number }
  | { readonly code: 'no_sticks' }
  /** A stick end that lies this many of its sds from where the others put it. */
  | {
      readonly code: 'sticks_disagree';
      readonly xIn: number;
      readonly yIn: number;
      readonly offBySds: number;
    }
  /** What was told of the camera can't be, by everything it saw. */
  | { readonly code: 'told_wrong'; readonly what: CameraPart; readonly offBySds: number }
  | { readonly code: 'not_told'; readonly field: keyof CameraKnowledge };

const CAMERA_PARTS = ['along', 'away', 'height', 'yaw', 'pitch', 'roll', 'focal'] as const;
type CameraPart = (typeof CAMERA_PARTS)[number];

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

/** Beyond these a stick end was put elsewhere than the guide says, and a tape or a lens was misread. */
const STICK_OFF_SDS = 6;
const TOLD_OFF_SDS = 3.5;
const ANGLE_WORTH_SAYING_DEG = 4;
const HEIGHT_WORTH_SAYING_IN = 8;
/** Belt-buckle height as a share of standing height. */
export const BELT_SHARE = 0.57;

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
  advice.push(...contradictions(fit, viewIndex));
  if (view.groundMarks.length < 2) advice.push({ code: 'no_sticks' });
  for (const field of cameraPrior(view).assumed) advice.push({ code: 'not_told', field });
  return advice;
}

/** The worst stick end, if it fits nothing else, and the part of the camera that was most wrongly told. */
function contradictions(fit: BodyFit, viewIndex: number): CameraAdvice[] {
  const view = fit.capture.views[viewIndex] as BodyFit['capture']['views'][number];
  const camera = fit.camera(viewIndex);
  const frame = cameraFrame(view.kind, camera);
  const sticks = view.groundMarks.map(({ xIn, yIn, u, v, sdPx }) => {
    const seen = project([xIn, yIn, 0], camera, frame, view);
    return { xIn, yIn, offBySds: Math.hypot(seen.u - u, seen.v - v) / sdPx };
  });
  const worst = sticks.reduce<(typeof sticks)[number] | null>(
    (a, b) => (a === null || b.offBySds > a.offBySds ? b : a),
    null,
  );
  const { mean, sd } = cameraPrior(view);
  const parts = CAMERA_PARTS.map((what, k) => ({
    what,
    offBySds: Math.abs((camera[k] as number) - (mean[k] as number)) / (sd[k] as number),
  }));
  const wrong = parts.reduce((a, b) => (b.offBySds > a.offBySds ? b : a));
  return [
    ...(worst && worst.offBySds > STICK_OFF_SDS ? [{ code: 'sticks_disagree', ...worst } as const] : []),
    ...(wrong.offBySds > TOLD_OFF_SDS ? [{ code: 'told_wrong', ...wrong } as const] : []),
  ];
}
