import { describe, expect, test } from '@jest/globals';
import { diagnose } from '../diagnosis/index.ts';
import { resolveSchool } from '../intake/index.ts';
import { type DatedDiagnosis, faultStory } from './faultStory.ts';

const dated = (
  day: string,
  strengths: Readonly<Record<string, number>>,
  roots: readonly (readonly [string, ...string[]])[],
): DatedDiagnosis => ({
  at: `2027-03-${day}T10:00:00.000Z`,
  result: {
    faults: Object.fromEntries(Object.keys(strengths).map((id) => [id, 0.9])),
    strengths,
    roots: roots.map(([fault, ...explains]) => ({ fault, explains })),
  },
});
const diagnosed = (day: string, shiftTop: number, past: number) => ({
  at: `2027-03-${day}T10:00:00.000Z`,
  result: diagnose({
    student: {
      handedness: 'right',
      heightIn: 70,
      ageYears: 40,
      flexibility: 'usual',
      armSwing: 'usual',
      beginner: false,
      limits: [],
      aids: [],
      places: ['home'],
      cueLiking: { kind: 'any', side: 'any' },
      films: ['face_on'],
      minutesPerWeek: 100,
      ballsPerVisit: 0,
    },
    school: resolveSchool({}),
    club: 'mid_iron',
    measures: [
      { id: 'shift_top', value: shiftTop, sd: 0.15 },
      { id: 'trail_hip_past_line', value: past, sd: 0.15 },
    ],
    findings: [],
    active: [],
    history: [],
  }),
});

const named = (lines: ReturnType<typeof faultStory>) =>
  lines.map(({ fault, follows }) => [fault, follows ?? '-'].join(' < '));

describe('the fault story', () => {
  test('goes by date, and holds each strength until the fault is gone', () => {
    const [sway] = faultStory([
      dated('20', {}, []),
      dated('10', { sway: 1.2 }, [['sway']]),
      dated('01', { sway: 2.4 }, [['sway']]),
    ]);
    expect(sway?.points.map(({ at, steps, root }) => [at.slice(8, 10), steps, root])).toEqual([
      ['01', 2.4, true],
      ['10', 1.2, true],
      ['20', null, false],
    ]);
  });
  test('followers stand behind the root that explains them, whatever came up between', () => {
    const lines = faultStory([
      dated('01', { sway: 2, stall: 1 }, [['sway'], ['stall']]),
      dated('10', { sway: 2, stall: 1, hang_back: 1.5 }, [['sway', 'hang_back'], ['stall']]),
    ]);
    expect(named(lines)).toEqual(['sway < -', 'hang_back < sway', 'stall < -']);
  });
  test('a root that turns out to follow is laid to the later root from then on', () => {
    const lines = faultStory([
      dated('01', { hang_back: 1.5 }, [['hang_back']]),
      dated('10', { hang_back: 1.5, sway: 2 }, [['sway', 'hang_back']]),
    ]);
    expect(named(lines)).toEqual(['sway < -', 'hang_back < sway']);
    expect(lines[1]?.points.map(({ root, follows }) => [root, follows])).toEqual([
      [true, null],
      [false, 'sway'],
    ]);
  });
  test('who follows what follows is kept, and nothing is named twice', () => {
    const lines = faultStory([
      dated('01', { hang_back: 1, stall: 1 }, [['hang_back', 'stall']]),
      dated('10', { hang_back: 1, sway: 2 }, [['sway', 'hang_back']]),
    ]);
    expect(named(lines)).toEqual(['sway < -', 'hang_back < sway', 'stall < hang_back']);
  });
  test('nothing believed is no story; two of one moment keep their order', () => {
    expect(faultStory([])).toEqual([]);
    expect(faultStory([dated('01', {}, [])])).toEqual([]);
    const twice = [dated('01', { sway: 1 }, [['sway']]), dated('01', { sway: 2 }, [['sway']])];
    expect(faultStory(twice)[0]?.points.map(({ steps }) => steps)).toEqual([1, 2]);
  });
  test('of real diagnoses: the steps go down until the fault is gone', () => {
    const [sway] = faultStory([
      diagnosed('20', 0, -1.5),
      diagnosed('10', -1.8, 1.2),
      diagnosed('01', -2.8, 2),
    ]);
    expect(sway?.fault).toBe('sway');
    const steps = sway?.points.map((p) => p.steps) ?? [];
    expect(steps[0]).toBeGreaterThan(steps[1] as number);
    expect(steps[2]).toBeNull();
    expect(sway?.points.map((p) => p.root)).toEqual([true, true, false]);
  });
});
