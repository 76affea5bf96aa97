import type { SwingView } from '@inchstep/contract/capture';
import { STATIONS } from '@inchstep/core/capture';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { useReducer } from 'react';
import { type BenchState, bench, startBench } from './benchState.ts';
import { STATION_KEYS } from './StationRail.tsx';
import { type BenchHands, useBenchKeys } from './useBenchKeys.ts';

const view = (kind: SwingView['kind']): SwingView => ({
  kind,
  clipId: null,
  widthPx: 1080,
  heightPx: 1920,
  camera: {},
  groundMarks: [],
  stationTimes: {},
});

let state: BenchState;
let hands: BenchHands;
function Keys() {
  const [now, dispatch] = useReducer(bench, null, () =>
    startBench({
      views: [view('face_on'), view('down_the_line')],
      marks: [],
      made: { club: 'mid_iron', speed: 'full', drill: null, aid: null, place: null, cue: null },
    }),
  );
  state = now;
  useBenchKeys(now, dispatch, hands);
  return (
    <>
      <button type="button">a button</button>
      <a href="/roster">the roster</a>
      <details>
        <summary>a part</summary>
      </details>
    </>
  );
}

beforeEach(() => {
  hands = {
    step: jest.fn(),
    name: jest.fn(),
    startDown: jest.fn(),
    otherView: jest.fn(),
    toNext: jest.fn(),
    guess: () => ({ u: 500, v: 900 }),
  };
  render(<Keys />);
});
afterEach(cleanup);

const press = (key: string, code: string, more: object = {}) => {
  for (const kind of ['keyDown', 'keyUp'] as const) fireEvent[kind](document, { key, code, ...more });
};
const arrow = (way: string, more: object = {}) => press(`Arrow${way}`, `Arrow${way}`, more);
const mark = () => state.work.marks[0];

describe('the bench by keys alone', () => {
  test('the key after a “g” goes elsewhere and changes nothing here', () => {
    press('g', 'KeyG');
    press('t', 'KeyT');
    press('g', 'KeyG');
    press('n', 'KeyN');
    expect(hands.name).not.toHaveBeenCalled();
    expect(hands.toNext).not.toHaveBeenCalled();
    press('t', 'KeyT');
    press('n', 'KeyN');
    expect((hands.name as jest.Mock).mock.calls).toEqual([['top']]);
    expect(hands.toNext).toHaveBeenCalledTimes(1);
  });
  test('arrows step one frame, with shift ten', () => {
    arrow('Right');
    arrow('Left');
    arrow('Right', { shiftKey: true });
    arrow('Left', { shiftKey: true });
    expect((hands.step as jest.Mock).mock.calls).toEqual([[1], [-1], [10], [-10]]);
  });
  test.each(STATIONS)('%s is named by its letter', (station) => {
    const key = STATION_KEYS[station];
    press(key, `Key${key.toUpperCase()}`);
    expect(hands.name).toHaveBeenCalledWith(station);
  });
  test('no two stations share a letter, and none takes one the bench needs', () => {
    const letters = Object.values(STATION_KEYS);
    expect(new Set(letters).size).toBe(STATIONS.length);
    for (const letter of ['v', 'n', 'z', 'l', 'h', 's']) expect(letters).not.toContain(letter);
  });
  test('S names the moment at which the pelvis starts forward', () => {
    press('s', 'KeyS');
    expect(hands.startDown).toHaveBeenCalledTimes(1);
  });
  test('V changes the view, N goes to the mark that would tell most', () => {
    press('v', 'KeyV');
    press('n', 'KeyN');
    expect(hands.otherView).toHaveBeenCalledTimes(1);
    expect(hands.toNext).toHaveBeenCalledTimes(1);
  });
  test('brackets go through the landmarks and round', () => {
    expect(state.landmark).toBe('lead_hip');
    press(']', 'BracketRight');
    expect(state.landmark).toBe('trail_hip');
    press('[', 'BracketLeft');
    press('[', 'BracketLeft');
    expect(state.landmark).toBe('trail_toe');
  });
  test('Enter marks where the fit expects it and goes on', () => {
    press('Enter', 'Enter');
    expect(mark()).toMatchObject({ landmark: 'lead_hip', u: 500, v: 900, sdPx: 2 });
    expect(state.landmark).toBe('trail_hip');
  });
  test.each(['button', 'a', 'summary'])('Enter on a %s does what that does and marks nothing', (name) => {
    const own = document.querySelector(name) as Element;
    expect(fireEvent.keyDown(own, { key: 'Enter', code: 'Enter' })).toBe(true);
    fireEvent.keyUp(own, { key: 'Enter', code: 'Enter' });
    expect(mark()).toBeUndefined();
  });
  test('alt with arrows nudges a pixel, with shift five; never out of the picture', () => {
    press('Enter', 'Enter');
    press('[', 'BracketLeft');
    arrow('Right', { altKey: true });
    arrow('Down', { altKey: true, shiftKey: true });
    expect(mark()).toMatchObject({ u: 501, v: 905 });
    for (let i = 0; i < 200; i++) arrow('Left', { altKey: true, shiftKey: true });
    expect(mark()?.u).toBe(0);
  });
  test('1, 2 and 3 say how well it was seen; Delete takes it away; Z and shift Z go back and forth', () => {
    press('Enter', 'Enter');
    press('[', 'BracketLeft');
    press('3', 'Digit3');
    expect(mark()?.sdPx).toBe(12);
    press('2', 'Digit2');
    expect(mark()?.sdPx).toBe(5);
    press('Delete', 'Delete');
    expect(state.work.marks).toEqual([]);
    press('z', 'KeyZ');
    expect(mark()?.sdPx).toBe(5);
    press('z', 'KeyZ');
    expect(mark()?.sdPx).toBe(12);
    press('Z', 'KeyZ', { shiftKey: true });
    expect(mark()?.sdPx).toBe(5);
  });
});
