import type { Vec3 } from '../../foundation/index.ts';
import {
  type Capture,
  cameraFrame,
  type Landmark,
  MARKS_WANTED,
  type Mark,
  project,
  type Station,
  type View,
} from '../capture/index.ts';
import { resolveSchool, type ViewKind } from '../intake/index.ts';

/** A plain body for the tests of this room: whole numbers, so that answers can be told by hand. */
export const ADDRESS_BODY: Readonly<Record<Landmark, Vec3>> = {
  lead_hip: [3.5, -33, 35],
  trail_hip: [-3.5, -33, 35],
  lead_knee: [5.5, -27, 19.5],
  trail_knee: [-5.5, -27, 19.5],
  lead_ankle: [7, -31, 3],
  trail_ankle: [-7, -31, 3],
  lead_heel: [7, -34, 1],
  trail_heel: [-7, -34, 1],
  lead_toe: [9.5, -25, 1],
  trail_toe: [-8, -25, 1],
  seat: [0, -38, 34],
  sternum: [0, -22, 47],
  neck: [0, -22, 51.5],
  head: [0, -18.5, 58],
  lead_shoulder: [7, -22, 50],
  trail_shoulder: [-7, -22, 50],
  grip: [2, -17, 28],
  ball: [0, 0, 0.84],
};

export type Body = Record<Landmark, Vec3>;

/** The address body with some landmarks moved by inches. */
export function movedBody(moves: Partial<Record<Landmark, Vec3>>): Body {
  const body = { ...ADDRESS_BODY } as Body;
  for (const [id, [x, y, z]] of Object.entries(moves) as [Landmark, Vec3][]) {
    const from = ADDRESS_BODY[id];
    body[id] = [from[0] + x, from[1] + y, from[2] + z];
  }
  return body;
}

const CAMERA: Record<ViewKind, readonly number[]> = {
  face_on: [0, 122, 38, 0, 0, 0, 1650],
  down_the_line: [-168, -30, 38, 0, 0, 0, 1650],
};
const STICKS: readonly (readonly [number, number])[] = [
  [-24, -22],
  [24, -22],
  [0, -8],
  [0, 40],
];

/** Exact pictures of given bodies: marks carry `sdPx` but no error of their own. */
export function exactCapture(
  bodies: Partial<Record<Station, Body>>,
  kinds: readonly ViewKind[] = ['face_on', 'down_the_line'],
  sdPx = 2.5,
): Capture {
  const picture = { widthPx: 1080, heightPx: 1920 };
  const see = (kind: ViewKind, point: Vec3) =>
    project(point, CAMERA[kind], cameraFrame(kind, CAMERA[kind]), picture);
  const views = kinds.map(
    (kind): View => ({
      id: kind,
      kind,
      ...picture,
      camera: {
        distanceIn: kind === 'face_on' ? 152 : 168,
        heightIn: 38,
        focalPx: 1650,
        aimIn: { x: 0, y: -30, z: 38, sdIn: 5 },
      },
      groundMarks: STICKS.flatMap(([xIn, yIn]) => {
        const { u, v, depthIn } = see(kind, [xIn, yIn, 0]);
        const inside = depthIn > 0 && u > 0 && v > 0 && u < picture.widthPx && v < picture.heightPx;
        return inside ? [{ xIn, yIn, u, v, sdPx: 2 }] : [];
      }),
    }),
  );
  const marks = kinds.flatMap((kind) =>
    (Object.entries(bodies) as [Station, Body][]).flatMap(([station, body]) =>
      MARKS_WANTED[kind].map((landmark): Mark => {
        const { u, v } = see(kind, body[landmark]);
        return { view: kind, station, landmark, u, v, sdPx };
      }),
    ),
  );
  return {
    golfer: {
      handedness: 'right',
      heightIn: 70,
      outerHipWidthIn: 13,
      hipJointsApartIn: null,
      flexibility: 'usual',
      armSwing: 'usual',
    },
    club: 'mid_iron',
    school: resolveSchool(),
    views,
    marks,
  };
}
