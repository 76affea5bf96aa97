import { describe, expect, test } from '@jest/globals';
import { phrasesOf } from './phrases.ts';

const DRAFT = 'Priya, first what moved. The one piece now: Knee swap.';
const wrote = (more: string, draft = DRAFT) => ({ draft, text: `${DRAFT} ${more}` });

describe('the coach’s own phrases', () => {
  test.each<[string, Parameters<typeof phrasesOf>[0], string[]]>([
    ['nothing was written', [], []],
    ['drafts that went as they were', [wrote(''), wrote('')], []],
    ['said once', [wrote('Breathe out before you go.')], []],
    [
      'said twice',
      [wrote('Breathe out before you go.'), wrote('Breathe out before you go.')],
      ['Breathe out before you go.'],
    ],
    [
      'another case and stop is the same',
      [wrote('Breathe out before you go'), wrote('breathe out  before you go!')],
      ['breathe out  before you go!'],
    ],
    ['twice in one letter is once', [wrote('Breathe out now. Breathe out now.')], []],
    ['too short to be worth a key', [wrote('Good.'), wrote('Good.')], []],
    [
      'without a draft nobody knows whose words they are',
      [wrote('Slowly does it.', ''), wrote('Slowly does it.', '')],
      [],
    ],
  ])('%s', (_, letters, phrases) => expect(phrasesOf(letters)).toEqual(phrases));
  test('the most frequent first, of equal ones the latest, six at most', () => {
    const said = (n: number) => `My phrase number ${n} is this.`;
    const letters = [1, 2, 3, 4, 5, 6, 7, 8, 8].flatMap((n) => [wrote(said(n)), wrote(said(n))]);
    expect(phrasesOf(letters)).toEqual([8, 7, 6, 5, 4, 3].map(said));
  });
});
