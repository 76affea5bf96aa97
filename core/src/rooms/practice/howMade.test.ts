import { expect, test } from '@jest/globals';
import { likelyMade } from './howMade.ts';
import type { PlanDay } from './plan/planModel.ts';
import { testDay, testItem } from './plan/testItem.ts';
import type { Stage } from './stages.ts';

const card = (...stages: Stage[]): PlanDay =>
  testDay(
    '2027-03-02',
    stages.map((stage) => testItem({ stage, balls: 1, club: 'short_iron' })),
    { place: 'range' },
  );

test.each<[string, PlanDay | null, object]>([
  ['no card', null, { speed: 'full', club: 'mid_iron', aid: null, place: null }],
  ['only rehearsals', card('still', 'slow'), { speed: 'full', club: 'mid_iron', aid: null, place: null }],
  ['half swings', card('half'), { speed: 'half', club: 'short_iron', aid: 'on', place: 'range' }],
  ['the first that is swung', card('slow', 'three_quarter'), { speed: 'three_quarter', aid: 'on' }],
  ['full speed: aid on and away in turn', card('full'), { speed: 'full', aid: null, place: 'range' }],
])('a swing filmed on a day with %s', (_, day, made) => {
  expect(likelyMade(day)).toMatchObject({ ...made, cue: null });
});

test('in a lesson the first swings are before any word, and later ones after it', () => {
  expect(likelyMade(null, { counted: false }).cue).toBe('before');
  expect(likelyMade(card('half'), { counted: true })).toMatchObject({ cue: 'after', speed: 'half' });
  expect(likelyMade(null).cue).toBeNull();
});
