import type { Swing } from '@inchstep/contract/capture';
import * as wire from '@inchstep/contract/endpoints';
import { compareSwings } from '@inchstep/core/measures';
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { draw, fakeServer, ME, to } from '../../testing/screen.tsx';
import { CameraPicture } from './CameraPicture.tsx';
import { CompareScreen } from './CompareScreen.tsx';
import { DifferenceList } from './DifferenceList.tsx';
import { drawPair, PAIR_HEIGHT, type PairSide, pairWidth } from './drawPair.ts';
import { LiveScreen } from './LiveScreen.tsx';
import { layOnto } from './pairSides.tsx';

afterEach(cleanup);

const band = { id: 'shift_top', unit: 'in' as const, lo: -0.7, hi: 0.8, step: 0.8, origin: [] };
const read = (id: string, station: 'top' | 'impact', value: number, sd: number) => ({
  id,
  station,
  value,
  sd,
  lo95: value - 2 * sd,
  hi95: value + 2 * sd,
  verdict: 'in' as const,
  severity: 0,
  band: { ...band, id },
});

describe('what differs', () => {
  const then = [read('shift_top', 'top', -2, 0.2), read('shift_impact', 'impact', 4, 0.3)];
  const now = [read('shift_top', 'top', 0, 0.2), read('shift_impact', 'impact', 4.2, 0.3)];
  const differences = compareSwings(then, now);
  const names = () => screen.getAllByTestId(/^difference-/).map((e) => e.dataset.testid?.slice(11));

  test('what is out of doubt comes first, with its sign and its give or take', () => {
    draw(<DifferenceList differences={differences} bands={now} station={null} />);
    expect(names()).toEqual(['shift_top', 'shift_impact']);
    const first = screen.getByTestId('difference-shift_top').textContent ?? '';
    expect(first).toMatch(/\+2\.0 in ± 0\.6 in/);
    expect(first).toContain('differs');
    expect(screen.getByTestId('difference-shift_impact').textContent).toContain('too close to tell');
  });
  test('at a station only what belongs there', () => {
    draw(<DifferenceList differences={differences} bands={now} station="impact" />);
    expect(names()).toEqual(['shift_impact']);
  });
  test('never claims that a habit changed', () => {
    draw(<DifferenceList differences={differences} bands={now} station={null} />);
    expect(screen.getByText(/told by several swings, under Progress/)).toBeTruthy();
  });
  test('without measures it says what to do', () => {
    draw(<DifferenceList differences={[]} bands={[]} station={null} />);
    expect(screen.getByText(/Measure both swings on the bench/)).toBeTruthy();
  });
});

describe('the picture of a pair', () => {
  const side = (widthPx: number, heightPx: number, title: string): PairSide => ({
    picture: {} as CanvasImageSource,
    widthPx,
    heightPx,
    title,
  });
  const [then, now] = [side(1080, 1920, 'Then'), side(540, 960, 'Now')];
  const watched = () => {
    const drawn: unknown[][] = [];
    const context = {
      setTransform: jest.fn((...m: number[]) => void drawn.push(['at', ...m])),
      drawImage: jest.fn((...a: unknown[]) => void drawn.push(['draw', ...a.slice(1)])),
      fillRect: () => {},
      save: () => undefined,
      restore: () => undefined,
      beginPath: () => undefined,
      rect: () => undefined,
      clip: () => undefined,
      translate: (...at: number[]) => drawn.push(['move', ...at]),
      scale: (...at: number[]) => drawn.push(['scale', ...at]),
      fillText: jest.fn(),
      measureText: () => ({ width: 50 }),
      globalAlpha: 1,
    };
    return { context: context as unknown as CanvasRenderingContext2D, drawn, words: context.fillText };
  };
  test('phones of different pictures stand beside each other at the same height', () => {
    expect(pairWidth(then, now, 'beside')).toBe(1080);
    expect(pairWidth(then, now, 'over')).toBe(540);
    expect(pairWidth(null, side(500, 961, ''), 'beside') % 2).toBe(0);
    const { context, drawn, words } = watched();
    drawPair(context, then, now, 'beside', null);
    expect(drawn.filter(([what]) => what === 'draw')).toEqual([
      ['draw', 0, 0, 540, PAIR_HEIGHT],
      ['draw', 540, 0, 540, PAIR_HEIGHT],
    ]);
    expect(words.mock.calls.map((call) => (call as unknown[])[0])).toEqual(['Then', 'Now']);
  });
  test('over it, then is moved onto the same body and half seen through', () => {
    const { context, drawn } = watched();
    drawPair(context, then, now, 'over', { onto: { a: 0.5, b: 0, du: 10, dv: -4 }, mirrored: false });
    expect(drawn).toContainEqual(['at', 0.5, 0, -0, 0.5, 10, -4]);
    expect(drawn.filter(([what]) => what === 'draw').at(-1)).toEqual(['draw', 0, 0, 1080, 1920]);
  });
  test('beside it, then stands in now’s scale and place, turned where its camera mirrors', () => {
    const { context, drawn } = watched();
    const laid = { onto: { a: 0.5, b: 0, du: 10, dv: -4 }, mirrored: true };
    drawPair(context, then, now, 'beside', laid);
    expect(pairWidth(then, now, 'beside', laid)).toBe(1080);
    expect(drawn).toContainEqual(['at', 0.5, 0, -0, 0.5, 10, -4]);
    expect(drawn).toContainEqual(['scale', -1, 1]);
  });
});

test('one swing is laid on the other by the marks both have at address in this view', () => {
  const swing = (shift: number, extra: object[] = []) =>
    ({
      marks: [
        { view: 'face_on', station: 'address', landmark: 'lead_ankle', u: 100 + shift, v: 200, sdPx: 2 },
        { view: 'face_on', station: 'address', landmark: 'trail_ankle', u: 50 + shift, v: 200, sdPx: 2 },
        { view: 'face_on', station: 'top', landmark: 'head', u: 0, v: 0, sdPx: 2 },
        ...extra,
      ],
    }) as unknown as Swing;
  expect(layOnto(swing(0), swing(30), 'face_on')).toMatchObject({
    onto: { a: 1, b: 0, du: 30, dv: 0 },
    mirrored: false,
  });
  expect(layOnto(swing(0), swing(30), 'down_the_line')).toBeNull();
});

describe('screens before there is anything to see', () => {
  const student = { id: 's1', profile: { firstName: 'Priya', handedness: 'right', heightIn: 65 } };
  const open = (what: React.ReactElement) => {
    fakeServer({
      [to(wire.care.me)]: ME,
      [to(wire.capture.listSwings, { id: 's1' })]: [],
      [to(wire.measures.listReadings, { id: 's1' })]: [],
    });
    draw(what, { context: { student } });
  };
  test('compare says that two named swings are needed', async () => {
    open(<CompareScreen />);
    expect(await screen.findByText('Nothing to compare yet')).toBeTruthy();
  });
  test('live: off until asked, and plain words where there is no camera or no leave', async () => {
    const media = { getUserMedia: jest.fn<() => Promise<MediaStream>>() };
    Object.defineProperty(navigator, 'mediaDevices', { value: media, configurable: true });
    open(<LiveScreen />);
    expect(await screen.findByText(/The camera is off/)).toBeTruthy();
    expect(media.getUserMedia).not.toHaveBeenCalled();
    media.getUserMedia.mockRejectedValueOnce(new DOMException('no', 'NotAllowedError'));
    fireEvent.click(screen.getByText('Camera on'));
    expect(await screen.findByText(/told not to give the camera/)).toBeTruthy();
    media.getUserMedia.mockRejectedValueOnce(new DOMException('no', 'NotFoundError'));
    fireEvent.click(screen.getByText('Camera on'));
    expect(await screen.findByText(/No camera was found/)).toBeTruthy();
  });
});

test('the camera picture is mirrored for a left-hander and says how each phone is turned', () => {
  const view = {
    id: 'face_on',
    yawDeg: 8,
    yawSdDeg: 1,
    positionIn: [6, 120, 38] as const,
    advice: [],
  };
  const phone = () => Number(document.querySelector('rect')?.getAttribute('x'));
  draw(<CameraPicture views={[view]} left={false} />);
  expect(screen.getByRole('img').getAttribute('aria-label')).toContain('face on turned 8 degrees');
  const right = phone();
  cleanup();
  draw(<CameraPicture views={[view]} left />);
  expect(phone() + right).toBeCloseTo(300 - 14, 6);
});
