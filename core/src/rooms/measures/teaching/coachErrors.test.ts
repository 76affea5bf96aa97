import { describe, expect, test } from '@jest/globals';
import { gaussian, seededRandom } from '../../../foundation/index.ts';
import { coachErrors, NO_STUDENTS, type PlaceMean, placeMeans } from './coachErrors.ts';
import { expectedErrors } from './netError.ts';
import type { TaughtPlace } from './places.ts';
import { ERROR_ROWS, HAND_SD, learntTimes, restTimes, WORLD_SHARE } from './teachTable.ts';
import { usualError } from './usualErrors.ts';

const DAY = '2027-03-01';
const HIP = { view: 'face_on', station: 'top', landmark: 'lead_hip' } as const;
const USUAL = usualError('face_on', 'lead_hip', 'top');
const ROW = ERROR_ROWS.find((row) => row.view === 'face_on' && row.landmark === 'lead_hip');
const { all, rest } = ROW?.across ?? { all: Number.NaN, rest: Number.NaN };
const LEARNT = (all ** 2 - rest ** 2) * learntTimes('face_on', 'top', 'across');
const REST = rest ** 2 * restTimes('face_on', 'lead_hip', 'top', 'across');
const WORLD = WORLD_SHARE * LEARNT;
const mean = (across: number, clips = 1): PlaceMean => ({ ...HIP, across, down: 0, clips });
const ask = (students: readonly (readonly PlaceMean[])[]) =>
  coachErrors(students)('face_on', 'lead_hip', 'top', 'across');
const expected = (students: readonly (readonly PlaceMean[])[], taught: readonly TaughtPlace[] = []) =>
  expectedErrors(
    taught,
    'face_on',
    [{ landmark: 'lead_hip', station: 'top' }],
    DAY,
    coachErrors(students),
  )[0];
const place = (across: number, clip = 'a'): TaughtPlace => ({
  ...HIP,
  clip,
  on: DAY,
  across: USUAL.across + across,
  down: USUAL.down,
});

describe('what a student’s clips say', () => {
  test('is the mean over them of what is beyond the usual, place by place', () => {
    const found = placeMeans([place(0.01), place(0.03, 'b'), { ...place(0.02), landmark: 'trail_hip' }]);
    expect(found).toHaveLength(2);
    expect(found[0]).toMatchObject({ ...HIP, clips: 2 });
    expect(found[0]?.across).toBeCloseTo(0.02, 12);
    expect(found[0]?.down).toBeCloseTo(0, 12);
    expect(placeMeans([])).toEqual([]);
  });
});

describe('what a coach’s students say of the next one', () => {
  test('one of them, with one clip, by hand', () => {
    // A Gaussian's mean: its own doubt and that of one sight of it.
    const own = LEARNT - WORLD + REST + HAND_SD ** 2;
    const { mean: told, left } = ask([[mean(0.012)]]);
    expect(told).toBeCloseTo((0.012 * WORLD) / (WORLD + own), 12);
    expect(left).toBeCloseTo(own / (WORLD + own), 12);
    expect(expected([[mean(0.012)]])?.across).toBeCloseTo(USUAL.across + told, 12);
  });
  test('two alike say the same as one as sure as both', () => {
    const two = ask([[mean(0.01)], [mean(0.01)]]);
    const one = ask([[mean(0.01)]]);
    const precision = (left: number) => 1 / (left * WORLD) - 1 / WORLD;
    expect(precision(two.left)).toBeCloseTo(2 * precision(one.left), 3);
    expect(two.mean).toBeGreaterThan(one.mean);
  });
  test('nobody, or nobody seen there, leaves everything as it was', () => {
    expect(coachErrors([])('face_on', 'lead_hip', 'top', 'across')).toEqual({ mean: 0, left: 1 });
    expect(coachErrors([[mean(0.01)]])('face_on', 'lead_hip', 'impact', 'across').left).toBe(1);
    expect(coachErrors([[mean(0.01)]])('face_on', 'ball', 'top', 'across').left).toBe(1);
    const taught = [place(0.01)];
    const asked = (['address', 'top', 'impact'] as const).map((station) => ({ ...HIP, station }));
    expect(expectedErrors(taught, 'face_on', asked, DAY, NO_STUDENTS)).toEqual(
      expectedErrors(taught, 'face_on', asked, DAY),
    );
  });
  test('very many leave nothing of their common part open, and all of what is a player’s own', () => {
    const many = Array.from({ length: 5000 }, () => [mean(0.01, 4)]);
    expect(ask(many).mean).toBeCloseTo(0.01, 4);
    expect(ask(many).left).toBeLessThan(0.001);
    const doubt = (students: readonly (readonly PlaceMean[])[]) => {
      const { sharedSd = 0, ownSd = 0 } = expected(students) ?? {};
      return sharedSd ** 2 + ownSd ** 2;
    };
    expect(doubt([]) - doubt(many)).toBeCloseTo(WORLD, 6);
  });
  test('in another world, where the network errs by more than was ever seen, eight students set it right', () => {
    const random = seededRandom(11);
    const SHIFT = 2 * all;
    const student = (): PlaceMean[] => [mean(SHIFT + Math.sqrt(LEARNT - WORLD + REST) * gaussian(random))];
    let [before, after] = [0, 0];
    const rounds = 200;
    for (let i = 0; i < rounds; i++) {
      const next = SHIFT + Math.sqrt(LEARNT - WORLD + REST) * gaussian(random);
      const off = (students: readonly (readonly PlaceMean[])[]) => {
        const { across = 0, sharedSd = 0, ownSd = 0 } = expected(students) ?? {};
        return ((next + USUAL.across - across) / Math.hypot(sharedSd, ownSd)) ** 2;
      };
      before += off([]);
      after += off(Array.from({ length: 8 }, student));
    }
    expect(Math.sqrt(before / rounds)).toBeGreaterThan(2);
    expect(Math.sqrt(after / rounds)).toBeLessThan(1.3);
  });
  test('what is taught of the player himself counts for more than what others say', () => {
    const others = Array.from({ length: 8 }, () => [mean(-0.01)]);
    const own = Array.from({ length: 3 }, (_, i) => place(0.01, `${i}`));
    expect(expected(others)?.across).toBeLessThan(USUAL.across - 0.004);
    expect(expected(others, own)?.across).toBeGreaterThan(USUAL.across + 0.005);
  });
});
