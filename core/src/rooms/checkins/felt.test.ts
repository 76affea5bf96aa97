import { describe, expect, test } from '@jest/globals';
import { drillById } from '../prescription/index.ts';
import { feltAgainst, feltAsked } from './felt.ts';

const drills = (...ids: string[]) => ids.flatMap((id) => drillById(id) ?? []);

describe('what was felt', () => {
  test('is asked of what the drills in use move, never of the ball', () => {
    const [drill] = drills('knee_swap');
    expect(feltAsked(drills('knee_swap'))).toEqual({
      measure: drill?.moves.find((id) => !id.startsWith('ball.')),
      unit: expect.any(String),
    });
    expect(feltAsked([])).toBeNull();
    expect(feltAsked([{ ...(drill as NonNullable<typeof drill>), moves: ['ball.low_in'] }])).toBeNull();
  });
  const read = (swingId: string, id: string, value: number) => ({
    swingId,
    measures: [{ id, value, sd: 0.4 }],
  });
  test.each<[string, string[], object | null]>([
    ['its own swing', ['a'], { value: 3, sd: 0.4 }],
    ['the first of its swings that says it', ['c', 'b', 'a'], { value: 2, sd: 0.4 }],
    ['no swing of another day', ['d'], null],
    ['nothing, without clips', [], null],
  ])('is held against %s', (_, swings, measured) => {
    const readings = [read('a', 'shift_top', 3), read('b', 'shift_top', 2), read('c', 'turn_top', 40)];
    expect(feltAgainst({ measure: 'shift_top', felt: 0 }, swings, readings)).toEqual({
      measure: 'shift_top',
      felt: 0,
      unit: 'in',
      measured,
    });
  });
});
