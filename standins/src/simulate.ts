import {
  type Capture,
  type Motion,
  type PressureTrace,
  type Shot,
  STATIONS,
  type Station,
} from '@inchstep/core/capture';
import { seededRandom } from '@inchstep/core/foundation';
import { resolveSchool, type SchoolChoiceSet, type ViewKind } from '@inchstep/core/intake';
import { type CameraSpec, makeCamera, makeMarks, mirrorView } from './devices/camera.ts';
import { hitShots, shotMeans } from './devices/launchMonitor.ts';
import { standOnMat } from './devices/pressureMat.ts';
import { trackGolfer, trueTimeMeasures } from './devices/tracker.ts';
import type { FaultGrades } from './golfer/faultEffects.ts';
import {
  anotherSwing,
  captureGolfer,
  type GolferSpec,
  makeGolfer,
  type StandInGolfer,
  trueMeasures,
} from './golfer/golfer.ts';

export interface SimulateRequest {
  readonly golfer: GolferSpec;
  readonly faults: FaultGrades;
  /** The golfer: body, stance, habits. */
  readonly seed: number;
  /** The day: how each swing wanders and where the cameras stand; the golfer's seed unless given. */
  readonly daySeed?: number;
  readonly views?: readonly (Partial<CameraSpec> & { readonly kind: ViewKind })[];
  readonly swings?: number;
  readonly stations?: readonly Station[];
  readonly school?: SchoolChoiceSet;
  /** Share of the places that are hidden from the camera. */
  readonly hidden?: number;
  /** What other devices saw of each swing. */
  readonly track?: boolean;
  readonly pressure?: boolean;
  /** Shots of the whole day, hit with these swings. */
  readonly shots?: number;
}

export interface SimulatedSwing {
  readonly capture: Capture;
  /** The golfer as this swing went. */
  readonly golfer: StandInGolfer;
  readonly track?: Motion;
  readonly pressure?: PressureTrace;
  readonly truth: {
    readonly measures: Readonly<Record<string, number>>;
    readonly timeMeasures: Readonly<Record<string, number>>;
    readonly faults: FaultGrades;
    readonly cameras: readonly { readonly view: string; readonly camera: readonly number[] }[];
  };
}

const PHONE = { widthPx: 1080, heightPx: 1920 } as const;

/** Captures of a made-up golfer with the truth beside them; the same seed gives the same swings. */
export function simulate(request: SimulateRequest): SimulatedSwing[] {
  const random = seededRandom(request.daySeed ?? request.seed + 7919);
  const golfer = makeGolfer(request.golfer, request.faults, seededRandom(request.seed));
  const views = request.views ?? [{ kind: 'face_on' as const }, { kind: 'down_the_line' as const }];
  const swings: SimulatedSwing[] = [];
  // The phones stay where they were put for the day.
  let placed: ReturnType<typeof makeCamera>[] | null = null;
  for (let i = 0; i < (request.swings ?? 1); i++) {
    const swing = i === 0 && request.daySeed === undefined ? golfer : anotherSwing(golfer, random);
    placed ??= views.map((spec, k) => makeCamera(`v${k + 1}`, { ...PHONE, ...spec }, random));
    const cameras = placed;
    const seen = cameras.map((camera) =>
      mirrorView(
        camera,
        makeMarks(swing, camera, request.stations ?? STATIONS, random, 1, request.hidden),
        request.golfer.handedness === 'left',
      ),
    );
    // Chance of its own, so that asking for more leaves the marks as they are.
    const devices = seededRandom(request.seed * 31 + i);
    swings.push({
      golfer: swing,
      ...(request.track ? { track: trackGolfer(swing, {}, devices) } : {}),
      ...(request.pressure ? { pressure: standOnMat(swing, {}, devices) } : {}),
      capture: {
        golfer: captureGolfer(golfer),
        club: request.golfer.club ?? 'mid_iron',
        school: resolveSchool(request.school),
        views: seen.map((s) => s.view),
        marks: seen.flatMap((s) => s.marks),
      },
      truth: {
        measures: trueMeasures(swing),
        // Found by walking through the swing in milliseconds: only where a track is asked for.
        timeMeasures: request.track ? trueTimeMeasures(swing) : {},
        faults: request.faults,
        cameras: cameras.map((camera) => ({ view: camera.view.id, camera: camera.truth })),
      },
    });
  }
  return swings;
}

/** The day's shots with the mean each quantity was drawn around. */
export function simulateShots(request: SimulateRequest): { shots: Shot[]; means: Record<string, number> } {
  const random = seededRandom((request.daySeed ?? request.seed) * 17 + 3);
  return { shots: hitShots(request.faults, request.shots ?? 0, random), means: shotMeans(request.faults) };
}
