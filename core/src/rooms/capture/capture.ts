import type { ArmSwing, Club, Flexibility, Hand, School, ViewKind } from '../intake/index.ts';
import type { Landmark } from './landmarks.ts';
import type { Station } from './stations.ts';

/** What the coach knows of a camera; lengths in inches, angles in degrees, focal length in pixels. */
export interface CameraKnowledge {
  readonly distanceIn?: number | undefined;
  readonly distanceSdIn?: number | undefined;
  readonly heightIn?: number | undefined;
  readonly heightSdIn?: number | undefined;
  readonly focalPx?: number | undefined;
  readonly focalSdPx?: number | undefined;
  readonly yawSdDeg?: number | undefined;
  readonly pitchSdDeg?: number | undefined;
  readonly rollSdDeg?: number | undefined;
  readonly aimIn?:
    | { readonly x: number; readonly y: number; readonly z: number; readonly sdIn: number }
    | undefined;
}

/** A stick end (or other known place) on the ground, seen at pixel (u, v). */
interface GroundMark {
  readonly xIn: number;
  readonly yIn: number;
  readonly u: number;
  readonly v: number;
  readonly sdPx: number;
}

export interface View {
  readonly id: string;
  readonly kind: ViewKind;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly camera: CameraKnowledge;
  readonly groundMarks: readonly GroundMark[];
  /** Two moments of the clip, seconds from its start: the pelvis sets off toward the target, and the top. */
  readonly moments?:
    | { readonly startDownS: number; readonly topS: number; readonly frameS?: number | undefined }
    | undefined;
}

/** Pixels from the top left, u to the right, v down. */
export interface Mark {
  readonly view: string;
  readonly station: Station;
  readonly landmark: Landmark;
  readonly u: number;
  readonly v: number;
  readonly sdPx: number;
  /** Sd of what all marks of this landmark in this view are off by together, beside their own: as a network errs. */
  readonly sharedSdPx?: number | undefined;
  /** Both again down the picture, where they differ from across: a network errs otherwise along a leg than beside it. */
  readonly sdDownPx?: number | undefined;
  readonly sharedSdDownPx?: number | undefined;
  /** Of its own sd the part that no other mark of its frame goes along with: what hands left open that taught how the network errs there. */
  readonly handSdPx?: number | undefined;
  readonly moving?: Moving | undefined;
}

/**
 * How fast a place moves in its frame, pixels a second, and by how much its station may be early or late, seconds (one sd): all such
 * marks of a frame are off by the same moment.
 */
export interface Moving {
  readonly uPerS: number;
  readonly vPerS: number;
  readonly sdS: number;
  /** When in the clip it was seen, seconds. */
  readonly atS: number;
}

interface Golfer {
  readonly handedness: Hand;
  readonly heightIn: number;
  readonly outerHipWidthIn: number | null;
  readonly hipJointsApartIn: number | null;
  readonly flexibility: Flexibility;
  readonly armSwing: ArmSwing;
}

export interface Capture {
  readonly golfer: Golfer;
  readonly club: Club;
  readonly school: School;
  readonly views: readonly View[];
  readonly marks: readonly Mark[];
}

/**
 * A left-hander's pictures are mirrored (u becomes width - u); after that the core never asks
 * about the hand again.
 */
export function mirrorToRightHanded(capture: Capture): Capture {
  if (capture.golfer.handedness === 'right') return capture;
  const widths = new Map(capture.views.map((view) => [view.id, view.widthPx]));
  return {
    ...capture,
    golfer: { ...capture.golfer, handedness: 'right' },
    views: capture.views.map((view) => ({
      ...view,
      groundMarks: view.groundMarks.map((mark) => ({ ...mark, u: view.widthPx - mark.u })),
    })),
    marks: capture.marks.map((mark) => mirrored(mark, widths.get(mark.view) ?? 0)),
  };
}

const mirrored = (mark: Mark, widthPx: number): Mark => ({
  ...mark,
  u: widthPx - mark.u,
  ...(mark.moving && { moving: { ...mark.moving, uPerS: -mark.moving.uPerS } }),
});
