import { readFileSync } from 'node:fs';
import { resolveSchool } from '@inchstep/core/intake';
import { FIT_LANDMARKS, floorMap, type Measure, measureCapture } from '@inchstep/core/measures';
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { startBench } from '../capture/index.ts';
import type { FitAnswer } from './fit.worker.ts';
import { MeasureTapes } from './MeasureTapes.tsx';
import { ReadOut } from './ReadOut.tsx';

afterEach(cleanup);

const truth = JSON.parse(readFileSync('standins/clips/priya-then.truth.json', 'utf8'));
const measured = measureCapture({
  golfer: {
    handedness: 'right',
    heightIn: 65,
    outerHipWidthIn: null,
    hipJointsApartIn: null,
    flexibility: 'usual',
    armSwing: 'usual',
  },
  club: 'mid_iron',
  school: resolveSchool({}),
  views: truth.views,
  marks: truth.marks.filter((m: { station: string }) => ['address', 'top'].includes(m.station)),
});
const poses = measured.fit.layout.stations.map((station) => ({
  station,
  pose: Object.fromEntries(FIT_LANDMARKS.map((l) => [l, measured.fit.landmark(station, l)])),
  centreSdIn: [0.3, 0.4, 0.2] as const,
}));
const answer = (more: Partial<FitAnswer> = {}): FitAnswer => ({
  measures: measured.measures,
  doubt: null,
  needs: measured.needs,
  floor: floorMap(measured.fit),
  guesses: [],
  views: measured.views.map((v) => ({
    id: v.id,
    yawDeg: v.yawDeg,
    yawSdDeg: v.sd.yawDeg,
    positionIn: v.positionIn,
    advice: v.advice,
  })),
  suspects: [],
  lines: [],
  swapped: [],
  poses: poses,
  ms: 1,
  ...more,
});
const state = {
  ...startBench({
    views: [],
    marks: [],
    made: { club: 'mid_iron', speed: 'full', drill: null, aid: null, place: null, cue: null },
  }),
  station: 'top' as const,
};
const show = (a: FitAnswer | null) => {
  const hands = { onStation: jest.fn(), onSwap: jest.fn() };
  render(<ReadOut answer={a} state={state} left={false} {...hands} />);
  return hands;
};

describe('what the marks come to', () => {
  test('before there are marks it says how to begin', () => {
    show(null);
    expect(screen.getByText(/Step to a station, name it with its key/)).toBeTruthy();
  });
  test('marks that can’t be one body of this size tell no measures, but what to check', () => {
    show(answer({ measures: [], doubt: 'not_one_body' }));
    expect(screen.getByRole('alert').textContent).toMatch(
      /nothing is measured\. Check whose clips these are/,
    );
    expect(screen.queryAllByTestId(/^measure-/)).toEqual([]);
  });
  test('only this station’s tapes: those out of their band first, those that can’t tell folded under them', () => {
    show(answer());
    const ids = screen.getAllByTestId(/^measure-/).map((e) => e.dataset.testid?.slice(8));
    const at = (id: string | undefined) => measured.measures.find((m) => m.id === id) as Measure;
    expect(ids.length).toBeGreaterThan(5);
    expect(ids.every((id) => at(id).station === 'top')).toBe(true);
    const sure = ids.map((id) => (at(id).verdict === 'in' ? 1 : at(id).verdict === 'cant_tell' ? 2 : 0));
    expect([...sure].sort((a, b) => a - b)).toEqual(sure);
    const open = ids.filter((id) => at(id).verdict === 'cant_tell');
    expect(open.length).toBeGreaterThan(0);
    const folded = document.querySelector('details') as HTMLDetailsElement;
    expect(folded.open).toBe(false);
    expect(within(folded).getAllByTestId(/^measure-/)).toHaveLength(open.length);
    cleanup();
    // Where nothing can be told there is nothing to fold it under.
    show(answer({ measures: measured.measures.filter(({ verdict }) => verdict === 'cant_tell') }));
    expect(document.querySelector('details')?.open).toBe(true);
  });
  test('every tape gives its value, its give or take and a verdict in words', () => {
    show(answer());
    for (const image of screen.getAllByRole('img'))
      expect(image.querySelector('title')?.textContent).toMatch(/: -?[\d.:]+.*, give or take [\d.]+/);
  });
  test('the camera check says what to mend, in words and lengths', () => {
    show(
      answer({
        views: [
          {
            id: 'face_on',
            yawDeg: 9,
            yawSdDeg: 1,
            positionIn: [10, 120, 38],
            advice: [{ code: 'turned', deg: 9, moveIn: 24 }, { code: 'too_high' }],
          },
        ],
      }),
    );
    fireEvent.click(screen.getByRole('tab', { name: 'Camera' }));
    expect(screen.getByText(/Turned 9° off square.*24 in to the right/)).toBeTruthy();
    expect(screen.getByText(/Stands higher than the belt/)).toBeTruthy();
  });
  test('a mark that fits nothing else is named; changed-about sides are offered back', () => {
    const place = { view: 'face_on', station: 'top' as const };
    const { onSwap } = show(
      answer({ suspects: [{ view: 'face_on', station: 'top', landmark: 'lead_knee' }], swapped: [place] }),
    );
    expect(screen.getByText(/Look again at: Lead knee \(Face-on, Top\)/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Change them back' }));
    expect(onSwap).toHaveBeenCalledWith(place);
  });
});

test('a tape list keeps its order steady and shows last time hollow', () => {
  const two = measured.measures.filter((m) => ['turn_top', 'shift_top'].includes(m.id));
  const { container } = render(<MeasureTapes measures={two} before={new Map([['turn_top', 70]])} />);
  expect(container.querySelectorAll('path[stroke-dasharray]')).toHaveLength(1);
  const turn = within(screen.getByTestId('measure-turn_top'));
  expect(turn.getByText('69°')).toBeTruthy();
});

describe('between two stations', () => {
  test('the strips and the map draw the way there, say that it is not measured, and end at a station', () => {
    const { onStation } = show(answer());
    fireEvent.click(screen.getByRole('tab', { name: 'Front' }));
    const slider = () => screen.getByRole('slider');
    const said = () => screen.getAllByRole('img').at(-1)?.getAttribute('aria-label') ?? '';
    expect(said()).toMatch(/^Front strip at Top/);
    fireEvent.change(slider(), { target: { value: '0.5' } });
    expect(said()).toMatch(/^Front strip at Drawn between Address and Top, not measured/);
    fireEvent.click(screen.getByRole('tab', { name: 'Floor' }));
    expect(screen.getByText(/Drawn between Address and Top, not measured/)).toBeTruthy();
    expect(document.querySelector('[data-look="between"]')).not.toBeNull();
    fireEvent.change(slider(), { target: { value: '1' } });
    expect(onStation).toHaveBeenLastCalledWith('top');
    expect(document.querySelector('[data-look="between"]')).toBeNull();
  });
});
