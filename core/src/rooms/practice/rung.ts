import type { ChosenDrills, PrescriptionRecord } from '../prescription/index.ts';
import { countedSets } from './countedSets.ts';
import {
  type LadderDrill,
  type LadderEvent,
  type LadderRules,
  type LadderStanding,
  ladderRules,
  opensByCount,
  type Walk,
  walkOf,
} from './ladder.ts';
import type { LoggedSet, PracticeRecord } from './practiceRecord.ts';
import { STAGES, type Stage } from './stages.ts';

/** What a drill's rung is judged from; nothing else is asked. */
export interface LadderFile {
  readonly prescription: PrescriptionRecord;
  readonly practice: Pick<PracticeRecord, 'sets' | 'gates'>;
}

/** A moment of a drill's history with its stamp. */
type DatedEvent = LadderEvent & { readonly at: string };

/**
 * Where a drill in use stands: the rung it had come to before it was taken up, moved by what was logged since
 * and by the coach's words, and by nothing else.
 */
export function standsOn(file: LadderFile, drill: LadderDrill): LadderStanding {
  return walked(file, drill).standing();
}

interface Walked {
  readonly drill: LadderDrill;
  readonly gates: LadderFile['practice']['gates'];
  readonly prescription: PrescriptionRecord;
  readonly walk: Walk;
}
/** Walks over sets that are known: a page, its card, its gates and its summary ask for the same one. */
const known = new WeakMap<readonly LoggedSet[], Map<string, Walked>>();

/** A drill's walk over what was logged and said. Records never change, so neither does their walk. */
function walked(file: LadderFile, drill: LadderDrill): Walk {
  const { prescription, practice } = file;
  const { sets, gates } = practice;
  const ofSets = known.get(sets) ?? new Map<string, Walked>();
  known.set(sets, ofSets);
  const before = ofSets.get(drill.id);
  if (before?.drill === drill && before.gates === gates && before.prescription === prescription)
    return before.walk;
  const walk = walkOf(eventsOf(file, drill.id), rulesFor(file, drill));
  ofSets.set(drill.id, { drill, gates, prescription, walk });
  return walk;
}

/** The drill in use as the ladder's rules see it. */
export const rulesFor = ({ prescription }: LadderFile, drill: LadderDrill): LadderRules =>
  ladderRules(drill, opensByCount, { from: startOf(prescription, drill.id) });

/** Sets and words since the drill was taken up, in the order in which they became known. */
export function eventsOf({ prescription, practice }: LadderFile, drill: string): DatedEvent[] {
  const since = takenUp(prescription, drill)?.at ?? '';
  const events: DatedEvent[] = countedSets(setsSince(practice.sets, since, drill)).map(
    ({ date, stage, reps, layer, at }) => ({ kind: 'set', date, stage, reps, layer, at }),
  );
  const words = practice.gates.filter((word) => word.drill === drill && word.at >= since);
  for (const { day, stage, decision, at } of words)
    events.push({ kind: 'word', date: day, stage, decision, at });
  const checkpoint = takenUp(prescription, drill)?.layers?.[drill];
  if (checkpoint)
    events.push({ kind: 'checkpoint', date: checkpoint.day, layer: checkpoint.layer, at: checkpoint.at });
  return words.length === 0 && !checkpoint
    ? events
    : events.sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
}

/** Sets of a drill that came in since a moment; a long history before it is not looked through. */
function setsSince(sets: readonly LoggedSet[], since: string, drill: string): LoggedSet[] {
  const found: LoggedSet[] = [];
  for (let i = sets.length - 1; i >= 0; i--) {
    const set = sets[i] as LoggedSet;
    if (set.at < since) break;
    if (set.drill === drill) found.push(set);
  }
  return found.reverse();
}

/** The rung before a set and after it. */
export function aroundSet(
  file: LadderFile,
  drill: LadderDrill,
  { date, stage, reps, layer }: LoggedSet,
): { readonly before: Stage; readonly after: Stage } {
  const walk = walked(file, drill);
  return { before: walk.stage, after: walk.stageAfter({ kind: 'set', date, stage, reps, layer }) };
}

/** The choice by which a drill is in use, or was at last. */
export const takenUp = ({ choices }: PrescriptionRecord, drill: string): ChosenDrills | undefined =>
  choices.findLast(({ drills }) => drills.includes(drill));

/** The rung on which a drill was put aside when it was in use before. */
function startOf(prescription: PrescriptionRecord, drill: string): Stage | undefined {
  const now = takenUp(prescription, drill);
  const before = prescription.choices.findLast((choice) => choice !== now && choice.drills.includes(drill));
  const rung = before?.reached[drill];
  return STAGES.find((stage) => stage === rung);
}
