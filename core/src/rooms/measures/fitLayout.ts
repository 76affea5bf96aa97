import type { Vec3 } from '../../foundation/index.ts';
import { CAMERA_SIZE, type Capture, type Station, stationRank } from '../capture/index.ts';
import { FIT_LANDMARKS, type FitLandmark, SEGMENTS } from './bodyPriors.ts';

/**
 * Where each unknown stands in the vector of a fit: cameras, logarithms of segment lengths and
 * the address pose are shared; every other station has a block of its own.
 */
export interface FitLayout {
  readonly stations: readonly Station[];
  readonly sharedSize: number;
  readonly blockSize: number;
  readonly size: number;
  cameraAt(viewIndex: number): number;
  segmentAt(segmentIndex: number): number;
  landmarkAt(station: Station, landmark: FitLandmark): number;
}

export const POSE_SIZE = FIT_LANDMARKS.length * 3;
const RANK = new Map<string, number>(FIT_LANDMARKS.map((landmark, i) => [landmark, i]));

/** Stations that carry a mark, address always among them since everything is told from it. */
export function fitLayout(capture: Capture): FitLayout {
  const marked = new Set(capture.marks.map((mark) => mark.station));
  marked.add('address');
  const stations = [...marked].sort((a, b) => stationRank(a) - stationRank(b));
  const addressStart = capture.views.length * CAMERA_SIZE + SEGMENTS.length;
  const sharedSize = addressStart + POSE_SIZE;
  const starts = new Map<Station, number>(
    stations.map((station, i) => [
      station,
      station === 'address' ? addressStart : sharedSize + (i - 1) * POSE_SIZE,
    ]),
  );
  return {
    stations,
    sharedSize,
    blockSize: POSE_SIZE,
    size: sharedSize + (stations.length - 1) * POSE_SIZE,
    cameraAt: (viewIndex) => viewIndex * CAMERA_SIZE,
    segmentAt: (segmentIndex) => capture.views.length * CAMERA_SIZE + segmentIndex,
    landmarkAt: (station, landmark) => {
      const start = starts.get(station);
      if (start === undefined) throw new Error(`landmarkAt: ${station} is not in this fit`);
      return start + 3 * (RANK.get(landmark) as number);
    },
  };
}

export const pointAt = (x: Float64Array, at: number): Vec3 => [
  x[at] as number,
  x[at + 1] as number,
  x[at + 2] as number,
];
