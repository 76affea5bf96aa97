import type { Swing } from '@inchstep/contract/capture';
import * as wire from '@inchstep/contract/endpoints';
import { motionCsv } from '@inchstep/contract/formats';
import type { Student } from '@inchstep/contract/intake';
import type { Landmark } from '@inchstep/core/capture';
import type { Vec3 } from '@inchstep/core/foundation';
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { draw, fakeServer, ME, to } from '../../testing/screen.tsx';
import { TrackBench } from './TrackBench.tsx';

afterEach(cleanup);

const FRAMES = 120;
const STILL: readonly (readonly [Landmark, Vec3])[] = [
  ['lead_hip', [3, -30, 36]],
  ['trail_hip', [-3, -30, 36]],
  ['lead_knee', [6, -28, 20]],
  ['trail_knee', [-6, -28, 20]],
  ['lead_ankle', [8, -30, 3]],
  ['trail_ankle', [-8, -30, 3]],
  ['lead_toe', [9, -22, 1]],
  ['trail_toe', [-9, -22, 1]],
  ['neck', [0, -20, 56]],
];
// The hips drift two inches away over the first second and come back.
const driftIn = (i: number) => -2 * Math.sin((Math.PI * i) / FRAMES);
const csv = motionCsv({
  times: Array.from({ length: FRAMES }, (_, i) => i / 100),
  points: new Map(
    STILL.map(([l, [x, y, z]]) => [
      l,
      Array.from({ length: FRAMES }, (_, i): Vec3 => [l.endsWith('hip') ? x + driftIn(i) : x, y, z]),
    ]),
  ),
});

const track = {
  fileName: 'room.c3d',
  kind: 'c3d' as const,
  file: 'x.c3d',
  frames: FRAMES,
  seconds: 1.19,
  unit: 'mm' as const,
  unitGuessed: true,
  aligned: 'ankles_on_target_line' as const,
  unmatched: ['CLUB1', 'CLUB2'],
};
const swing = { id: 'w1', track } as unknown as Swing;
const student = { id: 's1', profile: { handedness: 'right' } } as unknown as Student;
const reading = {
  swingId: 'w1',
  recordedOn: '2027-03-01',
  speed: 'full',
  club: 'mid_iron',
  at: '',
  measures: [
    {
      id: 'shift_top',
      station: 'top',
      value: -2,
      sd: 0.2,
      lo95: -2.4,
      hi95: -1.6,
      verdict: 'low',
      severity: -1.6,
      band: { id: 'shift_top', unit: 'in', lo: -0.7, hi: 0.8, step: 0.8, origin: [] },
    },
  ],
  track: { stations: { address: 0, top: 0.6, impact: 1 }, tempo: 2.9, noiseIn: 0.11 },
};

const open = (readings: object[] | (() => object[]) = [reading], more: object = {}) => {
  fakeServer({ [to(wire.care.me)]: ME, [to(wire.measures.listReadings, { id: 's1' })]: readings, ...more });
  const asked = globalThis.fetch;
  globalThis.fetch = jest.fn(async (url: unknown, init?: RequestInit) =>
    String(url).endsWith('/track.csv')
      ? ({ ok: true, text: async () => csv } as Response)
      : asked(url as string, init),
  ) as unknown as typeof fetch;
  draw(<TrackBench student={student} swing={swing} />);
};
const front = () => screen.getByRole('img', { name: /^Front strip/ }).getAttribute('aria-label') ?? '';

describe('a swing that came as motion', () => {
  test('opens at the top, with its measures and what was taken for granted', async () => {
    open();
    await screen.findByText(/Tempo 2\.9 to 1/);
    expect(front()).toMatch(/at 0\.600 s: pelvis centre 2\.0 in away from the target/);
    expect(screen.getByTestId('measure-shift_top')).toBeTruthy();
    expect(screen.getByText(/Taken as millimetres/)).toBeTruthy();
    expect(screen.getByText(/the line of the ankles at address is taken as the target line/)).toBeTruthy();
    expect(screen.getByText(/CLUB1, CLUB2/)).toBeTruthy();
  });
  test('is scrubbed through time; a station’s button goes there', async () => {
    open();
    await screen.findByText(/Tempo/);
    fireEvent.change(screen.getByLabelText('Time in the swing'), { target: { value: '0.2' } });
    expect(front()).toMatch(/at 0\.200 s: pelvis centre 1\.0 in away/);
    fireEvent.click(screen.getByRole('button', { name: 'Impact' }));
    expect(front()).toMatch(/at 1\.000 s/);
  });
  test('left before it was measured, it is measured with one press', async () => {
    let measured = false;
    const readings = () => (measured ? [reading] : []);
    open(readings, {
      [to(wire.measures.measureSwing, { id: 'w1' })]: () => {
        measured = true;
        return reading;
      },
    });
    fireEvent.click(await screen.findByRole('button', { name: 'Measure it' }));
    expect(await screen.findByText(/Tempo 2\.9 to 1/)).toBeTruthy();
  });
});
