import { describe, expect, test } from '@jest/globals';
import { compareDiagnoses } from './compare.ts';
import { diagnose } from './diagnose.ts';
import { sampleCase } from './sampleCase.ts';

const at = (shiftTop: number | null, sd = 0.15) =>
  diagnose(
    sampleCase({
      measures:
        shiftTop === null
          ? []
          : [
              { id: 'shift_top', value: shiftTop, sd },
              { id: 'trail_hip_past_line', value: shiftTop < -0.7 ? 1.6 : -1.5, sd },
            ],
    }),
  );
const course = (before: ReturnType<typeof at>, now: ReturnType<typeof at>) =>
  compareDiagnoses(before, now).find((c) => c.fault === 'sway')?.course;

describe('how a fault went since the last diagnosis', () => {
  const none = at(0);
  const clear = at(-2);
  const strong = at(-3.4);
  test.each([
    ['new', none, clear],
    ['worse', clear, strong],
    ['improved', strong, clear],
    ['same', clear, at(-2.1)],
    ['resolved', clear, none],
    ['unsure', clear, at(null)],
  ] as const)('%s', (wanted, before, now) => {
    expect(course(before, now)).toBe(wanted);
  });
  test('what was never believed is not listed', () => {
    expect(compareDiagnoses(none, at(0.1))).toEqual([]);
  });
});
