import { expect, test } from '@jest/globals';
import type { GateStanding, GateWord } from '../practice/index.ts';
import { replyGate } from './replyGate.ts';

const CAME = '2027-03-10T10:00:00Z';
const state = (
  decision: 'advance' | 'continue',
  held: GateStanding['held'] = [{ code: 'reps', tape: 0, more: 9 }],
  notYets = 0,
): GateStanding => ({
  drill: 'knee_swap',
  stage: 'slow',
  finished: false,
  layer: 1,
  gate: { decision, repsUsed: 0, tape: 0, notYets, more: null },
  measures: [],
  proposesDown: false,
  fullTest: null,
  held,
});
const word = (decision: GateWord['decision'], at: string, drill = 'knee_swap'): GateWord => ({
  drill,
  stage: 'still',
  decision,
  at,
  day: at.slice(0, 10),
});

test.each<[string, GateStanding, GateWord[], object]>([
  ['undecided', state('continue'), [], { gate: 'continue', stage: 'slow' }],
  [
    'not yet',
    state('continue', [{ code: 'reps_not_yet', times: 1 }], 1),
    [],
    { gate: 'hold', stage: 'slow' },
  ],
  ['open: the next rung', state('advance', []), [], { gate: 'advance', stage: 'half' }],
  [
    'just moved up: says so, though the new rung has no repetitions',
    state('continue'),
    [word('advance', '2027-03-10T11:00:00Z')],
    { gate: 'advance', stage: 'slow' },
  ],
  [
    'just moved back',
    state('continue'),
    [word('back', '2027-03-10T11:00:00Z')],
    { gate: 'back', stage: 'slow' },
  ],
  [
    'held on purpose',
    state('continue'),
    [word('hold', '2027-03-10T11:00:00Z')],
    { gate: 'hold', stage: 'slow' },
  ],
  [
    'decided before the check-in came',
    state('continue'),
    [word('advance', '2027-03-09T11:00:00Z')],
    { gate: 'continue', stage: 'slow' },
  ],
  [
    'decided on another drill',
    state('continue'),
    [word('advance', '2027-03-10T11:00:00Z', 'other')],
    { gate: 'continue', stage: 'slow' },
  ],
])('%s', (_, standing, words, said) => {
  expect(replyGate(standing, words, CAME)).toEqual(said);
});
