import { type Capture, STATIONS, type Station } from '@inchstep/core/capture';
import { seededRandom } from '@inchstep/core/foundation';
import { resolveSchool, type SchoolChoiceSet, type ViewKind } from '@inchstep/core/intake';
import { type CameraSpec, makeCamera, makeMarks, mirrorView } from './devices/camera.ts';
import type { FaultGrades } from './golfer/faultEffects.ts';
import { anotherSwing, captureGolfer, type GolferSpec, makeGolfer, trueMeasures } from './golfer/golfer.ts';

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
}

export interface SimulatedSwing {
  readonly capture: Capture;
  readonly truth: {
    readonly measures: Readonly<Record<string, number>>;
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
  for (let i = 0; i < (request.swings ?? 1); i++) {
    const swing = i === 0 && request.daySeed === undefined ? golfer : anotherSwing(golfer, random);
    const cameras = views.map((spec, k) => makeCamera(`v${k + 1}`, { ...PHONE, ...spec }, random));
    const seen = cameras.map((camera) =>
      mirrorView(
        camera,
        makeMarks(swing, camera, request.stations ?? STATIONS, random),
        request.golfer.handedness === 'left',
      ),
    );
    swings.push({
      capture: {
        golfer: captureGolfer(golfer),
        club: request.golfer.club ?? 'mid_iron',
        school: resolveSchool(request.school),
        views: seen.map((s) => s.view),
        marks: seen.flatMap((s) => s.marks),
      },
      truth: {
        measures: trueMeasures(swing),
        faults: request.faults,
        cameras: cameras.map((camera) => ({ view: camera.view.id, camera: camera.truth })),
      },
    });
  }
  return swings;
}
