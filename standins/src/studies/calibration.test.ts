import { diagnose } from '@inchstep/core/diagnosis';
import { seededRandom } from '@inchstep/core/foundation';
import { describe, expect, test } from '@jest/globals';
import { makeGolfer, trueMeasures } from '../golfer/golfer.ts';
import { calibrate } from './calibration.ts';
import { gradeFor, knownCase, pairs, SHOWN_FAULTS, singles } from './diagnosisCases.ts';

/** Marks can't show a late start; a kicking knee and a falling one bend the leg only so far. */
const NOT_TO_TWO_STEPS = ['late_start', 'trail_knee_kick', 'lead_knee_collapse'];

describe('what two grades of a fault are', () => {
  test.each(SHOWN_FAULTS.filter((fault) => !NOT_TO_TWO_STEPS.includes(fault)))(
    '%s lies two steps beyond its band or more',
    (fault) => expect(gradeFor(fault, 2)).toBeLessThan(2.12),
  );
  test.each([
    ['trail_knee_kick', 'trail_knee_kick_delivery', 2, 1],
    ['lead_knee_collapse', 'lead_knee_in_top', 2.5, 1.2],
  ])('%s is clear: %s lies a step or more beyond %d', (fault, measure, edge, step) => {
    const golfer = makeGolfer({ handedness: 'right', heightIn: 70 }, { [fault]: 2 }, seededRandom(5));
    expect(((trueMeasures(golfer)[measure] as number) - edge) / step).toBeGreaterThan(1);
  });
});

describe('stand-in golfers seen through two cameras', () => {
  test('a single fault two steps out is named first nearly always', () => {
    const { first, cases } = calibrate(singles(2, 1));
    expect(cases).toBeGreaterThan(25);
    expect(first).toBeGreaterThan(0.9);
  });
  test('of two faults one is named first, and the odds are honest', () => {
    const { first, inTwo, expectedError } = calibrate(pairs(40));
    expect(first).toBeGreaterThan(0.85);
    expect(inTwo).toBeGreaterThan(0.85);
    expect(expectedError).toBeLessThan(0.05);
  });
  test('a healthy swing is hardly ever given a fault', () => {
    const named = Array.from({ length: 30 }, (_, k) => diagnose(knownCase({}, 70_000 + k).file).roots.length);
    expect(named.filter((roots) => roots > 0).length).toBeLessThan(3);
  });
});
