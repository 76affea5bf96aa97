import { describe, expect, test } from '@jest/globals';
import { diagnose } from './diagnose.ts';
import { honestFaults, honestOdds, honestWeights } from './honestOdds.ts';
import { sampleCase } from './sampleCase.ts';
import { logit } from './weigh.ts';

const STEPS = Array.from({ length: 1001 }, (_, i) => i / 1000);

describe('what odds are worth', () => {
  test.each([
    [0, 0],
    [0.05, 0.045],
    [0.095, 0.0525],
    [0.55, 0.505],
    [0.92, 0.9505],
    [1, 1],
  ])('given %d, said %d', (given, said) => expect(honestOdds(given)).toBeCloseTo(said, 9));
  test('what is likelier stays likelier, and nothing leaves 0 to 1', () => {
    const said = STEPS.map(honestOdds);
    for (let i = 1; i < said.length; i++) expect(said[i]).toBeGreaterThan(said[i - 1] as number);
    expect(Math.min(...said)).toBe(0);
    expect(Math.max(...said)).toBe(1);
  });
  test('what is believed is believed still, but for a hair’s breadth', () => {
    for (const given of STEPS.filter((p) => p > 0.55)) expect(honestOdds(given)).toBeGreaterThan(0.5);
    for (const given of STEPS.filter((p) => p < 0.54)) expect(honestOdds(given)).toBeLessThan(0.5);
  });
  test('the parts add up to what is said', () => {
    const given = 0.35;
    const parts = { start: -2, for: [], against: [], rest: logit(given) + 2 };
    const { start, rest } = honestWeights(parts, given);
    expect(start).toBeCloseTo(logit(honestOdds(1 / (1 + Math.exp(2)))), 9);
    expect(start + rest).toBeCloseTo(logit(honestOdds(given)), 9);
  });
  test('of nothing known the tables’ order stays', () => {
    const faults = diagnose(sampleCase()).faults;
    expect(Math.max(...Object.values(faults))).toBeLessThan(0.06);
    expect([...honestFaults(new Map([['a', 0.3]]))]).toEqual([['a', 0.1835]]);
  });
});
