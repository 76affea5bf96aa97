import type { SetLog } from '@inchstep/contract/practice';
import { freeRun, type RunSpec } from '@inchstep/core/practice';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { draw } from '../../../testing/screen.tsx';
import { Runner, type RunnerProps } from './Runner.tsx';
import { useLeftRuns, useRun } from './useRun.ts';

const balls: RunSpec = {
  ...freeRun('knee_swap', 'full', 1),
  sets: 3,
  lookEvery: 1,
  clubs: ['wedge', 'driver'],
};
const words = { name: 'Knee swap', cue: 'One out, one back.', counts: 'The gap never changed.' };
let handed: SetLog[];

beforeEach(() => {
  jest.useFakeTimers();
  localStorage.clear();
  handed = [];
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

function Run({
  spec = balls,
  day = '2027-03-10',
  ...more
}: Partial<RunnerProps> & { readonly spec?: RunSpec; readonly day?: string }) {
  const place = { of: 'test', day };
  const hand = (set: SetLog) => void handed.push(set);
  const of = useRun(place, spec, hand);
  useLeftRuns(place, hand);
  return <Runner of={of} words={words} asks={[]} cautions={['Mind the knee.']} keys {...more} />;
}
function Opening() {
  const [layer, setLayer] = useState(1);
  return (
    <>
      <button type="button" onClick={() => setLayer(2)}>
        Open the second
      </button>
      <Run spec={{ ...balls, lookEvery: null, layer }} />
    </>
  );
}
const key = (name: string) => fireEvent.keyDown(document.body, { key: name, code: name });
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const wait = (ms: number) => act(() => void jest.advanceTimersByTime(ms));

describe('how it felt', () => {
  const felt = () => screen.getByRole('slider') as HTMLInputElement;
  const logOne = () => {
    press('Counted');
    press('Log this set');
    return handed.at(-1)?.felt;
  };
  test('is null until somebody answers, also where the slider stands in the middle', () => {
    draw(<Run spec={{ ...balls, lookEvery: null }} />);
    expect(screen.getByText('How did it feel? Not answered yet')).toBeTruthy();
    expect(logOne()).toBeNull();
    fireEvent.pointerUp(felt());
    expect(screen.getByText('How did it feel? 5 of 10')).toBeTruthy();
    expect(logOne()).toBe(5);
  });
  test('an answer can be changed, and cleared', () => {
    draw(<Run spec={{ ...balls, lookEvery: null }} />);
    fireEvent.change(felt(), { target: { value: '8' } });
    press('Clear answer');
    expect(logOne()).toBeNull();
    fireEvent.change(felt(), { target: { value: '8' } });
    expect(logOne()).toBe(8);
  });
});

describe('the runner', () => {
  test('says one thing, what counts, the caution, and what comes next', () => {
    draw(<Run />);
    for (const text of ['One out, one back.', /The gap never changed/, 'Mind the knee.', 'Rehearse, 1 of 2'])
      expect(screen.getByText(text)).toBeTruthy();
    expect(screen.getByText('wedge, aid on')).toBeTruthy();
    press('Counted');
    press('Missed');
    expect(screen.getByText('One ball')).toBeTruthy();
    expect(screen.getByText(/1 of 2 counted/)).toBeTruthy();
  });
  test('a look is no repetition, and takes the swing that was filmed last', () => {
    draw(<Run latestSwing="swing-1" />);
    for (let i = 0; i < 3; i++) press('Counted');
    expect(screen.getByText('Look')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Counted' })).toBeNull();
    press('Looked, go on');
    expect(screen.getByText('driver, aid away')).toBeTruthy();
    expect(localStorage.getItem('inchstep.run.test.2027-03-10.knee_swap.full')).toContain('swing-1');
  });
  test('goes by keys alone, and by those of a hand-held presenter', () => {
    draw(<Run />);
    key('p');
    key('PageUp');
    key('u');
    wait(3000);
    expect(handed.map(({ reps }) => reps)).toEqual(['PF?']);
    key('PageDown');
    expect(screen.getByText('Rehearse, 1 of 2')).toBeTruthy();
    key('PageDown');
    key('Backspace');
    expect(screen.getByText('Rehearse, 1 of 2')).toBeTruthy();
  });
  test('the press that ended a set is taken back within a moment; what was handed on stays, once', () => {
    draw(<Run spec={{ ...balls, lookEvery: null }} />);
    for (let i = 0; i < 3; i++) press('Counted');
    wait(1000);
    press('Take one back');
    wait(5000);
    expect(handed).toEqual([]);
    press('Missed');
    wait(3000);
    wait(60_000);
    expect(handed.map(({ reps }) => reps)).toEqual(['PPF']);
    expect(screen.getByRole('button', { name: 'Take one back' }).hasAttribute('disabled')).toBe(true);
  });
  test('closed and opened again it goes on at the same repetition; what was over is handed on once', () => {
    draw(<Run spec={{ ...balls, lookEvery: null }} />);
    for (let i = 0; i < 4; i++) press('Counted');
    fireEvent(window, new Event('pagehide'));
    cleanup();
    draw(<Run spec={{ ...balls, lookEvery: null }} />);
    expect(screen.getByText('Rehearse, 2 of 2')).toBeTruthy();
    wait(5000);
    expect(handed).toHaveLength(1);
  });
  test('a checkpoint that was opened meanwhile judges what is counted from then on', () => {
    draw(<Opening />);
    press('Counted');
    press('Open the second');
    press('Counted');
    press('Log this set');
    wait(3000);
    expect(handed.map(({ reps, layer }) => [reps, layer])).toEqual([
      ['P', 1],
      ['P', 2],
    ]);
  });
  test('the checkpoint on the screen is the one a set is logged with, also after a reload', () => {
    const asks = ['Head still.', 'Gap kept.'];
    const on = (layer: number): RunSpec => ({ ...balls, lookEvery: null, layer });
    const { unmount } = draw(<Run spec={on(2)} asks={asks} />);
    expect(screen.getByText(/Gap kept\./)).toBeTruthy();
    press('Counted');
    unmount();
    // The coach went back to the first one while the page was closed.
    draw(<Run spec={on(1)} asks={asks} />);
    expect(screen.getByText(/Head still\./)).toBeTruthy();
    press('Counted');
    press('Log this set');
    wait(3000);
    expect(handed.map(({ reps, layer }) => [reps, layer])).toEqual([
      ['P', 2],
      ['P', 1],
    ]);
  });
  test('a set counts for the program’s day, whatever this device’s clock says', () => {
    jest.setSystemTime(new Date('2027-03-12T23:50:00'));
    draw(<Run spec={{ ...balls, lookEvery: null }} day="2027-03-10" />);
    press('Counted');
    press('Log this set');
    wait(3000);
    expect(handed[0]).toMatchObject({
      date: '2027-03-10',
      doneAt: new Date('2027-03-12T23:50:00').toISOString(),
    });
  });
  test('midnight drops no half-counted set: it is handed on, once, for the day it was counted on', () => {
    jest.setSystemTime(new Date('2027-03-10T23:58:00'));
    const { unmount } = draw(<Run spec={{ ...balls, lookEvery: null }} day="2027-03-10" />);
    press('Counted');
    press('Missed');
    unmount();
    jest.setSystemTime(new Date('2027-03-11T00:10:00'));
    const next = draw(<Run spec={{ ...balls, lookEvery: null }} day="2027-03-11" />);
    const counted = { date: '2027-03-10', reps: 'PF', doneAt: new Date('2027-03-10T23:58:00').toISOString() };
    expect(handed).toMatchObject([counted]);
    next.unmount();
    draw(<Run spec={{ ...balls, lookEvery: null }} day="2027-03-11" />);
    wait(3000);
    expect(handed).toHaveLength(1);
    expect(screen.getByText('Rehearse, 1 of 2')).toBeTruthy();
  });
  test('another drill or rung begins its own run', () => {
    draw(<Run />);
    press('Counted');
    cleanup();
    draw(<Run spec={{ ...balls, stage: 'half' }} />);
    expect(screen.getByText('Rehearse, 1 of 2')).toBeTruthy();
  });
  test('pain stops it at once, hands on what was done, and a slip goes on', () => {
    const onPain = jest.fn();
    draw(<Run spec={{ ...balls, lookEvery: null }} onPain={onPain} pained={<p>Say where.</p>} />);
    key('p');
    key('s');
    expect(onPain).toHaveBeenCalledTimes(1);
    expect(handed.map(({ reps }) => reps)).toEqual(['P']);
    expect(screen.getByRole('alert').textContent).toContain('Say where.');
    expect(screen.queryByRole('button', { name: 'Counted' })).toBeNull();
    key('p');
    press(/A slip/);
    expect(screen.getByText('Rehearse, 1 of 2')).toBeTruthy();
    expect(handed).toHaveLength(1);
  });
  test('the next checkpoint is offered when the present one holds', () => {
    const onNextLayer = jest.fn();
    draw(<Run spec={{ ...balls, lookEvery: null }} onNextLayer={onNextLayer} />);
    for (let i = 0; i < 6; i++) press('Counted');
    expect(screen.queryByRole('button', { name: /This checkpoint holds/ })).toBeNull();
    press('Counted');
    press(/This checkpoint holds/);
    expect(onNextLayer).toHaveBeenCalledTimes(1);
  });
});
