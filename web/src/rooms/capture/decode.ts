/**
 * From the raw numbers of the two body networks to a box and to places in a picture. The layout of
 * inputs and outputs belongs to the networks (see docs/decisions/automatic-marks.md).
 */

/** Where in the picture the body is looked for: a turned square, in the picture's pixels. */
export interface Region {
  readonly u: number;
  readonly v: number;
  readonly side: number;
  /** Radians, clockwise in the picture. */
  readonly turn: number;
}

/** Places of the 33 body points and how surely each is seen, 0 to 1. */
export interface BodyPoints {
  readonly u: Float32Array;
  readonly v: Float32Array;
  readonly seen: Float32Array;
  /** How sure the network is that a body is there at all. */
  readonly body: number;
  /** Where to look in the next frame. */
  readonly next: Region;
}

export const DETECTOR_SIDE = 224;
export const POINTS_SIDE = 256;
const POINTS = 33;
const VALUES_A_POINT = 5;
/** Points 33 and 34 are no body: the middle of the hips, and a point as far off as the body reaches. */
const MIDDLE = 33;
const REACH = 34;
const ROOM = 1.25;
const VALUES_A_BOX = 12;
const LEAST_SURE = 0.5;

/** Anchor centres of the detector's cells, shares of its picture. */
const ANCHORS: readonly (readonly [x: number, y: number])[] = [
  [8, 2],
  [16, 2],
  [32, 6],
].flatMap(([stride, each]) => {
  const cells = DETECTOR_SIDE / (stride as number);
  return Array.from({ length: cells * cells * (each as number) }, (_, i): [number, number] => {
    const cell = Math.floor(i / (each as number));
    return [((cell % cells) + 0.5) / cells, (Math.floor(cell / cells) + 0.5) / cells];
  });
});

const sigmoid = (x: number): number => 1 / (1 + Math.exp(-Math.min(100, Math.max(-100, x))));

/** So many bodies of a picture are looked at. */
export const MOST_BODIES = 4;

/** Bodies of the detector's picture, which is the whole picture fitted into a square; the surest first, each once. */
export function bodiesIn(
  boxes: Float32Array,
  scores: Float32Array,
  widthPx: number,
  heightPx: number,
): Region[] {
  const sure = [...scores.keys()]
    .filter((i) => sigmoid(scores[i] as number) >= LEAST_SURE)
    .sort((a, b) => (scores[b] as number) - (scores[a] as number));
  const found: Region[] = [];
  for (const i of sure) {
    const region = boxAt(i, boxes, widthPx, heightPx);
    if (found.length < MOST_BODIES && !found.some((other) => areOne(region, other))) found.push(region);
  }
  return found;
}

function boxAt(i: number, boxes: Float32Array, widthPx: number, heightPx: number): Region {
  const [ax, ay] = ANCHORS[i] as [number, number];
  const side = Math.max(widthPx, heightPx);
  const at = (k: number, anchor: number, size: number) =>
    ((boxes[i * VALUES_A_BOX + k] as number) / DETECTOR_SIDE + anchor) * side - (side - size) / 2;
  const middle = [at(4, ax, widthPx), at(5, ay, heightPx)] as const;
  const reach = [at(6, ax, widthPx), at(7, ay, heightPx)] as const;
  return regionAround(middle, reach);
}

/** Middles nearer to each other than this share of the larger square are of one body. */
const ONE_BODY = 0.2;
export const areOne = (a: Region, b: Region): boolean =>
  Math.hypot(a.u - b.u, a.v - b.v) < ONE_BODY * Math.max(a.side, b.side);

function regionAround(middle: readonly [number, number], reach: readonly [number, number]): Region {
  const [du, dv] = [reach[0] - middle[0], reach[1] - middle[1]];
  return {
    u: middle[0],
    v: middle[1],
    side: 2 * ROOM * Math.hypot(du, dv),
    turn: Math.PI / 2 - Math.atan2(-dv, du),
  };
}

/** The same body point of the other side: points 1 to 6 are the eyes', from 7 on left and right take turns. */
const otherSide = (i: number): number => {
  if (i === 0 || i >= POINTS) return i;
  if (i <= 6) return i <= 3 ? i + 3 : i - 3;
  return i % 2 === 1 ? i + 1 : i - 1;
};

/** What the network says of a mirrored picture, as of the picture itself: left and right change, and so does across. */
export function unmirrored(values: Float32Array): Float32Array {
  const out = Float32Array.from(values);
  for (let i = 0; i < values.length / VALUES_A_POINT; i++) {
    const from = otherSide(i) * VALUES_A_POINT;
    out.set(values.subarray(from, from + VALUES_A_POINT), i * VALUES_A_POINT);
    out[i * VALUES_A_POINT] = POINTS_SIDE - (values[from] as number);
  }
  return out;
}

/** Body points of a region's picture, back in the whole picture. */
export function bodyPoints(values: Float32Array, score: number, region: Region): BodyPoints {
  const [cos, sin] = [Math.cos(region.turn), Math.sin(region.turn)];
  const place = (i: number): [number, number] => {
    const x = ((values[i * VALUES_A_POINT] as number) / POINTS_SIDE - 0.5) * region.side;
    const y = ((values[i * VALUES_A_POINT + 1] as number) / POINTS_SIDE - 0.5) * region.side;
    return [region.u + cos * x - sin * y, region.v + sin * x + cos * y];
  };
  const [u, v, seen] = [new Float32Array(POINTS), new Float32Array(POINTS), new Float32Array(POINTS)];
  for (let i = 0; i < POINTS; i++) {
    [u[i], v[i]] = place(i);
    seen[i] = sigmoid(values[i * VALUES_A_POINT + 3] as number);
  }
  return { u, v, seen, body: score, next: regionAround(place(MIDDLE), place(REACH)) };
}
