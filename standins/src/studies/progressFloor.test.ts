import { describe, expect, test } from '@jest/globals';
import { mostThatCanBeFound, mostTogether } from './progressFloor.ts';
import { USUAL_PLAYER } from './progressWorld.ts';

const TWO_STEPS = [0, 0, 2];
const ONE_STEP = [0, 0, 1, 1, 1, 1];
const ALPHA = 0.05;
const SEASONS = 2500;

describe('the most that any test can find', () => {
  test('of one course alone both ways of bounding it agree', () => {
    for (const course of [TWO_STEPS, ONE_STEP]) {
      const alone = mostThatCanBeFound(USUAL_PLAYER, course, ALPHA, SEASONS, 1);
      const together = mostTogether(USUAL_PLAYER, [course], ALPHA, SEASONS, 2);
      expect(Math.abs(alone - together)).toBeLessThan(0.05);
    }
  });
  test('two courses together can be found in less than each alone, and in more than either', () => {
    const alone = [TWO_STEPS, ONE_STEP].map((course) =>
      mostThatCanBeFound(USUAL_PLAYER, course, ALPHA, SEASONS, 3),
    );
    const both = mostTogether(USUAL_PLAYER, [TWO_STEPS, ONE_STEP], ALPHA, SEASONS, 4);
    expect(both).toBeLessThan((alone[0] as number) + (alone[1] as number));
    expect(both).toBeGreaterThan(Math.max(...alone));
  });
  test('a course that can’t be missed is found, one that is not there as seldom as false alarms are allowed', () => {
    const plain = [0, 0, 0, 0, 20, 20, 20, 20];
    expect(mostThatCanBeFound(USUAL_PLAYER, plain, ALPHA, 2000, 5)).toBeGreaterThan(0.99);
    const nothing = [0, 0, 0, 0, 0, 0];
    expect(mostThatCanBeFound(USUAL_PLAYER, nothing, ALPHA, SEASONS, 6)).toBeLessThan(0.08);
  });
});
