import { expect, test } from '@jest/globals';
import { likelyMade } from './howMade.ts';
import type { PlanDay } from './planModel.ts';
import type { Stage } from './stages.ts';

const card = (...stages: Stage[]): PlanDay => ({
  date: '2027-03-02',
  place: 'range',
  minutes: 30,
  warmUpMinutes: 3,
  items: stages.map((stage) => ({
    drill: 'knee_swap',
    stage,
    sets: 1,
    rehearsals: 2,
    balls: 1,
    looks: 1,
    speedPct: 50,
    club: 'short_iron',
    minutes: 5,
  })),
});

test.each<[string, PlanDay | null, object]>([
  ['no card', null, { speed: 'full', club: 'mid_iron', aid: null, place: null }],
  ['only rehearsals', card('still', 'slow'), { speed: 'full', club: 'mid_iron', aid: null, place: null }],
  ['half swings', card('half'), { speed: 'half', club: 'short_iron', aid: 'on', place: 'range' }],
  ['the first that is swung', card('slow', 'three_quarter'), { speed: 'three_quarter', aid: 'on' }],
  ['full speed: aid on and away in turn', card('full'), { speed: 'full', aid: null, place: 'range' }],
])('a swing filmed on a day with %s', (_, day, made) => {
  expect(likelyMade(day)).toMatchObject({ ...made, cue: null });
});
