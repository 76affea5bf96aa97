import type { SwingView } from '@inchstep/contract/capture';
import * as wire from '@inchstep/contract/endpoints';
import { FOUND_STATIONS } from '@inchstep/core/capture';
import { UNTAUGHT } from '@inchstep/core/measures';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { workInline } from '../../testing/inlineWorker.ts';
import { draw, fakeServer, to } from '../../testing/screen.tsx';
import { AutoMarks } from './AutoMarks.tsx';
import { type BenchAction, startBench } from './benchState.ts';

const RATE = 60;
const TIMES = Array.from({ length: 130 }, (_, i) => i / RATE);
/** Hands of a swing: frame, then right of and above the hips. */
const HANDS: readonly (readonly [frame: number, u: number, up: number])[] = [
  [0, 10, -20],
  [20, 10, -20],
  [44, -110, 90],
  [64, -60, 170],
  [66, -58, 170],
  [75, -100, 80],
  [85, 20, -15],
  [95, 110, 90],
  [118, 30, 180],
  [130, 30, 180],
];

function handsAt(frame: number): readonly [u: number, up: number] {
  const after = HANDS.findIndex(([at]) => at >= frame);
  const [b, a] = [HANDS[after] ?? HANDS[0], HANDS[after - 1] ?? HANDS[0]] as [
    (typeof HANDS)[0],
    (typeof HANDS)[0],
  ];
  const share = b[0] === a[0] ? 0 : (frame - a[0]) / (b[0] - a[0]);
  return [a[1] + share * (b[1] - a[1]), a[2] + share * (b[2] - a[2])];
}

/** A body of 400 px whose hips are at `u`, as the network sees it; his swing begins so many frames later. */
function body(u: number, frame: number, later: number) {
  const points = { u: new Array(33).fill(u), v: new Array(33).fill(400), seen: new Array(33).fill(0.95) };
  const put = (ids: readonly [left: number, right: number], apart: number, up: number) => {
    ids.forEach((id, i) => {
      points.u[id] = u + (i === 0 ? apart : -apart);
      points.v[id] = 500 - up;
    });
  };
  put([7, 8], 0, 180);
  put([11, 12], 40, 130);
  put([23, 24], 20, 0);
  put([25, 26], 25, -100);
  for (const feet of [
    [27, 28],
    [29, 30],
    [31, 32],
  ] as const)
    put(feet, 30, -200);
  const [across, up] = handsAt(Math.max(0, frame - later));
  points.u[15] = u + across;
  points.u[16] = u + across;
  points.v[15] = 500 - up;
  points.v[16] = 500 - up;
  const square = { u, v: 500, side: 560, turn: 0 };
  return { points: { ...points, next: square }, region: square };
}

const VIEW: SwingView = {
  kind: 'face_on',
  clipId: 'c',
  widthPx: 1080,
  heightPx: 960,
  camera: {},
  groundMarks: [],
  stationTimes: {},
};
const STUDENT = { id: 'x', profile: { firstName: 'Ana', heightIn: 66, handedness: 'right' } } as never;
let people: (frame: number) => ReturnType<typeof body>[];
beforeEach(() => {
  fakeServer({
    [to(wire.measures.readNetwork, { id: 'x', query: { on: '2027-03-08' } })]: {
      table: UNTAUGHT,
      swings: 0,
      places: 0,
      hipsSdIn: null,
      students: 0,
      forgotten: null,
    },
  });
  workInline({
    open: () => ({ widthPx: 1080, heightPx: 960, times: TIMES }),
    ahead: () => undefined,
    frame: (index: number) => ({ index }),
    load: () => undefined,
    everybody: ({ index }: { index: number }) => people(index),
    look: ({ index }: { index: number }, near: { u: number }) =>
      people(index).find(({ region }) => Math.abs(region.u - near.u) < 60) ?? null,
    again: () => ({ mirrored: null, wider: null }),
  });
});
afterEach(cleanup);

const show = () => {
  const dispatch = jest.fn<(action: BenchAction) => void>();
  const state = startBench({ views: [VIEW], marks: [], made: {} as never });
  function Bench() {
    const [active, setActive] = useState(true);
    return (
      <>
        <button type="button" onClick={() => setActive(!active)}>
          The other view
        </button>
        <AutoMarks
          student={STUDENT}
          recordedOn="2027-03-08"
          view={VIEW}
          active={active}
          state={state}
          dispatch={dispatch}
        />
      </>
    );
  }
  draw(<Bench />);
  fireEvent.click(screen.getByRole('button', { name: /Propose stations/ }));
  return dispatch;
};
const hipOf = (dispatch: ReturnType<typeof show>) => {
  const [action] = dispatch.mock.calls[0] as [BenchAction];
  return action.type === 'propose' ? action.marks : [];
};

describe('a press on propose', () => {
  test('of one who swings, stations with arm levels among them and their marks', async () => {
    people = (frame) => [body(300, frame, 0)];
    const dispatch = show();
    await waitFor(() => expect(dispatch).toHaveBeenCalled());
    const [action] = dispatch.mock.calls[0] as [Extract<BenchAction, { type: 'propose' }>];
    expect(Object.keys(action.stationTimes)).toEqual([...FOUND_STATIONS]);
  });
  test('goes on while the coach works in the other view, and says so there', async () => {
    people = (frame) => [body(300, frame, 0)];
    const dispatch = show();
    fireEvent.click(screen.getByRole('button', { name: 'The other view' }));
    expect(screen.getByText('Face-on:')).toBeTruthy();
    expect(screen.getByRole('progressbar')).toBeTruthy();
    await waitFor(() => expect(dispatch).toHaveBeenCalled());
    expect(hipOf(dispatch).length).toBeGreaterThan(0);
    await waitFor(() => expect(screen.queryByText('Face-on:')).toBeNull());
  });
  test('that comes to nothing says so in the other view, too', async () => {
    people = () => [];
    show();
    fireEvent.click(screen.getByRole('button', { name: 'The other view' }));
    expect((await screen.findByRole('alert')).textContent).toMatch(/No player was found/);
  });
  test('of two who swing each by himself it asks who is the student, and goes by the answer', async () => {
    people = (frame) => [body(700, frame, 14), body(300, frame, 0)];
    const dispatch = show();
    const alert = await screen.findByRole('alert');
    expect(alert.textContent).toContain('Two people swing in this clip');
    expect(dispatch).not.toHaveBeenCalled();
    fireEvent.click(screen.getByRole('button', { name: 'The one on the right' }));
    await waitFor(() => expect(dispatch).toHaveBeenCalled());
    expect(screen.queryByRole('alert')).toBeNull();
    expect(hipOf(dispatch).length).toBeGreaterThan(0);
    for (const { u } of hipOf(dispatch)) expect(u).toBeGreaterThan(500);
  });
});
