import { describe, expect, test } from '@jest/globals';
import { answerSchema, broughtUp } from './answer.ts';

/** As the first programs kept it: no odds taken apart, one look without its time, nothing of what is there. */
const FIRST = {
  enough: true,
  roots: [
    {
      fault: 'over_turn',
      probability: 0.9,
      strength: 'clear',
      explains: ['sway'],
      for: [{ finding: 'turn_top.high', weight: 2, source: 'measured' }],
      against: [],
    },
  ],
  workOn: ['over_turn'],
  leaveAlone: [{ fault: 'sway', probability: 0.6, why: { code: 'follows', root: 'over_turn' } }],
  blockers: [],
  nextLook: { kind: 'view', id: 'down_the_line', gainBits: 0.4 },
  faults: { over_turn: 0.9, sway: 0.6 },
} as never;

describe('a kept answer', () => {
  test('of the first programs is brought up to what is sent today', () => {
    const answer = broughtUp(FIRST);
    expect(answerSchema.parse(answer)).toEqual(answer);
    expect(answer.roots[0]).toMatchObject({ fault: 'over_turn', start: 0, onlyExplains: [] });
    expect(answer.nextLook).toEqual({
      kind: 'view',
      id: 'down_the_line',
      gainBits: 0.4,
      seconds: 0,
      between: [],
    });
  });
  test('of today stays as it is', () => {
    const answer = broughtUp(FIRST);
    expect(broughtUp(answer)).toEqual(answer);
  });
});
