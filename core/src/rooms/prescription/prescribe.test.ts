import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { CaseFile } from '../diagnosis/index.ts';
import { sampleCase as base, seen } from '../diagnosis/sampleCase.ts';
import { AIDS, LIMITS, type SchoolChoiceSet, type StudentFacts } from '../intake/index.ts';
import { DRILLS, type Drill, drillById } from './drillTable.ts';
import { prescribe } from './prescribe.ts';
import { cautionsFor } from './rules.ts';
import { setupFor, stanceByClub, stanceIn } from './setupCard.ts';
import { tellingMeasures } from './tellingMeasures.ts';

/** A student who has everything and may do everything, changed as the test asks. */
const person = (
  student: Partial<StudentFacts> = {},
  more: Partial<CaseFile> = {},
  school: SchoolChoiceSet = {},
): CaseFile => {
  const file = base(more, school);
  return { ...file, student: { ...file.student, aids: [...AIDS], ...student } };
};
const ids = (list: readonly { readonly id: string }[]) => list.map(({ id }) => id);
const refusalOf = (p: ReturnType<typeof prescribe>, id: string) => p.rejected.find((r) => r.id === id);

describe('hand-decided matches', () => {
  test('a slide with a wall at home: the wall, and the freeze that wants a phone', () => {
    const p = prescribe(person(), ['over_slide']);
    expect(ids(p.drills)).toContain('fist_from_wall');
    expect(p.drills[0]?.parts.find((part) => part.code === 'root')?.points).toBe(6);
  });
  test('a bad back loses the marked back loads and is told of the light ones', () => {
    const p = prescribe(person({ limits: ['back'] }), ['no_extension']);
    expect(refusalOf(p, 'pull_the_rod')).toMatchObject({ code: 'limit', about: 'back' });
    expect(refusalOf(p, 'tuck_and_hold')).toMatchObject({ code: 'limit', about: 'back' });
  });
  test('a limit that was overruled stands on the card as one, not as a light load', () => {
    const sore = person({ limits: ['knee', 'balance'] });
    const codes = (id: string) =>
      cautionsFor(drillById(id) as Drill, sore).map((c) => `${c.code} ${c.about}`);
    expect(codes('knee_roll')).toContain('overruled_load knee');
    expect(codes('knee_swap')).toContain('light_load knee');
    expect(codes('step_out_turn')).toContain('overruled_load balance');
  });
  test('dizziness closes turning jumps even where the load is light', () => {
    const p = prescribe(person({ limits: ['balance'] }), ['late_start']);
    expect(refusalOf(p, 'step_and_counter')).toMatchObject({ code: 'limit', about: 'balance' });
    expect(ids(p.drills)).toEqual(['reach_the_rod']);
  });
  test('pain closes everything that loads the body', () => {
    const p = prescribe(person({ limits: ['pain'] }), ['knee_shut']);
    for (const drill of p.drills) expect(DRILLS.find((d) => d.id === drill.id)?.loads).toEqual({});
    expect(refusalOf(p, 'knee_roll')).toMatchObject({ code: 'limit', about: 'pain' });
  });
  test('no chair, no chair drill; the reason names the chair', () => {
    const p = prescribe(person({ aids: ['box', 'stick'] }), ['depth_loss']);
    expect(refusalOf(p, 'two_cheek_chair')).toMatchObject({ code: 'aid', about: 'chair' });
    expect(ids([...p.drills, ...p.alternatives])).toContain('toe_box');
  });
  test('no range in the week: range drills are refused for the place', () => {
    const p = prescribe(person({ places: ['home'] }), ['lead_knee_collapse']);
    expect(refusalOf(p, 'knee_to_far_ball')).toMatchObject({ code: 'place' });
    expect(p.drills.length).toBeGreaterThan(0);
  });
  test('the other school: driving through is marked as against a school of depth', () => {
    const depth = prescribe(person(), ['stall']);
    expect(refusalOf(depth, 'beat_the_ball')).toMatchObject({ code: 'school', about: 'turn_thought.depth' });
    const through = prescribe(person({}, {}, { preset: 'drive_through' }), ['stall']);
    expect(refusalOf(through, 'beat_the_ball')).toBeUndefined();
  });
  test('a straightening trail leg is against a school that braces', () => {
    const p = prescribe(person({}, {}, { preset: 'load_and_brace' }), ['frozen_hips']);
    expect(refusalOf(p, 'pocket_to_fence')).toMatchObject({ code: 'school', about: 'trail_leg.brace' });
  });
  test('a drill in use that asks for the opposite blocks the other', () => {
    // two_cheek_chair keeps the seat back; beat_the_ball sends it at the ball.
    const p = prescribe(person({}, { active: ['two_cheek_chair'] }, { preset: 'drive_through' }), ['stall']);
    expect(refusalOf(p, 'beat_the_ball')).toMatchObject({ code: 'clash', about: 'two_cheek_chair' });
  });
  test('a drill whose overdoing is already there comes with a guard, or where there is no room not at all', () => {
    const measures = [{ id: 'shift_delivery', value: 6.4, sd: 0.2 }];
    const p = prescribe(person({}, { measures }), ['late_start']);
    expect(p.drills[0]).toMatchObject({
      id: 'reach_the_rod',
      watch: expect.arrayContaining(['shift_delivery']),
    });
    const guard = drillById(p.drills[1]?.id ?? '') as Drill;
    expect(guard.fixes.find(({ fault }) => fault === 'over_slide')?.strength).toBeGreaterThanOrEqual(2);
    const alone = prescribe(person({ beginner: true }, { measures }), ['late_start']);
    expect(refusalOf(alone, 'reach_the_rod')).toMatchObject({ code: 'overdo', about: 'over_slide' });
  });
  test('an open face at the top comes before every drill of turning harder', () => {
    const p = prescribe(person({}, { findings: seen('obs.face_open_top') }), ['stall']);
    expect(p.blockers).toEqual(['face_open_top']);
    expect(refusalOf(p, 'tail_down_around')).toMatchObject({ code: 'prerequisite', about: 'face_open_top' });
  });
  test('the last part waits for the part before it', () => {
    const p = prescribe(person(), ['no_extension']);
    expect(refusalOf(p, 'half_start_hit')).toMatchObject({ code: 'prerequisite', about: 'pull_the_rod' });
    const after = prescribe(person({}, { history: [{ drill: 'pull_the_rod', outcome: 'worked' }] }), [
      'no_extension',
    ]);
    expect(refusalOf(after, 'half_start_hit')).toBeUndefined();
  });
  test('a child, a beginner and a short week get one drill', () => {
    for (const student of [{ ageYears: 13 }, { beginner: true }, { minutesPerWeek: 45 }]) {
      expect(prescribe(person(student), ['lead_knee_collapse']).drills).toHaveLength(1);
    }
    expect(prescribe(person(), ['lead_knee_collapse']).drills.length).toBeLessThanOrEqual(2);
  });
  test('what stalled before goes behind what worked', () => {
    const history = (outcome: 'worked' | 'stalled') => [{ drill: 'knee_swap', outcome }] as const;
    const score = (outcome: 'worked' | 'stalled') => {
      const p = prescribe(person({}, { history: history(outcome) }), ['lead_knee_collapse']);
      return [...p.drills, ...p.alternatives].find((d) => d.id === 'knee_swap')?.score as number;
    };
    expect(score('worked') - score('stalled')).toBeCloseTo(3.7, 10);
  });
  test('what it came to with other students counts, and few count little', () => {
    const points = (worked: number, stalled: number) => {
      const p = prescribe(person({}, { record: { knee_swap: { worked, stalled } } }), ['lead_knee_collapse']);
      const drill = [...p.drills, ...p.alternatives].find((d) => d.id === 'knee_swap');
      return drill?.parts.find((part) => part.code === 'record')?.points ?? 0;
    };
    expect(points(0, 0)).toBe(0);
    expect(points(1, 0)).toBeCloseTo(4 * (4.6 / 7 - 0.6), 10);
    expect(points(10, 0)).toBeGreaterThan(2 * points(1, 0));
    expect(points(0, 4)).toBeLessThan(-0.8);
  });
  describe('what was measured of it with other students', () => {
    const fault = 'lead_knee_collapse';
    const other = { fault: 'sway', drill: 'wall_hip', mean: 0.2, sd: 0.1, courses: 10 };
    const points = (mean: number, courses: number, others = [other]) => {
      const own = { fault, drill: 'knee_swap', mean, sd: 0.1, courses };
      const p = prescribe(person({}, { gains: [own, ...others] }), [fault]);
      const drill = [...p.drills, ...p.alternatives].find((d) => d.id === 'knee_swap');
      return drill?.parts.find((part) => part.code === 'gain') ?? null;
    };
    test('by hand: beside the usual, by how many courses it stands on', () => {
      // 0.4 more than the others; six courses are trusted by half; two points a step.
      expect(points(0.6, 6)).toMatchObject({ points: expect.closeTo(0.4, 9), about: '0.6/0.2/6' });
      expect(points(0.2, 6)).toBeNull();
    });
    test('one student counts little, and no number of them outweighs a grade of fit', () => {
      expect(points(0.9, 1)?.points).toBeLessThan(0.3);
      expect(points(9, 400)?.points).toBe(0.8);
      expect(points(-9, 400)?.points).toBe(-0.8);
    });
    test('alone it has nothing to stand beside; another fault is another question', () => {
      expect(points(0.9, 6, [])).toBeNull();
      const p = prescribe(
        person(
          {},
          {
            gains: [
              { ...other, drill: 'knee_swap' },
              { ...other, mean: 3 },
            ],
          },
        ),
        [fault],
      );
      const parts = [...p.drills, ...p.alternatives].flatMap((d) => d.parts);
      expect(parts.some(({ code }) => code === 'gain')).toBe(false);
    });
  });
  test('nothing to work on, nothing prescribed', () => {
    expect(prescribe(person())).toMatchObject({ workOn: [], drills: [], alternatives: [], rejected: [] });
  });
});

describe('properties', () => {
  const faults = fc.constantFrom(...new Set(DRILLS.flatMap((d) => d.fixes.map((f) => f.fault))));
  const students = fc.record({
    aids: fc.subarray([...AIDS]),
    limits: fc.subarray([...LIMITS]),
    places: fc.subarray(['home', 'range', 'net', 'course'] as const, { minLength: 1 }),
    ageYears: fc.integer({ min: 8, max: 80 }),
    minutesPerWeek: fc.integer({ min: 10, max: 400 }),
  });
  const offered = (file: CaseFile, fault: string) => {
    const p = prescribe(file, [fault]);
    return new Set(ids([...p.drills, ...p.alternatives].filter(({ forFault }) => forFault === fault)));
  };
  const settings = { seed: 31, numRuns: 40 };

  test('taking an aid away never adds a drill, and neither does another limit', () => {
    fc.assert(
      fc.property(students, faults, fc.nat(), (student, fault, pick) => {
        const all = offered(person(student), fault);
        const fewer = {
          ...student,
          aids: student.aids.filter((_, i) => i !== pick % Math.max(1, student.aids.length)),
        };
        for (const id of offered(person(fewer), fault)) expect(all).toContain(id);
        const limit = LIMITS[pick % LIMITS.length] as (typeof LIMITS)[number];
        const limited = { ...student, limits: [...new Set([...student.limits, limit])] };
        for (const id of offered(person(limited), fault)) expect(all).toContain(id);
      }),
      settings,
    );
  });
  test('every drill for the fault is either offered or refused by a named rule', () => {
    fc.assert(
      fc.property(students, faults, (student, fault) => {
        const p = prescribe(person(student), [fault]);
        const isFor = (id: string) => drillById(id)?.fixes.some((fix) => fix.fault === fault);
        const told = ids([...p.drills, ...p.alternatives, ...p.rejected])
          .filter(isFor)
          .sort();
        const all = ids(DRILLS.filter((d) => d.fixes.some((f) => f.fault === fault))).sort();
        expect(told).toEqual(all);
        for (const r of p.rejected) expect(r.about).not.toBe('');
        const scores = [...p.alternatives].map((d) => d.score);
        expect([...scores].sort((a, b) => b - a)).toEqual(scores);
        for (const d of p.drills)
          expect(d.parts.reduce((sum, part) => sum + part.points, 0)).toBeCloseTo(d.score, 10);
      }),
      settings,
    );
  });
});

describe('the set-up card', () => {
  test('stance is the middle of the club’s band times the hips, by hand', () => {
    // 70 in tall: hips 0.19 * 70 = 13.3 in; mid-iron band 1.0 to 1.2.
    expect(stanceIn('mid_iron', person())).toBeCloseTo(1.1 * 13.3, 6);
    const clubs = stanceByClub(person()).map((s) => s.valueIn);
    expect([...clubs].sort((a, b) => a - b)).toEqual(clubs);
  });
  test('distances grow with the body, objects keep their own', () => {
    const drill = (id: string) => DRILLS.find((d) => d.id === id) as (typeof DRILLS)[number];
    const value = (id: string, what: string, heightIn: number) =>
      setupFor(drill(id), person({ heightIn })).find((s) => s.id === what)?.valueIn;
    expect(value('kiss_the_post', 'post_gap', 70)).toBeCloseTo(0.6, 10);
    expect(value('kiss_the_post', 'post_gap', 63)).toBeCloseTo(0.54, 10);
    expect(value('round_the_corner', 'wall_gap', 63)).toBe(2);
  });
});

test('the measure that both the fault shows and the drill moves tells first', () => {
  expect(tellingMeasures(['knee_swap'], 'lead_knee_collapse')[0]).toBe('lead_knee_in_top');
  expect(tellingMeasures(['line_brush'], 'hang_back')).not.toContain('ball.low_point_behind');
});
