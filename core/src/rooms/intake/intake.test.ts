import { describe, expect, test } from '@jest/globals';
import {
  allBands,
  BAND_ROWS,
  type BandContext,
  bandFor,
  bodySizes,
  isChild,
  limitSet,
  limitsFrom,
  NO_TROUBLE,
  resolveSchool,
  SCHOOL_OPTIONS,
  SCHOOL_PRESETS,
  type SchoolPreset,
} from './index.ts';

const usual: BandContext = {
  heightIn: 70,
  flexibility: 'usual',
  armSwing: 'usual',
  club: 'mid_iron',
  school: resolveSchool(),
};
const edges = (id: string, change: Partial<BandContext> = {}) => {
  const { lo, hi } = bandFor(id, { ...usual, ...change });
  return [lo, hi];
};

describe('bands, from the table of measures', () => {
  test.each([
    ['shift_delivery', 3, 4.5],
    ['turn_top', 35, 55],
    ['turn_impact', 25, 48],
    ['shift_impact', 3.8, 5.8],
    ['seat_loss_impact', null, 0.8],
    ['trail_heel_up_finish', 4, null],
    ['bearing_back', 3, 4.25],
  ])('%s of a usual player is %p to %p', (id, lo, hi) => {
    expect(edges(id)).toEqual([lo, hi]);
  });

  test('inches grow with the player, degrees do not', () => {
    const [lo, hi] = edges('shift_delivery', { heightIn: 63 });
    expect(lo).toBeCloseTo(2.7, 10);
    expect(hi).toBeCloseTo(4.05, 10);
    expect(edges('turn_impact', { heightIn: 63 })).toEqual([25, 48]);
    expect(bandFor('shift_delivery', { ...usual, heightIn: 63 }).step).toBeCloseTo(0.81, 10);
  });

  test('the stance follows the club, and tall players stand a little wider', () => {
    expect(edges('base_ratio', { club: 'driver' })).toEqual([1.2, 1.5]);
    expect(edges('base_ratio', { club: 'wedge' })).toEqual([0.85, 1.0]);
    const [lo, hi] = edges('base_ratio', { heightIn: 75 });
    expect(lo).toBeCloseTo(1.05, 10);
    expect(hi).toBeCloseTo(1.25, 10);
  });

  test('a longer club may travel further back', () => {
    expect(edges('shift_back_peak', { club: 'driver' })[0]).toBeCloseTo(-2.6, 10);
    expect(edges('shift_back_peak', { club: 'wedge' })[0]).toBeCloseTo(-1, 10);
  });

  test('flexibility and arm swing move the turn at the top', () => {
    expect(edges('turn_top', { flexibility: 'stiff' })).toEqual([28, 45]);
    expect(edges('turn_top', { flexibility: 'supple' })).toEqual([40, 62]);
    expect(edges('turn_top', { armSwing: 'round' })).toEqual([39, 59]);
    expect(edges('turn_top', { armSwing: 'upright' })).toEqual([30, 50]);
    expect(edges('shift_delivery', { armSwing: 'upright' })).toEqual([3, 5]);
  });

  test('school choices replace bands and say so', () => {
    const slide = resolveSchool({ centre: 'slide' });
    expect(edges('shift_delivery', { school: slide })).toEqual([4, 6]);
    expect(bandFor('shift_delivery', { ...usual, school: slide }).origin).toContain('centre.slide');
    const columns = resolveSchool({ centre: 'columns' });
    expect(edges('shift_back_peak', { school: columns })[0]).toBe(-1);
    expect(edges('trail_knee_flex_change_top', { school: resolveSchool({ trail_leg: 'brace' }) })).toEqual([
      -6, 6,
    ]);
    expect(edges('bearing_forward', { school: resolveSchool({ forward_bearing: 'ten' }) })).toEqual([
      9, 10.25,
    ]);
    expect(edges('head_shift_top', { school: resolveSchool({ head: 'still' }) })).toEqual([-0.8, 0.7]);
  });

  test('every band has an edge, a step, and edges in order', () => {
    for (const band of allBands(usual)) {
      expect(band.lo !== null || band.hi !== null).toBe(true);
      expect(band.step).toBeGreaterThan(0);
      if (band.lo !== null && band.hi !== null) expect(band.lo).toBeLessThan(band.hi);
    }
    expect(allBands(usual)).toHaveLength(BAND_ROWS.length);
    expect(new Set(BAND_ROWS.map((row) => row.id)).size).toBe(BAND_ROWS.length);
  });

  test('an unknown measure is a slip of ours', () => {
    expect(() => bandFor('nose_length', usual)).toThrow('nose_length');
  });
});

describe('schools', () => {
  test.each(Object.keys(SCHOOL_PRESETS) as SchoolPreset[])('%s answers every question', (preset) => {
    const school = resolveSchool({ preset });
    for (const [question, options] of Object.entries(SCHOOL_OPTIONS)) {
      expect(options).toContain(school[question as keyof typeof SCHOOL_OPTIONS]);
    }
  });
  test('single answers change a preset', () => {
    expect(resolveSchool({ preset: 'load_and_brace', head: 'float' })).toMatchObject({
      trail_leg: 'brace',
      centre: 'columns',
      head: 'float',
    });
  });
  test('the default recentres and trains depth', () => {
    expect(resolveSchool()).toMatchObject({ centre: 'recentre', turn_thought: 'depth', trail_foot: 'long' });
  });
});

describe('safety answers', () => {
  test('nothing said, nothing limited', () => {
    expect(limitsFrom(NO_TROUBLE)).toEqual([]);
  });
  test('pain, trouble, surgery and dizziness each limit, with their reason', () => {
    expect(limitsFrom({ ...NO_TROUBLE, painNow: true })).toEqual([{ limit: 'pain', because: 'pain_now' }]);
    expect(limitsFrom({ ...NO_TROUBLE, trouble: ['back'] })).toEqual([{ limit: 'back', because: 'trouble' }]);
    expect(limitsFrom({ ...NO_TROUBLE, surgeryOrInjuryInYear: true, injuredAreas: ['knee'] })).toEqual([
      { limit: 'knee', because: 'injured_in_year' },
    ]);
    expect(limitsFrom({ ...NO_TROUBLE, dizziness: true })).toEqual([
      { limit: 'balance', because: 'dizziness' },
    ]);
  });
  test('areas named without a surgery in the year limit nothing', () => {
    expect(limitsFrom({ ...NO_TROUBLE, injuredAreas: ['knee'] })).toEqual([]);
  });
  test('a clinician’s word closes every marked load', () => {
    expect(limitSet({ ...NO_TROUBLE, clinicianRestriction: 'no twisting' }).sort()).toEqual([
      'ankle',
      'back',
      'balance',
      'hip',
      'knee',
    ]);
    expect(limitSet({ ...NO_TROUBLE, clinicianRestriction: '   ' })).toEqual([]);
  });
  test('pregnancy spares back and balance; each limit stands once', () => {
    expect(limitSet({ ...NO_TROUBLE, pregnant: true, trouble: ['back'] })).toEqual(['back', 'balance']);
  });
});

describe('body', () => {
  test('sizes from height, and by tape where there is one', () => {
    expect(bodySizes({ heightIn: 70 }).outerHipWidthIn).toBeCloseTo(13.3, 10);
    expect(bodySizes({ heightIn: 70 }).hipJointsApartIn).toBeCloseTo(7, 10);
    expect(bodySizes({ heightIn: 70, outerHipWidthIn: 14, hipJointsApartIn: null })).toMatchObject({
      outerHipWidthIn: 14,
      hipJointsApartIn: 7,
    });
  });
  test('a child is under eighteen', () => {
    expect([isChild({ ageYears: 17 }), isChild({ ageYears: 18 })]).toEqual([true, false]);
  });
});
