import type { IsoDay } from '../../foundation/index.ts';
import {
  betterFirst,
  type FeltAgainst,
  type FilmAsk,
  type FilmSeen,
  type ReplyFacts,
  replyGate,
  worseFirst,
} from '../checkins/index.ts';
import { gateStates, type PlanDay, practisedOf, stageRow } from '../practice/index.ts';
import type { Library } from '../prescription/index.ts';
import { movedOf } from './moved.ts';
import type { StudentRecord } from './studentRecord.ts';

const MOST_LEFT = 3;

/** What a reply to a check-in is drafted from: what was measured, done and decided. */
export function replyFacts(
  record: StudentRecord,
  library: Library,
  {
    checkin,
    film,
    felt,
    today,
    days,
    next,
  }: {
    readonly checkin: { readonly pain: boolean; readonly at: string };
    /** What became of its clips. */
    readonly film: FilmSeen;
    readonly felt: FeltAgainst | null;
    readonly today: IsoDay;
    /** Days of the plan from today on. */
    readonly days: readonly PlanDay[];
    /** What would be asked for next; null = nothing. */
    readonly next: FilmAsk | null;
  },
): ReplyFacts {
  const states = gateStates(record, library);
  const state = states[0];
  const said = state ? replyGate(state, record.practice.gates, checkin.at) : null;
  const moved = movedOf(record, library);
  return {
    pain: checkin.pain,
    better: betterFirst(moved),
    worse: worseFirst(moved),
    atEdge: [
      ...new Set(states.flatMap(({ held }) => held.flatMap((h) => (h.code === 'watch' ? [h.measure] : [])))),
    ],
    film,
    felt,
    practised: practisedOf(record.practice, today),
    key:
      state && said
        ? {
            drill: state.drill,
            stage: said.stage,
            speedPct: stageRow(said.stage).speedPct,
            layer: state.layer,
            layers: library.byId(state.drill)?.layers.length ?? 1,
            day: dayOf(days, state.drill, said.stage),
          }
        : null,
    gate: said?.gate ?? null,
    leave: record.diagnosis.diagnoses.at(-1)?.follow.slice(0, MOST_LEFT) ?? [],
    sendNext: next,
  };
}

/** What the next day with this drill on this rung asks of it. */
function dayOf(days: readonly PlanDay[], drill: string, stage: string) {
  const item = days
    .flatMap(({ items }) => items)
    .find((one) => one.drill === drill && one.stage === stage && one.intent === 'rung');
  return item ? { sets: item.sets, reps: item.rehearsals, balls: item.balls } : null;
}
