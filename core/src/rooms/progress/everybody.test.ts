import { describe, expect, test } from '@jest/globals';
import type { DrillCourse } from './courses.ts';
import { gateTimes, whatWorks } from './everybody.ts';
import { partlyPooled } from './partlyPooled.ts';

describe('groups that are partly pooled', () => {
  test('the worked example of eight groups: each drawn towards the mean by what is known of it', () => {
    const seen = [28, 8, -3, 7, -1, 1, 18, 12];
    const se = [15, 10, 16, 11, 9, 11, 10, 18];
    const pooled = partlyPooled(seen.map((mean, i) => ({ mean, se: se[i] as number })));
    // As published for a flat tau: means about 11, 8, 6, 8, 5, 6, 11, 8 and sds between 6 and 8.5.
    [11, 8, 6, 8, 5, 6, 11, 8].forEach((mean, i) => {
      expect(Math.abs((pooled[i]?.mean as number) - mean)).toBeLessThan(1);
    });
    for (const { sd } of pooled) {
      expect(sd).toBeGreaterThan(5);
      expect(sd).toBeLessThan(9);
    }
  });
  test('groups that lie far apart keep their own; groups that agree share', () => {
    const far = partlyPooled([-10, 0, 10].map((mean) => ({ mean, se: 0.1 })));
    expect(far.map(({ mean }) => Math.round(mean))).toEqual([-10, 0, 10]);
    const near = partlyPooled([0.9, 1, 1.1, 1].map((mean) => ({ mean, se: 2 })));
    for (const { mean, sd } of near) {
      expect(mean).toBeCloseTo(1, 1);
      expect(sd).toBeLessThan(2);
    }
  });
  test('one group alone stays as it is seen, and none is none', () => {
    expect(partlyPooled([{ mean: 3, se: 2 }])).toEqual([{ mean: 3, sd: 2 }]);
    expect(partlyPooled([])).toEqual([]);
  });
});

const course = (more: Partial<DrillCourse> = {}): DrillCourse => ({
  fault: 'sway',
  drill: 'knee_swap',
  severity: 2,
  gain: 1,
  gainSd: 0.4,
  reps: 200,
  ...more,
});

describe('which drill works for what', () => {
  test('gain per 100 repetitions, by fault and drill, with how many', () => {
    const [one] = whatWorks([course(), course({ reps: 400, gain: 2 })]);
    expect(one).toMatchObject({ fault: 'sway', drill: 'knee_swap', courses: 2, reps: 600 });
    expect(one?.mean).toBeCloseTo(0.5, 6);
  });
  test('a single lucky course is drawn towards what many others say', () => {
    const many = Array.from({ length: 12 }, (_, i) => course({ gain: 0.4 + 0.02 * i }));
    const works = whatWorks([...many, course({ drill: 'toe_box', gain: 4 })]);
    const lucky = works.find(({ drill }) => drill === 'toe_box');
    expect(lucky?.alone).toBeCloseTo(2, 1);
    expect(Number(lucky?.mean)).toBeLessThan(Number(lucky?.alone));
    expect(Number(lucky?.sd)).toBeGreaterThan(Number(works.find(({ drill }) => drill === 'knee_swap')?.sd));
  });
  test('a drill that got the harder students is not the worse for it', () => {
    const easy = [1, 1.5, 2].map((severity) => course({ severity, gain: severity }));
    const hard = [3, 3.5, 4].map((severity) => course({ drill: 'toe_box', severity, gain: severity }));
    const works = whatWorks([...easy, ...hard]);
    const gap = (of: 'alone' | 'mean') => Math.abs((works[0]?.[of] as number) - (works[1]?.[of] as number));
    // Plain means lie 1 step per 100 apart, all of it severity.
    expect(gap('alone')).toBeLessThan(0.9);
    expect(gap('mean')).toBeLessThan(gap('alone'));
  });
  test('a handful of repetitions says nothing of a hundred', () => {
    expect(whatWorks([course({ reps: 12 })])).toEqual([]);
  });
});

describe('time to each gate', () => {
  const TODAY = '2027-05-01';
  const climb = (from: string, passed: string | null) => ({
    drill: 'knee_swap',
    stage: 'slow' as const,
    from,
    passed,
  });
  test('stalled ones are not yet, by hand', () => {
    // Passed in the 1st and 2nd week; one on it for three weeks; one begun yesterday.
    const [slow] = gateTimes(
      [
        climb('2027-03-01', '2027-03-05'),
        climb('2027-03-01', '2027-03-10'),
        climb('2027-04-08', null),
        climb('2027-04-30', null),
      ],
      TODAY,
    );
    expect(slow).toMatchObject({ stage: 'slow', passed: 2, notYet: 2, medianWeeks: 2 });
    // Week 1: one of three. Week 2: one of two of those left: 1 - 2/3 * 1/2.
    expect(slow?.byWeek[0]).toBeCloseTo(1 / 3, 10);
    expect(slow?.byWeek[1]).toBeCloseTo(2 / 3, 10);
    expect(slow?.byWeek[7]).toBeCloseTo(2 / 3, 10);
  });
  test('where nobody is through there is no median', () => {
    expect(gateTimes([climb('2027-03-01', null)], TODAY)).toEqual([
      { stage: 'slow', passed: 0, notYet: 1, byWeek: Array(8).fill(0), medianWeeks: null },
    ]);
    expect(gateTimes([], TODAY)).toEqual([]);
  });
});
