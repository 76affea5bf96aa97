import { describe, expect, test } from '@jest/globals';
import { gaussian, seededRandom } from '../../foundation/index.ts';
import { type Capture, cameraPrior, type Mark, mirrorToRightHanded } from '../capture/index.ts';
import { fitLayout } from './fitLayout.ts';
import { fitBody, type Measured, measureCapture } from './index.ts';
import { NormalEquations } from './normalEquations.ts';
import { PriorResiduals } from './priorResiduals.ts';
import { ADDRESS_BODY, type Body, exactCapture, movedBody } from './sampleBody.ts';
import { startingVector } from './startingVector.ts';

const address = ADDRESS_BODY as Body;
const topBody = movedBody({
  lead_hip: [-2.0, 2.0, -0.4],
  trail_hip: [-0.6, -2.6, 0.6],
  lead_knee: [-1.5, 2.2, 0],
  trail_knee: [0.5, -1, 0.2],
  seat: [-0.5, -0.4, 0],
  neck: [-2, -0.5, 0],
  sternum: [-2.5, -0.5, 0],
  head: [-1, 0, 0],
});
const bodies = { address, top: topBody };

function noisy(capture: Capture, seed: number): Capture {
  const random = seededRandom(seed);
  const shake = (mark: Mark): Mark => ({
    ...mark,
    u: mark.u + mark.sdPx * gaussian(random),
    v: mark.v + mark.sdPx * gaussian(random),
  });
  return { ...capture, marks: capture.marks.map(shake) };
}

const byId = (measured: Measured) => new Map(measured.measures.map((m) => [m.id, m]));
const TRUE_SHIFT_TOP = -1.3;
const TRUE_TURN_TOP = (Math.atan2(4.6, 5.6) * 180) / Math.PI;

describe('an exact picture of a known body', () => {
  const exact = byId(measureCapture(exactCapture(bodies, ['face_on', 'down_the_line'], 0.5)));
  test('two views give the shift to a tenth of an inch and the turn to two degrees', () => {
    expect(exact.get('shift_top')?.value).toBeCloseTo(TRUE_SHIFT_TOP, 1);
    expect(Math.abs((exact.get('turn_top')?.value ?? 0) - TRUE_TURN_TOP)).toBeLessThan(2);
    expect(Math.abs((exact.get('seat_drift_top')?.value ?? 9) - -0.4)).toBeLessThan(0.15);
  });
  test('every interval holds its own value and has a width', () => {
    for (const { sd, lo95, hi95, value } of exact.values()) {
      expect(sd).toBeGreaterThan(0);
      expect(lo95).toBeLessThan(value);
      expect(hi95).toBeGreaterThan(value);
    }
  });
  test('one view sees the same shift, less surely, and the turn far less surely', () => {
    const two = byId(measureCapture(exactCapture(bodies)));
    const one = byId(measureCapture(exactCapture(bodies, ['face_on'])));
    expect(one.get('shift_top')?.value).toBeCloseTo(TRUE_SHIFT_TOP, 0);
    expect(one.get('turn_top')?.sd).toBeGreaterThan(1.3 * (two.get('turn_top')?.sd ?? 0));
  });
});

describe('what must not matter', () => {
  const capture = noisy(exactCapture(bodies), 5);
  const reference = measureCapture(capture);

  test('a mirrored capture of a left-hander gives identical measures', () => {
    const left: Capture = {
      ...mirrorToRightHanded({ ...capture, golfer: { ...capture.golfer, handedness: 'left' } }),
    };
    const mirrored: Capture = { ...left, golfer: { ...left.golfer, handedness: 'left' } };
    const got = byId(measureCapture(mirrored));
    for (const { id, value, sd } of reference.measures) {
      expect(got.get(id)?.value).toBeCloseTo(value, 6);
      expect(got.get(id)?.sd).toBeCloseTo(sd, 6);
    }
  });

  test.each([1, 2, 3])('the order of marks (shuffle %i)', (seed) => {
    const random = seededRandom(seed);
    const marks = [...capture.marks]
      .map((mark) => ({ mark, key: random() }))
      .sort((a, b) => a.key - b.key)
      .map(({ mark }) => mark);
    const got = byId(measureCapture({ ...capture, marks }));
    for (const { id, value, sd } of reference.measures) {
      expect(got.get(id)?.value).toBeCloseTo(value, 4);
      expect(got.get(id)?.sd).toBeCloseTo(sd, 4);
    }
  });
});

describe('more marks', () => {
  const full = exactCapture(bodies);
  test.each(['face_on/lead_ankle', 'down_the_line/lead_hip', 'face_on/neck'])(
    'adding %s widens no interval beyond a hundredth',
    (which) => {
      const [view, landmark] = which.split('/');
      const fewer = {
        ...full,
        marks: full.marks.filter((m) => !(m.view === view && m.landmark === landmark && m.station === 'top')),
      };
      const less = byId(measureCapture(fewer));
      const more = byId(measureCapture(full));
      for (const [id, { sd }] of less) expect(more.get(id)?.sd).toBeLessThanOrEqual(sd * 1.01);
    },
  );
});

describe('one wrong mark', () => {
  const good = noisy(exactCapture(bodies), 8);
  const wrongAt = good.marks.findIndex(
    (m) => m.view === 'face_on' && m.station === 'top' && m.landmark === 'lead_knee',
  );
  const spoiled: Capture = {
    ...good,
    marks: good.marks.map((m, i) => (i === wrongAt ? { ...m, u: m.u + 90 } : m)),
  };
  const measured = measureCapture(spoiled);
  test('is named first', () => {
    expect(measured.suspects[0]?.mark).toMatchObject({
      view: 'face_on',
      station: 'top',
      landmark: 'lead_knee',
    });
    expect(measured.suspects[0]?.offBySds).toBeGreaterThan(6);
  });
  test('does not bend the shift', () => {
    const clean = byId(measureCapture(good)).get('shift_top');
    const bent = byId(measured).get('shift_top');
    expect(Math.abs((bent?.value ?? 9) - (clean?.value ?? 0))).toBeLessThan(0.5 * (clean?.sd ?? 0));
  });
  test('a clean capture has no suspects', () => {
    expect(measureCapture(exactCapture(bodies)).suspects).toEqual([]);
  });
});

describe('what was not marked', () => {
  const capture = noisy(exactCapture({ address, impact: topBody }), 8);
  const without = (landmarks: readonly string[], station: string) => ({
    ...capture,
    marks: capture.marks.filter((m) => m.station !== station || !landmarks.includes(m.landmark)),
  });
  test('is predicted where the body leaves no doubt, a little less surely: ankles that stay planted', () => {
    const marked = byId(measureCapture(capture)).get('lead_hip_past_ankle_impact');
    const less = byId(measureCapture(without(['lead_ankle', 'lead_heel', 'lead_toe'], 'impact')));
    const predicted = less.get('lead_hip_past_ankle_impact');
    if (!marked || !predicted) throw new Error('not told');
    expect(Math.abs(predicted.value - marked.value)).toBeLessThan(2 * predicted.sd);
    expect(predicted.sd).toBeGreaterThan(marked.sd);
  });
  test('is not told where it could be anywhere: no neck, no lean; no hips, nothing', () => {
    expect(byId(measureCapture(without(['neck'], 'address'))).has('trunk_lean_address')).toBe(false);
    const blind = byId(measureCapture(without(['lead_hip', 'trail_hip'], 'impact')));
    expect(blind.has('shift_impact')).toBe(false);
  });
});

describe('a refit', () => {
  const capture = noisy(exactCapture(bodies), 5);
  const first = measureCapture(capture);
  test('from the last solution says what a fresh fit says, in fewer steps', () => {
    const marks = capture.marks.map((m, i) => (i === 4 ? { ...m, u: m.u + 5 } : m));
    const again = measureCapture({ ...capture, marks }, first.fit);
    const fresh = measureCapture({ ...capture, marks });
    expect(again.fit.iterations).toBeLessThan(fresh.fit.iterations);
    const other = byId(fresh);
    for (const { id, value, sd } of again.measures) {
      expect(Math.abs(value - (other.get(id)?.value ?? Number.NaN))).toBeLessThan(0.05 * sd);
      expect(sd).toBeCloseTo(other.get(id)?.sd ?? Number.NaN, 2);
    }
  });
  test('of another set of stations begins afresh', () => {
    const marks = capture.marks.filter((m) => m.station === 'address');
    const alone = measureCapture({ ...capture, marks }, first.fit);
    expect(alone.fit.layout.stations).toEqual(['address']);
  });
});

describe('the fit itself', () => {
  test('converges, and a second start from noise lands on the same cost', () => {
    const fit = fitBody(noisy(exactCapture(bodies), 3));
    expect(fit.stopped).toBe('converged');
    expect(fit.iterations).toBeLessThan(40);
  });

  test('prior slopes agree with differences of the cost', () => {
    const capture = exactCapture(bodies);
    const layout = fitLayout(capture);
    const cameras = capture.views.map(cameraPrior);
    const priors = new PriorResiduals(layout, capture, cameras);
    const random = seededRandom(17);
    const x = startingVector(layout, capture, cameras).map((value) => value + 0.3 * gaussian(random));
    const at = (where: Float64Array) => {
      const equations = new NormalEquations(layout.sharedSize, layout.blockSize, layout.stations.length - 1);
      priors.addTo(equations, where);
      return equations;
    };
    const { gradient } = at(x);
    for (let i = 0; i < x.length; i += 3) {
      const [up, down] = [Float64Array.from(x), Float64Array.from(x)];
      up[i] = (up[i] as number) + 1e-5;
      down[i] = (down[i] as number) - 1e-5;
      const slope = (at(up).cost - at(down).cost) / 2e-5;
      expect(Math.abs(slope - (gradient[i] as number))).toBeLessThan(1e-3 * (1 + Math.abs(slope)));
    }
  });

  test('without a single mark it answers with what is known of bodies, and no measure', () => {
    const empty = { ...exactCapture(bodies), marks: [] };
    const measured = measureCapture(empty);
    expect(measured.measures).toEqual([]);
    expect(measured.fit.landmark('address', 'lead_hip')[0]).toBeGreaterThan(
      measured.fit.landmark('address', 'trail_hip')[0],
    );
  });
});
