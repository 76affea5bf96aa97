import { describe, expect, test } from '@jest/globals';
import { sampleCase } from '../diagnosis/sampleCase.ts';
import type { Place } from '../intake/index.ts';
import { checkDrill } from './checkDrill.ts';
import { distanceFor } from './distance.ts';
import { DRILLS, type Drill, drillById } from './drillTable.ts';
import { HOUSE_LIBRARY, libraryWith, type OwnDrill } from './library.ts';
import { prescribe } from './prescribe.ts';
import { drillsClash } from './rules.ts';

const gate = drillById('knee_gate') as Drill;
const copy = (more: Partial<Drill>, own: Partial<OwnDrill> = {}): OwnDrill => ({
  drill: { ...gate, id: 'own_gate', aids: [], ...more },
  basedOn: 'knee_gate',
  replaces: false,
  retired: false,
  ...own,
});
const playing = (places: Place[]) => {
  const file = sampleCase();
  return { ...file, student: { ...file.student, places } };
};
const codes = (more: Partial<Drill>) =>
  checkDrill({ ...gate, id: 'own_gate', ...more }).map((p) => `${p.code} ${p.path}`);

describe('a drill is fit to use', () => {
  test.each(DRILLS.map((drill) => [drill.id, drill] as const))('%s', (_, drill) => {
    expect(checkDrill(drill)).toEqual([]);
  });
});

describe('a drill that is not says where', () => {
  test('a formula that goes negative for somebody small', () => {
    const setup = [
      { id: 'post_gap', valueIn: -9, scales: false, plus: { share: 0.19, of: 'heightIn' as const } },
    ];
    // 0.19 x 36 in - 9 in
    expect(checkDrill({ ...gate, setup })).toEqual([
      {
        code: 'distance_negative',
        path: 'setup[0]',
        detail: { id: 'post_gap', heightIn: 36, comesToIn: -2.2 },
      },
    ]);
  });
  test('a marker further than any bay', () => {
    expect(codes({ setup: [{ id: 'far_ball', valueIn: 300, scales: false }] })).toEqual([
      'distance_too_long setup[0]',
    ]);
  });
  test('ids that are nobody’s, or named twice', () => {
    expect(
      codes({
        fixes: [
          { fault: 'sway', strength: 2 },
          { fault: 'sway', strength: 3 },
          { fault: 'sawy', strength: 1 },
        ],
        moves: ['shift_tpo'],
        notWith: ['nothing'],
        after: 'nobody',
      }),
    ).toEqual([
      'named_twice fixes[1].fault',
      'unknown_fault fixes[2].fault',
      'unknown_measure moves[0]',
      'unknown_drill notWith[0]',
      'unknown_drill after',
    ]);
  });
  test('mends nothing, has no place, hits balls in the kitchen, wants and refuses one school', () => {
    expect(codes({ fixes: [] })).toEqual(['drill_mends_nothing fixes']);
    expect(codes({ places: [] })).toEqual(['no_places places']);
    expect(codes({ places: ['home'], ball: 'yes' })).toEqual(['ball_at_home_only places']);
    expect(codes({ schools: ['head.still'], clashes: ['head.still'] })).toEqual([
      'school_both_ways clashes[0]',
    ]);
    expect(codes({ overdo: 'reverse_pivot' })).toEqual(['makes_what_it_mends overdo']);
  });
});

test('a distance is its fixed part, scaled, plus a share of the body, by hand', () => {
  const plus = { share: 0.5, of: 'outerHipWidthIn' as const };
  // 2 x 63/70 + 0.5 x (0.19 x 63)
  expect(distanceFor({ id: 'x', valueIn: 2, scales: true, plus }, { heightIn: 63 })).toBeCloseTo(
    1.8 + 5.985,
    9,
  );
  // A tape around the hips goes before the table.
  expect(
    distanceFor({ id: 'x', valueIn: 2, scales: false, plus }, { heightIn: 63, outerHipWidthIn: 14 }),
  ).toBe(9);
});

describe('the coach’s own drills in the match', () => {
  const file = playing(['home', 'range']);
  const ids = (own: OwnDrill[]) => {
    const { drills, alternatives } = prescribe(file, ['lead_knee_collapse'], libraryWith(own));
    return [...drills, ...alternatives].map((d) => d.id);
  };
  test('one is offered beside the built-in ones', () => {
    expect(ids([])).not.toContain('own_gate');
    expect(ids([copy({})])).toEqual(expect.arrayContaining(['own_gate', 'knee_swap']));
  });
  test('one that stands in for another takes its place, and only while it is not put aside', () => {
    const swap = { basedOn: 'knee_swap', replaces: true };
    expect(ids([copy({}, swap)])).not.toContain('knee_swap');
    expect(ids([copy({}, { ...swap, retired: true })])).toContain('knee_swap');
  });
  test('put aside it is offered to nobody and still known to old plans', () => {
    const library = libraryWith([copy({}, { retired: true })]);
    expect(library.drills.map((d) => d.id)).not.toContain('own_gate');
    expect(library.byId('own_gate')?.id).toBe('own_gate');
    expect(HOUSE_LIBRARY.byId('own_gate')).toBeUndefined();
  });
  test('a quarrel that only the new one names holds both ways', () => {
    const library = libraryWith([copy({ notWith: ['line_brush'] })]);
    const [own, brush] = [library.byId('own_gate'), library.byId('line_brush')] as [Drill, Drill];
    expect(drillsClash(own, 'line_brush', library)).toBe(true);
    expect(drillsClash(brush, 'own_gate', library)).toBe(true);
  });
});

describe('when nothing can be offered', () => {
  const shut = () => prescribe(playing(['range']), ['depth_loss']);
  test('the aid that opens most comes first, and getting it opens just those drills', () => {
    const onlyAided = libraryWith([]).drills.filter((d) => d.aids.length > 0);
    const library = { drills: onlyAided, byId: HOUSE_LIBRARY.byId };
    const file = playing(['range']);
    const { drills, wouldOpen } = prescribe(file, ['depth_loss'], library);
    expect(drills).toEqual([]);
    expect(wouldOpen.length).toBeGreaterThan(1);
    const counts = wouldOpen.map((o) => o.drills.length);
    expect(counts).toEqual([...counts].sort((a, b) => b - a));
    for (const { aid, drills: opened } of wouldOpen) {
      const owning = { ...file, student: { ...file.student, aids: [aid] } };
      const got = prescribe(owning, ['depth_loss'], library);
      expect([...got.drills, ...got.alternatives].map((d) => d.id).sort()).toEqual([...opened].sort());
    }
  });
  test('nothing is said of aids while something is offered', () => {
    expect(shut().drills.length).toBeGreaterThan(0);
    expect(shut().wouldOpen).toEqual([]);
  });
});
