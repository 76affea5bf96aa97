import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../../foundation/index.ts';
import { MARKS_WANTED, type Mark } from '../../capture/index.ts';
import { measureCapture } from '../index.ts';
import { ADDRESS_BODY, exactCapture, movedBody } from '../sampleBody.ts';
import { bellsTogether } from './bellsTogether.ts';
import { aloneShare, FACTORS, loadingsOf, uncorrelated } from './togetherTable.ts';

const VIEWS = ['face_on', 'down_the_line'] as const;
const AXES = ['across', 'down'] as const;
const dot = (a: readonly number[], b: readonly number[]) =>
  a.reduce((sum, x, i) => sum + x * (b[i] as number), 0);

describe('what goes wrong together', () => {
  test('every place that is proposed has its row, and something left of its own', () => {
    for (const view of VIEWS)
      for (const landmark of MARKS_WANTED[view])
        for (const axis of AXES) {
          const loadings = loadingsOf(view, landmark)[axis];
          expect(loadings).toHaveLength(FACTORS);
          expect([landmark, loadings.some((x) => x !== 0)]).toEqual([landmark, true]);
          expect(aloneShare(loadings)).toBeGreaterThan(0.2);
        }
  });
  test('a place that nobody has looked at goes wrong by itself', () => {
    expect(loadingsOf('face_on', 'ball').across).toEqual([0, 0, 0, 0]);
    expect(aloneShare([0, 0, 0, 0])).toBe(1);
    expect(uncorrelated('face_on', ['ball', 'grip'], 'down')).toEqual([
      [1, 0],
      [0, 1],
    ]);
  });
  test('two landmarks made into two that know nothing of each other, by hand', () => {
    // r their correlation: [1 0; -r 1] / [1, sqrt(1 - r²)].
    const [hip, other] = ['lead_hip', 'trail_hip'].map(
      (landmark) => loadingsOf('face_on', landmark as 'lead_hip').down,
    ) as [number[], number[]];
    const r = dot(hip, other);
    expect(r).toBeGreaterThan(0.4);
    const [first, second] = uncorrelated('face_on', ['lead_hip', 'trail_hip'], 'down') as [
      number[],
      number[],
    ];
    expect(first).toEqual([1, 0]);
    expect(second[0]).toBeCloseTo(-r / Math.sqrt(1 - r * r), 12);
    expect(second[1]).toBeCloseTo(1 / Math.sqrt(1 - r * r), 12);
  });
  test('all of a view’s become uncorrelated ones of sd 1, and so do those that are drawn', () => {
    for (const view of VIEWS)
      for (const axis of AXES) {
        const landmarks = MARKS_WANTED[view];
        const rows = uncorrelated(view, landmarks, axis);
        const loadings = landmarks.map((landmark) => loadingsOf(view, landmark)[axis]);
        const together = (i: number, j: number) => (i === j ? 1 : dot(loadings[i] ?? [], loadings[j] ?? []));
        for (const [i, a] of rows.entries())
          for (const [j, b] of rows.entries()) {
            const covariance = a.reduce(
              (sum, x, k) => sum + b.reduce((part, y, l) => part + x * y * together(k, l), 0),
              0,
            );
            expect(covariance).toBeCloseTo(Number(i === j), 9);
          }
        const random = seededRandom(5);
        const [n, last] = [3000, landmarks.length - 1];
        let square = 0;
        for (let k = 0; k < n; k++) {
          const bell = bellsTogether(random);
          square +=
            dot(
              rows[last] as number[],
              landmarks.map((landmark) => bell(view, 'clip', landmark, axis)),
            ) ** 2;
        }
        expect(Math.abs(square / n - 1)).toBeLessThan(0.1);
      }
  });
});

describe('in the fit', () => {
  const bodies = {
    address: ADDRESS_BODY,
    top: movedBody({ lead_hip: [-2, 2, -0.4], trail_hip: [-0.6, -2.6, 0.6], lead_knee: [-1.5, 2.2, 0] }),
  };
  const PX = 12;
  /** Marks of the same doubt, each off by itself or as a network's are. */
  const sdOf = (measure: string, more: Partial<Mark>) => {
    const capture = exactCapture(bodies, ['face_on']);
    const marks = capture.marks.map((mark) => ({ ...mark, sdPx: PX, ...more }));
    const found = measureCapture({ ...capture, marks }).measures.find(({ id }) => id === measure);
    return found?.sd ?? Number.NaN;
  };
  test('hips that are off to either side leave the pelvis’s middle where it is, and its shift surer', () => {
    expect(sdOf('shift_top', { sharedSdPx: 0.1 })).toBeLessThan(0.95 * sdOf('shift_top', {}));
  });
});
