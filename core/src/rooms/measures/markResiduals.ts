import type { ArrowFactor, Vec3 } from '../../foundation/index.ts';
import {
  BALL_CENTRE_HEIGHT_IN,
  CAMERA_SIZE,
  type CameraFrame,
  type Capture,
  cameraFrame,
  type Mark,
  project,
  projectWithSlopes,
} from '../capture/index.ts';
import { type FitLayout, FRAME_FACTORS, isProposal, pointAt } from './fitLayout.ts';
import type { NormalEquations } from './normalEquations.ts';
import { aloneShare, FACTORS, frameKindOf, loadingsOf } from './teaching/togetherTable.ts';

/** Beyond this many sds a mark pulls no harder (Huber), so that one slip bends little else. */
export const PULL_LIMIT_SDS = 3.5;

/** One picture point of a known or sought place, with where its unknowns stand. */
interface Seen {
  readonly mark: Mark | null;
  readonly viewIndex: number;
  /** First index of the landmark's unknowns; null for a fixed place (ball, stick end). */
  readonly at: number | null;
  readonly fixed: Vec3;
  readonly u: number;
  readonly v: number;
  /** Of what is its own. */
  readonly sdPx: number;
  readonly sdDownPx: number;
  /** What it is off by together with others; null where it is off by itself. */
  readonly along: Along | null;
  /** The unknowns it touches: its camera's, its own, then those it is off along. */
  readonly indices: readonly number[];
}

/** A proposal is off with its like over the clip, and with others in its frame. */
interface Along {
  /** First index of the clip's offset of its landmark, and of what goes wrong together in its frame. */
  readonly offset: number;
  readonly factors: number;
  /** Pixels by each of the frame's, across and down. */
  readonly across: readonly number[];
  readonly down: readonly number[];
  /** Pixels by an sd of the frame's moment. */
  readonly late: readonly [u: number, v: number];
}

/** Residual of a point in its sds, with slopes along the unknowns it touches. */
interface PixelResidual {
  readonly indices: readonly number[];
  readonly du: number;
  readonly dv: number;
  readonly slopesU: Float64Array;
  readonly slopesV: Float64Array;
}

/** All marks and stick ends of a capture as residuals; marks named wrong are left out. */
export class MarkResiduals {
  readonly leftOut = new Set<Mark>();
  /** Slopes of the residual worked on, over its camera's unknowns and its own; used again for the next. */
  private readonly slopesU = new Float64Array(CAMERA_SIZE + 5 + FRAME_FACTORS);
  private readonly slopesV = new Float64Array(CAMERA_SIZE + 5 + FRAME_FACTORS);
  private readonly points: readonly Seen[];
  private readonly layout: FitLayout;
  private readonly capture: Capture;

  constructor(layout: FitLayout, capture: Capture) {
    this.layout = layout;
    this.capture = capture;
    const viewIndex = new Map(capture.views.map((view, i) => [view.id, i]));
    const ball: Vec3 = [0, 0, BALL_CENTRE_HEIGHT_IN];
    const cameras = capture.views.map((_, view) =>
      Array.from({ length: CAMERA_SIZE }, (_, i) => layout.cameraAt(view) + i),
    );
    const touched = (view: number, at: number | null, along: Along | null = null): number[] => {
      const camera = cameras[view] as number[];
      if (at === null) return camera;
      const own = camera.concat(at, at + 1, at + 2);
      if (!along) return own;
      const frame = Array.from({ length: FRAME_FACTORS }, (_, i) => along.factors + i);
      return own.concat(along.offset, along.offset + 1, frame);
    };
    const marks = capture.marks.map((mark): Seen => {
      const view = viewIndex.get(mark.view) as number;
      const at = mark.landmark === 'ball' ? null : layout.landmarkAt(mark.station, mark.landmark);
      const { u, v } = mark;
      const { sdPx, sdDownPx, along } = this.doubtOf(mark, view);
      const indices = touched(view, at, along);
      return { mark, viewIndex: view, at, fixed: ball, u, v, sdPx, sdDownPx, along, indices };
    });
    const sticks = capture.views.flatMap((view, i) =>
      view.groundMarks.map(
        ({ xIn, yIn, u, v, sdPx }): Seen => ({
          mark: null,
          viewIndex: i,
          at: null,
          fixed: [xIn, yIn, 0],
          u,
          v,
          sdPx,
          sdDownPx: sdPx,
          along: null,
          indices: touched(i, null),
        }),
      ),
    );
    this.points = [...marks, ...sticks];
  }

  /** What a mark is off by itself, and along what with others. */
  private doubtOf(mark: Mark, view: number): Pick<Seen, 'sdPx' | 'sdDownPx' | 'along'> {
    const { sdPx, sdDownPx = sdPx } = mark;
    const offset = isProposal(mark) ? this.layout.offsetAt(mark.view, mark.landmark) : null;
    const factors = offset === null ? null : this.layout.factorsAt(mark.station, mark.view);
    if (offset === null || factors === null) return { sdPx, sdDownPx, along: null };
    const { kind } = this.capture.views[view] as Capture['views'][number];
    const { across, down } = loadingsOf(kind, mark.landmark, frameKindOf(mark.station));
    const own = [withoutHand(sdPx, mark), withoutHand(sdDownPx, mark)] as const;
    const along = {
      offset,
      factors,
      across: across.map((share) => share * own[0]),
      down: down.map((share) => share * own[1]),
      late: lateBy(mark),
    };
    const alone = (axis: 0 | 1, sd: number, loadings: readonly number[]) =>
      Math.sqrt(sd ** 2 - own[axis] ** 2 * (1 - aloneShare(loadings) ** 2));
    return { sdPx: alone(0, sdPx, across), sdDownPx: alone(1, sdDownPx, down), along };
  }

  addTo(equations: NormalEquations, x: Float64Array): void {
    const frames = this.frames(x);
    for (const seen of this.points) {
      if (seen.mark && this.leftOut.has(seen.mark)) continue;
      const { indices, du, dv, slopesU, slopesV } = this.residual(seen, x, frames);
      const weight = pullWeight(Math.hypot(du, dv));
      equations.addPair(indices, slopesU, du, slopesV, dv, weight);
    }
  }

  /** Distance of every body mark from the fit, in its own sds. */
  distances(x: Float64Array): { readonly mark: Mark; readonly offBySds: number }[] {
    const frames = this.frames(x);
    return this.points.flatMap((seen) => {
      if (!seen.mark || seen.at === null) return [];
      const view = this.capture.views[seen.viewIndex] as Capture['views'][number];
      const frame = frames[seen.viewIndex] as CameraFrame;
      const { u, v } = project(pointAt(x, seen.at), this.camera(seen.viewIndex, x), frame, view);
      const [offU, offV] = offsetOf(seen, x);
      const off = [(u + offU - seen.u) / seen.sdPx, (v + offV - seen.v) / seen.sdDownPx] as const;
      return [{ mark: seen.mark, offBySds: Math.hypot(...off) }];
    });
  }

  /**
   * How badly a mark fits what all other marks say: squared distance of the mark from the fit
   * without it, in the sds of that prediction; about chi-square with 2 degrees of freedom when
   * the mark is sound (deletion residual by the matrix inversion lemma; no refit).
   */
  misfit(mark: Mark, x: Float64Array, factor: ArrowFactor): number {
    const seen = this.points.find((point) => point.mark === mark) as Seen;
    const { indices, du, dv, slopesU, slopesV } = this.residual(seen, x, this.frames(x));
    const weight = pullWeight(Math.hypot(du, dv));
    const spread = (alongU: number, alongV: number) => {
      const g = new Float64Array(this.layout.size);
      indices.forEach((at, i) => {
        g[at] = alongU * (slopesU[i] as number) + alongV * (slopesV[i] as number);
      });
      return factor.quadratic(g);
    };
    // H: share of the mark's own variance in the prediction; K = I - weight * H.
    const [huu, hvv] = [spread(1, 0), spread(0, 1)];
    const huv = (spread(1, 1) - huu - hvv) / 2;
    const [kuu, kuv, kvv] = [1 - weight * huu, -weight * huv, 1 - weight * hvv];
    const det = Math.max(kuu * kvv - kuv * kuv, 1e-9);
    const [pu, pv] = [(kvv * du - kuv * dv) / det, (kuu * dv - kuv * du) / det];
    // Prediction variance without the mark: H K^-1, plus the mark's own.
    const suu = 1 + (huu * kvv - huv * kuv) / det;
    const suv = (huv * kuu - huu * kuv) / det;
    const svv = 1 + (hvv * kuu - huv * kuv) / det;
    const spreadDet = Math.max(suu * svv - suv * suv, 1e-9);
    return (svv * pu * pu - 2 * suv * pu * pv + suu * pv * pv) / spreadDet;
  }

  private residual(seen: Seen, x: Float64Array, frames: readonly CameraFrame[]): PixelResidual {
    const view = this.capture.views[seen.viewIndex] as Capture['views'][number];
    const point = seen.at === null ? seen.fixed : pointAt(x, seen.at);
    const frame = frames[seen.viewIndex] as CameraFrame;
    const p = projectWithSlopes(point, this.camera(seen.viewIndex, x), frame, view);
    const [perSd, perSdDown] = [1 / seen.sdPx, 1 / seen.sdDownPx];
    fill(this.slopesU, p.duCamera, p.duPoint, perSd);
    fill(this.slopesV, p.dvCamera, p.dvPoint, perSdDown);
    const [offU, offV] = offsetOf(seen, x);
    if (seen.along) {
      this.slopesU.fill(0, CAMERA_SIZE + 3);
      this.slopesV.fill(0, CAMERA_SIZE + 3);
      this.slopesU[CAMERA_SIZE + 3] = perSd;
      this.slopesV[CAMERA_SIZE + 4] = perSdDown;
      for (let i = 0; i < FACTORS; i++) {
        this.slopesU[CAMERA_SIZE + 5 + i] = (seen.along.across[i] as number) * perSd;
        this.slopesV[CAMERA_SIZE + 5 + FACTORS + i] = (seen.along.down[i] as number) * perSdDown;
      }
      const [lateU, lateV] = seen.along.late;
      this.slopesU[CAMERA_SIZE + 5 + 2 * FACTORS] = lateU * perSd;
      this.slopesV[CAMERA_SIZE + 5 + 2 * FACTORS] = lateV * perSdDown;
    }
    return {
      indices: seen.indices,
      du: (p.u + offU - seen.u) * perSd,
      dv: (p.v + offV - seen.v) * perSdDown,
      slopesU: this.slopesU,
      slopesV: this.slopesV,
    };
  }

  private camera(viewIndex: number, x: Float64Array): number[] {
    const at = this.layout.cameraAt(viewIndex);
    return x.subarray(at, at + CAMERA_SIZE) as unknown as number[];
  }

  private frames(x: Float64Array): CameraFrame[] {
    return this.capture.views.map((view, i) => {
      const at = this.layout.cameraAt(i);
      return cameraFrame(view.kind, [...x.subarray(at, at + CAMERA_SIZE)]);
    });
  }
}

/** What a point is off by together with others, where the fit stands; pixels. */
function offsetOf({ along }: Seen, x: Float64Array): readonly [u: number, v: number] {
  if (!along) return NO_OFFSET;
  let [u, v] = [x[along.offset] as number, x[along.offset + 1] as number];
  for (let i = 0; i < FACTORS; i++) {
    u += (along.across[i] as number) * (x[along.factors + i] as number);
    v += (along.down[i] as number) * (x[along.factors + FACTORS + i] as number);
  }
  const late = x[along.factors + 2 * FACTORS] as number;
  return [u + late * along.late[0], v + late * along.late[1]];
}
/** What of a mark's own sd may go along with others. */
const withoutHand = (sdPx: number, { handSdPx = 0 }: Mark): number =>
  Math.sqrt(Math.max(0, sdPx ** 2 - handSdPx ** 2));
const lateBy = ({ moving }: Mark): readonly [number, number] =>
  moving ? [moving.uPerS * moving.sdS, moving.vPerS * moving.sdS] : NO_OFFSET;
const NO_OFFSET = [0, 0] as const;

function fill(slopes: Float64Array, camera: readonly number[], point: Vec3, perSd: number): void {
  for (let i = 0; i < CAMERA_SIZE; i++) slopes[i] = (camera[i] as number) * perSd;
  for (let i = 0; i < 3; i++) slopes[CAMERA_SIZE + i] = (point[i] as number) * perSd;
}

const pullWeight = (sds: number): number => (sds <= PULL_LIMIT_SDS ? 1 : PULL_LIMIT_SDS / sds);
