import { describe, expect, test } from '@jest/globals';
import type { GateStanding } from '../practice/index.ts';
import type { FilmAsk } from './filmRequest.ts';
import { planAsks } from './planAsk.ts';

const TODAY = '2027-03-10';
const usual: FilmAsk = {
  kinds: ['face_on'],
  swings: 3,
  dueOn: '2027-03-17',
  drill: 'knee_swap',
  stage: 'half',
  club: 'short_iron',
  aid: 'on',
  why: '',
};
const gate = (decision: 'advance' | 'continue', held: GateStanding['held']): GateStanding => ({
  drill: 'knee_swap',
  stage: 'half',
  finished: false,
  layer: 1,
  gate: { decision, repsUsed: 9, tape: 1, notYets: 0, more: 0 },
  measures: [],
  proposesDown: false,
  fullTest: null,
  held,
});
const needs = (have: number): GateStanding['held'] => [{ code: 'swings', measure: 'x', have, need: 3 }];
const ask = (more: Partial<Parameters<typeof planAsks>[0]> = {}) =>
  planAsks({ gates: [], reviewDates: [], usual, asked: false, before: new Set(), today: TODAY, ...more });

describe('what the plan asks for by itself', () => {
  test.each<[string, Parameters<typeof ask>[0], object | null]>([
    ['nothing is near', { reviewDates: ['2027-03-14'] }, null],
    [
      'a review in three days',
      { reviewDates: ['2027-03-20', '2027-03-13'] },
      { from: 'review', dueOn: '2027-03-13' },
    ],
    [
      'a review that was asked for',
      { reviewDates: ['2027-03-13'], before: new Set(['review 2027-03-13']) },
      null,
    ],
    ['a review that is over', { reviewDates: ['2027-03-09'] }, null],
    [
      'a gate that needs three films',
      { gates: [gate('advance', needs(0))] },
      { from: 'gate', swings: 3, dueOn: '2027-03-14' },
    ],
    [
      'one more film',
      { gates: [gate('advance', needs(2))], before: new Set(['gate knee_swap half 0']) },
      { from: 'gate', swings: 1 },
    ],
    ['its repetitions do not hold yet', { gates: [gate('continue', needs(0))] }, null],
    [
      'a gate before a review',
      { gates: [gate('advance', needs(0))], reviewDates: [TODAY] },
      { from: 'gate' },
    ],
    [
      'a gate that was asked for, and a review',
      {
        gates: [gate('advance', needs(0))],
        before: new Set(['gate knee_swap half 0']),
        reviewDates: [TODAY],
      },
      { from: 'review' },
    ],
    ['a request stands', { gates: [gate('advance', needs(0))], asked: true }, null],
  ])('%s', (_, more, expected) => {
    const asked = ask(more);
    if (expected === null) expect(asked).toBeNull();
    else expect(asked).toMatchObject(expected);
  });
});
