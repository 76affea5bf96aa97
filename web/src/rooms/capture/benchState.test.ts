import type { SwingMark } from '@inchstep/contract/capture';
import { LANDMARKS, MARKS_WANTED, STATIONS, STICK_PLACES } from '@inchstep/core/capture';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type BenchAction, type BenchState, bench, markAt, nextUnmarked, startBench } from './benchState.ts';

const view = (kind: 'face_on' | 'down_the_line') => ({
  kind,
  clipId: null,
  widthPx: 1080,
  heightPx: 1920,
  camera: {},
  groundMarks: [],
  stationTimes: {},
});
const fresh = () =>
  startBench({
    views: [view('face_on'), view('down_the_line')],
    marks: [],
    made: { club: 'mid_iron', speed: 'full', drill: null, aid: null, place: null, cue: null },
  });
const after = (state: BenchState, ...actions: BenchAction[]) => actions.reduce(bench, state);
const mark = (u: number, v: number, more: object = {}): BenchAction => ({ type: 'mark', u, v, ...more });

describe('marks', () => {
  test('a mark goes to the chosen view, station and landmark; the next missing one is chosen', () => {
    const state = after(fresh(), { type: 'look', station: 'top' }, mark(10, 20));
    expect(markAt(state, 'face_on', 'top', 'lead_hip')).toMatchObject({ u: 10, v: 20, sdPx: 2 });
    expect(state.landmark).toBe('trail_hip');
  });
  test('moving a mark replaces it, keeps its trust and stays where it is', () => {
    const once = after(
      fresh(),
      mark(10, 20),
      { type: 'look', landmark: 'lead_hip' },
      { type: 'sight', sight: 'guessed' },
    );
    const moved = after(once, mark(12, 22, { stay: true }));
    expect(moved.work.marks).toHaveLength(1);
    expect(moved.work.marks[0]).toMatchObject({ u: 12, v: 22, sdPx: 12 });
    expect(moved.landmark).toBe('lead_hip');
  });
  test('a mark pushed past an edge stays in the picture', () => {
    const state = after(fresh(), mark(-4, 1e5));
    expect(state.work.marks[0]).toMatchObject({ u: 0, v: view('face_on').heightPx });
  });
  test('sight scales with the picture', () => {
    const small = startBench({
      views: [{ ...view('face_on'), widthPx: 540 }],
      marks: [],
      made: { club: 'mid_iron', speed: 'full', drill: null, aid: null, place: null, cue: null },
    });
    expect(after(small, mark(1, 1)).work.marks[0]?.sdPx).toBe(1);
  });
  test('the next landmark wraps to the first that is missing, and stays when none is', () => {
    const wanted = MARKS_WANTED.face_on;
    const all = after(fresh(), ...wanted.slice(1).map((landmark, i) => mark(i, i, { landmark })));
    expect(nextUnmarked(all, wanted.at(-1) as (typeof wanted)[number])).toBe('lead_hip');
    const full = after(all, mark(1, 1, { landmark: 'lead_hip' }));
    expect(nextUnmarked(full, 'neck')).toBe('neck');
  });
  test('taking one away leaves the others', () => {
    const state = after(
      fresh(),
      mark(1, 1),
      mark(2, 2),
      { type: 'look', landmark: 'lead_hip' },
      { type: 'unmark' },
    );
    expect(state.work.marks.map((m) => m.landmark)).toEqual(['trail_hip']);
  });
  test('lead and trail changed about at one place, and back with undo', () => {
    const both = after(
      fresh(),
      mark(1, 1),
      mark(2, 2),
      { type: 'look', station: 'top', landmark: 'lead_hip' },
      mark(3, 3),
    );
    const swapped = after(both, { type: 'swap', view: 'face_on', station: 'address' });
    expect(markAt(swapped, 'face_on', 'address', 'trail_hip')).toMatchObject({ u: 1 });
    expect(markAt(swapped, 'face_on', 'address', 'lead_hip')).toMatchObject({ u: 2 });
    expect(markAt(swapped, 'face_on', 'top', 'lead_hip')).toMatchObject({ u: 3 });
    expect(after(swapped, { type: 'undo' }).work).toEqual(both.work);
  });
  test('the same landmark in another view or station is another mark', () => {
    const state = after(
      fresh(),
      mark(1, 1, { landmark: 'lead_hip' }),
      { type: 'look', view: 'down_the_line', landmark: 'lead_hip' },
      mark(2, 2),
      { type: 'look', station: 'top', landmark: 'lead_hip' },
      mark(3, 3),
    );
    expect(state.work.marks).toHaveLength(3);
  });
});

describe('stations, sticks, cameras', () => {
  test('naming a station moves there and touches one view only', () => {
    const state = after(fresh(), { type: 'name', view: 'face_on', station: 'top', time: 1.1 });
    expect(state.station).toBe('top');
    expect(state.work.views.map((v) => v.stationTimes.top)).toEqual([1.1, undefined]);
  });
  test('stick ends come one after the other, and the fourth ends it', () => {
    const four = [1, 2, 3, 4].map((n): BenchAction => ({ type: 'stick', u: n, v: n }));
    const state = after(fresh(), { type: 'look', stick: 0 }, ...four);
    expect(state.stick).toBeNull();
    expect(state.work.views[0]?.groundMarks.map(({ xIn, yIn }) => ({ xIn, yIn }))).toEqual([...STICK_PLACES]);
    const again = after(state, { type: 'look', stick: 1 }, { type: 'stick', u: 9, v: 9 });
    expect(again.work.views[0]?.groundMarks).toHaveLength(4);
    expect(after(again, { type: 'clear_sticks' }).work.views[0]?.groundMarks).toEqual([]);
  });
  test('a clip for a view that has one takes its place', () => {
    const state = after(fresh(), { type: 'attach', view: { ...view('face_on'), widthPx: 720 } });
    expect(state.work.views).toHaveLength(2);
    expect(state.work.views.find((v) => v.kind === 'face_on')?.widthPx).toBe(720);
  });
});

describe('undo and redo', () => {
  const anything: fc.Arbitrary<BenchAction> = fc.oneof(
    fc.record({
      type: fc.constant('mark' as const),
      u: fc.integer({ min: 0, max: 1080 }),
      v: fc.integer({ min: 0, max: 1920 }),
      landmark: fc.constantFrom(...LANDMARKS),
    }),
    fc.record({
      type: fc.constant('name' as const),
      view: fc.constantFrom('face_on' as const, 'down_the_line' as const),
      station: fc.constantFrom(...STATIONS),
      time: fc.integer({ min: 0, max: 200 }).map((n) => n / 60),
    }),
    fc.record({
      type: fc.constant('sight' as const),
      sight: fc.constantFrom('clear' as const, 'partly' as const, 'guessed' as const),
    }),
    fc.constant<BenchAction>({ type: 'unmark' }),
    fc.record({ type: fc.constant('look' as const), station: fc.constantFrom(...STATIONS) }),
  );
  test('undo as often as there were steps gives the start; redo gives the end again', () => {
    fc.assert(
      fc.property(fc.array(anything, { maxLength: 30 }), (actions) => {
        const start = fresh();
        const end = after(start, ...actions);
        const steps = end.past.length;
        const back = after(end, ...Array<BenchAction>(steps + 2).fill({ type: 'undo' }));
        expect(back.work).toEqual(start.work);
        const on = after(back, ...Array<BenchAction>(steps + 2).fill({ type: 'redo' }));
        expect(on.work).toEqual(end.work);
      }),
      { seed: 3, numRuns: 80 },
    );
  });
  test('a new step forgets what was undone', () => {
    const state = after(fresh(), mark(1, 1), mark(2, 2), { type: 'undo' }, mark(3, 3));
    expect(state.future).toEqual([]);
    expect(after(state, { type: 'redo' }).work).toEqual(state.work);
  });
  test('looking around is no step', () => {
    expect(after(fresh(), { type: 'look', station: 'top' }).past).toEqual([]);
  });
});

describe('proposals of the body network', () => {
  const proposed = (landmark: 'lead_hip' | 'trail_hip', u: number) =>
    ({ view: 'face_on', station: 'top', landmark, u, v: 50, sdPx: 9, by: 'network' }) as const;
  const proposal = (...marks: ReturnType<typeof proposed>[]): BenchAction => propose(marks);
  const propose = (marks: readonly SwingMark[], topAt = 1): BenchAction => ({
    type: 'propose',
    view: 'face_on',
    stationTimes: { address: 0.2, top: topAt },
    marks,
  });
  const name = (time: number): BenchAction => ({ type: 'name', view: 'face_on', station: 'top', time });
  const moving = { uPerS: 60, vPerS: 0, sdS: 0.02, atS: 1 };
  const atTop = () => after(fresh(), { type: 'look', station: 'top' });

  test('fill what is open and leave the coach’s names and marks alone', () => {
    const state = after(
      atTop(),
      name(1.1),
      mark(10, 20),
      propose([proposed('lead_hip', 99), proposed('trail_hip', 40)], 1.1),
    );
    expect(state.work.views[0]?.stationTimes).toEqual({ address: 0.2, top: 1.1 });
    expect(markAt(state, 'face_on', 'top', 'lead_hip')).toMatchObject({ u: 10, sdPx: 2 });
    expect(markAt(state, 'face_on', 'top', 'trail_hip')).toMatchObject({ u: 40, by: 'network' });
  });
  test('checked by hand, it keeps what the network had said; its doubt goes', () => {
    const net = { u: 1, v: 50, heightPx: 800 };
    const seen = { ...proposed('lead_hip', 1), sharedSdPx: 7, net };
    const start = after(atTop(), propose([seen]), { type: 'look', landmark: 'lead_hip' });
    const own = { view: 'face_on', station: 'top', landmark: 'lead_hip', net };
    expect(after(start, mark(5, 6, { stay: true })).work.marks).toEqual([{ ...own, u: 5, v: 6, sdPx: 2 }]);
    expect(after(start, { type: 'confirm' }).work.marks).toEqual([{ ...own, u: 1, v: 50, sdPx: 2 }]);
    // Moved twice, it still says where the network had it.
    const twice = after(start, mark(5, 6, { stay: true }), mark(7, 8, { stay: true }));
    expect(twice.work.marks[0]).toMatchObject({ u: 7, net });
  });
  test('all that is proposed at a station is right with one press, and with one step back it is not', () => {
    const two = [proposed('lead_hip', 1), proposed('trail_hip', 2)];
    const elsewhere = { ...proposed('lead_hip', 3), station: 'impact' as const };
    const start = after(atTop(), propose([...two, elsewhere]));
    const right = after(start, { type: 'confirm' });
    expect(right.work.marks.filter((m) => m.by === 'network')).toEqual([elsewhere]);
    expect(after(right, { type: 'undo' }).work).toEqual(start.work);
    // With nothing proposed here there is no step.
    expect(after(right, { type: 'confirm' }).past).toHaveLength(right.past.length);
  });
  test('go with their station to the frame that the coach names, further off not at all', () => {
    const start = after(atTop(), propose([{ ...proposed('trail_hip', 40), moving }]));
    const near = after(start, name(1.05));
    expect(markAt(near, 'face_on', 'top', 'trail_hip')).toMatchObject({
      u: 43,
      moving: { ...moving, sdS: 0 },
    });
    expect(near.work.views[0]?.stationTimes.top).toBe(1.05);
    const far = after(start, name(1.2));
    expect(far.work.marks).toEqual([]);
    expect(after(far, { type: 'undo' }).work).toEqual(start.work);
  });
  test('named while the look went on, the coach’s moment holds and what was proposed goes along', () => {
    const state = after(atTop(), name(1.05), propose([{ ...proposed('trail_hip', 40), moving }]));
    expect(state.work.views[0]?.stationTimes.top).toBe(1.05);
    expect(markAt(state, 'face_on', 'top', 'trail_hip')?.u).toBeCloseTo(43, 9);
  });
  test('another look finds its own stations, but where a hand has set a mark', () => {
    const first = after(atTop(), propose([{ ...proposed('trail_hip', 40), moving }]));
    const again = after(
      first,
      propose([{ ...proposed('trail_hip', 41), moving: { ...moving, atS: 1.02 } }], 1.02),
    );
    expect(again.work.views[0]?.stationTimes.top).toBe(1.02);
    const dragged = after(first, mark(7, 8), propose([{ ...proposed('trail_hip', 41), moving }], 1.02));
    expect(dragged.work.views[0]?.stationTimes.top).toBe(1);
  });
  test('a second look replaces the first’s proposals', () => {
    const state = after(atTop(), proposal(proposed('lead_hip', 1)), proposal(proposed('trail_hip', 2)));
    expect(state.work.marks.map((m) => [m.landmark, m.u])).toEqual([['trail_hip', 2]]);
  });
  test('dragged or graded, a proposal is the coach’s', () => {
    const start = after(atTop(), proposal(proposed('lead_hip', 1)), { type: 'look', landmark: 'lead_hip' });
    const dragged = after(start, mark(5, 6, { stay: true }));
    expect(dragged.work.marks).toEqual([
      { view: 'face_on', station: 'top', landmark: 'lead_hip', u: 5, v: 6, sdPx: 2 },
    ]);
    const graded = after(start, { type: 'sight', sight: 'partly' });
    expect(graded.work.marks[0]).toEqual({
      view: 'face_on',
      station: 'top',
      landmark: 'lead_hip',
      u: 1,
      v: 50,
      sdPx: 5,
    });
  });
  test('refused, they go in one step and come back with undo', () => {
    const start = after(atTop(), mark(10, 20), proposal(proposed('trail_hip', 2)));
    const refused = after(start, { type: 'refuse', view: 'face_on' });
    expect(refused.work.marks.map((m) => m.landmark)).toEqual(['lead_hip']);
    expect(after(refused, { type: 'undo' }).work.marks).toHaveLength(2);
  });
  test('refused, stations that were proposed go with them; those of a hand stay', () => {
    const found = after(atTop(), propose([{ ...proposed('trail_hip', 40), moving }]));
    const refused = after(found, { type: 'refuse', view: 'face_on' });
    expect(refused.work.views[0]?.stationTimes.top).toBeUndefined();
    // So another look finds its own.
    expect(after(refused, propose([], 1.02)).work.views[0]?.stationTimes.top).toBe(1.02);
    const dragged = after(found, mark(7, 8), { type: 'refuse', view: 'face_on' });
    expect(dragged.work.views[0]?.stationTimes.top).toBe(1);
    expect(after(refused, { type: 'undo' }).work).toEqual(found.work);
  });
});
