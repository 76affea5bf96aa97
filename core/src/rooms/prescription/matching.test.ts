import { describe, expect, test } from '@jest/globals';
import type { CaseFile } from '../diagnosis/index.ts';
import { sampleCase, seen } from '../diagnosis/sampleCase.ts';
import { AIDS, type SchoolChoiceSet, type StudentFacts } from '../intake/index.ts';
import { DRILLS, type Drill, drillById } from './drillTable.ts';
import { guards } from './guards.ts';
import { trainsTurnThrough } from './prerequisites.ts';
import { type Prescription, prescribe } from './prescribe.ts';
import { QUARRELS, quarrelBetween } from './quarrels.ts';
import { drillsClash } from './rules.ts';

/** A student who has every aid and may do everything, changed as the test asks. */
const person = (
  student: Partial<StudentFacts> = {},
  more: Partial<CaseFile> = {},
  school: SchoolChoiceSet = {},
): CaseFile => {
  const file = sampleCase(more, school);
  return { ...file, student: { ...file.student, aids: [...AIDS], ...student } };
};
const measured = (values: Readonly<Record<string, number>>) =>
  Object.entries(values).map(([id, value]) => ({ id, value, sd: id.startsWith('turn') ? 2 : 0.2 }));
const ids = (p: Prescription) => p.drills.map(({ id }) => id);
const refusalOf = (p: Prescription, id: string) => p.rejected.find((r) => r.id === id);
const drill = (id: string) => drillById(id) as Drill;
const SWAYS = measured({ shift_top: -2.6, shift_back_peak: -3.4 });
const LOSES_DEPTH = measured({ seat_loss_delivery: 2.2, seat_loss_impact: 2.6 });

describe('overdoing', () => {
  test('the post is given for the very sway that pressing on it makes', () => {
    const p = prescribe(person({}, { measures: SWAYS }));
    expect(p.workOn[0]).toBe('sway');
    expect(refusalOf(p, 'kiss_the_post')).toBeUndefined();
    const post = [...p.drills, ...p.alternatives].find(({ id }) => id === 'kiss_the_post');
    expect(post?.watch).toContain('shift_top');
  });
  test('the bar for a stall where depth is lost goes with the box, and never without', () => {
    const file = person({}, { measures: LOSES_DEPTH }, { preset: 'drive_through' });
    expect(ids(prescribe(file, ['stall']))).toEqual(['crossbar_drive', 'toe_box']);
    const boxless = { ...file, student: { ...file.student, aids: ['stick' as const] } };
    const p = prescribe(boxless, ['stall']);
    const guard = drillById(ids(p)[1] ?? '');
    if (ids(p).includes('crossbar_drive')) expect(guard && guards(guard, drill('crossbar_drive'))).toBe(true);
    const short = { ...file, student: { ...file.student, minutesPerWeek: 40 } };
    expect(refusalOf(prescribe(short, ['stall']), 'crossbar_drive')).toMatchObject({ code: 'overdo' });
  });
  test('a guard that is in use already leaves room for the drill it guards', () => {
    const file = person({}, { measures: LOSES_DEPTH, active: ['toe_box'] }, { preset: 'drive_through' });
    const p = prescribe(file, ['stall']);
    expect(ids(p)).toEqual(['crossbar_drive']);
    expect(p.beside).toEqual(['toe_box']);
  });
});

describe('guard, not quarrel', () => {
  test('the stick round the belt and the chair belong together', () => {
    expect(drillsClash(drill('tail_down_around'), 'two_cheek_chair')).toBe(false);
    expect(ids(prescribe(person(), ['lead_hip_pop']))).toEqual(['tail_down_around', 'two_cheek_chair']);
  });
  test.each(QUARRELS)('%s and %s quarrel: %s', (a, b, why) => {
    expect(drillById(a)).toBeDefined();
    expect(drillById(b)).toBeDefined();
    expect(drillsClash(drill(a), b)).toBe(true);
    expect(quarrelBetween(b, a)).toBe(why);
  });
  test('no drill quarrels with the guard that the table names for it', () => {
    for (const one of DRILLS) {
      if (!one.guard) continue;
      expect(drillsClash(one, one.guard)).toBe(false);
      expect(guards(drill(one.guard), one)).toBe(true);
    }
  });
});

describe('what comes first', () => {
  test('an open face shuts everything that trains turn through the ball', () => {
    const p = prescribe(person({}, { findings: seen('obs.face_open_top') }), ['stall']);
    const trained = DRILLS.filter((one) => one.fixes.some(({ fault }) => fault === 'stall'));
    for (const one of trained) expect(trainsTurnThrough(one)).toBe(true);
    expect(ids(p)).toEqual([]);
    expect(p.firstThings).toEqual([{ blocker: 'face_open_top', start: 'impact_press' }]);
  });
  test('a high lead arm is begun with the wall', () => {
    const p = prescribe(person({}, { findings: seen('obs.lead_arm_high_top') }), ['lead_hip_pop']);
    expect(p.firstThings).toEqual([{ blocker: 'arms_not_deep', start: 'round_the_corner' }]);
    const wallless = person({ aids: ['stick'] }, { findings: seen('obs.lead_arm_high_top') });
    expect(prescribe(wallless, ['lead_hip_pop']).firstThings[0]?.start).toBeNull();
  });
  test('depth at the top goes before depth and tilt coming down', () => {
    const measures = measured({ seat_drift_top: 2.6, seat_loss_delivery: 2.2, trail_hip_depth_top: 0.2 });
    const p = prescribe(person({}, { measures }), ['depth_loss']);
    expect(p.drills[0]?.forFault).toBe('toward_ball_back');
    expect(refusalOf(p, 'two_cheek_chair')).toMatchObject({
      code: 'prerequisite',
      about: 'toward_ball_back',
    });
    const deep = person({}, { measures: measured({ seat_loss_delivery: 2.2, trail_hip_depth_top: 3 }) });
    expect(ids(prescribe(deep, ['depth_loss']))[0]).toBe('two_cheek_chair');
  });
});

describe('drills in use', () => {
  test('a second is added beside the first', () => {
    const p = prescribe(person({}, { active: ['knee_swap'] }), ['depth_loss']);
    expect(p.drills).toHaveLength(1);
    expect(p.beside).toEqual(['knee_swap']);
  });
  test('one that serves the root stays the first', () => {
    const p = prescribe(person({}, { active: ['knee_to_far_ball'] }), ['lead_knee_collapse']);
    expect(p.drills[0]?.id).toBe('knee_to_far_ball');
    expect(p.beside).toEqual([]);
  });
  test('two in use leave no room; what would fit stands by', () => {
    const p = prescribe(person({}, { active: ['knee_swap', 'shadow_head'] }), ['depth_loss']);
    expect(p.drills).toEqual([]);
    expect(p.alternatives.map(({ id }) => id)).toContain('two_cheek_chair');
    expect(p.wouldOpen).toEqual([]);
  });
});

describe('two roots', () => {
  test('each gets its drill', () => {
    const p = prescribe(person(), ['lead_knee_collapse', 'depth_loss']);
    expect(p.drills.map(({ forFault }) => forFault)).toEqual(['lead_knee_collapse', 'depth_loss']);
    expect(p.drills.map(({ role }) => role)).toEqual(['primary', 'support']);
  });
  test('a beginner gets one, for the first', () => {
    const p = prescribe(person({ beginner: true }), ['lead_knee_collapse', 'depth_loss']);
    expect(p.drills.map(({ forFault }) => forFault)).toEqual(['lead_knee_collapse']);
  });
});

describe('the school’s own thought', () => {
  test.each([
    ['drive_through', 'stall', ['crossbar_drive', 'beat_the_ball']],
    ['load_and_brace', 'lost_brace', ['ramp_load']],
    ['centre_and_turn', 'depth_loss', ['two_cheek_chair']],
  ] as const)('%s, %s', (preset, fault, own) => {
    expect(own).toContain(ids(prescribe(person({}, {}, { preset }), [fault]))[0]);
  });
  test.each([
    ['early', 'post_and_turn'],
    ['from_level', 'tail_down_around'],
    ['roll', 'knee_roll'],
  ] as const)('the lead leg that is wanted %s begins with %s', (lead_leg, first) => {
    const faults = { early: 'no_post', from_level: 'lead_hip_pop', roll: 'knee_shut' };
    expect(ids(prescribe(person({}, {}, { lead_leg }), [faults[lead_leg]]))[0]).toBe(first);
  });
});

describe('no gap is left', () => {
  test.each([
    ['no_extension', { limits: ['back'], aids: [] }, {}],
    ['no_extension', { places: ['home'], aids: [], limits: ['back'] }, {}],
    ['spin_out', { aids: [] }, { centre: 'columns' }],
    ['lost_brace', { places: ['home'], aids: [] }, { trail_leg: 'release' }],
    ['upper_dive', { aids: [] }, {}],
    ['trail_side_stays', { aids: [], limits: ['balance'] }, {}],
  ] as const)('%s with %j', (fault, student, school) => {
    const p = prescribe(person(student as unknown as Partial<StudentFacts>, {}, school), [fault]);
    expect(p.drills.length).toBeGreaterThan(0);
  });
});
