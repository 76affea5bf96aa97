import type { Vec3 } from '../../foundation/index.ts';
import {
  CAMERA_SIZE,
  type Capture,
  type Landmark,
  type Mark,
  type Station,
  stationRank,
} from '../capture/index.ts';
import { FIT_LANDMARKS, type FitLandmark, SEGMENTS } from './bodyPriors.ts';
import { FACTORS } from './teaching/togetherTable.ts';

/**
 * Where each unknown stands in the vector of a fit: cameras, logarithms of segment lengths, what a view's marks are
 * off by together and the address pose are shared; every other station has a block of its own.
 */
export interface FitLayout {
  readonly stations: readonly Station[];
  readonly sharedSize: number;
  readonly blockSize: number;
  readonly size: number;
  cameraAt(viewIndex: number): number;
  segmentAt(segmentIndex: number): number;
  landmarkAt(station: Station, landmark: FitLandmark): number;
  /** What all marks of a landmark in a view are off by together, where they are: [u, v] stand here and behind it. */
  readonly offsets: readonly SharedOffset[];
  /** Null where the marks are off each by itself. */
  offsetAt(view: string, landmark: Landmark): number | null;
  /** Views with proposals: what goes wrong together in one frame is an unknown there. */
  readonly factorViews: readonly string[];
  /** Where a frame's stand: those across, those down, then its moment. Null where nothing in the view was proposed. */
  factorsAt(station: Station, view: string): number | null;
}

/** Unknowns of one frame: what goes wrong together across, and down, and how far its moment is off. */
export const FRAME_FACTORS = 2 * FACTORS + 1;

interface SharedOffset {
  readonly view: string;
  readonly landmark: Landmark;
  readonly at: number;
  readonly sdPx: number;
  readonly sdDownPx: number;
}

const POSE_SIZE = FIT_LANDMARKS.length * 3;
const RANK = new Map<string, number>(FIT_LANDMARKS.map((landmark, i) => [landmark, i]));

/** Stations that carry a mark, address always among them since everything is told from it. */
export function fitLayout(capture: Capture): FitLayout {
  const marked = new Set(capture.marks.map((mark) => mark.station));
  marked.add('address');
  const stations = [...marked].sort((a, b) => stationRank(a) - stationRank(b));
  const offsets = offsetsOf(capture, capture.views.length * CAMERA_SIZE + SEGMENTS.length);
  const offsetAt = new Map(offsets.map(({ view, landmark, at }) => [`${view} ${landmark}`, at]));
  const addressStart = capture.views.length * CAMERA_SIZE + SEGMENTS.length + 2 * offsets.length;
  const factorViews = capture.views
    .map(({ id }) => id)
    .filter((id) => offsets.some(({ view }) => view === id));
  const blockSize = POSE_SIZE + FRAME_FACTORS * factorViews.length;
  const sharedSize = addressStart + blockSize;
  const starts = new Map<Station, number>(
    stations.map((station, i) => [
      station,
      station === 'address' ? addressStart : sharedSize + (i - 1) * blockSize,
    ]),
  );
  const startOf = (station: Station): number => {
    const start = starts.get(station);
    if (start === undefined) throw new Error(`fitLayout: ${station} is not in this fit`);
    return start;
  };
  return {
    stations,
    sharedSize,
    blockSize,
    size: sharedSize + (stations.length - 1) * blockSize,
    cameraAt: (viewIndex) => viewIndex * CAMERA_SIZE,
    segmentAt: (segmentIndex) => capture.views.length * CAMERA_SIZE + segmentIndex,
    landmarkAt: (station, landmark) => startOf(station) + 3 * (RANK.get(landmark) as number),
    offsets,
    offsetAt: (view, landmark) => offsetAt.get(`${view} ${landmark}`) ?? null,
    factorViews,
    factorsAt: (station, view) => {
      const i = factorViews.indexOf(view);
      return i < 0 ? null : startOf(station) + POSE_SIZE + FRAME_FACTORS * i;
    },
  };
}

/** Marks whose errors have a part in common: what a network proposed and nobody has touched. */
export const isProposal = ({ sharedSdPx, sharedSdDownPx }: Mark): boolean =>
  (sharedSdPx ?? 0) > 0 || (sharedSdDownPx ?? 0) > 0;
/** Less than this is nothing in common, and would leave nothing to divide by. */
const LEAST_SHARED_PX = 0.01;

/** One for each landmark of each view whose marks are off together; the widest word on how far holds for all of them. */
function offsetsOf(capture: Capture, start: number): SharedOffset[] {
  const found = new Map<string, Omit<SharedOffset, 'at'>>();
  for (const mark of capture.marks) {
    const { view, landmark, sharedSdPx = 0, sharedSdDownPx = sharedSdPx } = mark;
    if (!isProposal(mark) || landmark === 'ball') continue;
    const key = `${view} ${landmark}`;
    const known = found.get(key) ?? { sdPx: LEAST_SHARED_PX, sdDownPx: LEAST_SHARED_PX };
    found.set(key, {
      view,
      landmark,
      sdPx: Math.max(known.sdPx, sharedSdPx),
      sdDownPx: Math.max(known.sdDownPx, sharedSdDownPx),
    });
  }
  return [...found.values()].map((one, i) => ({ ...one, at: start + 2 * i }));
}

export const pointAt = (x: Float64Array, at: number): Vec3 => [
  x[at] as number,
  x[at + 1] as number,
  x[at + 2] as number,
];
