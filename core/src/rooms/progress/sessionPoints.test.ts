import { describe, expect, test } from '@jest/globals';
import { gaussian, seededRandom } from '../../foundation/index.ts';
import { movedToward, outside } from './direction.ts';
import { type Session, type SessionPoint, sessionPoints } from './sessionPoints.ts';

const session = (date: string, values: number[], sd = 0.3): Session => ({ date, values, sd });

describe('direction', () => {
  const band = { lo: -0.7, hi: 0.8 };
  test('outside by hand', () => {
    expect(outside(-2, band)).toBeCloseTo(1.3, 12);
    expect(outside(0, band)).toBe(0);
    expect(outside(1, band)).toBeCloseTo(0.2, 12);
    expect(outside(99, { lo: 1, hi: null })).toBe(0);
  });
  test('toward, away and across', () => {
    expect(movedToward(-2, -1, band)).toBe('better');
    expect(movedToward(0, 2, band)).toBe('worse');
    expect(movedToward(-0.5, 0.5, band)).toBe('level');
    expect(movedToward(-2, 3, band)).toBe('worse');
  });
});

describe('a session’s point', () => {
  const pointOf = (measure: string, one: Session) => sessionPoints(measure, [one])[0] as SessionPoint;
  test('narrows with swings and widens with poor marks', () => {
    const one = pointOf('shift_top', session('a', [1]));
    const four = pointOf('shift_top', session('a', [1, 1.1, 0.9, 1]));
    const poor = pointOf('shift_top', session('a', [1, 1.1, 0.9, 1], 2));
    expect(four.mean).toBeCloseTo(1, 12);
    expect(four.half95).toBeLessThan(one.half95);
    expect(poor.half95).toBeGreaterThan(four.half95);
  });
  test('by hand: one swing among three other days that say how much this player wanders', () => {
    // A step of 0.8 in: the guess is (0.4 in)² with the weight of 3; six repeats add 0.06 in² in all.
    const days = ['a', 'b', 'c'].map((d) => session(d, [0.9, 1, 1.1], 0.1));
    const last = session('d', [1.4], 0.1);
    const swing = (3 * 0.16 + 0.06) / 9;
    const shared = 0.3 * 0.01;
    const t9 = 2.262157;
    expect((sessionPoints('shift_top', [...days, last]).at(-1) as SessionPoint).half95).toBeCloseTo(
      t9 * Math.sqrt(swing + shared),
      5,
    );
  });
  test('holds where the player was that day as often as it says', () => {
    const random = seededRandom(71);
    let held = 0;
    const TRIES = 2000;
    for (let i = 0; i < TRIES; i++) {
      const day = (name: string, n: number) => {
        const there = gaussian(random);
        const bias = Math.sqrt(0.3) * 0.2 * gaussian(random);
        const own = Math.sqrt(0.7) * 0.2;
        const values = Array.from(
          { length: n },
          () => there + bias + 0.4 * gaussian(random) + own * gaussian(random),
        );
        return { there, session: session(name, values, 0.2) };
      };
      const days = [day('a', 3), day('b', 3), day('c', 1 + Math.floor(random() * 3))];
      const last = days.at(-1) as (typeof days)[number];
      const { mean, half95 } = sessionPoints(
        'shift_top',
        days.map((d) => d.session),
      ).at(-1) as SessionPoint;
      if (Math.abs(mean - last.there) <= half95) held++;
    }
    expect(held / TRIES).toBeGreaterThan(0.93);
    expect(held / TRIES).toBeLessThan(0.99);
  });
});
