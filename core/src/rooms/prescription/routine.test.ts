import { describe, expect, test } from '@jest/globals';
import type { Club, School } from '../intake/index.ts';
import { ROUTINE_STEPS, routineFor } from './routine.ts';

const stepsOf = (setup_bias: School['setup_bias'], club: Club = 'mid_iron') =>
  routineFor({ setup_bias }, club).map(({ step }) => step);
const sizeOf = (setup_bias: School['setup_bias'], step: string, club: Club) =>
  routineFor({ setup_bias }, club).find((of) => of.step === step);

describe('the routine before a swing', () => {
  test.each<[School['setup_bias'], string[]]>([
    ['centred', ['grip', 'posture', 'stance', 'aim', 'trigger', 'go']],
    ['preset', ['grip', 'posture', 'stance', 'aim', 'preset', 'trigger', 'go']],
    ['pressed', ['grip', 'posture', 'stance', 'aim', 'press', 'go']],
    ['opened', ['grip', 'posture', 'stance', 'aim', 'shuffle', 'go']],
  ])('%s', (bias, steps) => {
    expect(stepsOf(bias)).toEqual(steps);
    const places = stepsOf(bias).map((step) => ROUTINE_STEPS.indexOf(step));
    expect(places).toEqual([...places].sort((a, b) => a - b));
  });
  test('wedges want less; from the long irons up the breastbone goes an inch away', () => {
    expect(sizeOf('preset', 'preset', 'wedge')).toMatchObject({ sizeIn: [0.5, 0.5], breastboneAwayIn: 0 });
    expect(sizeOf('preset', 'preset', 'mid_iron')).toMatchObject({ sizeIn: [1, 1], breastboneAwayIn: 0 });
    expect(sizeOf('preset', 'preset', 'driver')).toMatchObject({ sizeIn: [1, 1], breastboneAwayIn: 1 });
    const wedge = sizeOf('opened', 'shuffle', 'wedge')?.sizeIn?.[1] ?? 0;
    expect(wedge).toBeLessThan(sizeOf('opened', 'shuffle', 'driver')?.sizeIn?.[1] ?? 0);
  });
});
