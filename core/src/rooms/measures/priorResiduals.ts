import { type ArrowSystem, distance, midpoint, toRad, type Vec3 } from '../../foundation/index.ts';
import type { CameraPrior, Capture, Station } from '../capture/index.ts';
import { CAMERA_SIZE } from '../capture/index.ts';
import { bodySizes, lengthScale, SIZE_SD_SHARE } from '../intake/index.ts';
import {
  ADDRESS_FEET,
  type FitLandmark,
  OFFSET_PRIORS,
  PLANTED,
  SEGMENTS,
  STATION_PRIORS,
} from './bodyPriors.ts';
import { type FitLayout, FRAME_FACTORS, pointAt } from './fitLayout.ts';
import { NormalEquations } from './normalEquations.ts';
import { uncorrelated } from './teaching/togetherTable.ts';

/** A linear expectation: sum of coefficient * unknown has a mean and an sd. */
interface Expectation {
  readonly indices: readonly number[];
  /** Already divided by the sd. */
  readonly slopes: readonly number[];
  /** Mean over sd. */
  readonly aim: number;
}

/** A segment length at one station; `a` is the midpoint of two landmarks for the pelvis. */
interface Stretch {
  readonly a: readonly number[];
  readonly b: number;
  readonly segment: number;
  readonly sd: number;
  /** "station/landmark" of its ends. */
  readonly names: readonly string[];
}

/** A tape on the hip joints is still good only to about this. */
const TAPED_SD_SHARE = 0.02;
const HIP_LINE_X_SD_IN = 5;
const HIP_TILT_SD_IN = 1.8;

/** Everything the fit knows before any mark: built once, evaluated at each iteration. */
export class PriorResiduals {
  private readonly expectations: Expectation[] = [];
  private readonly stretches: Stretch[] = [];

  private readonly layout: FitLayout;
  private readonly capture: Capture;
  /** Lengths of this golfer over the tables'. */
  private readonly k: number;

  constructor(layout: FitLayout, capture: Capture, cameras: readonly CameraPrior[]) {
    this.layout = layout;
    this.capture = capture;
    this.k = lengthScale(capture.golfer.heightIn);
    cameras.forEach((camera, i) => {
      for (let k = 0; k < CAMERA_SIZE; k++) {
        this.expect([layout.cameraAt(i) + k], [1], camera.mean[k] as number, camera.sd[k] as number);
      }
    });
    this.expectOffTogether();
    this.expectSegments();
    this.expectAddress();
    for (const station of layout.stations) {
      this.expectOffsets(station);
      this.expectHipLine(station);
      if (station !== 'address') this.expectTravel(station);
      if (station !== 'address') this.expectPlanted(station);
    }
  }

  /** Entries of the linear expectations, which are the same wherever the fit stands. */
  base(): ArrowSystem {
    const { sharedSize, blockSize, stations } = this.layout;
    const equations = new NormalEquations(sharedSize, blockSize, stations.length - 1);
    for (const { indices, slopes } of this.expectations) equations.add(indices, slopes, 0);
    return equations.system;
  }

  /** To equations that began from `base()`. */
  addTo(equations: NormalEquations, x: Float64Array): void {
    for (const { indices, slopes, aim } of this.expectations) {
      let value = -aim;
      for (let i = 0; i < indices.length; i++) {
        value += (slopes[i] as number) * (x[indices[i] as number] as number);
      }
      equations.pull(indices, slopes, value);
    }
    for (const stretch of this.stretches) addStretch(equations, x, stretch);
  }

  /** Landmarks at the ends of segments whose length is off by more than `sds`. */
  strained(x: Float64Array, sds: number): Set<string> {
    const names = this.stretches
      .filter((stretch) => Math.abs(stretchOf(x, stretch).residual) > sds)
      .flatMap((stretch) => stretch.names);
    return new Set(names);
  }

  private expect(
    indices: readonly number[],
    coefficients: readonly number[],
    mean: number,
    sd: number,
  ): void {
    this.expectations.push({ indices, slopes: coefficients.map((c) => c / sd), aim: mean / sd });
  }

  /** What proposals are off by together: over the clip each landmark, landmarks with each other; and in each frame. */
  private expectOffTogether(): void {
    const { offsets, factorViews, stations } = this.layout;
    for (const view of factorViews) {
      const own = offsets.filter((one) => one.view === view);
      const { kind } = this.capture.views.find(({ id }) => id === view) as Capture['views'][number];
      const names = own.map(({ landmark }) => landmark);
      for (const [axis, along] of (['across', 'down'] as const).entries()) {
        const sds = own.map(({ sdPx, sdDownPx }) => (axis === 0 ? sdPx : sdDownPx));
        for (const row of uncorrelated(kind, names, along))
          this.expect(
            own.map(({ at }) => at + axis),
            row.map((x, i) => x / (sds[i] as number)),
            0,
            1,
          );
      }
      for (const station of stations) {
        const at = this.layout.factorsAt(station, view) as number;
        for (let i = 0; i < FRAME_FACTORS; i++) this.expect([at + i], [1], 0, 1);
      }
    }
  }

  private expectSegments(): void {
    const { heightIn, hipJointsApartIn } = this.capture.golfer;
    SEGMENTS.forEach((segment, i) => {
      const taped = segment.id === 'hips' ? hipJointsApartIn : null;
      const length = taped ?? segment.share * heightIn;
      const sd = taped ? TAPED_SD_SHARE : Math.max(segment.sdShare, SIZE_SD_SHARE);
      this.expect([this.layout.segmentAt(i)], [1], Math.log(length), sd);
      for (const station of this.layout.stations) {
        for (const [a, b] of segment.ends) {
          this.stretches.push({
            a:
              a === 'pelvis'
                ? [this.at(station, 'lead_hip'), this.at(station, 'trail_hip')]
                : [this.at(station, a)],
            b: this.at(station, b),
            segment: this.layout.segmentAt(i),
            sd: segment.wanderIn * this.k,
            names: (a === 'pelvis' ? HIPS_AND(b) : [a, b]).map((landmark) => `${station}/${landmark}`),
          });
        }
      }
    });
  }

  private expectAddress(): void {
    const { k } = this;
    const ankleHeight = bodySizes(this.capture.golfer).ankleHeightIn;
    const feet = ADDRESS_FEET;
    const lead = this.at('address', 'lead_ankle');
    const trail = this.at('address', 'trail_ankle');
    this.expect([lead, trail], [0.5, 0.5], feet.middleX[0] * k, feet.middleX[1] * k);
    this.expect([lead + 1, trail + 1], [0.5, 0.5], feet.middleY[0] * k, feet.middleY[1] * k);
    this.expect([lead, trail], [1, -1], feet.apart[0] * k, feet.apart[1] * k);
    this.expect([lead + 1, trail + 1], [1, -1], feet.ankleSkewY[0], feet.ankleSkewY[1] * k);
    for (const side of ['lead', 'trail'] as const) {
      const ankle = this.at('address', `${side}_ankle`);
      const heel = this.at('address', `${side}_heel`);
      const toe = this.at('address', `${side}_toe`);
      const hip = this.at('address', `${side}_hip`);
      this.expect([ankle + 2], [1], ankleHeight, 0.5 * k);
      this.expect([heel + 2], [1], feet.heelHeight[0] * k, feet.heelHeight[1] * k);
      this.expect([toe + 2], [1], feet.toeHeight[0] * k, feet.toeHeight[1] * k);
      this.expect([heel, ankle], [1, -1], 0, 1.5 * k);
      this.expect([heel + 1, ankle + 1], [1, -1], feet.heelBehind[0] * k, feet.heelBehind[1] * k);
      this.expect([toe, ankle], [1, -1], 0, 3 * k);
      this.expect([toe + 1, ankle + 1], [1, -1], feet.toeAhead[0] * k, feet.toeAhead[1] * k);
      this.expect([hip, ankle], [1, -1], 0, 4 * k);
      this.expect([hip + 1, ankle + 1], [1, -1], feet.hipBehindAnkle[0] * k, feet.hipBehindAnkle[1] * k);
      const [share, shareSd] = feet.hipHeightShare;
      const { heightIn } = this.capture.golfer;
      this.expect([hip + 2], [1], share * heightIn, shareSd * heightIn);
    }
  }

  private expectOffsets(station: Station): void {
    for (const { landmark, from, x, y, z } of OFFSET_PRIORS) {
      const at = this.at(station, landmark);
      const bases =
        from === 'pelvis'
          ? [this.at(station, 'lead_hip'), this.at(station, 'trail_hip')]
          : [this.at(station, from)];
      [x, y, z].forEach(([mean, sd], axis) => {
        const indices = [at + axis, ...bases.map((base) => base + axis)];
        const coefficients = [1, ...bases.map(() => -1 / bases.length)];
        // Address sits where the tables say; later stations are freer in every direction.
        const freer = station === 'address' ? 1 : 1.5;
        this.expect(indices, coefficients, mean * this.k, sd * freer * this.k);
      });
    }
  }

  private expectHipLine(station: Station): void {
    const [meanDeg, sdDeg] = STATION_PRIORS[station].turnDeg;
    const apart = bodySizes(this.capture.golfer).hipJointsApartIn;
    const lead = this.at(station, 'lead_hip');
    const trail = this.at(station, 'trail_hip');
    const mean = -apart * Math.sin(toRad(meanDeg));
    this.expect([lead + 1, trail + 1], [1, -1], mean, apart * toRad(sdDeg));
    this.expect([lead, trail], [1, -1], apart * Math.cos(toRad(meanDeg)), HIP_LINE_X_SD_IN * this.k);
    this.expect([lead + 2, trail + 2], [1, -1], 0, HIP_TILT_SD_IN * this.k);
  }

  private expectTravel(station: Station): void {
    const { shift, depth, rise } = STATION_PRIORS[station];
    [shift, depth, rise].forEach(([mean, sd], axis) => {
      const indices = (['lead_hip', 'trail_hip'] as const).flatMap((hip) => [
        this.at(station, hip) + axis,
        this.at('address', hip) + axis,
      ]);
      this.expect(indices, [0.5, -0.5, 0.5, -0.5], mean * this.k, sd * this.k);
    });
  }

  private expectPlanted(station: Exclude<Station, 'address'>): void {
    const parts: readonly [FitLandmark, keyof typeof PLANTED][] = [
      ['lead_ankle', 'leadFoot'],
      ['lead_heel', 'leadFoot'],
      ['lead_toe', 'leadFoot'],
      ['trail_ankle', 'trailAnkleHeel'],
      ['trail_heel', 'trailAnkleHeel'],
      ['trail_toe', 'trailToe'],
    ];
    for (const [landmark, part] of parts) {
      const [acrossSd, upSd] = PLANTED[part][station];
      const now = this.at(station, landmark);
      const then = this.at('address', landmark);
      for (let axis = 0; axis < 3; axis++) {
        this.expect([now + axis, then + axis], [1, -1], 0, (axis === 2 ? upSd : acrossSd) * this.k);
      }
    }
  }

  private at(station: Station, landmark: FitLandmark): number {
    return this.layout.landmarkAt(station, landmark);
  }
}

const HIPS_AND = (landmark: FitLandmark): FitLandmark[] => ['lead_hip', 'trail_hip', landmark];

function stretchOf(x: Float64Array, stretch: Stretch) {
  const ends = stretch.a.map((at) => pointAt(x, at));
  const a: Vec3 = ends.length === 2 ? midpoint(ends[0] as Vec3, ends[1] as Vec3) : (ends[0] as Vec3);
  const b = pointAt(x, stretch.b);
  const apart = Math.max(distance(a, b), 1e-6);
  const wanted = Math.exp(x[stretch.segment] as number);
  return { a, b, apart, wanted, residual: (apart - wanted) / stretch.sd };
}

function addStretch(equations: NormalEquations, x: Float64Array, stretch: Stretch): void {
  const { a, b, apart, wanted, residual } = stretchOf(x, stretch);
  const direction = [0, 1, 2].map((axis) => ((b[axis] as number) - (a[axis] as number)) / apart / stretch.sd);
  const indices = [stretch.segment];
  const slopes = [-wanted / stretch.sd];
  for (let axis = 0; axis < 3; axis++) {
    indices.push(stretch.b + axis);
    slopes.push(direction[axis] as number);
    for (const end of stretch.a) {
      indices.push(end + axis);
      slopes.push(-(direction[axis] as number) / stretch.a.length);
    }
  }
  equations.add(indices, slopes, residual);
}
