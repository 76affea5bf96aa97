import { describe, expect, test } from '@jest/globals';
import { bandFor, type Place, resolveSchool, type StudentFacts } from '../intake/index.ts';
import type { ReadingRecord } from '../measures/index.ts';
import { HOUSE_LIBRARY } from '../prescription/index.ts';
import { type GateFile, gateStates, waitsForCoach } from './gateStates.ts';
import type { GateWord, LoggedSet } from './practiceRecord.ts';
import { rungOf } from './rung.ts';
import type { Stage } from './stages.ts';

const DRILL = 'knee_swap';
const word = (decision: GateWord['decision'], stage: Stage, at: string, drill = DRILL): GateWord => ({
  drill,
  stage,
  decision,
  at,
  day: at.slice(0, 10),
});
let made = 0;
const set = (reps: string, stage: Stage, at: string, drill = DRILL): LoggedSet => ({
  id: `set ${made++}`,
  doneAt: null,
  from: 'student',
  device: null,
  date: at.slice(0, 10),
  drill,
  stage,
  reps,
  at,
});

describe('the rung a drill stands on', () => {
  test.each<[string, GateWord[], Stage]>([
    ['nothing decided', [], 'still'],
    ['one up', [word('advance', 'still', '1')], 'slow'],
    ['held', [word('advance', 'still', '1'), word('hold', 'slow', '2')], 'slow'],
    [
      'up, up, back',
      [word('advance', 'still', '1'), word('advance', 'slow', '2'), word('back', 'half', '3')],
      'slow',
    ],
    ['back from the first', [word('back', 'still', '1')], 'still'],
    ['up from the last', [word('advance', 'course', '1')], 'course'],
    ['another drill’s word', [word('advance', 'still', '1', 'other')], 'still'],
  ])('%s', (_, gates, rung) => {
    expect(rungOf(gates, DRILL)).toBe(rung);
  });
});

const reading = (at: string, value: number, speed = 'half'): ReadingRecord => ({
  swingId: at,
  aid: null,
  place: null,
  cue: null,
  recordedOn: at.slice(0, 10),
  speed,
  club: 'mid_iron',
  at,
  measures: [measureId()].map((id) => ({
    id,
    value,
    sd: 0.1,
    verdict: 'in',
    band: bandFor(id, { ...BODY, club: 'mid_iron', school: resolveSchool({}) }),
  })),
});
const measureId = (): string =>
  HOUSE_LIBRARY.byId(DRILL)?.moves.find((m) => !m.startsWith('ball.')) as string;

const BODY = { heightIn: 70, flexibility: 'usual', armSwing: 'usual' } as const;
const FACTS: StudentFacts = {
  ...BODY,
  handedness: 'right',
  ageYears: 40,
  beginner: false,
  limits: [],
  aids: [],
  places: ['home', 'range'] satisfies Place[],
  cueLiking: { kind: 'any', side: 'any' },
  films: ['face_on'],
  minutesPerWeek: 90,
  ballsPerVisit: 60,
};
const using = (drill: string, at = '2027-03-01T09:00:00Z') => ({
  choices: [
    {
      drills: [drill],
      forFault: 'sway',
      at,
      day: at.slice(0, 10),
      endedAt: null,
      endedDay: null,
      reached: {},
    },
  ],
});
const file = (more: Partial<GateFile> & { heldSince?: string } = {}): GateFile => ({
  practice: { sets: [], gates: [] },
  measures: { readings: [] },
  prescription: using(DRILL),
  intake: { facts: FACTS, school: resolveSchool({}), heldSince: more.heldSince ?? null },
  ...more,
});
const one = (more: Partial<GateFile> & { heldSince?: string }) => gateStates(file(more), HOUSE_LIBRARY)[0];
const SEVEN = 'PPPPPPP';

describe('gates from the records', () => {
  test('no drill in use, or one the library no longer knows, stands nowhere', () => {
    expect(gateStates(file({ prescription: { choices: [] } }), HOUSE_LIBRARY)).toEqual([]);
    expect(gateStates(file({ prescription: using('gone') }), HOUSE_LIBRARY)).toEqual([]);
  });
  test.each<[string, LoggedSet[], GateWord[], 'advance' | 'hold' | 'continue']>([
    ['seven passes on this rung', [set(SEVEN, 'still', '2027-03-02')], [], 'advance'],
    ['three misses', [set('FFF', 'still', '2027-03-02')], [], 'hold'],
    ['passes on another rung', [set(SEVEN, 'slow', '2027-03-02')], [], 'continue'],
    ['passes of another drill', [set(SEVEN, 'still', '2027-03-02', 'other')], [], 'continue'],
    ['passes of before the drill was chosen', [set(SEVEN, 'still', '2027-02-02')], [], 'continue'],
    [
      'passes of before the last word',
      [set(SEVEN, 'still', '2027-03-02')],
      [word('hold', 'still', '2027-03-03')],
      'continue',
    ],
    [
      'passes over two days',
      [set('PPPP', 'still', '2027-03-02'), set('PPP', 'still', '2027-03-03')],
      [],
      'advance',
    ],
    ['a set that can’t be read', [set('PPPX', 'still', '2027-03-02')], [], 'continue'],
  ])('%s', (_, sets, gates, decision) => {
    expect(one({ practice: { sets, gates } })?.gate.decision).toBe(decision);
  });
  test('the half rung asks for three swings at half speed that lie in band', () => {
    const practice = {
      sets: [set(SEVEN, 'half', '2027-03-05')],
      gates: [word('advance', 'still', '2027-03-02'), word('advance', 'slow', '2027-03-03')],
    };
    const held = (readings: ReadingRecord[]) =>
      one({ practice, measures: { readings } })?.held.map(({ code }) => code);
    const band = one({ practice })?.measure;
    expect(band).toMatchObject({ swings: 0, inBand: null });
    expect(held([])).toEqual(['swings']);
    const many = (speed: string, at = '2027-03-06') => [1, 2, 3].map(() => reading(at, inBandValue(), speed));
    expect(held(many('full'))).toEqual(['swings']);
    expect(held(many('half', '2027-03-01'))).toEqual(['swings']);
    expect(held(many('half'))).toEqual([]);
  });
  test('pain holds whatever else is open, and then nothing waits for the coach’s decision', () => {
    const practice = { sets: [set(SEVEN, 'still', '2027-03-02')], gates: [] };
    const free = one({ practice });
    const hurt = one({ practice, heldSince: '2027-03-02T10:00:00Z' });
    expect([free && waitsForCoach(free), hurt && waitsForCoach(hurt)]).toEqual([true, false]);
    expect(hurt?.held[0]?.code).toBe('pain');
  });
});

/** A value well inside the measure's band for the player above. */
function inBandValue(): number {
  for (let value = -60; value <= 120; value += 0.25) {
    const readings = [1, 2, 3].map(() => reading('2027-03-06', value));
    const practice = {
      sets: [],
      gates: [word('advance', 'still', '2027-03-02'), word('advance', 'slow', '2027-03-03')],
    };
    if ((one({ practice, measures: { readings } })?.measure.inBand ?? 0) > 0.999) return value;
  }
  throw new Error('inBandValue: the band holds nothing');
}
