import { describe, expect, test } from '@jest/globals';
import { bandFor } from '../intake/index.ts';
import { bandContextOf } from './caseFile.ts';
import { diagnose } from './diagnose.ts';
import { FAULTS } from './faultTable.ts';
import { MEASURE_FINDINGS } from './findings.ts';
import { sampleCase } from './sampleCase.ts';

const context = bandContextOf(sampleCase());

/** A measure this many steps beyond the side of its band that the finding names. */
function beyond(finding: string, steps: number) {
  const [id, side] = finding.split('.') as [string, 'low' | 'high'];
  const { lo, hi, step } = bandFor(id, context);
  const value = side === 'low' ? (lo as number) - steps * step : (hi as number) + steps * step;
  return { id, value, sd: 0.15 * step };
}

const usual = FAULTS.flatMap((fault) =>
  fault.evidence
    .filter((e) => e.strength === 3 && !e.onlyFor && MEASURE_FINDINGS.some((id) => id === e.finding))
    .map((e) => [fault.id, e.finding] as const),
);

describe('a single finding of strength 3', () => {
  test.each(usual)('%s is believed from %s clearly out, and is the root', (fault, finding) => {
    const d = diagnose(sampleCase({ measures: [beyond(finding, 1.6)] }));
    expect(d.faults[fault]).toBeGreaterThan(0.5);
    expect(d.roots.map((root) => root.fault)).toEqual([fault]);
  });
  test.each(usual)('%s is less likely from %s slightly out than from clearly out', (fault, finding) => {
    const at = (steps: number) =>
      diagnose(sampleCase({ measures: [beyond(finding, steps)] })).faults[fault] as number;
    expect(at(0.3)).toBeLessThan(at(1.5));
  });
});

describe('two sides of one measure', () => {
  test('a fault that shows on either side is not doubted for missing the other', () => {
    const low = diagnose(sampleCase({ measures: [beyond('head_shift_top.low', 1.6)] }));
    const high = diagnose(sampleCase({ measures: [beyond('head_shift_top.high', 1.6)] }));
    expect(low.faults.head_drift).toBeGreaterThan(0.5);
    expect(high.faults.head_drift).toBeGreaterThan(0.5);
  });
  test('inside the band speaks against it once, not twice', () => {
    const none = diagnose(sampleCase()).faults.head_drift as number;
    const inside = diagnose(sampleCase({ measures: [{ id: 'head_shift_top', value: -0.6, sd: 0.1 }] })).faults
      .head_drift as number;
    expect(inside).toBeLessThan(none / 3);
    expect(inside).toBeGreaterThan(none / 30);
  });
});

test('a cause without a finding of its own takes no blame: the fault that shows is the root', () => {
  const d = diagnose(sampleCase({ measures: [beyond('incline_loss_chest_through.high', 1.6)] }));
  expect(d.roots.map((root) => root.fault)).toEqual(['stands_up']);
  expect(d.leaveAlone.map((l) => l.fault)).not.toContain('stands_up');
});
