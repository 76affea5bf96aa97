import { type Mark, STATIONS, type Station, type View } from '@inchstep/core/capture';
import { type Random, roundTo, seededRandom } from '@inchstep/core/foundation';
import type { ViewKind } from '@inchstep/core/intake';
import { makeCamera, makeMarks, mirrorView, type StandInCamera } from '../devices/camera.ts';
import { makeGolfer, trueMeasures } from '../golfer/golfer.ts';
import type { FilmedSwing } from './cast.ts';

const CLIP = { widthPx: 540, heightPx: 960 } as const;
/** A phone's lens that lets the player fill the picture from twelve feet. */
const FOCAL_PX = 1120;

export const filmCamera = (kind: ViewKind, random: Random): StandInCamera =>
  makeCamera(kind, { kind, ...CLIP, focalPx: FOCAL_PX }, random);

/** What stands beside a rendered clip: true frames, cameras, exact marks and measures. */
export interface ClipTruth {
  readonly key: string;
  readonly framesPerSecond: number;
  readonly stationFrames: Readonly<Record<Station, number>>;
  readonly views: readonly View[];
  readonly cameras: Readonly<Record<string, readonly number[]>>;
  /** Exact places, as the picture shows them (mirrored for a left-hander). */
  readonly marks: readonly Mark[];
  readonly measures: Readonly<Record<string, number>>;
}

export function clipTruth(
  swing: FilmedSwing,
  cameras: readonly StandInCamera[],
  framesPerSecond: number,
): ClipTruth {
  const golfer = makeGolfer(swing.golfer, swing.faults, seededRandom(swing.seed));
  const exact = seededRandom(1);
  const seen = cameras.map((camera) =>
    mirrorView(camera, makeMarks(golfer, camera, STATIONS, exact, 0), swing.golfer.handedness === 'left'),
  );
  const measures = Object.entries(trueMeasures(golfer)).map(([id, value]) => [id, roundTo(value, 3)]);
  return {
    key: swing.key,
    framesPerSecond,
    stationFrames: Object.fromEntries(
      STATIONS.map((station) => [station, Math.round(golfer.shape[station].at * framesPerSecond)]),
    ) as Record<Station, number>,
    views: seen.map(({ view }) => view),
    cameras: Object.fromEntries(
      cameras.map((camera) => [camera.view.id, camera.truth.map((v) => roundTo(v, 4))]),
    ),
    marks: seen.flatMap(({ marks }) => marks),
    measures: Object.fromEntries(measures),
  };
}
