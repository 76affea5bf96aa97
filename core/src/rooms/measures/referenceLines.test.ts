import { describe, expect, test } from '@jest/globals';
import { fitBody } from './bodyFit.ts';
import { referenceLines } from './referenceLines.ts';
import { ADDRESS_BODY, type Body, exactCapture, movedBody } from './sampleBody.ts';

const address = ADDRESS_BODY as Body;
const top = movedBody({ lead_hip: [-1, 2, 0], trail_hip: [-1, -2, 0] });
const fit = fitBody(exactCapture({ address, top }));
const line = (id: string, station: string | null = null) => {
  const found = referenceLines(fit).find((l) => l.id === id && l.station === station);
  if (!found) throw new Error(`no line ${id}`);
  return found;
};

describe('reference lines stand where they are measured', () => {
  test('outside each leg at address: upright, a half leg beyond the ankles', () => {
    const lead = fit.landmark('address', 'lead_ankle');
    const trail = fit.landmark('address', 'trail_ankle');
    const half = 0.035 * fit.capture.golfer.heightIn;
    expect(line('lead_leg').from[0]).toBeCloseTo(lead[0] + half, 9);
    expect(line('trail_leg').from[0]).toBeCloseTo(trail[0] - half, 9);
    for (const id of ['lead_leg', 'trail_leg', 'seat', 'trail_thigh']) {
      const { from, to } = line(id);
      expect([to[0], to[1]]).toEqual([from[0], from[1]]);
      expect(to[2]).toBeGreaterThan(from[2]);
    }
  });
  test('the seat line stands at the seat’s place at the top', () => {
    expect(line('seat').from[1]).toBeCloseTo(fit.landmark('top', 'seat')[1], 9);
  });
  test('a spine for each station, from the middle of the hips to the neck', () => {
    const spine = line('spine', 'top');
    const hips = [fit.landmark('top', 'lead_hip'), fit.landmark('top', 'trail_hip')];
    expect(spine.from[0]).toBeCloseTo(((hips[0]?.[0] ?? 0) + (hips[1]?.[0] ?? 0)) / 2, 9);
    expect(spine.to).toEqual(fit.landmark('top', 'neck'));
  });
  test('without the top there is no line from the top', () => {
    const alone = referenceLines(fitBody(exactCapture({ address })));
    expect(alone.map((l) => l.id)).not.toContain('seat');
    expect(alone.map((l) => l.id)).toContain('lead_leg');
  });
});
