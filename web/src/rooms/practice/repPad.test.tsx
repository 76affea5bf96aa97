import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { RepPad } from './RepPad.tsx';

afterEach(cleanup);

function Pad({
  withBall = false,
  lookEvery = null,
  onLog,
}: {
  readonly withBall?: boolean;
  readonly lookEvery?: number | null;
  readonly onLog: (reps: string) => void;
}) {
  const [reps, setReps] = useState('');
  const [felt, setFelt] = useState(5);
  return (
    <RepPad
      reps={reps}
      felt={felt}
      withBall={withBall}
      lookEvery={lookEvery}
      onReps={setReps}
      onFelt={setFelt}
      onLog={() => onLog(reps)}
    />
  );
}
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

describe('the repetition pad', () => {
  test('counts, takes one back, logs what stands', () => {
    const log = jest.fn<(reps: string) => void>();
    render(<Pad onLog={log} />);
    expect(screen.queryByRole('button', { name: 'Log this set' })).toBeNull();
    for (const name of ['Counted', 'Missed', 'Not sure', 'Counted']) press(name);
    expect(screen.getByText('2 of 4 counted in this set.')).toBeTruthy();
    press('Take one back');
    press('Log this set');
    expect(log).toHaveBeenCalledWith('PF?');
  });
  test('with a ball it calls two rehearsals, one ball, and round again; a look is due, and is no repetition', () => {
    render(<Pad withBall lookEvery={1} onLog={() => {}} />);
    const look = () => screen.queryByText(/^Look now/) !== null;
    const calls: string[] = [];
    const looks: boolean[] = [];
    for (let i = 0; i < 5; i++) {
      calls.push(screen.getByText(/^Next: /).textContent ?? '');
      press('Counted');
      looks.push(look());
    }
    expect(calls).toEqual(
      ['Rehearse', 'Rehearse', 'One ball', 'Rehearse', 'Rehearse'].map((c) => `Next: ${c}`),
    );
    expect(looks).toEqual([false, false, true, false, false]);
  });
  test('looks fade: each third set, and none where none is asked', () => {
    render(<Pad lookEvery={3} onLog={() => {}} />);
    for (let i = 0; i < 29; i++) press('Counted');
    expect(screen.queryByText(/^Look now/)).toBeNull();
    press('Counted');
    expect(screen.getByText(/^Look now/)).toBeTruthy();
  });
});
