import { describe, expect, test } from '@jest/globals';
import type { Vec3 } from '../../foundation/index.ts';
import type { Landmark, Station } from '../capture/index.ts';
import { clockHour, POSE_MEASURES, type PoseReader, shiftBackPeak } from './definitions.ts';
import { ADDRESS_BODY, type Body, movedBody } from './sampleBody.ts';

const SIZES = { outerHipWidthIn: 14, outerHipWidthSdShare: 0 };

/** A measure's value when the given stations show the given bodies and all others the address. */
function value(id: string, bodies: Partial<Record<Station, Body>>): number {
  const definition = POSE_MEASURES.find((candidate) => candidate.id === id);
  if (!definition) throw new Error(`no measure ${id}`);
  const at: PoseReader = (station, landmark) => (bodies[station] ?? (ADDRESS_BODY as Body))[landmark];
  return definition.value(at, SIZES);
}

const hips = (by: Vec3): Partial<Record<Landmark, Vec3>> => ({ lead_hip: by, trail_hip: by });
/** Hip line of the given turn (deg, + open), 7 in apart, about the address centre. */
function turned(deg: number): Body {
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  return {
    ...(ADDRESS_BODY as Body),
    lead_hip: [3.5 * c, -33 - 3.5 * s, 35],
    trail_hip: [-3.5 * c, -33 + 3.5 * s, 35],
  };
}

describe('address', () => {
  test('ankles 14 in apart over a 14 in hip width make a base of 1', () => {
    expect(value('base_ratio', {})).toBeCloseTo(1, 12);
  });
  test('a pelvis pushed half an inch to the target sits half an inch off the middle', () => {
    expect(value('pelvis_offset_address', { address: movedBody(hips([0.5, 0, 0])) })).toBeCloseTo(0.5, 12);
  });
  test('feet: 2.5 in of flare over 9 in of length is 15.5 degrees; 1 in is 6.3', () => {
    expect(value('lead_foot_flare', {})).toBeCloseTo(15.524, 3);
    expect(value('trail_foot_flare', {})).toBeCloseTo(6.34, 2);
  });
  test('knee flex by the law of cosines', () => {
    // hip (3.5,-33,35), knee (5.5,-27,19.5), ankle (7,-31,3): sides 16.741, 17.044, opposite 32.255
    const [a, b, c] = [Math.hypot(2, 6, 15.5), Math.hypot(1.5, 4, 16.5), Math.hypot(3.5, 2, 32)];
    const inner = (Math.acos((a * a + b * b - c * c) / (2 * a * b)) * 180) / Math.PI;
    expect(value('knee_flex_address', {})).toBeCloseTo(180 - inner, 9);
  });
});

describe('at the top', () => {
  test('shift is along the target line, whatever the pelvis does in depth', () => {
    expect(value('shift_top', { top: movedBody(hips([-2, 1, 3])) })).toBeCloseTo(-2, 12);
  });
  test.each([-60, -45, -10, 0])('a hip line closed to %i degrees reads as that much turn back', (deg) => {
    expect(value('turn_top', { top: turned(deg) })).toBeCloseTo(-deg, 9);
  });
  test('a trail hip one inch higher over seven inches is 8.1 degrees of tilt', () => {
    const body = movedBody({ trail_hip: [0, 0, 1] });
    expect(value('tilt_top', { top: body })).toBeCloseTo((Math.atan2(1, 7) * 180) / Math.PI, 9);
  });
  test('depth counts away from the ball, and seat drift toward it', () => {
    expect(value('trail_hip_depth_top', { top: movedBody({ trail_hip: [0, -2.5, 0] }) })).toBeCloseTo(
      2.5,
      12,
    );
    expect(value('seat_drift_top', { top: movedBody({ seat: [0, 1.25, 0] }) })).toBeCloseTo(1.25, 12);
  });
  test('the trail hip past its line counts away from the target', () => {
    expect(value('trail_hip_past_line', { top: movedBody({ trail_hip: [-0.75, 0, 0] }) })).toBeCloseTo(
      0.75,
      12,
    );
  });
  test('the lead knee: in is toward the trail leg, out is toward the ball', () => {
    const body = movedBody({ lead_knee: [-3, 2, 0] });
    expect(value('lead_knee_in_top', { top: body })).toBeCloseTo(3, 12);
    expect(value('lead_knee_out_top', { top: body })).toBeCloseTo(2, 12);
  });
  test('a neck 4 in toward the target over 16.5 in leans 13.6 degrees to the target (negative)', () => {
    expect(value('trunk_lean_top', { top: movedBody({ neck: [4, 0, 0] }) })).toBeCloseTo(
      (-Math.atan2(4, 16.5) * 180) / Math.PI,
      9,
    );
  });
  test('head shift keeps its sign', () => {
    expect(value('head_shift_top', { top: movedBody({ head: [-1.5, 0, 0] }) })).toBeCloseTo(-1.5, 12);
  });
  test('a straightened trail leg has a negative change of flex', () => {
    const straight = movedBody({ trail_knee: [0.25, -5, -0.5] });
    expect(value('trail_knee_flex_change_top', { top: straight })).toBeLessThan(-15);
  });
});

describe('down and through the ball', () => {
  test('shifts at delivery and impact are told from address, backing up from delivery', () => {
    const bodies = { delivery: movedBody(hips([4, 0, 0])), impact: movedBody(hips([3, 0, 0])) };
    expect(value('shift_delivery', bodies)).toBeCloseTo(4, 12);
    expect(value('shift_impact', bodies)).toBeCloseTo(3, 12);
    expect(value('back_up_impact', bodies)).toBeCloseTo(1, 12);
  });
  test('the seat leaves its line between the top and each later station', () => {
    const bodies = {
      top: movedBody({ seat: [0, -1, 0] }),
      arm_down: movedBody({ seat: [0, -0.5, 0] }),
      delivery: movedBody({ seat: [0, 0.5, 0] }),
      impact: movedBody({ seat: [0, 1.5, 0] }),
    };
    expect(value('seat_loss_arm_down', bodies)).toBeCloseTo(0.5, 12);
    expect(value('seat_loss_delivery', bodies)).toBeCloseTo(1.5, 12);
    expect(value('seat_loss_impact', bodies)).toBeCloseTo(2.5, 12);
  });
  test('cover is how far the chest outran the pelvis since address', () => {
    const body = movedBody({ ...hips([3, 0, 0]), sternum: [5, 0, 0] });
    expect(value('cover_delivery', { delivery: body })).toBeCloseTo(2, 12);
  });
  test('a lead hip 3.5 in on is half a thigh past the line when the hips are 14 in wide', () => {
    expect(value('lead_thigh_past_line', { delivery: movedBody({ lead_hip: [3.5, 0, 0] }) })).toBeCloseTo(
      0.5,
      12,
    );
  });
  test.each([20, 35, 50])('hips open by %i degrees at impact', (deg) => {
    expect(value('turn_impact', { impact: turned(deg) })).toBeCloseTo(deg, 9);
  });
  test('the lead hip and knee against the lead ankle', () => {
    const impact = movedBody({ lead_hip: [5, 0, 0], lead_knee: [1, 0, 0] });
    expect(value('lead_hip_past_ankle_impact', { impact })).toBeCloseTo(1.5, 12);
    expect(value('lead_knee_past_ankle_impact', { impact })).toBeCloseTo(-0.5, 12);
  });
  test('the trail heel rises', () => {
    expect(value('trail_heel_up_impact', { impact: movedBody({ trail_heel: [0, 0, 1.5] }) })).toBeCloseTo(
      1.5,
      12,
    );
  });
});

describe('at the end', () => {
  test('standing straight up is 180 degrees of hip extension', () => {
    const upright = movedBody({
      neck: [0, -11, 0],
      lead_knee: [0, -6, 0],
      trail_knee: [0, -6, 0],
    });
    expect(value('hip_extension_chest_through', { chest_through: upright })).toBeCloseTo(180, 9);
  });
  test('losing the trunk angle is the fall of its inclination from delivery', () => {
    const delivery = movedBody({ neck: [0, 5.5, 0] }); // 16.5 forward over 16.5 up: 45 degrees
    const through = movedBody({ neck: [0, -11, 0] }); // straight up
    expect(value('incline_loss_chest_through', { delivery, chest_through: through })).toBeCloseTo(45, 9);
  });
  test('knee gap and trail hip at the finish', () => {
    const finish = movedBody({ trail_knee: [8, 0, 0], trail_hip: [6, 0, 0] });
    expect(value('knee_gap_finish', { finish })).toBeCloseTo(3, 12);
    expect(value('trail_hip_behind_finish', { finish })).toBeCloseTo(1, 12);
  });
});

test('the furthest point away from the target is a shift like the others', () => {
  const at: PoseReader = (station, landmark) =>
    (station === 'arm_back' ? movedBody(hips([-2.25, 0, 0])) : (ADDRESS_BODY as Body))[landmark];
  expect(shiftBackPeak('arm_back').value(at, SIZES)).toBeCloseTo(-2.25, 12);
});

test.each([
  [0, 1, 0],
  [-1, 0, 3],
  [0, -1, 6],
  [1, 0, 9],
  [-1, 1, 1.5],
])('clock: moving (%f along, %f to the ball) is hour %f', (dx, dy, hour) => {
  expect(clockHour(dx, dy)).toBeCloseTo(hour, 9);
});

test('every measure reads only the landmarks it says it needs', () => {
  for (const definition of POSE_MEASURES) {
    const said = new Set(definition.needs.flatMap(([s, ls]) => ls.map((l) => `${s}/${l}`)));
    const read = new Set<string>();
    definition.value((station, landmark) => {
      read.add(`${station}/${landmark}`);
      return ADDRESS_BODY[landmark];
    }, SIZES);
    expect({ id: definition.id, read: [...read].sort() }).toEqual({
      id: definition.id,
      read: [...said].sort(),
    });
  }
});
