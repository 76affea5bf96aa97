import { describe, expect, test } from '@jest/globals';
import { gaussian, seededRandom } from '../../foundation/index.ts';
import type { Capture, Mark } from '../capture/index.ts';
import type { ViewKind } from '../intake/index.ts';
import { FRAME_FACTORS, fitLayout } from './fitLayout.ts';
import { fitBody, measureCapture } from './index.ts';
import { ADDRESS_BODY, type Body, exactCapture, movedBody } from './sampleBody.ts';
import { bellsTogether } from './teaching/bellsTogether.ts';

const bodies = {
  address: ADDRESS_BODY as Body,
  top: movedBody({ lead_hip: [-2.0, 2.0, -0.4], trail_hip: [-0.6, -2.6, 0.6], lead_knee: [-1.5, 2.2, 0] }),
};
const TRUE_SHIFT_TOP = -1.3;
const [OWN_PX, SHARED_PX] = [2, 16];
const HAND_PX = 4;

/** Marks that are off together by view and landmark, and with others of their frame; each a little besides. */
function off(capture: Capture, seed: number): Capture {
  const bell = bellsTogether(seededRandom(seed));
  const kindOf = new Map(capture.views.map(({ id, kind }) => [id, kind]));
  const marks = capture.marks.map((mark): Mark => {
    const by = (axis: 'across' | 'down') => {
      const kind = kindOf.get(mark.view) as ViewKind;
      return (
        SHARED_PX * bell(kind, 'clip', mark.landmark, axis) +
        OWN_PX * bell(kind, mark.station, mark.landmark, axis)
      );
    };
    return {
      ...mark,
      u: mark.u + by('across'),
      v: mark.v + by('down'),
      sdPx: OWN_PX,
      sharedSdPx: SHARED_PX,
    };
  });
  return { ...capture, marks };
}
/** The same doubt, taken for each mark's own. */
const eachByItself = (capture: Capture): Capture => ({
  ...capture,
  marks: capture.marks.map((mark) => ({
    ...mark,
    sdPx: Math.hypot(OWN_PX, SHARED_PX),
    sharedSdPx: undefined,
  })),
});
const shiftTop = (capture: Capture) => {
  const found = measureCapture(capture).measures.find(({ id }) => id === 'shift_top');
  if (!found) throw new Error('no shift at the top');
  return found;
};

describe('marks that are off together', () => {
  test('have an unknown of their own for each view and landmark; others add none', () => {
    const plain = exactCapture(bodies);
    const size = fitLayout(plain).size;
    expect(fitLayout(plain).offsets).toEqual([]);
    const some = off(plain, 1);
    const layout = fitLayout(some);
    const kinds = new Set(some.marks.map(({ view, landmark }) => `${view} ${landmark}`));
    expect(layout.offsets).toHaveLength(kinds.size);
    const frames = layout.stations.length * some.views.length;
    expect(layout.size).toBe(size + 2 * kinds.size + FRAME_FACTORS * frames);
    const at = layout.offsets.map((one) => one.at);
    expect(new Set(at).size).toBe(at.length);
    expect(Math.max(...at) + 1).toBeLessThan(layout.landmarkAt('address', 'lead_hip'));
  });
  test('what hands left open that taught them goes along with nothing: said so, such marks contradict each other no more', () => {
    const random = seededRandom(3);
    const exact = exactCapture(bodies);
    const taught = (handSdPx: number): Capture => ({
      ...exact,
      marks: exact.marks.map((mark) => ({ ...mark, sdPx: HAND_PX, sharedSdPx: 0.1, handSdPx })),
    });
    const strayed = (capture: Capture, by: readonly number[]): Capture => ({
      ...capture,
      marks: capture.marks.map((mark, i) => ({
        ...mark,
        u: mark.u + (by[2 * i] as number),
        v: mark.v + (by[2 * i + 1] as number),
      })),
    });
    const bells = exact.marks.flatMap(() => [HAND_PX * gaussian(random), HAND_PX * gaussian(random)]);
    const said = fitBody(strayed(taught(HAND_PX), bells)).cost;
    const unsaid = fitBody(strayed(taught(0), bells)).cost;
    // Half a chi-square: what two numbers a mark cost at most, with as many unknowns as bodies have.
    expect(said).toBeLessThan(exact.marks.length);
    expect(unsaid).toBeGreaterThan(1.4 * said);
    // More than all of its own is all of it.
    expect(fitBody(strayed(taught(10 * HAND_PX), bells)).cost).toBeCloseTo(said, 9);
  });
  test('what is measured since address hardly feels it', () => {
    const found = shiftTop(off(exactCapture(bodies), 2));
    const alone = shiftTop(eachByItself(off(exactCapture(bodies), 2)));
    expect(found.sd).toBeLessThan(0.5 * alone.sd);
    expect(Math.abs(found.value - TRUE_SHIFT_TOP)).toBeLessThan(2.5 * found.sd);
  });
  test('intervals hold: 95 of 100, give or take', () => {
    let held = 0;
    const n = 60;
    for (let seed = 0; seed < n; seed++) {
      const { lo95, hi95 } = shiftTop(off(exactCapture(bodies), 100 + seed));
      if (lo95 <= TRUE_SHIFT_TOP && TRUE_SHIFT_TOP <= hi95) held++;
    }
    expect(held / n).toBeGreaterThan(0.88);
  });
  test('a left-hander’s is told alike', () => {
    const capture = off(exactCapture(bodies), 5);
    const mirrored: Capture = {
      ...capture,
      golfer: { ...capture.golfer, handedness: 'left' },
      views: capture.views.map((view) => ({
        ...view,
        groundMarks: view.groundMarks.map((m) => ({ ...m, u: view.widthPx - m.u })),
      })),
      marks: capture.marks.map((mark) => ({
        ...mark,
        u: (capture.views.find(({ id }) => id === mark.view)?.widthPx as number) - mark.u,
      })),
    };
    expect(shiftTop(mirrored).value).toBeCloseTo(shiftTop(capture).value, 6);
    expect(shiftTop(mirrored).sd).toBeCloseTo(shiftTop(capture).sd, 6);
  });
});
