import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fileKind } from './fileKind.ts';

describe('what a chosen file holds', () => {
  test.each([
    ['swing.c3d', [], 'motion'],
    ['SWING.TRC', [], 'motion'],
    ['a.csv', ['time_s', 'lead_hip_x', 'lead_hip_y', 'lead_hip_z'], 'motion'],
    ['a.csv', ['Time', 'left hip.x (mm)', 'left hip.y (mm)', 'left hip.z (mm)'], 'motion'],
    ['a.csv', ['t', 'lead', 'trail'], 'pressure'],
    ['a.csv', ['time_s', 'lead_share'], 'pressure'],
    ['a.csv', ['Club speed', 'Ball speed', 'Carry'], 'shots'],
    ['a.csv', ['lead share', 'carry'], 'shots'],
    ['a.csv', [], 'shots'],
  ] as const)('%s with %j: %s', (name, headings, kind) => {
    expect(fileKind(name, headings)).toBe(kind);
  });
  test('the order of the columns and spaces about them are nothing', () => {
    const headings = ['time_s', 'lead_hip_x', 'lead_hip_y', 'lead_hip_z', 'note'];
    fc.assert(
      fc.property(fc.shuffledSubarray(headings, { minLength: headings.length }), (order) => {
        expect(
          fileKind(
            'a.csv',
            order.map((h) => `  ${h.toUpperCase()} `),
          ),
        ).toBe('motion');
      }),
      { seed: 3 },
    );
  });
});
