import { describe, expect, test } from '@jest/globals';
import { bandFor, type Place, resolveSchool, type StudentFacts } from '../intake/index.ts';
import type { ReadingRecord } from '../measures/index.ts';
import { HOUSE_LIBRARY } from '../prescription/index.ts';
import { type GateFile, gateStates, waitsForCoach } from './gateStates.ts';
import { climb, opensByCount } from './ladder.ts';
import type { GateWord, LoggedSet } from './practiceRecord.ts';
import { STAGES, type Stage } from './stages.ts';

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
  layer: 1,
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
  ])('%s', (_, gates, rung) => {
    const words = gates.map(({ stage, decision, day }) => ({
      kind: 'word' as const,
      date: day,
      stage,
      decision,
    }));
    expect(climb(words, { rungs: STAGES, opensAlone: opensByCount, layers: 1 }).stage).toBe(rung);
  });
});

/** A swing whose measures all lie in the middle of their bands. */
const reading = (at: string, speed = 'half'): ReadingRecord => ({
  swingId: at,
  aid: null,
  place: null,
  cue: null,
  recordedOn: at.slice(0, 10),
  speed,
  club: 'mid_iron',
  at,
  measures: measureIds().map((id) => {
    const band = bandFor(id, { ...BODY, club: 'mid_iron', school: resolveSchool({}) });
    const value =
      band.lo === null ? (band.hi ?? 0) - 3 : band.hi === null ? band.lo + 3 : (band.lo + band.hi) / 2;
    return { id, value, sd: 0.1, verdict: 'in', band };
  }),
});
const measureIds = (): string[] =>
  (HOUSE_LIBRARY.byId(DRILL)?.moves ?? []).filter((m) => !m.startsWith('ball.'));

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
const TO_HALF = [word('advance', 'still', '2027-03-02'), word('advance', 'slow', '2027-03-03')];

describe('gates from the records', () => {
  test('no drill in use, or one the library no longer knows, stands nowhere', () => {
    expect(gateStates(file({ prescription: { choices: [] } }), HOUSE_LIBRARY)).toEqual([]);
    expect(gateStates(file({ prescription: using('gone') }), HOUSE_LIBRARY)).toEqual([]);
  });
  test.each<[string, LoggedSet[], GateWord[], 'advance' | 'hold' | 'continue']>([
    ['seven passes on this rung', [set(SEVEN, 'half', '2027-03-05')], [], 'advance'],
    ['three misses', [set('FFF', 'half', '2027-03-05')], [], 'continue'],
    ['passes on another rung', [set(SEVEN, 'slow', '2027-03-05')], [], 'continue'],
    ['passes of another drill', [set(SEVEN, 'half', '2027-03-05', 'other')], [], 'continue'],
    ['passes of before the last word', [set(SEVEN, 'half', '2027-03-02')], [], 'continue'],
    [
      'passes of before the coach said stay',
      [set(SEVEN, 'half', '2027-03-05')],
      [word('hold', 'half', '2027-03-06')],
      'continue',
    ],
    [
      'passes over two days',
      [set('PPPP', 'half', '2027-03-05'), set('PPP', 'half', '2027-03-06')],
      [],
      'advance',
    ],
    ['a set that can’t be read', [set('PPPX', 'half', '2027-03-05')], [], 'continue'],
  ])('%s', (_, sets, gates, decision) => {
    const state = one({ practice: { sets, gates: [...TO_HALF, ...gates] } });
    expect([state?.stage, state?.gate.decision]).toEqual(['half', decision]);
  });
  test.each<[string, LoggedSet[], Stage]>([
    ['still and slow open by the count alone', [set(SEVEN, 'still', '2027-03-02')], 'slow'],
    ['one after the other', [set(SEVEN, 'still', '2027-03-02'), set(SEVEN, 'slow', '2027-03-03')], 'half'],
    ['passes of before the drill was chosen open nothing', [set(SEVEN, 'still', '2027-02-02')], 'still'],
    [
      'two “not yet” on slow lead down by themselves',
      [set(SEVEN, 'still', '2027-03-02'), set('FFFFFF', 'slow', '2027-03-03')],
      'still',
    ],
  ])('%s', (_, sets, stage) => {
    expect(one({ practice: { sets, gates: [] } })?.stage).toBe(stage);
  });
  test('a “not yet” begins the test anew and is counted; two propose a rung down, and the coach goes', () => {
    const at = (reps: string) =>
      one({ practice: { sets: [set(reps, 'half', '2027-03-05')], gates: TO_HALF } });
    expect(at('FFFPP')?.gate).toMatchObject({ decision: 'continue', notYets: 1, repsUsed: 2 });
    expect(at('FFFPP')?.proposesDown).toBe(false);
    expect(at('FFFFFFP')).toMatchObject({ stage: 'half', proposesDown: true });
  });
  test('the half rung asks for three swings at half speed that lie in band', () => {
    const practice = {
      sets: [set(SEVEN, 'half', '2027-03-05')],
      gates: [word('advance', 'still', '2027-03-02'), word('advance', 'slow', '2027-03-03')],
    };
    const held = (readings: ReadingRecord[]) =>
      one({ practice, measures: { readings } })?.held.map(({ code }) => code);
    expect(one({ practice })?.measures[0]).toMatchObject({ swings: 0, inBand: null });
    expect(held([])).toEqual(['swings']);
    const many = (speed: string, at = '2027-03-06') => [1, 2, 3].map(() => reading(at, speed));
    expect(held(many('full'))).toEqual(['swings']);
    expect(held(many('half', '2027-03-01'))).toEqual(['swings']);
    expect(held(many('half'))).toEqual([]);
  });
  test('a test at full speed needs its own repetitions and its own films', () => {
    const practice = { sets: [set(SEVEN, 'full', '2027-03-05')], gates: TO_HALF };
    const films = (speed: string) => ({ readings: [1, 2, 3].map(() => reading('2027-03-06', speed)) });
    const tested = (speed: string) => one({ practice, measures: films(speed) })?.fullTest?.held;
    expect(tested('half')?.map(({ code }) => code)).toEqual(['swings']);
    expect(tested('full')).toEqual([]);
    expect(one({ practice, measures: films('full') })?.held.map(({ code }) => code)).toEqual([
      'reps',
      'swings',
    ]);
    expect(one({ practice: { ...practice, sets: [] } })?.fullTest).toBeNull();
  });
  test('pain holds whatever else is open, and then nothing waits for the coach’s decision', () => {
    const practice = {
      sets: [set(SEVEN, 'clubs', '2027-03-10')],
      gates: [...TO_HALF, word('advance', 'full', '2027-03-09')],
    };
    const free = one({ practice });
    const hurt = one({ practice, heldSince: '2027-03-02T10:00:00Z' });
    expect([free && waitsForCoach(free), hurt && waitsForCoach(hurt)]).toEqual([true, false]);
    expect(hurt?.held[0]?.code).toBe('pain');
  });
});
