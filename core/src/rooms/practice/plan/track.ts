import type { IsoDay } from '../../../foundation/index.ts';
import { PHASES } from '../../diagnosis/index.ts';
import { type Drill, HOUSE_LIBRARY, type Library } from '../../prescription/index.ts';
import {
  climb,
  type LadderEvent,
  type LadderStanding,
  ladderRules,
  opensByCount,
  rungsOf,
} from '../ladder.ts';
import { type Stage, stageRow } from '../stages.ts';
import { type DrillLoad, loadOf } from './ledger.ts';
import type { PlanRequest } from './planRequest.ts';
import { hasBallPlace, hasCoursePlace, type Slot } from './slots.ts';

/** One drill with what it may do in this plan and where it stands before the first day. */
export interface Track {
  readonly drill: Drill;
  readonly index: number;
  readonly load: DrillLoad;
  readonly standing: LadderStanding;
  /** Rungs of its ladder, and those that the plan has a place for. */
  readonly rungs: readonly Stage[];
  readonly reachable: readonly Stage[];
  /** Pain stops every drill. */
  readonly stopped: boolean;
  readonly inUse: boolean;
  /** The track that must swing at three quarters first; null = begins at once. */
  readonly waitsFor: number | null;
  /** Tracks of the same cycle, itself included; empty = stands alone. */
  readonly cycle: readonly number[];
  /** Nearly every one of the latest repetitions at full speed passed. */
  readonly sure: boolean;
  /** Its work is done: it only comes back to be looked at. */
  readonly retired: boolean;
  readonly letters: readonly { readonly date: IsoDay; readonly stage: Stage; readonly reps: string }[];
}

/** The drills of a plan in the order in which they begin. */
export function makeTracks(request: PlanRequest, slots: readonly Slot[]): Track[] {
  const library = request.library ?? HOUSE_LIBRARY;
  const drills = request.drills.map((id) => library.byId(id) as Drill);
  if (request.order === 'phase') drills.sort(byPhase);
  const balls = hasBallPlace(slots);
  const course = hasCoursePlace(slots);
  const cycle = drills.flatMap(({ cyclePart }, i) => (cyclePart === null ? [] : [i]));
  const { student } = request.file;
  const opensAlone = (stage: Stage) => !request.coachDecides || opensByCount(stage);
  const tracks = drills.map((drill, index): Track => {
    const events = eventsOf(request, drill.id);
    const rungs = rungsOf(drill.habits.courseForm);
    const standing =
      request.standings[drill.id] ??
      climb(events, ladderRules(drill, opensAlone, { fast: request.pace === 'fast' }));
    const inCycle = cycle.length > 1 && cycle.includes(index);
    return {
      drill,
      index,
      load: loadOf(drill, student),
      standing,
      rungs,
      reachable: untilFirst(rungs, (stage) =>
        stage === 'course' ? !course : !balls && stageRow(stage).ball,
      ),
      stopped: student.limits.includes('pain'),
      inUse: standing.startedOn !== null || request.opened.includes(drill.id),
      waitsFor: index === 0 || (inCycle && cycle[0] !== index) ? null : index - 1,
      cycle: inCycle ? cycle : [],
      retired: false,
      sure: isSure(events),
      letters: events.flatMap((event) =>
        event.kind === 'set' ? [{ date: event.date, stage: event.stage, reps: event.reps }] : [],
      ),
    };
  });
  return [...tracks, ...retiredTracks(request, library, tracks.length)];
}

/** Drills that were put aside when they were held come back twice. */
function retiredTracks(request: PlanRequest, library: Library, from: number): Track[] {
  return request.retired.flatMap(({ drill: id, on }, i): Track[] => {
    const drill = library.byId(id);
    if (!drill || request.drills.includes(id)) return [];
    const rungs = rungsOf(drill.habits.courseForm);
    const standing = climb([], { rungs, opensAlone: () => false, layers: 1 });
    return [
      {
        drill,
        index: from + i,
        load: loadOf(drill, request.file.student),
        standing: { ...standing, finished: true, since: on, startedOn: on },
        rungs,
        reachable: [],
        stopped: request.file.student.limits.includes('pain'),
        inUse: true,
        waitsFor: null,
        cycle: [],
        retired: true,
        sure: true,
        letters: [],
      },
    ];
  });
}

/** So many of the latest judged repetitions, of which so large a share must have passed. */
const SURE_REPS = 40;
const SURE_SHARE = 0.9;

function isSure(events: readonly LadderEvent[]): boolean {
  let letters = '';
  for (let i = events.length - 1; i >= 0 && letters.length < SURE_REPS; i--) {
    const event = events[i] as LadderEvent;
    if (event.kind === 'set' && (event.stage === 'full' || event.stage === 'clubs'))
      letters += event.reps.replaceAll('?', '');
  }
  return letters.length >= SURE_REPS && letters.replaceAll('F', '').length >= SURE_SHARE * letters.length;
}

const untilFirst = <T>(all: readonly T[], ends: (one: T) => boolean): readonly T[] => {
  const end = all.findIndex(ends);
  return end < 0 ? all : all.slice(0, end);
};

const byPhase = (a: Drill, b: Drill): number => PHASES.indexOf(a.phase) - PHASES.indexOf(b.phase);

/** Logs and words of a drill by their days; what was logged on a day stands before that day's words. */
function eventsOf(request: PlanRequest, drill: string): LadderEvent[] {
  const events: (LadderEvent & { readonly date: IsoDay })[] = [];
  for (const log of request.logs) {
    if (log.drill !== drill) continue;
    events.push({ kind: 'set', date: log.date, stage: log.stage, reps: log.letters, layer: log.layer });
  }
  for (const { date, stage, decision, drill: of } of request.gates)
    if (of === drill) events.push({ kind: 'word', date, stage, decision });
  const rank = ({ kind }: LadderEvent) => (kind === 'set' ? 0 : 1);
  return events
    .map((event, i) => ({ event, i }))
    .sort((a, b) =>
      a.event.date === b.event.date
        ? rank(a.event) - rank(b.event) || a.i - b.i
        : a.event.date < b.event.date
          ? -1
          : 1,
    )
    .map(({ event }) => event);
}
