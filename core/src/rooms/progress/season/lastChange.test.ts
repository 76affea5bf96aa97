import { describe, expect, test } from '@jest/globals';
import { gaussian, seededRandom } from '../../../foundation/index.ts';
import { judgeSeason, scaleOf } from './judgeSeason.ts';
import { lastChange } from './lastChange.ts';
import type { Occasion } from './occasion.ts';

const BAND = { step: 0.8 };
const session = (date: string, values: number[], sd = 0.3): Occasion => ({ date, values, sd });
const judged = (sessions: Occasion[], family = 1) => lastChange('shift_top', BAND, sessions, family);
const NOTHING = { verdict: 'cant_tell', delta: 0, lo95: null, hi95: null, smallestReal: null };

describe('the change that the last session shows', () => {
  test.each([[[]], [[session('2027-03-01', [1])]], [[session('2027-03-01', [])]]])(
    'one session, or none, shows nothing',
    (sessions) => expect(judged(sessions)).toEqual(NOTHING),
  );
  const before = [session('2027-03-01', [-2.1, -2.6, -1.9]), session('2027-03-08', [-2.3, -2.2, -2.5])];
  const after = (sd = 0.3) => [
    ...before.map((one) => ({ ...one, sd })),
    session('2027-03-15', [0.3, 0.1, 0.2], sd),
    session('2027-03-22', [0.3, 0.1, 0.2], sd),
  ];
  test('one good swing is not a change; three alike on two days are', () => {
    expect(judged([...before, session('2027-03-15', [-1.2])]).verdict).not.toBe('real');
    const { verdict, delta, lo95, hi95, smallestReal } = judged(after());
    expect(verdict).toBe('real');
    // 2.5 from mean to mean, less a little: a change so large is taken for smaller.
    expect(delta).toBeGreaterThan(1.8);
    expect(delta).toBeLessThan(2.5);
    expect([Number(lo95) < delta, delta < Number(hi95)]).toEqual([true, true]);
    expect(Number(smallestReal)).toBeLessThan(delta);
  });
  test('the same numbers from poor marks are not real, and only a larger change could have been', () => {
    const poor = judged(after(2));
    expect(poor.verdict).not.toBe('real');
    expect(Number(poor.smallestReal)).toBeGreaterThan(2 * Number(judged(after()).smallestReal));
  });
  test('the more measures are judged together, and the fewer days there are, the more it takes', () => {
    const least = (sessions: Occasion[], family: number) => Number(judged(sessions, family).smallestReal);
    expect(least(after(), 40)).toBeGreaterThan(1.15 * least(after(), 1));
    expect(least(after().slice(0, 3), 1)).toBeGreaterThan(1.15 * least(after(), 1));
    expect(judged([session('2027-03-01', [-2]), session('2027-03-15', [3])]).smallestReal).toBeNull();
  });
  test('another club, speed or aid is not compared with', () => {
    const wedge = before.map((one): Occasion => ({ ...one, club: 'wedge' }));
    expect(judged([...wedge, { ...session('2027-03-15', [1, 1.1]), club: 'driver' }])).toEqual(NOTHING);
  });
});

test('the program and the command line give one verdict: 200 random seasons', () => {
  const random = seededRandom(20_271);
  for (let i = 0; i < 200; i++) {
    const drift = 0.6 * random();
    const sessions = Array.from({ length: 2 + Math.floor(5 * random()) }, (_, week) => {
      const day = drift * week + 0.3 * gaussian(random);
      const swings = 1 + Math.floor(4 * random());
      const values = Array.from({ length: swings }, () => day + 0.4 * gaussian(random));
      return session(`2027-03-${10 + week}`, values);
    });
    const { verdict, delta, smallestReal } = judged(sessions, 3);
    const look = judgeSeason(scaleOf('shift_top', BAND.step), sessions, 3).at(-1);
    expect([verdict, delta]).toEqual([look?.verdict, look?.delta]);
    if (smallestReal !== null) expect(Math.abs(delta) >= smallestReal - 1e-4).toBe(verdict === 'real');
  }
});
