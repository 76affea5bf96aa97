import type { SwingMark, SwingView } from '@inchstep/contract/capture';
import {
  type Landmark,
  MARKS_WANTED,
  type Sight,
  STICK_PLACES,
  type Station,
  sightSdPx,
} from '@inchstep/core/capture';
import { clamp } from '@inchstep/core/foundation';
import type { ViewKind } from '@inchstep/core/intake';
import { followStation, namedByHand, swapSides } from '@inchstep/core/measures';
import type { Made } from './HowMade.tsx';

/** What of a swing the bench changes; every step can be undone. */
export interface SwingWork {
  readonly views: readonly SwingView[];
  readonly marks: readonly SwingMark[];
  readonly made: Made;
}

export interface BenchState {
  readonly work: SwingWork;
  readonly past: readonly SwingWork[];
  readonly future: readonly SwingWork[];
  readonly view: ViewKind;
  readonly station: Station;
  readonly landmark: Landmark;
  /** Placing stick ends instead of landmarks: which end comes next. */
  readonly stick: number | null;
}

export type BenchAction =
  | { readonly type: 'name'; readonly view: ViewKind; readonly station: Station; readonly time: number }
  | { readonly type: 'startDown'; readonly view: ViewKind; readonly time: number }
  | {
      readonly type: 'mark';
      readonly u: number;
      readonly v: number;
      readonly sdPx?: number;
      readonly landmark?: Landmark;
      readonly stay?: boolean;
    }
  | { readonly type: 'sight'; readonly sight: Sight }
  | { readonly type: 'unmark' }
  | { readonly type: 'confirm' }
  | {
      readonly type: 'propose';
      readonly view: ViewKind;
      readonly stationTimes: SwingView['stationTimes'];
      readonly marks: readonly SwingMark[];
    }
  | { readonly type: 'refuse'; readonly view: ViewKind }
  | { readonly type: 'swap'; readonly view: ViewKind; readonly station: Station }
  | { readonly type: 'camera'; readonly view: ViewKind; readonly camera: SwingView['camera'] }
  | { readonly type: 'stick'; readonly u: number; readonly v: number }
  | { readonly type: 'clear_sticks' }
  | { readonly type: 'made'; readonly made: Made }
  | { readonly type: 'attach'; readonly view: SwingView }
  | {
      readonly type: 'look';
      readonly view?: ViewKind;
      readonly station?: Station;
      readonly landmark?: Landmark;
      readonly stick?: number | null;
    }
  | { readonly type: 'undo' }
  | { readonly type: 'redo' };

const HISTORY = 200;

export const startBench = (work: SwingWork): BenchState => ({
  work,
  past: [],
  future: [],
  view: work.views[0]?.kind ?? 'face_on',
  station: 'address',
  landmark: 'lead_hip',
  stick: null,
});

/** Pure: the same state and action give the same next state. */
export function bench(state: BenchState, action: BenchAction): BenchState {
  switch (action.type) {
    case 'look':
      return { ...state, ...withoutType(action) };
    case 'undo':
      return travel(state, state.past, state.future, false);
    case 'redo':
      return travel(state, state.future, state.past, true);
    default: {
      const work = change(state, action);
      if (work === state.work) return state;
      const past = [...state.past.slice(-HISTORY), state.work];
      return { ...follow(state, action), work, past, future: [] };
    }
  }
}

const withoutType = ({ type: _, ...rest }: Extract<BenchAction, { type: 'look' }>): Partial<BenchState> =>
  rest as Partial<BenchState>;

function travel(
  state: BenchState,
  from: readonly SwingWork[],
  to: readonly SwingWork[],
  forward: boolean,
): BenchState {
  const work = from.at(-1);
  if (!work) return state;
  const rest = from.slice(0, -1);
  const other = [...to, state.work];
  return { ...state, work, past: forward ? other : rest, future: forward ? rest : other };
}

type Change = Exclude<BenchAction, { type: 'look' | 'undo' | 'redo' }>;

function change(state: BenchState, action: Change): SwingWork {
  const { work } = state;
  switch (action.type) {
    case 'name':
      return named(work, action);
    case 'startDown':
      return editView(work, action.view, (view) => ({ ...view, startDownS: action.time }));
    case 'mark':
      return { ...work, marks: putMark(state, action) };
    case 'sight':
      return {
        ...work,
        marks: work.marks.map((m) =>
          isActive(state, m) ? judgedAs(m, sightSdPx(action.sight, widthOf(work, m.view))) : m,
        ),
      };
    case 'confirm':
      return confirmed(state);
    case 'unmark':
      return { ...work, marks: work.marks.filter((m) => !isActive(state, m)) };
    case 'propose':
      return propose(work, action);
    case 'refuse':
      return refused(work, action.view);
    case 'swap':
      return { ...work, marks: swapSides(work.marks, action) };
    case 'camera':
      return editView(work, action.view, (view) => ({ ...view, camera: action.camera }));
    case 'stick': {
      const place = STICK_PLACES[state.stick ?? 0];
      if (!place) return work;
      return editView(work, state.view, (view) => {
        const others = view.groundMarks.filter((g) => g.xIn !== place.xIn || g.yIn !== place.yIn);
        return {
          ...view,
          groundMarks: [
            ...others,
            { ...place, u: action.u, v: action.v, sdPx: sightSdPx('clear', view.widthPx) },
          ],
        };
      });
    }
    case 'clear_sticks':
      return editView(work, state.view, (view) => ({ ...view, groundMarks: [] }));
    case 'made':
      return { ...work, made: action.made };
    case 'attach':
      return { ...work, views: [...work.views.filter((v) => v.kind !== action.view.kind), action.view] };
  }
}

/** What was proposed at a station goes with it to its new frame. */
function named(work: SwingWork, { view, station, time }: Extract<BenchAction, { type: 'name' }>): SwingWork {
  const before = work.views.find(({ kind }) => kind === view)?.stationTimes[station];
  const stationTimes = (one: SwingView) => ({ ...one.stationTimes, [station]: time });
  return {
    ...editView(work, view, (one) => ({ ...one, stationTimes: stationTimes(one) })),
    marks: followStation(work.marks, { view, station, time, before }),
  };
}

const editView = (work: SwingWork, kind: ViewKind, edit: (view: SwingView) => SwingView): SwingWork => ({
  ...work,
  views: work.views.map((view) => (view.kind === kind ? edit(view) : view)),
});

const widthOf = (work: SwingWork, kind: ViewKind): number =>
  work.views.find((view) => view.kind === kind)?.widthPx ?? 1080;

const isActive = (state: BenchState, mark: SwingMark): boolean =>
  mark.view === state.view && mark.station === state.station && mark.landmark === state.landmark;

function putMark(state: BenchState, action: Extract<BenchAction, { type: 'mark' }>): SwingMark[] {
  const { view, station, work } = state;
  const landmark = action.landmark ?? state.landmark;
  const same = (m: SwingMark) => m.view === view && m.station === station && m.landmark === landmark;
  const had = work.marks.find(same);
  // A proposal that the coach moves becomes the coach's own, seen clearly.
  const kept = had?.by === 'network' ? undefined : had?.sdPx;
  const sdPx = action.sdPx ?? kept ?? sightSdPx('clear', widthOf(work, view));
  const size = work.views.find((v) => v.kind === view);
  const u = clamp(action.u, 0, size?.widthPx ?? action.u);
  const v = clamp(action.v, 0, size?.heightPx ?? action.v);
  // What the network had said stays with it: that is how it is taught.
  const net = had?.net ? { net: had.net } : {};
  return [...work.marks.filter((m) => !same(m)), { view, station, landmark, u, v, sdPx, ...net }];
}

/** Grading a proposal by eye makes it the coach's. */
const judgedAs = ({ view, station, landmark, u, v, net }: SwingMark, sdPx: number): SwingMark => ({
  view,
  station,
  landmark,
  u,
  v,
  sdPx,
  ...(net && { net }),
});

/** What is proposed at this station of this view is right as it lies. */
function confirmed({ work, view, station }: BenchState): SwingWork {
  const here = (m: SwingMark) => m.view === view && m.station === station && m.by === 'network';
  if (!work.marks.some(here)) return work;
  const sdPx = sightSdPx('clear', widthOf(work, view));
  return { ...work, marks: work.marks.map((m) => (here(m) ? judgedAs(m, sdPx) : m)) };
}

/** What was proposed in a view goes: marks, and the stations that have nothing else. */
function refused(work: SwingWork, view: ViewKind): SwingWork {
  const stationTimes = (one: SwingView) => namedByHand(one.stationTimes, work.marks, view);
  return {
    ...editView(work, view, (one) => ({ ...one, stationTimes: stationTimes(one) })),
    marks: work.marks.filter((m) => m.view !== view || m.by !== 'network'),
  };
}

/** What the coach has named or marked stays; earlier proposals of the view give way. */
function propose(work: SwingWork, action: Extract<BenchAction, { type: 'propose' }>): SwingWork {
  const { view } = action;
  const mine = work.marks.filter((m) => m.view !== view || m.by !== 'network');
  const place = (m: SwingMark) => `${m.view}/${m.station}/${m.landmark}`;
  const taken = new Set(mine.map(place));
  const byHand = namedByHand(
    work.views.find(({ kind }) => kind === view)?.stationTimes ?? {},
    work.marks,
    view,
  );
  // Named while the look went on: what was proposed there goes along.
  const there = (Object.entries(byHand) as [Station, number][]).reduce(
    (marks, [station, time]) =>
      followStation(marks, { view, station, time, before: action.stationTimes[station] }),
    action.marks,
  );
  const stationTimes = { ...action.stationTimes, ...byHand };
  return {
    ...editView(work, view, (one) => ({ ...one, stationTimes })),
    marks: [...mine, ...there.filter((m) => !taken.has(place(m)))],
  };
}

/** After a step the cursor goes where the coach's eye goes next. */
function follow(state: BenchState, action: Change): BenchState {
  if (action.type === 'name') return { ...state, station: action.station };
  if (action.type === 'stick' && state.stick !== null) {
    return { ...state, stick: state.stick + 1 < STICK_PLACES.length ? state.stick + 1 : null };
  }
  if (action.type === 'attach') return { ...state, view: action.view.kind };
  if (action.type !== 'mark' || action.stay) return state;
  return { ...state, landmark: nextUnmarked(state, action.landmark ?? state.landmark) };
}

/** The next landmark of this view that has no mark at this station yet. */
export function nextUnmarked(state: BenchState, just: Landmark): Landmark {
  const wanted: readonly Landmark[] = MARKS_WANTED[state.view];
  const has = new Set(
    state.work.marks
      .filter((m) => m.view === state.view && m.station === state.station)
      .map((m) => m.landmark),
  );
  const at = wanted.indexOf(just);
  const order = [...wanted.slice(at + 1), ...wanted.slice(0, Math.max(0, at))];
  return order.find((landmark) => !has.has(landmark)) ?? just;
}

export const markAt = (
  state: BenchState,
  view: ViewKind,
  station: Station,
  landmark: Landmark,
): SwingMark | undefined =>
  state.work.marks.find((m) => m.view === view && m.station === station && m.landmark === landmark);
