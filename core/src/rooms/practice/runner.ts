import type { Club } from '../intake/index.ts';
import type { Rep } from './gate.ts';
import type { AidUse, PlanItem } from './plan/planModel.ts';
import { SET_REPS } from './ruleNumbers.ts';
import { countRung } from './rungCount.ts';
import { REHEARSALS_PER_BALL, type Stage, stageRow } from './stages.ts';

/** Where and how a ball was met: on the middle of the face or not, the ground before the ball, or only its top. */
export const STRIKES = ['middle', 'toe', 'heel', 'ground_first', 'top'] as const;
export type Strike = (typeof STRIKES)[number];

/** What is run: one drill on one rung, as the card asks it or as the coach chose it. */
export interface RunSpec {
  readonly drill: string;
  readonly stage: Stage;
  /** The last checkpoint by which a repetition is judged, from 1. */
  readonly layer: number;
  readonly as: PlanItem['as'];
  /** Sets that are asked; null = as many as one likes. */
  readonly sets: number | null;
  readonly ball: boolean;
  /** One look in this many sets; null without looks. */
  readonly lookEvery: number | null;
  /** A club for each ball, in order; the last one goes on. */
  readonly clubs: readonly Club[];
  readonly aid: AidUse;
  readonly stop: boolean;
}

/** A set that is over: it is sent as it is, once, under its own id. */
export interface RunSet {
  readonly id: string;
  readonly reps: string;
  readonly layer: number;
  readonly felt: number | null;
  /** How the set's ball was met; null where nobody said. */
  readonly strike: Strike | null;
  readonly doneAt: string;
  /** Handed on; it can no longer be taken back. */
  readonly sent: boolean;
}

/** All that a run is: kept with every press, so that it goes on at the same repetition after anything. */
export interface RunState {
  readonly spec: RunSpec;
  readonly startedAt: string;
  /** When the last repetition was judged, an ISO stamp; left out before the first. */
  readonly countedAt?: string;
  readonly sets: readonly RunSet[];
  /** Letters of the set at hand. */
  readonly reps: string;
  readonly looks: number;
  /** Swings that were looked at, in order. */
  readonly swings: readonly string[];
  readonly felt: number | null;
  /** Of the ball at hand. */
  readonly strike: Strike | null;
  /** Stopped for pain. */
  readonly stopped: boolean;
}

/** The caller gives time and ids: `id` names the set that the action may close. */
export type RunAction =
  | { readonly do: 'judge'; readonly rep: Rep; readonly id: string; readonly at: string }
  | { readonly do: 'looked'; readonly swingId: string | null }
  | { readonly do: 'take_back' }
  | { readonly do: 'close'; readonly id: string; readonly at: string }
  | { readonly do: 'layer'; readonly layer: number; readonly id: string; readonly at: string }
  | { readonly do: 'felt'; readonly felt: number | null }
  | { readonly do: 'strike'; readonly strike: Strike }
  | { readonly do: 'with'; readonly clubs: readonly Club[]; readonly aid: AidUse }
  | { readonly do: 'more' }
  | { readonly do: 'sent'; readonly id: string }
  | { readonly do: 'pain'; readonly id: string; readonly at: string }
  | { readonly do: 'no_pain' };

export type RunStep =
  | {
      readonly kind: 'rehearse' | 'ball';
      /** From 1. */
      readonly set: number;
      readonly rep: number;
      readonly ofSet: number;
      readonly club: Club | null;
      readonly aidOn: boolean;
    }
  | { readonly kind: 'look' | 'done' | 'stopped'; readonly set: number };

/** With a ball a set is two rehearsals and the ball. */
const repsOfSet = ({ ball }: Pick<RunSpec, 'ball'>): number => (ball ? REHEARSALS_PER_BALL + 1 : SET_REPS);

export const beginRun = (spec: RunSpec, at: string): RunState => ({
  spec,
  startedAt: at,
  sets: [],
  reps: '',
  looks: 0,
  swings: [],
  felt: null,
  strike: null,
  stopped: false,
});

/** A planned item as it is run. */
export const runOf = (item: PlanItem): RunSpec => ({
  drill: item.drill,
  stage: item.stage,
  layer: item.layer,
  as: item.as,
  sets: item.sets,
  ball: item.balls > 0,
  lookEvery: item.lookEvery,
  clubs: item.clubs,
  aid: item.aid,
  stop: item.stop,
});

/** A drill on a rung without a plan: a lesson's set, a test at full speed, practice that nobody asked for. */
export function freeRun(drill: string, stage: Stage, layer: number, club: Club | null = null): RunSpec {
  const row = stageRow(stage);
  const clubs = club ? [club] : row.clubs;
  return {
    drill,
    stage,
    layer,
    as: 'drill',
    sets: null,
    ball: row.ball,
    lookEvery: row.lookEvery,
    clubs,
    aid: stage === 'full' ? 'alternating' : 'on',
    stop: false,
  };
}

/** What comes next. */
export function stepOfRun({ spec, sets, reps, looks, stopped }: RunState): RunStep {
  const set = sets.length + 1;
  if (stopped) return { kind: 'stopped', set };
  if (reps === '' && isLookDue(spec, sets.length, looks)) return { kind: 'look', set };
  if (spec.sets !== null && sets.length >= spec.sets) return { kind: 'done', set };
  const ofSet = repsOfSet(spec);
  const rep = reps.length + 1;
  return {
    kind: spec.ball && rep === ofSet ? 'ball' : 'rehearse',
    set,
    rep,
    ofSet,
    club: spec.clubs[Math.min(sets.length, spec.clubs.length - 1)] ?? null,
    aidOn: spec.aid === 'on' || (spec.aid === 'alternating' && sets.length % 2 === 0),
  };
}

/** Looks are no repetitions: one is due after so many sets, until it was taken. */
const isLookDue = ({ lookEvery }: RunSpec, sets: number, looks: number): boolean =>
  lookEvery !== null && Math.floor(sets / lookEvery) > looks;

/** The next state. What makes no sense where it stands changes nothing. */
export function run(state: RunState, action: RunAction): RunState {
  const step = stepOfRun(state);
  switch (action.do) {
    case 'judge':
      return step.kind === 'rehearse' || step.kind === 'ball' ? judge(state, action, step.ofSet) : state;
    case 'looked':
      return step.kind === 'look' ? looked(state, action.swingId) : state;
    case 'take_back':
      return state.stopped ? state : takeBack(state);
    case 'close':
      return closed(state, action);
    case 'layer':
      return { ...closed(state, action), spec: { ...state.spec, layer: action.layer } };
    case 'felt':
      return { ...state, felt: action.felt };
    case 'strike':
      // Pressed again it was a slip.
      return step.kind === 'ball'
        ? { ...state, strike: state.strike === action.strike ? null : action.strike }
        : state;
    case 'with':
      return { ...state, spec: { ...state.spec, clubs: action.clubs, aid: action.aid } };
    case 'more':
      return {
        ...state,
        spec: { ...state.spec, sets: state.spec.sets === null ? null : state.spec.sets + 1 },
      };
    case 'sent':
      return {
        ...state,
        sets: state.sets.map((set) => (set.id === action.id ? { ...set, sent: true } : set)),
      };
    case 'pain':
      // What was done before it hurt was done.
      return { ...closed(state, action), stopped: true };
    case 'no_pain':
      return { ...state, stopped: false };
  }
}

type Closes = { readonly id: string; readonly at: string };

function judge(state: RunState, { rep, id, at }: Closes & { readonly rep: Rep }, ofSet: number): RunState {
  const judged = { ...state, reps: state.reps + rep, countedAt: at };
  return judged.reps.length < ofSet ? judged : closed(judged, { id, at });
}

/** The set at hand ends here, whole or not; an empty one never was. The same id closes no second set. */
function closed(state: RunState, { id, at }: Closes): RunState {
  const { reps, spec, felt, strike } = state;
  if (reps === '' || state.sets.some((set) => set.id === id)) return state;
  const set = { id, reps, layer: spec.layer, felt, strike, doneAt: at, sent: false };
  return { ...state, reps: '', felt: null, strike: null, sets: [...state.sets, set] };
}

const looked = (state: RunState, swingId: string | null): RunState => ({
  ...state,
  looks: state.looks + 1,
  swings: swingId === null || state.swings.includes(swingId) ? state.swings : [...state.swings, swingId],
});

/** The last repetition was never pressed; a set that was handed on stays. */
function takeBack(state: RunState): RunState {
  if (state.reps !== '') return { ...state, reps: state.reps.slice(0, -1), strike: null };
  const last = state.sets.at(-1);
  if (!last || last.sent) return state;
  const sets = state.sets.slice(0, -1);
  const { lookEvery } = state.spec;
  const looks = lookEvery === null ? 0 : Math.min(state.looks, Math.floor(sets.length / lookEvery));
  return { ...state, sets, looks, reps: last.reps.slice(0, -1), felt: last.felt, strike: last.strike };
}

interface RunCount {
  readonly passed: number;
  readonly judged: number;
  readonly reps: number;
}

export function countOfRun({ sets, reps }: Pick<RunState, 'sets' | 'reps'>): RunCount {
  const letters = sets.map((set) => set.reps).join('') + reps;
  const passed = letters.replaceAll(/[F?]/g, '').length;
  return { passed, judged: letters.replaceAll('?', '').length, reps: letters.length };
}

/** Seconds that a repetition takes at the present pace; null before there is one. */
export function secondsPerRep({ sets, reps, startedAt }: RunState, now: string): number | null {
  const count = countOfRun({ sets, reps }).reps;
  return count === 0 ? null : Math.max(0, Date.parse(now) - Date.parse(startedAt)) / 1000 / count;
}

/** The present checkpoint holds in this very run: the next one may be added. */
export function layerHolds({ sets, reps, spec }: RunState): boolean {
  const letters = sets.filter(({ layer }) => layer === spec.layer).map((set) => set.reps);
  return countRung([...letters.join(''), ...reps] as Rep[]).decision === 'advance';
}
