import { describe, expect, test } from '@jest/globals';
import { type Caption, captionAt, type Talk, talkTrouble, withCaption } from './enclosures.ts';
import type { SpokenMove } from './spoken.ts';

const wipe = (at: number): SpokenMove => ({ at, do: 'wipe' });
const talk = (more: Partial<Talk<null>> = {}): Talk<null> => ({
  ms: 60_000,
  now: null,
  before: null,
  moves: [],
  captions: [],
  ...more,
});
const heavy = (count: number): SpokenMove[] =>
  Array.from({ length: count }, (_, at) => ({ at, do: 'draw', stroke: 1, u: 100, v: 100 }));

describe('a talk', () => {
  test.each<[string, Talk<null>, ReturnType<typeof talkTrouble>]>([
    ['is right', talk({ moves: [wipe(0), wipe(10), wipe(10)] }), null],
    ['of three minutes goes', talk({ ms: 180_900 }), null],
    ['of more does not', talk({ ms: 182_000 }), 'too_long'],
    ['with a move before the one it follows', talk({ moves: [wipe(20), wipe(10)] }), 'out_of_order'],
    ['with a move after its end', talk({ moves: [wipe(62_000)] }), 'after_its_end'],
    ['whose last move came with its end', talk({ moves: [wipe(60_900)] }), null],
    ['with captions out of order', talk({ captions: [cap(9, 'b'), cap(3, 'a')] }), 'out_of_order'],
    ['heavier than a minute may be', talk({ moves: heavy(8000) }), 'too_heavy'],
    ['as heavy, but longer', talk({ ms: 120_000, moves: heavy(8000) }), null],
    ['short, may weigh what a minute may', talk({ ms: 10_000, moves: heavy(4000) }), null],
  ])('%s', (_, given, trouble) => expect(talkTrouble(given)).toBe(trouble));
});

function cap(at: number, text: string): Caption {
  return { at, text };
}

describe('captions', () => {
  const captions = [cap(1000, 'Here'), cap(4000, ''), cap(6000, 'And here')];
  test.each<[number, string | null]>([
    [0, null],
    [1000, 'Here'],
    [3999, 'Here'],
    [4000, null],
    [7000, 'And here'],
  ])('at %i ms', (ms, text) => expect(captionAt(captions, ms)).toBe(text));
  test('a new one finds its place, or takes another’s', () => {
    expect(withCaption(captions, cap(2000, 'There')).map(({ text }) => text)).toEqual([
      'Here',
      'There',
      '',
      'And here',
    ]);
    expect(withCaption(captions, cap(1000, 'There'))).toHaveLength(3);
  });
});
