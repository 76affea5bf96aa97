import type { Landmark, Station } from '@inchstep/core/capture';
import { gaussian, seededRandom } from '@inchstep/core/foundation';
import type { Hand, ViewKind } from '@inchstep/core/intake';
import {
  proposeMarks,
  proposeStations,
  type SeenBody,
  seenBody,
  steadySides,
  UNTAUGHT,
} from '@inchstep/core/measures';
import { describe, expect, test } from '@jest/globals';
import { look, makeCamera } from '../devices/camera.ts';
import { makeGolfer } from './golfer.ts';

const RATE = 60;
const WIDTH = 1080;
const POINTS: readonly (readonly [number, Landmark])[] = [
  [7, 'head'],
  [8, 'head'],
  [11, 'lead_shoulder'],
  [12, 'trail_shoulder'],
  [15, 'grip'],
  [16, 'grip'],
  [23, 'lead_hip'],
  [24, 'trail_hip'],
  [25, 'lead_knee'],
  [26, 'trail_knee'],
  [27, 'lead_ankle'],
  [28, 'trail_ankle'],
  [29, 'lead_heel'],
  [30, 'trail_heel'],
  [31, 'lead_toe'],
  [32, 'trail_toe'],
];

/** What a body network would answer for each frame of a filmed stand-in; noise as a share of body height. */
function watch(kind: ViewKind, hand: Hand, options: { noise?: number; swapAt?: number } = {}) {
  const golfer = makeGolfer({ handedness: hand, heightIn: 70 }, { sway: 1 }, seededRandom(6));
  const camera = makeCamera('v', { kind, widthPx: WIDTH, heightPx: 1920 }, seededRandom(3));
  const random = seededRandom(8);
  const left = hand === 'left';
  const frames = Math.floor(golfer.lengthSeconds * RATE);
  const bodies = Array.from({ length: frames }, (_, f): SeenBody => {
    const { landmarks } = golfer.poseAt(f / RATE);
    const [u, v, seen] = [new Float64Array(33), new Float64Array(33), new Float64Array(33).fill(0.95)];
    for (const [i, landmark] of POINTS) {
      const p = look(camera, landmarks[landmark]);
      // A left-hander's left is the trail side, and the picture is the other way about.
      const at = left && i > 8 ? (i % 2 === 1 ? i + 1 : i - 1) : i;
      const off = () => 800 * (options.noise ?? 0) * gaussian(random);
      u[at] = (left ? WIDTH - p.u : p.u) + off();
      v[at] = p.v + off();
    }
    const body = seenBody(f / RATE, { u, v, seen }, left);
    return f === options.swapAt ? seenBody(f / RATE, { u: other(u), v: other(v), seen }, left) : body;
  });
  return { golfer, camera, bodies };
}

/** The same points with left and right taken for each other. */
const other = (values: Float64Array): Float64Array =>
  values.map((value, i) => (i < 11 ? value : (values[i % 2 === 1 ? i + 1 : i - 1] ?? value)));

const stationsOf = (bodies: readonly SeenBody[], kind: ViewKind, handedness: Hand) => {
  const found = proposeStations(bodies, kind, { heightIn: 70, handedness });
  if (!found.ok) throw new Error(found.problems[0]?.code);
  return found.value;
};

describe.each(['face_on', 'down_the_line'] as const)('%s', (kind) => {
  test('the main stations are found within three frames, with a network’s noise', () => {
    const { golfer, bodies } = watch(kind, 'right', { noise: 0.006 });
    const found = stationsOf(bodies, kind, 'right');
    expect([...found.keys()]).toEqual(['address', 'top', 'delivery', 'impact', 'finish']);
    for (const station of ['top', 'delivery', 'impact'] as const) {
      const late = (found.get(station) as number) - golfer.shape[station].at * RATE;
      expect([station, Math.abs(late) <= 3]).toEqual([station, true]);
    }
    // At address the body stands: any moment before the start does.
    const address = (found.get('address') as number) / RATE - golfer.shape.address.at;
    expect(address).toBeLessThan(0.1);
  });
  test('a left-hander is the mirror image', () => {
    const right = stationsOf(watch(kind, 'right').bodies, kind, 'right');
    const left = stationsOf(watch(kind, 'left').bodies, kind, 'left');
    expect([...left]).toEqual([...right]);
  });
});

test('the other view of the swing says when it has its stations, on its own clock', () => {
  const { bodies } = watch('down_the_line', 'right', { noise: 0.006 });
  const golfer = { heightIn: 70, handedness: 'right' } as const;
  const own = stationsOf(bodies, 'down_the_line', 'right');
  const times = [...own].map(([station, frame]) => [station, 2 + (bodies[frame]?.time as number)] as const);
  const later = 6 / RATE;
  const other = new Map(
    times.map(([station, time]) => [station, station === 'delivery' ? time + later : time]),
  );
  const both = proposeStations(bodies, 'down_the_line', golfer, other);
  if (!both.ok) throw new Error('no stations');
  for (const [station, frame] of both.value)
    expect([station, frame - (own.get(station) as number)]).toEqual([
      station,
      station === 'delivery' ? 3 : 0,
    ]);
  // A clip of another swing says nothing here.
  const slower = new Map(
    [...other].map(([station, time]) => [station, station === 'impact' ? time + 0.3 : time]),
  );
  const alone = proposeStations(bodies, 'down_the_line', golfer, slower);
  expect(alone.ok && [...alone.value]).toEqual([...own]);
});

test('sides that a frame takes for each other are set right face-on', () => {
  const plain = watch('face_on', 'right').bodies;
  const mixed = watch('face_on', 'right', { swapAt: 60 }).bodies;
  expect(mixed[60]?.places.lead_hip).not.toEqual(plain[60]?.places.lead_hip);
  expect(steadySides(mixed, 'face_on', false)[60]?.places.lead_hip).toEqual(plain[60]?.places.lead_hip);
});

describe('marks', () => {
  const { golfer, camera, bodies } = watch('face_on', 'right', { noise: 0.007 });
  const stations = stationsOf(bodies, 'face_on', 'right');
  const marks = proposeMarks(bodies, 'face_on', stations, UNTAUGHT, false);
  test('carry sds that their errors bear out', () => {
    let inside = 0;
    // This network errs by chance alone, not by what it errs by with everybody.
    for (const { station, landmark, net, sdPx, sharedSdPx } of marks) {
      const seconds = (stations.get(station) as number) / RATE;
      const real = look(camera, golfer.poseAt(seconds).landmarks[landmark]);
      if (Math.abs(net.u - real.u) < 1.96 * Math.hypot(sdPx, sharedSdPx)) inside++;
    }
    expect(marks.length).toBe(5 * 13);
    expect(inside / marks.length).toBeGreaterThan(0.92);
  });
  test('what is badly seen is less sure, what is hidden is not proposed', () => {
    const dim = (seen: number) =>
      bodies.map((b) => ({
        ...b,
        places: { ...b.places, lead_hip: { ...(b.places.lead_hip as object), seen } },
      })) as SeenBody[];
    const at = (seen: number) =>
      proposeMarks(dim(seen), 'face_on', new Map<Station, number>([['top', 66]]), UNTAUGHT, false).find(
        (m) => m.landmark === 'lead_hip',
      );
    expect(at(0.5)?.sdPx).toBeGreaterThan(1.2 * (at(1)?.sdPx as number));
    expect(at(0.1)).toBeUndefined();
  });
});

test('somebody who stands still swings no club', () => {
  const { bodies } = watch('face_on', 'right');
  const still = bodies.map((b) => ({ ...b, places: bodies[0]?.places ?? {} }));
  expect(proposeStations(still, 'face_on', { heightIn: 70, handedness: 'right' })).toMatchObject({
    ok: false,
    problems: [{ code: 'track_no_swing' }],
  });
});
