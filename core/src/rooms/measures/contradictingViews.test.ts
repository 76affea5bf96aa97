import { describe, expect, test } from '@jest/globals';
import type { Capture } from '../capture/index.ts';
import type { ViewKind } from '../intake/index.ts';
import { withoutContradiction } from './contradictingViews.ts';
import { fitBody, measureCapture } from './index.ts';
import { ADDRESS_BODY, type Body, exactCapture, movedBody } from './sampleBody.ts';

const TOP = movedBody({
  lead_hip: [-2.0, 3.2, -0.4],
  trail_hip: [-0.6, -3.8, 0.6],
  lead_knee: [-1.5, 3.2, 0],
});
const bodies = { address: ADDRESS_BODY as Body, top: TOP, delivery: TOP, impact: TOP, finish: TOP };
const [OWN_PX, SHARED_PX] = [6, 5];
/** Every place as a network proposes it: with a doubt of its own and one that stays. */
const proposed = (capture: Capture): Capture => ({
  ...capture,
  marks: capture.marks.map((mark) => ({ ...mark, sdPx: OWN_PX, sharedSdPx: SHARED_PX })),
});
const behind = (capture: Capture) => capture.views.find(({ kind }) => kind === 'down_the_line')?.id ?? '';
const kept = (capture: Capture): Capture => withoutContradiction(capture, fitBody(capture));
/** From behind another body was seen: it stands elsewhere, is turned the other way, and rises. */
const OTHER_TOP = movedBody({
  head: [0, 9, -9],
  lead_hip: [0, -9, 9],
  trail_hip: [0, 9, 9],
  lead_knee: [0, -12, 6],
});
const OTHER = {
  address: movedBody({ head: [0, 0, -9], lead_hip: [0, -6, 8], trail_hip: [0, 6, 8], lead_knee: [0, -8, 5] }),
  top: OTHER_TOP,
  delivery: OTHER_TOP,
  impact: OTHER_TOP,
  finish: OTHER_TOP,
};
const muddled = (capture: Capture, kinds?: readonly ViewKind[]): Capture => {
  const view = behind(capture);
  const other = exactCapture(OTHER, kinds).marks;
  return {
    ...capture,
    marks: capture.marks.map((mark) => {
      const seen = other.find(
        (one) => one.view === view && one.station === mark.station && one.landmark === mark.landmark,
      );
      return mark.view === view && seen ? { ...mark, u: seen.u, v: seen.v } : mark;
    }),
  };
};

describe('two views of proposals', () => {
  test('that agree are both kept', () => {
    const capture = proposed(exactCapture(bodies));
    expect(kept(capture)).toBe(capture);
  });
  test('that can’t be one body: what was proposed from behind is left out, and nothing wrong is told', () => {
    const capture = muddled(proposed(exactCapture(bodies)));
    const rest = kept(capture);
    expect(rest.marks.some(({ view }) => view === behind(capture))).toBe(false);
    expect(rest.marks.length).toBe(capture.marks.filter(({ view }) => view !== behind(capture)).length);
    const shift = measureCapture(capture).measures.find(({ id }) => id === 'shift_top');
    expect((shift?.lo95 as number) <= -1.3 && -1.3 <= (shift?.hi95 as number)).toBe(true);
  });
  test('what a hand has checked stays, and one view alone contradicts nobody', () => {
    const capture = muddled(proposed(exactCapture(bodies)));
    const view = behind(capture);
    const checked: Capture = {
      ...capture,
      marks: capture.marks.map((mark) =>
        mark.view === view && mark.landmark === 'head' ? { ...mark, sharedSdPx: undefined } : mark,
      ),
    };
    const rest = kept(checked);
    const left = rest.marks.filter((mark) => mark.view === view).map(({ landmark }) => landmark);
    expect([...new Set(left)]).toEqual(['head']);
    const alone = muddled(proposed(exactCapture(bodies, ['down_the_line'])), ['down_the_line']);
    expect(kept(alone)).toBe(alone);
  });
  test('marks of a hand are never left out by this', () => {
    const capture = muddled(exactCapture(bodies));
    expect(kept(capture)).toBe(capture);
  });
});
