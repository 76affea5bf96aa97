import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../foundation/index.ts';
import type { MovedMeasure } from '../checkins/index.ts';
import type { GateStanding } from '../practice/index.ts';
import { STANDINGS, type StandingWord, standingAt, standingOf } from './standing.ts';
import type { StudentRecord } from './studentRecord.ts';

const NOW = '2027-03-30T12:00:00.000Z';
const daysAgo = (days: number) => new Date(Date.parse(NOW) - days * 86_400_000).toISOString();

/** What a standing hangs on, one by one. */
interface Facts {
  readonly pain?: boolean;
  /** Days since the drill was taken into use; null: none is. */
  readonly workDays?: number | null;
  readonly owned?: boolean;
  readonly gate?: 'advance' | 'hold' | 'continue';
  readonly heldBy?: GateStanding['held'][number]['code'] | null;
  /** Days since the last set. */
  readonly setDays?: number;
  readonly moved?: readonly (readonly [MovedMeasure['verdict'], MovedMeasure['direction']])[];
}

function recordOf({ pain = false, workDays = 10, setDays = 1 }: Facts): StudentRecord {
  const at = daysAgo(workDays ?? 0);
  const set = { id: 's', date: daysAgo(setDays).slice(0, 10), at: daysAgo(setDays), reps: 'P' };
  const chosen = { drills: ['knee_swap'], forFault: 'lead_knee_collapse', at, day: at.slice(0, 10) };
  return {
    intake: { heldSince: pain ? daysAgo(1) : null },
    capture: { clips: [] },
    practice: {
      sets: [set],
      gates: [],
      plan: { at, drills: ['knee_swap'], plan: { days: [], stages: [], gives: [], reviewDates: [] } },
    },
    prescription: {
      choices: workDays === null ? [] : [{ ...chosen, endedAt: null, endedDay: null, reached: {} }],
    },
    checkins: { checkins: [], asked: null, aside: null },
  } as unknown as StudentRecord;
}

const gatesOf = ({ gate = 'continue', heldBy = null }: Facts): GateStanding[] => [
  {
    drill: 'knee_swap',
    stage: 'slow',
    finished: false,
    layer: 1,
    gate: { decision: gate === 'hold' ? 'continue' : gate, repsUsed: 7, tape: 1, notYets: 0, more: 0 },
    measures: [],
    proposesDown: gate === 'hold',
    fullTest: null,
    held: heldBy === null ? [] : [{ code: heldBy } as GateStanding['held'][number]],
  },
];
const movedOf = ({ moved = [] }: Facts): MovedMeasure[] =>
  moved.map(([verdict, direction], i) => ({
    id: `m${i}`,
    unit: 'in',
    before: 0,
    after: 1,
    verdict,
    changed: { real: 0.98, maybe: 0.8, none: 0.2, cant_tell: 0.3 }[verdict],
    direction,
  }));
const standing = (facts: Facts) =>
  standingOf(recordOf(facts), gatesOf(facts), movedOf(facts), facts.owned ?? false);
const wordAt = (facts: Facts, at = NOW): StandingWord => standingAt(standing(facts), at, at.slice(0, 10));

describe('where a student stands', () => {
  test.each<[string, Facts, StandingWord]>([
    ['practises', {}, 'working'],
    ['nothing prescribed', { workDays: null }, 'new'],
    ['pain', { pain: true }, 'pain'],
    ['pain goes before all', { pain: true, owned: true, gate: 'advance', setDays: 30 }, 'pain'],
    ['pain, and nothing prescribed', { pain: true, workDays: null }, 'pain'],
    ['owned', { owned: true }, 'owned'],
    ['owned, however long nothing was sent', { owned: true, setDays: 40 }, 'owned'],
    ['a gate says yes', { gate: 'advance' }, 'gate_waiting'],
    ['a gate says not yet', { gate: 'hold' }, 'gate_waiting'],
    ['a gate that waits for swings', { gate: 'advance', heldBy: 'swings' }, 'working'],
    ['a gate held by a measure is the coach’s', { gate: 'advance', heldBy: 'measure' }, 'gate_waiting'],
    ['a gate goes before silence', { gate: 'advance', setDays: 30 }, 'gate_waiting'],
    ['silent for a week', { setDays: 7 }, 'silent'],
    ['silent for six days', { setDays: 6 }, 'working'],
    ['three weeks and nothing better', { workDays: 21, moved: [['none', 'level']] }, 'stalled'],
    ['twenty days and nothing better', { workDays: 20, moved: [['none', 'level']] }, 'working'],
    ['three weeks, surely worse', { workDays: 21, moved: [['real', 'worse']] }, 'stalled'],
    ['three weeks, probably better', { workDays: 21, moved: [['maybe', 'better']] }, 'working'],
    [
      'one of two is better',
      {
        workDays: 21,
        moved: [
          ['none', 'level'],
          ['real', 'better'],
        ],
      },
      'working',
    ],
    ['three weeks and no second day to compare', { workDays: 21 }, 'working'],
    ['silence goes before a stall', { workDays: 30, setDays: 9, moved: [['none', 'level']] }, 'silent'],
  ])('%s', (_, facts, word) => {
    expect(wordAt(facts)).toBe(word);
  });

  const random = seededRandom(7);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const anyFacts = (): Facts => ({
    pain: random() < 0.2,
    workDays: pick([null, 5, 20, 21, 40]),
    owned: random() < 0.2,
    gate: pick(['advance', 'hold', 'continue']),
    heldBy: pick([null, 'pain', 'swings', 'measure', 'reps']),
    setDays: pick([0, 3, 6, 7, 20]),
    moved: Array.from({ length: Math.floor(random() * 3) }, () => [
      pick(['real', 'maybe', 'none', 'cant_tell']),
      pick(['better', 'worse', 'level']),
    ]),
  });
  /** The rules once more, told the other way about: each word by itself, the most pressing first. */
  const wordByHand = (f: Facts): StandingWord => {
    const better = f.moved?.some(([v, d]) => d === 'better' && (v === 'real' || v === 'maybe'));
    const rules: [StandingWord, boolean][] = [
      ['pain', f.pain === true],
      ['new', f.workDays === null],
      ['owned', f.owned === true],
      ['gate_waiting', f.gate !== 'continue' && f.heldBy !== 'pain' && f.heldBy !== 'swings'],
      // A plan that is younger than the last set begins the week anew.
      ['silent', Math.min(f.setDays ?? 0, f.workDays ?? 0) >= 7],
      ['stalled', (f.workDays ?? 0) >= 21 && (f.moved?.length ?? 0) > 0 && !better],
    ];
    return rules.find(([, holds]) => holds)?.[0] ?? 'working';
  };
  test('is the most pressing word of those that hold, on 2,000 made-up files', () => {
    const met = new Set<StandingWord>();
    for (let i = 0; i < 2000; i++) {
      const facts = anyFacts();
      met.add(wordAt(facts));
      expect([facts, wordAt(facts)]).toEqual([facts, wordByHand(facts)]);
    }
    expect([...met].sort()).toEqual([...STANDINGS].sort());
  });
  test('is made once and read at any hour: time alone brings silence and a stall, and takes neither away', () => {
    for (let i = 0; i < 300; i++) {
      const made = standing(anyFacts());
      const words = Array.from({ length: 40 }, (_, d) => {
        const at = daysAgo(-d);
        return standingAt(made, at, at.slice(0, 10));
      });
      const rank = (word: StandingWord) => ['working', 'stalled', 'silent'].indexOf(word);
      if (made.now !== 'working') expect(new Set(words)).toEqual(new Set([made.now]));
      else
        for (let d = 1; d < words.length; d++)
          expect(rank(words[d] as StandingWord)).toBeGreaterThanOrEqual(rank(words[d - 1] as StandingWord));
    }
  });
});
