import { DRILLS, loadsOf } from '@inchstep/core/prescription';
import { describe, expect, test } from '@jest/globals';
import { drillLibrary } from './drillLibrary.ts';
import { findDrills, NO_WISH } from './libraryFilter.ts';

const ids = (wish: object) => findDrills({ ...NO_WISH, ...wish }, drillLibrary([])).map((d) => d.id);

describe('the library', () => {
  test('no wish is every drill', () => {
    expect(ids({})).toHaveLength(DRILLS.length);
  });
  test('for a fault, the strongest first', () => {
    const found = ids({ fault: 'wipe' });
    expect(found[0]).toBe('keep_the_post');
    expect(found).toContain('buckle_past_foot');
    expect(found).not.toContain('knee_swap');
  });
  test('by words of its texts, in any order', () => {
    expect(ids({ words: 'wall corner' })).toContain('round_the_corner');
    expect(ids({ words: 'no drill says this' })).toEqual([]);
  });
  test('by place, part of the swing and what it loads', () => {
    for (const id of ids({ place: 'home', phase: 'down', spare: 'K' })) {
      const drill = DRILLS.find((d) => d.id === id);
      expect(drill?.places).toContain('home');
      expect(drill?.phase).toBe('down');
      expect(drill && loadsOf(drill).map(([load]) => load)).not.toContain('K');
    }
  });
  test('with a stick or a phone at most', () => {
    expect(ids({ aids: ['stick', 'phone'] })).not.toContain('two_cheek_chair');
    expect(ids({ aids: ['stick', 'phone'] })).toContain('kiss_the_post');
    // A wall or a stick will do for this one.
    expect(ids({ aids: ['stick', 'phone'] })).toContain('fist_from_wall');
  });
  test('for a school, without what goes against it or belongs to another', () => {
    expect(ids({ school: 'centre_and_turn' })).not.toContain('beat_the_ball');
    expect(ids({ school: 'drive_through' })).toContain('beat_the_ball');
    expect(ids({ school: 'centre_and_turn' })).not.toContain('ramp_load');
    expect(ids({ school: 'load_and_brace' })).toContain('ramp_load');
  });
});
