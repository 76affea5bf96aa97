import type { SwingMark, SwingView } from '@inchstep/contract/capture';
import { LANDMARK_WORDS } from '@inchstep/contract/words';
import type { Landmark } from '@inchstep/core/capture';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { useReducer } from 'react';
import { SettingsProvider } from '../../platform/settings.tsx';
import { type BenchState, bench, startBench } from './benchState.ts';
import { CameraForm } from './CameraForm.tsx';
import type { Guess } from './inPicture.ts';
import { LineLayer } from './LineLayer.tsx';
import { MarkList } from './MarkList.tsx';
import { StationRail } from './StationRail.tsx';
import type { Frames } from './useFrames.ts';
import { ViewPane } from './ViewPane.tsx';

const WIDE = 1080;
const HIGH = 1920;
/** The pane on screen is half the picture's size. */
const BOX = {
  left: 100,
  top: 50,
  width: WIDE / 2,
  height: HIGH / 2,
  right: 640,
  bottom: 1010,
  x: 100,
  y: 50,
};

const view: SwingView = {
  kind: 'face_on',
  clipId: 'c1',
  widthPx: WIDE,
  heightPx: HIGH,
  camera: {},
  groundMarks: [],
  stationTimes: { address: 0.1, top: 0.9 },
};
const still: Frames = {
  clip: { widthPx: WIDE, heightPx: HIGH, times: [0, 1 / 60, 2 / 60] },
  trouble: null,
  index: 1,
  picture: null,
  copied: 1,
  go: () => undefined,
  indexAt: () => 0,
};
const mark = (landmark: Landmark, u: number, v: number, more: object = {}): SwingMark => ({
  view: 'face_on',
  station: 'address',
  landmark,
  u,
  v,
  sdPx: 2,
  ...more,
});

let state: BenchState;
function Pane({
  marks = [],
  frames = still,
  guesses = [],
  active = true,
}: {
  readonly marks?: readonly SwingMark[];
  readonly frames?: Frames;
  readonly guesses?: readonly Guess[];
  readonly active?: boolean;
}) {
  const [now, dispatch] = useReducer(bench, null, () =>
    startBench({
      views: [view],
      marks,
      made: { club: 'mid_iron', speed: 'full', drill: null, aid: null, place: null, cue: null },
    }),
  );
  state = now;
  return (
    <SettingsProvider>
      <StationRail
        state={now}
        guesses={guesses}
        onGo={(station) => dispatch({ type: 'look', station })}
        onName={(station) => dispatch({ type: 'name', view: 'face_on', station, time: 0.5 })}
      />
      <ViewPane
        view={now.work.views[0] ?? view}
        frames={frames}
        state={now}
        guesses={guesses}
        lines={[]}
        ghost={[]}
        active={active}
        dispatch={dispatch}
      />
      <MarkList state={now} dispatch={dispatch} />
      <CameraForm view={now.work.views[0] ?? view} state={now} dispatch={dispatch} />
    </SettingsProvider>
  );
}

beforeEach(() => {
  Element.prototype.getBoundingClientRect = () => BOX as DOMRect;
  Element.prototype.setPointerCapture = () => undefined;
  HTMLCanvasElement.prototype.getContext = () => null;
});
afterEach(cleanup);

const pane = () => screen.getByTestId('pane-face_on');
/** A pointer at a place of the picture; the pane is drawn at half its size. */
const at = (u: number, v: number) => ({ clientX: BOX.left + u / 2, clientY: BOX.top + v / 2, pointerId: 1 });
// jsdom has no pointer events of its own: mouse events of that name carry what is needed.
const pointer = (kind: 'pointerdown' | 'pointermove' | 'pointerup', u: number, v: number) =>
  fireEvent(pane(), new MouseEvent(kind, { bubbles: true, ...at(u, v) }));
const press = (u: number, v: number) => {
  pointer('pointerdown', u, v);
  pointer('pointerup', u, v);
};
const placed = (landmark: Landmark) => state.work.marks.find((m) => m.landmark === landmark);

describe('marking by pointer', () => {
  test('a press puts the chosen landmark where it was pressed, and the next is chosen', () => {
    render(<Pane />);
    press(400, 900);
    expect(placed('lead_hip')).toMatchObject({ u: 400, v: 900, station: 'address', view: 'face_on' });
    expect(state.landmark).toBe('trail_hip');
  });
  test('a drag takes hold of the mark under the pointer and leaves the chosen one alone', () => {
    render(<Pane marks={[mark('lead_knee', 500, 1200)]} />);
    pointer('pointerdown', 504, 1203);
    pointer('pointermove', 540, 1240);
    pointer('pointerup', 540, 1240);
    expect(placed('lead_knee')).toMatchObject({ u: 540, v: 1240 });
    expect(placed('lead_hip')).toBeUndefined();
    expect(state.landmark).toBe('lead_knee');
  });
  test('a press close to another mark still puts down what is asked for', () => {
    render(<Pane marks={[mark('lead_knee', 500, 1200)]} />);
    press(504, 1203);
    expect(placed('lead_hip')).toMatchObject({ u: 504, v: 1203 });
    expect(placed('lead_knee')).toMatchObject({ u: 500, v: 1200 });
  });
  test('what is dragged out of the picture stops at its edge', () => {
    render(<Pane marks={[mark('lead_hip', 20, 30)]} />);
    pointer('pointerdown', 20, 30);
    pointer('pointermove', -90, -40);
    pointer('pointerup', -90, -40);
    expect(placed('lead_hip')).toMatchObject({ u: 0, v: 0 });
  });
  test('stick ends are placed in turn; one that is not in the picture is passed over', () => {
    render(<Pane />);
    fireEvent.click(screen.getByRole('button', { name: 'Stick ends 0/4' }));
    expect(state.stick).toBe(0);
    press(200, 1500);
    expect(state.work.views[0]?.groundMarks).toMatchObject([{ xIn: -24, yIn: -22, u: 200, v: 1500 }]);
    fireEvent.click(screen.getByRole('button', { name: 'Not in the picture' }));
    expect(state.stick).toBe(2);
    fireEvent.click(screen.getByRole('button', { name: 'Clear' }));
    expect(state.work.views[0]?.groundMarks).toEqual([]);
  });
});

describe('what a pane shows', () => {
  test('solid rings for marks, a broken one for a proposal, hollow ones for guesses', () => {
    const guess = { view: 'face_on', station: 'address', u: 300, v: 300, sdPx: 20 } as const;
    render(
      <Pane
        marks={[mark('lead_hip', 400, 900), mark('trail_hip', 480, 900, { by: 'network', sdPx: 16 })]}
        guesses={[
          { ...guess, landmark: 'head' },
          { ...guess, landmark: 'lead_hip' },
          { ...guess, landmark: 'neck', station: 'top' },
        ]}
      />,
    );
    expect(pane().querySelectorAll('[data-proposed]')).toHaveLength(1);
    const hollow = [...pane().querySelectorAll('svg > circle')];
    expect(hollow).toHaveLength(1);
    expect(hollow[0]?.getAttribute('r')).toBe('20');
  });
  test('the frame it stands at, and how far the copy is', () => {
    render(<Pane frames={{ ...still, copied: 0.42 }} />);
    expect(screen.getByTestId('frame-face_on').textContent).toBe('frame 2 of 3');
    expect(screen.getByTestId('copied-face_on').textContent).toContain('42 %');
  });
  test.each([
    ['codec', /H\.264 MP4/],
    ['not_video', /holds no video/],
    ['no_frames', /no pictures/],
    ['fetch', /could not be fetched/],
  ])('trouble with a clip (%s) is said, with what to do', (trouble, words) => {
    render(<Pane frames={{ ...still, clip: null, trouble: { trouble, codec: '' } }} />);
    expect(screen.getByRole('alert').textContent).toMatch(words);
  });
  test('lines stand where they are told, each named once', () => {
    const line = { view: 'face_on', station: null, from: [10, 20], to: [10, 200] } as const;
    render(
      <svg>
        <title>picture</title>
        <LineLayer k={0.5} lines={[{ ...line, id: 'lead_leg' }]} />
      </svg>,
    );
    const drawn = document.querySelectorAll('line');
    expect([...drawn].map((l) => l.getAttribute('y2'))).toEqual(['100', '100']);
    expect(screen.getByText('lead leg')).toBeTruthy();
  });
});

describe('stations and landmarks beside it', () => {
  test('the rail counts marks, says what is named and names by its letter', () => {
    render(<Pane marks={[mark('lead_hip', 1, 1), mark('trail_hip', 2, 2, { by: 'network' })]} />);
    const rail = within(screen.getByRole('list', { name: 'Stations' }));
    const address = rail.getAllByRole('listitem')[0] as HTMLElement;
    expect(address.textContent).toContain('2/13');
    expect(address.textContent).toContain('?');
    expect(rail.getAllByLabelText('named')).toHaveLength(2);
    fireEvent.click(rail.getByRole('button', { name: 'Name Impact at this frame' }));
    expect(state.work.views[0]?.stationTimes.impact).toBe(0.5);
    fireEvent.click(rail.getByRole('button', { name: /named Top/ }));
    expect(state.station).toBe('top');
  });
  test('the rail says how many more places the fit predicts well enough', () => {
    const guess = { view: 'face_on', station: 'top', u: 300, v: 300 } as const;
    render(
      <Pane
        guesses={[
          { ...guess, landmark: 'head', sdPx: 9 },
          { ...guess, landmark: 'neck', sdPx: 11 },
          { ...guess, landmark: 'sternum', sdPx: 40 },
        ]}
      />,
    );
    expect(screen.getByTitle('2 more predicted by the fit').textContent?.trim()).toBe('+2');
  });
  test('each landmark says how well it was seen, or that it is only proposed', () => {
    render(
      <Pane
        marks={[
          mark('lead_hip', 1, 1, { sdPx: 12 }),
          mark('trail_hip', 2, 2, { by: 'network' }),
          mark('lead_knee', 3, 3),
        ]}
      />,
    );
    const list = within(screen.getByRole('list', { name: 'Landmarks' }));
    expect(list.getByRole('button', { name: /Lead hip \(guessed\)/ })).toBeTruthy();
    expect(list.getByRole('button', { name: /Trail hip \(proposed\)/ })).toBeTruthy();
    expect(list.getByRole('button', { name: 'Lead knee' })).toBeTruthy();
    fireEvent.click(list.getByRole('button', { name: LANDMARK_WORDS.head }));
    expect(state.landmark).toBe('head');
  });
  test('the phone’s distance and height by tape, with how sure a tape is; nonsense is not taken', () => {
    render(<Pane />);
    const distance = screen.getByLabelText(/Phone to player/);
    fireEvent.change(distance, { target: { value: '144,5' } });
    fireEvent.blur(distance);
    expect(state.work.views[0]?.camera).toMatchObject({ distanceIn: 144.5, distanceSdIn: 3 });
    fireEvent.change(distance, { target: { value: 'far' } });
    fireEvent.blur(distance);
    expect(state.work.views[0]?.camera.distanceIn).toBeUndefined();
  });
});
