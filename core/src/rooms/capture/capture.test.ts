import { describe, expect, test } from '@jest/globals';
import { between, seededRandom, type Vec3 } from '../../foundation/index.ts';
import { resolveSchool, type ViewKind } from '../intake/index.ts';
import {
  CAMERA_SIZE,
  type Capture,
  cameraFrame,
  cameraPrior,
  checkCapture,
  type Mark,
  mirrorToRightHanded,
  project,
  projectWithSlopes,
  STATIONS,
  sightSdPx,
  stationRank,
  stationsOutOfOrder,
  type View,
} from './index.ts';

const picture = { widthPx: 1080, heightPx: 1920 };
const view = (kind: ViewKind, id = kind as string): View => ({
  id,
  kind,
  ...picture,
  camera: {
    distanceIn: 150,
    heightIn: 38,
    focalPx: 1650,
    aimIn: { x: 0, y: -30, z: 38, sdIn: 5 },
  },
  groundMarks: [],
});
const capture = (marks: Mark[], more: Partial<Capture> = {}): Capture => ({
  golfer: {
    handedness: 'right',
    heightIn: 70,
    outerHipWidthIn: null,
    hipJointsApartIn: null,
    flexibility: 'usual',
    armSwing: 'usual',
  },
  club: 'mid_iron',
  school: resolveSchool(),
  views: [view('face_on'), view('down_the_line')],
  marks,
  ...more,
});
const mark = (over: Partial<Mark> = {}): Mark => ({
  view: 'face_on',
  station: 'top',
  landmark: 'lead_hip',
  u: 500,
  v: 900,
  sdPx: 2,
  ...over,
});

describe('projection by hand', () => {
  test('face-on: the target is on the right, up is up, an inch is focal / distance pixels', () => {
    const { mean } = cameraPrior(view('face_on'));
    const frame = cameraFrame('face_on', mean);
    // The aim point lies 150 in before the lens, in the middle of the picture.
    expect(project([0, -30, 38], mean, frame, picture)).toEqual({ u: 540, v: 960, depthIn: 150 });
    const moved = project([4, -30, 39], mean, frame, picture);
    expect(moved.u).toBeCloseTo(540 + (4 * 1650) / 150, 8);
    expect(moved.v).toBeCloseTo(960 - 1650 / 150, 8);
  });
  test('down the line: the ball side is on the right', () => {
    const { mean } = cameraPrior(view('down_the_line'));
    const frame = cameraFrame('down_the_line', mean);
    const p = project([0, -20, 38], mean, frame, picture);
    expect(p.u).toBeCloseTo(540 + (10 * 1650) / 150, 8);
    expect(p.depthIn).toBeCloseTo(150, 8);
  });
  test('yaw to picture right moves the picture left, pitch up moves it down', () => {
    const { mean } = cameraPrior(view('face_on'));
    const turned = [...mean];
    turned[3] = 5;
    expect(project([0, -30, 38], turned, cameraFrame('face_on', turned), picture).u).toBeCloseTo(
      540 - 1650 * Math.tan((5 * Math.PI) / 180),
      6,
    );
    const raised = [...mean];
    raised[4] = 5;
    expect(project([0, -30, 38], raised, cameraFrame('face_on', raised), picture).v).toBeGreaterThan(960);
  });
  test('ten degrees off square turns four inches of depth into seven tenths of false shift', () => {
    const { mean } = cameraPrior(view('face_on'));
    const camera = [...mean];
    // Stands off square and points at the aim point again.
    const angle = (10 * Math.PI) / 180;
    camera[0] = 150 * Math.sin(angle);
    camera[1] = -30 + 150 * Math.cos(angle);
    camera[3] = -10;
    const frame = cameraFrame('face_on', camera);
    const near = project([0, -30, 38], camera, frame, picture);
    const deep = project([0, -34, 38], camera, frame, picture);
    expect(Math.abs(((deep.u - near.u) * 150) / 1650)).toBeCloseTo(0.68, 1);
  });
});

describe.each(['face_on', 'down_the_line'] as const)('slopes of the projection, %s', (kind) => {
  const random = seededRandom(11);
  test.each([1, 2, 3, 4, 5])('agree with differences (case %i)', () => {
    const camera = cameraPrior(view(kind)).mean.map((value, i) =>
      i < 3
        ? value + between(random, -6, 6)
        : i < 6
          ? between(random, -6, 6)
          : value * between(random, 0.9, 1.1),
    );
    const point: Vec3 = [between(random, -15, 15), between(random, -45, -15), between(random, 0, 65)];
    const at = (c: readonly number[], p: Vec3) => project(p, c, cameraFrame(kind, c), picture);
    const exact = projectWithSlopes(point, camera, cameraFrame(kind, camera), picture);
    const h = 1e-4;
    for (let axis = 0; axis < 3; axis++) {
      const up = point.map((value, i) => (i === axis ? value + h : value)) as unknown as Vec3;
      const down = point.map((value, i) => (i === axis ? value - h : value)) as unknown as Vec3;
      expect(exact.duPoint[axis]).toBeCloseTo((at(camera, up).u - at(camera, down).u) / (2 * h), 3);
      expect(exact.dvPoint[axis]).toBeCloseTo((at(camera, up).v - at(camera, down).v) / (2 * h), 3);
    }
    for (let k = 0; k < CAMERA_SIZE; k++) {
      const up = camera.map((value, i) => (i === k ? value + h : value));
      const down = camera.map((value, i) => (i === k ? value - h : value));
      expect(exact.duCamera[k]).toBeCloseTo((at(up, point).u - at(down, point).u) / (2 * h), 3);
      expect(exact.dvCamera[k]).toBeCloseTo((at(up, point).v - at(down, point).v) / (2 * h), 3);
    }
  });
});

describe('camera prior', () => {
  test('what is not told gets a wide default and is named', () => {
    const prior = cameraPrior({ ...view('face_on'), camera: {} });
    expect(prior.assumed).toEqual(['distanceIn', 'heightIn', 'focalPx', 'aimIn']);
    expect(prior.sd[1]).toBeGreaterThan(20);
    expect(cameraPrior(view('face_on')).assumed).toEqual([]);
  });
  test('a taped distance adds to the doubt about the aim point', () => {
    const prior = cameraPrior({
      ...view('face_on'),
      camera: { ...view('face_on').camera, distanceSdIn: 12 },
    });
    expect(prior.sd[1]).toBeCloseTo(13, 10);
    expect(prior.sd[0]).toBe(5);
  });
});

describe('left-handers', () => {
  test('pictures are mirrored, twice is once', () => {
    const left = capture([mark({ u: 100 })], { golfer: { ...capture([]).golfer, handedness: 'left' } });
    const mirrored = mirrorToRightHanded(left);
    expect(mirrored.marks[0]?.u).toBe(980);
    expect(mirrored.golfer.handedness).toBe('right');
    expect(mirrorToRightHanded(mirrored)).toBe(mirrored);
  });
});

describe('checking a capture', () => {
  test('a sound one passes', () => {
    expect(checkCapture(capture([mark()])).ok).toBe(true);
  });
  test.each([
    [
      'height_out_of_range',
      'golfer.heightIn',
      capture([], { golfer: { ...capture([]).golfer, heightIn: 7 } }),
    ],
    ['unknown_view', 'marks[0].view', capture([mark({ view: 'drone' })])],
    ['mark_twice', 'marks[1]', capture([mark(), mark({ u: 510 })])],
    ['landmark_not_in_view', 'marks[0]', capture([mark({ landmark: 'seat' })])],
    ['mark_outside_picture', 'marks[0]', capture([mark({ u: 1081 })])],
    ['mark_outside_picture', 'marks[0]', capture([mark({ v: -1 })])],
    ['view_twice', 'views[1].id', capture([], { views: [view('face_on'), view('face_on')] })],
    [
      'ground_mark_outside_picture',
      'views[0].groundMarks[0]',
      capture([], {
        views: [{ ...view('face_on'), groundMarks: [{ xIn: 0, yIn: 0, u: 5000, v: 10, sdPx: 2 }] }],
      }),
    ],
  ])('names %s at %s', (code, path, wrong) => {
    const result = checkCapture(wrong);
    expect(result.ok).toBe(false);
    if (!result.ok) expect(result.problems[0]).toMatchObject({ code, path });
  });
  test('lists every problem, not only the first', () => {
    const result = checkCapture(capture([mark({ u: -5 }), mark({ view: 'x' })]));
    expect(result.ok ? [] : result.problems).toHaveLength(2);
  });
});

describe('stations', () => {
  test('keep their order', () => {
    expect(stationRank('address')).toBeLessThan(stationRank('top'));
    expect(STATIONS[0]).toBe('address');
    expect(STATIONS.at(-1)).toBe('finish');
  });
  test('the first pair out of order is named', () => {
    expect(stationsOutOfOrder({ address: 0.1, top: 1, impact: 1.4 })).toBeNull();
    expect(stationsOutOfOrder({ address: 0.1, top: 1.5, impact: 1.4 })).toEqual({
      earlier: 'top',
      later: 'impact',
    });
    expect(stationsOutOfOrder({ address: 1, top: 1 })).toEqual({ earlier: 'address', later: 'top' });
    expect(stationsOutOfOrder({})).toBeNull();
  });
});

test('sight grades scale with the picture', () => {
  expect(sightSdPx('clear', 1080)).toBe(2);
  expect(sightSdPx('guessed', 540)).toBe(6);
});
