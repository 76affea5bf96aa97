import { diagnose } from '@inchstep/core/diagnosis';
import { resolveSchool } from '@inchstep/core/intake';
import { describe, expect, test } from '@jest/globals';
import { faultStory } from './FaultStory.tsx';

const at = (day: string, shiftTop: number, past: number) => ({
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

describe('the fault story', () => {
  test('oldest first, with its steps, until it is gone', () => {
    const [sway] = faultStory([at('20', 0, -1.5), at('10', -1.8, 1.2), at('01', -2.8, 2)]);
    expect(sway?.fault).toBe('sway');
    expect(sway?.points.map((p) => p.at.slice(8, 10))).toEqual(['01', '10', '20']);
    const steps = sway?.points.map((p) => p.steps) ?? [];
    expect(steps[0]).toBeGreaterThan(steps[1] as number);
    expect(steps[2]).toBeNull();
    expect(sway?.points.map((p) => p.root)).toEqual([true, true, false]);
  });
  test('nothing believed is no story', () => {
    expect(faultStory([at('01', 0, -1.5)])).toEqual([]);
    expect(faultStory([])).toEqual([]);
  });
});
