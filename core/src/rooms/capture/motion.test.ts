import { describe, expect, test } from '@jest/globals';
import type { Vec3 } from '../../foundation/index.ts';
import { landmarkNamed, type RawMotion } from './motion.ts';
import { readC3d } from './motionC3d.ts';
import { toGround } from './motionFrame.ts';
import { readMotionTable, readTrc } from './motionText.ts';

const FRAMES = 30;
const path = (x: number, y: number, z: number): Vec3[] =>
  Array.from({ length: FRAMES }, (_, i) => [x + i, y, z]);
const MARKERS: [string, Vec3[]][] = [
  ['L_HIP', path(100, 0, 900)],
  ['R_HIP', path(-100, 0, 900)],
];

/** Writes C3D on its own, from the published layout: one parameter block, then the frames. */
function writeC3d(
  markers: [string, Vec3[]][],
  how: { floats: boolean; little: boolean; lost?: number },
): Uint8Array {
  const { floats, little } = how;
  const size = floats ? 4 : 2;
  const stride = markers.length * 4 * size;
  const bytes = new Uint8Array(1024 + Math.ceil((FRAMES * stride) / 512) * 512);
  const view = new DataView(bytes.buffer);
  view.setUint8(0, 2);
  view.setUint8(1, 0x50);
  view.setUint16(2, markers.length, little);
  view.setUint16(6, 1, little);
  view.setUint16(8, FRAMES, little);
  const scale = 0.1;
  view.setFloat32(12, floats ? -1 : scale, little);
  view.setUint16(16, 3, little);
  view.setFloat32(20, 100, little);
  let at = 512;
  bytes.set([1, 0x50, 1, little ? 84 : 86], at);
  at += 4;
  const text = (s: string) => [...s].map((c) => c.charCodeAt(0));
  const put = (group: number, name: string, body: number[]) => {
    bytes.set([name.length, group & 0xff, ...text(name)], at);
    at += 2 + name.length;
    view.setInt16(at, 2 + body.length, little);
    bytes.set(body, at + 2);
    at += 2 + body.length;
  };
  put(-1, 'POINT', [0]);
  const wide = 8;
  put(1, 'LABELS', [0xff, 2, wide, markers.length, ...markers.flatMap(([n]) => text(n.padEnd(wide))), 0]);
  put(1, 'UNITS', [0xff, 1, 2, ...text('mm'), 0]);
  const set = (where: number, v: number) =>
    floats ? view.setFloat32(where, v, little) : view.setInt16(where, Math.round(v), little);
  for (let f = 0; f < FRAMES; f++) {
    markers.forEach(([, points], m) => {
      const p = points[f] as Vec3;
      const where = 1024 + f * stride + m * 4 * size;
      for (const axis of [0, 1, 2] as const) set(where + axis * size, floats ? p[axis] : p[axis] / scale);
      set(where + 3 * size, f === how.lost ? -1 : 0);
    });
  }
  return bytes;
}

const trc = (units = 'mm') =>
  [
    'PathFileType\t4\t(X/Y/Z)\tswing.trc',
    'DataRate\tCameraRate\tNumFrames\tNumMarkers\tUnits',
    `100\t100\t${FRAMES}\t2\t${units}`,
    'Frame#\tTime\tL_HIP\t\t\tR_HIP\t\t',
    '\t\tX1\tY1\tZ1\tX2\tY2\tZ2',
    '',
    ...Array.from({ length: FRAMES }, (_, i) =>
      [
        i + 1,
        i / 100,
        ...MARKERS.flatMap(([, points]) => (i === 3 ? ['', '', ''] : (points[i] as Vec3).map(String))),
      ].join('\t'),
    ),
  ].join('\n');

const ok = <T>(result: { ok: true; value: T } | { ok: false; problems: readonly { code: string }[] }): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const codes = (result: { ok: boolean; problems?: readonly { code: string; path: string }[] }) =>
  (result.problems ?? []).map((p) => `${p.code} ${p.path}`);

describe('C3D', () => {
  test.each([
    [true, true],
    [true, false],
    [false, true],
    [false, false],
  ])('floats %s, little-endian %s', (floats, little) => {
    const raw = ok(readC3d(writeC3d(MARKERS, { floats, little, lost: 4 })));
    expect([...raw.markers.keys()]).toEqual(['L_HIP', 'R_HIP']);
    expect(raw.unit).toBe('mm');
    expect(raw.times[10]).toBeCloseTo(0.1, 6);
    const there = raw.markers.get('R_HIP')?.[7];
    expect(there?.map((v) => Math.round(v * 10) / 10)).toEqual([-93, 0, 900]);
    expect(raw.markers.get('L_HIP')?.[4]?.[0]).toBeNaN();
  });
  test('cut off, of another kind, or in numbers of an old machine: says what is wrong', () => {
    const whole = writeC3d(MARKERS, { floats: true, little: true });
    expect(codes(readC3d(whole.slice(0, 1100)))).toEqual(['motion_unreadable header']);
    expect(codes(readC3d(new Uint8Array(3000)))).toEqual(['motion_unreadable header']);
    const dec = whole.slice();
    dec[515] = 85;
    expect(codes(readC3d(dec))).toEqual(['motion_unreadable header']);
    // The first parameter points back to itself: the reading ends, with the names it has.
    const loop = whole.slice();
    new DataView(loop.buffer).setInt16(512 + 4 + 2 + 'POINT'.length, -7, true);
    expect([...ok(readC3d(loop)).markers.keys()]).toEqual(['point_1', 'point_2']);
  });
});

describe('TRC and CSV', () => {
  test('TRC: names over every third column, gaps stay gaps', () => {
    const raw = ok(readTrc(trc()));
    expect(raw.unit).toBe('mm');
    expect(raw.times).toHaveLength(FRAMES);
    expect(raw.markers.get('R_HIP')?.[5]).toEqual([-95, 0, 900]);
    expect(raw.markers.get('L_HIP')?.[3]?.[1]).toBeNaN();
    expect(codes(readTrc('hello'))).toEqual(['motion_unreadable header']);
  });
  test('CSV: time, three columns a marker, a unit behind the name or none', () => {
    const rows = (header: string[]) => [
      header,
      ...Array.from({ length: FRAMES }, (_, i) => [String(i * 10), '1,5', String(i), '', 'x']),
    ];
    const raw = ok(
      readMotionTable(rows(['time_ms', 'lead_hip_x_cm', 'lead_hip_y_cm', 'lead_hip_z_cm', 'note'])),
    );
    expect(raw.unit).toBe('cm');
    expect(raw.times[2]).toBeCloseTo(0.02, 9);
    expect(raw.markers.get('lead_hip')?.[2]?.[0]).toBeNaN();
    expect(codes(readMotionTable(rows(['when', 'a_x', 'a_y', 'a_z'])))).toEqual(['motion_unreadable header']);
    expect(codes(readMotionTable(rows(['time', 'a', 'b', 'c'])))).toEqual(['motion_no_points markers']);
  });
  test('too short, or time that runs backward', () => {
    const header = ['t', 'a_x', 'a_y', 'a_z'];
    const rows = (times: number[]) => [header, ...times.map((t) => [String(t), '0', '0', '0'])];
    expect(codes(readMotionTable(rows([0, 1, 2])))).toEqual(['motion_too_short frames']);
    const back = Array.from({ length: 30 }, (_, i) => (i === 12 ? 3 : i));
    expect(codes(readMotionTable(rows(back)))).toEqual(['motion_time_order frames[12].time']);
  });
});

test('names of markers: ours, and left and right by hand', () => {
  expect(landmarkNamed('Left Hip', false)).toBe('lead_hip');
  expect(landmarkNamed('left_hip', true)).toBe('trail_hip');
  expect(landmarkNamed('RKnee', false)).toBeNull();
  expect(landmarkNamed('R.Knee', false)).toBe('trail_knee');
  expect(landmarkNamed('leadHip', false)).toBe('lead_hip');
  expect(landmarkNamed('C7', false)).toBeNull();
});

describe('from a room’s axes to the ground frame', () => {
  // Right-hander, y up, millimetres, target along -z, ball along -x of the room.
  const still = (p: Vec3): Vec3[] => Array.from({ length: FRAMES }, () => p);
  const room = (more: [string, Vec3][] = []): RawMotion => ({
    times: Array.from({ length: FRAMES }, (_, i) => i / 100),
    unit: null,
    markers: new Map(
      (
        [
          ['left_hip', [0, 900, -90]],
          ['right_hip', [0, 900, 90]],
          ['left_ankle', [0, 80, -150]],
          ['right_ankle', [0, 80, 150]],
          ['left_toe', [-180, 20, -160]],
          ['right_toe', [-180, 20, 160]],
          ...more,
        ] as [string, Vec3][]
      ).map(([name, p]) => [name, still(p)]),
    ),
  });
  test('up, target and ball are found from the body, the unit from its size', () => {
    const { motion, unit, unitGuessed, aligned, unmatched } = ok(toGround(room([['T10', [0, 0, 0]]]), false));
    expect([unit, unitGuessed, aligned, unmatched]).toEqual(['mm', true, 'ankles_on_target_line', ['T10']]);
    const at = (l: 'lead_hip' | 'trail_hip' | 'lead_toe') => motion.points.get(l)?.[0] as Vec3;
    expect(at('lead_hip')[0] - at('trail_hip')[0]).toBeCloseTo(180 / 25.4, 6);
    expect(at('lead_toe')[1]).toBeCloseTo(180 / 25.4, 6);
    expect(at('lead_hip')[2]).toBeCloseTo(820 / 25.4, 6);
  });
  test('the same room, a left-hander: lead is the right side, and x still runs to the target', () => {
    const { motion } = ok(toGround(room(), true));
    const [lead, trail] = [motion.points.get('lead_hip')?.[0], motion.points.get('trail_hip')?.[0]] as [
      Vec3,
      Vec3,
    ];
    expect(lead[0] - trail[0]).toBeCloseTo(180 / 25.4, 6);
    expect(motion.points.get('lead_toe')?.[0]?.[1]).toBeCloseTo(180 / 25.4, 6);
  });
  test('without hips, or of no human size, it says so', () => {
    const noHips = room();
    const { markers } = noHips;
    const without = { ...noHips, markers: new Map([...markers].filter(([n]) => n !== 'left_hip')) };
    expect(codes(toGround(without, false))).toEqual(['motion_missing_landmarks markers']);
    const giant = {
      ...noHips,
      markers: new Map(
        [...markers].map(([n, ps]) => [n, ps.map((p): Vec3 => [p[0] * 99, p[1] * 99, p[2] * 99])]),
      ),
    };
    expect(codes(toGround(giant, false))).toEqual(['motion_unit_unknown unit']);
  });
});
