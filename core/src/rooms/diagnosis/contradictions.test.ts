import { describe, expect, test } from '@jest/globals';
import { BALL_SIGNS } from './causeTable.ts';
import { diagnose } from './diagnose.ts';
import { BLOCKERS, FAULTS } from './faultTable.ts';
import { FINDING_IDS } from './findings.ts';
import { sampleCase, seen } from './sampleCase.ts';
import { UNFED } from './unfedFindings.ts';

const measured = (values: Readonly<Record<string, number>>) =>
  Object.entries(values).map(([id, value]) => ({ id, value, sd: 0.2 }));
const roots = (file: Parameters<typeof diagnose>[0]) => diagnose(file).roots.map(({ fault }) => fault);

describe('looks that can’t both be so', () => {
  const film = measured({ shift_back_peak: -3.4, shift_top: -2 });
  test('leaves the post, drifts on film: named, the post is tried again, one root', () => {
    const d = diagnose(sampleCase({ measures: film, findings: seen('obs.leaves_aid') }));
    expect(d.contradictions.map(({ findings }) => findings)).toContainEqual([
      'obs.leaves_aid',
      'shift_top.low',
    ]);
    expect(new Set(d.contradictions.map(({ repeat }) => repeat))).toEqual(new Set(['obs.leaves_aid']));
    expect(d.nextLook).toMatchObject({ kind: 'object_test', id: 'obs.leaves_aid' });
    expect(d.nextLooks[0]?.id).toBe('obs.leaves_aid');
    expect(d.roots.map(({ fault }) => fault)).toEqual(['sway']);
  });
  test('leaves it and pushes it: never both roots, and the one that falls says why', () => {
    const d = diagnose(sampleCase({ findings: seen('obs.leaves_aid', 'obs.pushes_aid_away') }));
    const named = d.roots.map(({ fault }) => fault);
    expect(named.includes('sway') && named.includes('no_load')).toBe(false);
    expect(d.contradictions).toHaveLength(1);
  });
  test('a post that is left speaks against a sway nobody looked for', () => {
    const without = diagnose(sampleCase()).faults.sway as number;
    expect(diagnose(sampleCase({ findings: seen('obs.leaves_aid') })).faults.sway).toBeLessThan(without);
    const pushed = diagnose(sampleCase({ findings: seen('obs.pushes_aid_away') }));
    expect(pushed.faults.no_load).toBeLessThan(diagnose(sampleCase()).faults.no_load as number);
  });
  test('where nothing stands against anything, nothing is named', () => {
    expect(diagnose(sampleCase({ measures: film })).contradictions).toEqual([]);
  });
});

describe('explaining away', () => {
  test('a low shift at impact after a good half-way is backing up, not hanging back', () => {
    const backs = measured({ shift_delivery: 3.8, back_up_impact: 1.4, shift_impact: 2.4 });
    const d = diagnose(sampleCase({ measures: backs }));
    expect(d.roots.map(({ fault }) => fault)).toEqual(['wipe']);
    expect(d.faults.hang_back).toBeLessThan(0.2);
    const hangs = measured({ shift_delivery: 1.8, back_up_impact: 0, shift_impact: 1.8 });
    expect(roots(sampleCase({ measures: hangs }))).toEqual(['hang_back']);
  });
  test('a slide student inside the slide bands has nothing to mend', () => {
    const slides = measured({
      shift_delivery: 5.2,
      shift_impact: 6.2,
      lead_thigh_past_line: 0.9,
      lead_hip_past_ankle_impact: 1.8,
      sternum_shift_delivery: 4.9,
    });
    expect(roots(sampleCase({ measures: slides }, { preset: 'shift_and_post' }))).toEqual([]);
    expect(roots(sampleCase({ measures: slides }))).toEqual(['over_slide']);
  });
});

describe('the school says what counts', () => {
  const faultOf = (id: string, file: Parameters<typeof sampleCase>[0], school: object) =>
    diagnose(sampleCase(file, school)).faults[id] as number;
  test('hips opened before the start are no fault where they are shuffled', () => {
    const open = { measures: measured({ turn_address: 12 }) };
    expect(faultOf('false_bump', open, { setup_bias: 'opened' })).toBeLessThan(0.1);
    expect(faultOf('false_bump', open, {})).toBeGreaterThan(0.3);
  });
  test('the drop counts only where it is taught', () => {
    const rises = { measures: measured({ drop_arm_down: 1.4 }) };
    expect(faultOf('lead_hip_pop', rises, { drop: 'let' })).toBeLessThan(0.1);
    expect(faultOf('lead_hip_pop', rises, { drop: 'taught' })).toBeGreaterThan(0.3);
  });
  test('where the school begins decides between roots alike', () => {
    const both = { measures: measured({ shift_top: -1.9, trail_hip_past_line: 1.4, cover_delivery: 2.6 }) };
    expect(diagnose(sampleCase(both)).roots[0]?.fault).toBe('sway');
    expect(diagnose(sampleCase(both, { begin_at: 'half_way' })).roots[0]?.fault).toBe('upper_dive');
  });
});

test('every finding feeds a fault or says why it does not', () => {
  const fed = new Set<string>([
    ...FAULTS.flatMap(({ evidence }) => evidence.map(({ finding }) => finding)),
    ...BALL_SIGNS.map(({ effect }) => effect),
    ...BLOCKERS.map(({ finding }) => finding),
  ]);
  for (const id of FINDING_IDS) expect([id, fed.has(id) !== (UNFED[id] !== undefined)]).toEqual([id, true]);
});

test('a lower body that is seen to wait is a late start', () => {
  expect(roots(sampleCase({ findings: seen('obs.waits_for_club') }))).toEqual(['late_start']);
});
