import { describe, expect, test } from '@jest/globals';
import { gaussian, seededRandom } from '../../foundation/index.ts';
import { cameraFrame, LANDMARKS, type Landmark, project } from '../capture/index.ts';
import { checkPicture, firstStep, levelFromGravity, type Picture } from './pictureCheck.ts';
import type { SeenBody } from './proposing/proposals.ts';
import { ADDRESS_BODY } from './sampleBody.ts';

const PICTURE = { widthPx: 1080, heightPx: 1920 };
interface Stand {
  readonly distanceIn?: number;
  readonly heightIn?: number;
  readonly pitchDeg?: number;
  readonly focalPx?: number;
  readonly rollDeg?: number;
  readonly noisePx?: (landmark: Landmark) => number;
}
/** The plain body as a camera sees it face-on. */
function seen({
  distanceIn = 150,
  heightIn = 40,
  pitchDeg = 0,
  focalPx = 1650,
  rollDeg = 0,
  noisePx = () => 0,
}: Stand = {}): SeenBody {
  const camera = [0, distanceIn - 30, heightIn, 0, pitchDeg, rollDeg, focalPx];
  const frame = cameraFrame('face_on', camera);
  const places = Object.fromEntries(
    LANDMARKS.map((landmark) => {
      const { u, v } = project(ADDRESS_BODY[landmark], camera, frame, PICTURE);
      return [landmark, { u: u + noisePx(landmark), v: v + noisePx(landmark), seen: 0.95 }];
    }),
  );
  return { time: 0, places };
}
const picture = (more: Partial<Picture> = {}): Picture => ({ ...PICTURE, bodyIn: 70, level: null, ...more });
const moved = (body: SeenBody, by: (u: number, v: number) => readonly [number, number]): SeenBody => ({
  ...body,
  places: Object.fromEntries(
    Object.entries(body.places).map(([landmark, place]) => {
      const [u, v] = by(place?.u ?? 0, place?.v ?? 0);
      return [landmark, { u, v, seen: place?.seen ?? 0 }];
    }),
  ),
});
const step = (body: SeenBody | null, more: Partial<Picture> = {}) =>
  firstStep(checkPicture(body, picture(more)));

describe('a picture before anything is filmed', () => {
  test('a good one asks for nothing; without a level its height can’t be told', () => {
    const rows = checkPicture(seen(), picture());
    expect(firstStep(rows)).toBeNull();
    expect(rows.map(({ item, state }) => [item, state])).toEqual([
      ['body', 'good'],
      ['upright', 'good'],
      ['whole', 'good'],
      ['size', 'good'],
      ['height', 'cant_tell'],
    ]);
  });
  test.each<[string, SeenBody | null, unknown]>([
    ['nobody there', null, { code: 'step_in' }],
    ['a phone that lies on its side', moved(seen(), (u, v) => [v, 1080 - u]), { code: 'turn_upright' }],
    ['feet below the edge', moved(seen(), (u, v) => [u, v + 800]), { code: 'show_feet' }],
    ['no room for the hands over the head', moved(seen(), (u, v) => [u, v - 640]), { code: 'show_head' }],
    ['a body at the edge', moved(seen(), (u, v) => [u - 480, v]), { code: 'show_side' }],
    ['a camera far away', seen({ distanceIn: 260 }), { code: 'nearer' }],
  ])('%s', (_, body, asked) => {
    expect(step(body)).toEqual(asked);
  });
  test('feet that are not seen surely are not in the picture', () => {
    const body = seen();
    const blurred = Object.fromEntries(
      Object.entries(body.places).map(([id, place]) => [
        id,
        { ...place, seen: /toe|heel/.test(id) ? 0.2 : 0.9 },
      ]),
    ) as unknown as SeenBody['places'];
    expect(step({ ...body, places: blurred })).toEqual({ code: 'show_feet' });
  });
  test('the first thing that is wrong is the one that is said', () => {
    const rows = checkPicture(
      moved(seen({ distanceIn: 260 }), (u, v) => [u, v + 900]),
      picture(),
    );
    expect(rows.map(({ item }) => item)).toEqual(['body', 'upright', 'whole']);
  });
  test('a phone that leans is straightened by its own level', () => {
    expect(step(seen(), { level: { pitchDeg: 0, rollDeg: -6 } })).toEqual({ code: 'straighten', deg: -6 });
  });
});

describe('the height by the phone’s level', () => {
  const level = (pitchDeg: number) => ({ level: { pitchDeg, rollDeg: 0 } });
  test('at belt height it is good, however the phone is tilted to see', () => {
    for (const pitchDeg of [-4, 0, 3])
      expect(checkPicture(seen({ pitchDeg }), picture(level(pitchDeg))).at(-1)).toMatchObject({
        item: 'height',
        state: 'good',
      });
  });
  test.each([
    [12, 4, 'raise', 28],
    [66, -8, 'lower', 26],
  ])('at %s in it is told by how much to move', (heightIn, pitchDeg, code, byIn) => {
    const told = step(seen({ heightIn, pitchDeg }), level(pitchDeg));
    expect(told?.code).toBe(code);
    expect(Math.abs((told && 'byIn' in told ? told.byIn : 0) - byIn)).toBeLessThan(4);
  });
  test('over 400 made-up phones a wrong word is rare, and most that are far off are told', () => {
    const random = seededRandom(41);
    let [good, wrongGood, mend, wrongMend, far, farTold] = [0, 0, 0, 0, 0, 0];
    for (let i = 0; i < 400; i++) {
      const heightIn = 12 + 56 * random();
      const pitchDeg = (Math.atan2(34 - heightIn, 150) * 180) / Math.PI + 4 * (random() - 0.5);
      const body = seen({
        heightIn,
        pitchDeg,
        focalPx: 1650 * (1 + 0.08 * gaussian(random)),
        noisePx: () => 11 * gaussian(random),
      });
      const [finding] = checkPicture(body, picture(level(pitchDeg + gaussian(random)))).filter(
        ({ item }) => item === 'height',
      );
      const off = heightIn - 0.57 * 70;
      if (Math.abs(off) > 16) far++;
      if (finding?.state === 'good') {
        good++;
        if (Math.abs(off) > 12) wrongGood++;
      }
      if (finding?.state === 'mend') {
        mend++;
        if (Math.abs(off) > 16) farTold++;
        const down = finding.step.code === 'lower';
        if (Math.abs(off) < 4 || off > 0 !== down) wrongMend++;
      }
    }
    expect(good).toBeGreaterThan(30);
    expect(mend).toBeGreaterThan(100);
    expect(wrongGood / good).toBeLessThan(0.03);
    expect(wrongMend / mend).toBeLessThan(0.02);
    expect(farTold / far).toBeGreaterThan(0.6);
  });
});

describe('a phone’s tilt by its motion sensor', () => {
  test.each([
    ['upright', [0, 9.81, 0], { pitchDeg: 0, rollDeg: 0 }],
    ['upright, by a maker who counts the other way', [0, -9.81, 0], { pitchDeg: 0, rollDeg: 0 }],
    // The screen turned up: its back looks down.
    ['leaning back', [0, 9.81 * Math.cos(0.1), 9.81 * Math.sin(0.1)], { pitchDeg: -5.73, rollDeg: 0 }],
    [
      'its right side lifted',
      [9.81 * Math.sin(0.05), 9.81 * Math.cos(0.05), 0],
      { pitchDeg: 0, rollDeg: 2.86 },
    ],
  ] as const)('%s', (_, [x, y, z], level) => {
    const told = levelFromGravity(x, y, z);
    expect(told?.pitchDeg).toBeCloseTo(level.pitchDeg, 2);
    expect(told?.rollDeg).toBeCloseTo(level.rollDeg, 2);
  });
  test.each([
    ['lying flat', [0, 0.3, 9.8]],
    ['on its side', [9.8, 0.4, 0]],
    ['being carried', [2, 14, 3]],
  ] as const)('%s tells nothing', (_, [x, y, z]) => {
    expect(levelFromGravity(x, y, z)).toBeNull();
  });
});
