import { describe, expect, test } from '@jest/globals';
import { gaussian, seededRandom } from '../../foundation/index.ts';
import { judgeChange, type Session, type SessionPoint, sessionPoints } from './change.ts';
import { movedToward, outside } from './direction.ts';

const session = (date: string, values: number[], sd = 0.3): Session => ({ date, values, sd });

describe('is it real?', () => {
  test('one session, or none, shows nothing', () => {
    for (const sessions of [[], [session('2027-03-01', [1])], [session('2027-03-01', [])]])
      expect(judgeChange('shift_top', sessions)).toMatchObject({ verdict: 'cant_tell', delta: 0 });
  });
  test('the difference is last mean minus the earlier mean', () => {
    const { delta, lo95, hi95 } = judgeChange('shift_top', [
      session('a', [-2, -2.2]),
      session('b', [-0.2, 0, 0.2]),
    ]);
    expect(delta).toBeCloseTo(2.1, 10);
    expect(((lo95 ?? 0) + (hi95 ?? 0)) / 2).toBeCloseTo(2.1, 10);
  });
  test('one good swing is not a change; three alike, twice, are', () => {
    const before = [session('a', [-2.1, -2.6, -1.9]), session('b', [-2.3, -2.2, -2.5])];
    expect(judgeChange('shift_top', [...before, session('c', [-1.2])]).verdict).not.toBe('real');
    expect(judgeChange('shift_top', [...before, session('c', [0.3, 0.1, 0.2])]).verdict).toBe('real');
  });
  test('the same numbers from poor marks are no longer real', () => {
    const sessions = (sd: number) => [
      session('a', [-2.1, -2.6, -1.9], sd),
      session('b', [-2.3, -2.2, -2.5], sd),
      session('c', [-0.3, -0.1, -0.2], sd),
    ];
    expect(judgeChange('shift_top', sessions(0.2)).verdict).toBe('real');
    expect(['none', 'cant_tell', 'maybe']).toContain(judgeChange('shift_top', sessions(2)).verdict);
  });
  test('the more measures are looked at together, the more it takes', () => {
    const sessions = [session('a', [-2, -2.1, -1.9]), session('b', [-0.9, -1, -1.1])];
    const one = judgeChange('shift_top', sessions, 1);
    const forty = judgeChange('shift_top', sessions, 40);
    expect(forty.smallestReal).toBeGreaterThan(1.5 * Number(one.smallestReal));
    expect(forty.delta).toBe(one.delta);
  });
  test('more swings a session show smaller changes', () => {
    const many = (n: number) => [
      session('a', Array(n).fill(-2), 0.2),
      session('b', Array(n).fill(-1.5), 0.2),
    ];
    expect(judgeChange('shift_top', many(5)).smallestReal).toBeLessThan(
      Number(judgeChange('shift_top', many(1)).smallestReal),
    );
  });
});

describe('honest over many players who did not change', () => {
  const random = seededRandom(77);
  const player = (change: number): Session[] => {
    const own = gaussian(random);
    return ['a', 'b', 'c'].map((date, i) => {
      const day = own + 0.26 * gaussian(random) + (i === 2 ? change : 0);
      const shared = 0.2 * gaussian(random);
      return session(
        date,
        Array.from({ length: 3 }, () => day + shared + 0.35 * gaussian(random) + 0.16 * gaussian(random)),
        0.26,
      );
    });
  };
  test('“real” is said to at most about one in twenty of them', () => {
    const runs = 1500;
    const alarms = Array.from({ length: runs }, () => judgeChange('shift_top', player(0))).filter(
      (c) => c.verdict === 'real',
    ).length;
    expect(alarms / runs).toBeLessThan(0.06);
  });
  test('a change of two inches is found in most', () => {
    const runs = 300;
    const found = Array.from({ length: runs }, () => judgeChange('shift_top', player(2))).filter(
      (c) => c.verdict === 'real' || c.verdict === 'maybe',
    ).length;
    expect(found / runs).toBeGreaterThan(0.9);
  });
  test('the interval holds the change nineteen times in twenty', () => {
    const runs = 1500;
    const held = Array.from({ length: runs }, () => judgeChange('shift_top', player(1))).filter(
      (c) => Number(c.lo95) <= 1 && 1 <= Number(c.hi95),
    ).length;
    expect(held / runs).toBeGreaterThan(0.93);
    expect(held / runs).toBeLessThan(0.995);
  });
});

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
