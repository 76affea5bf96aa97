import { type CaseFile, type Diagnosis, type DrillRecord, reason } from '../diagnosis/index.ts';
import { isChild } from '../intake/index.ts';
import type { AnyDrillId, Drill } from './drillTable.ts';
import { HOUSE_LIBRARY, type Library } from './library.ts';
import { type Opening, openings } from './openings.ts';
import {
  type Caution,
  cautionsFor,
  drillsClash,
  historyWith,
  type Refusal,
  refuse,
  watchesFor,
} from './rules.ts';
import { type SetupValue, setupFor } from './setupCard.ts';

export interface ScorePart {
  readonly code:
    | 'root'
    | 'downstream'
    | 'cue_kind'
    | 'cue_side'
    | 'self_judged'
    | 'filmable'
    | 'places'
    | 'worked'
    | 'stalled'
    | 'disliked'
    | 'record'
    | 'load';
  readonly points: number;
  readonly about: string;
}

export interface Prescribed {
  readonly id: AnyDrillId;
  readonly role: 'primary' | 'support';
  readonly forFault: string;
  readonly score: number;
  readonly parts: readonly ScorePart[];
  readonly cautions: readonly Caution[];
  readonly setup: readonly SetupValue[];
  readonly watch: readonly string[];
}

export interface Prescription {
  readonly workOn: readonly string[];
  readonly drills: readonly Prescribed[];
  readonly alternatives: readonly Prescribed[];
  readonly rejected: readonly Refusal[];
  readonly blockers: readonly string[];
  /** Filled only when nothing can be offered: what the student could get to change that. */
  readonly wouldOpen: readonly Opening[];
}

/** Measures that only a down-the-line film shows well; the rest are seen face-on. */
const SEEN_DOWN_THE_LINE =
  /^(seat_|bearing_|hip_extension|incline|trail_hip_depth|trail_knee_kick|lead_knee_out)/;
/** What the match reads of a diagnosis. */
type Reasoned = Omit<Diagnosis, 'nextLook' | 'nextLooks'>;
/** A second drill must earn its place beside the first. */
const SUPPORT_SHARE = 0.55;
const SHORT_WEEK_MINUTES = 60;

/**
 * One drill, at most two, for what comes first. `given` replaces the diagnosis's own choice of
 * what to work on (the coach's word goes).
 */
export const prescribe = (
  file: CaseFile,
  given?: readonly string[],
  library: Library = HOUSE_LIBRARY,
): Prescription => matchDrills(file, reason(file), given, library);

/** The same from a diagnosis already made. */
export function matchDrills(
  file: CaseFile,
  diagnosis: Reasoned,
  given?: readonly string[],
  library: Library = HOUSE_LIBRARY,
): Prescription {
  const workOn = given ?? diagnosis.workOn;
  const rejected: Refusal[] = [];
  const offered: Prescribed[] = [];
  const target = workOn[0];
  if (target === undefined) {
    return {
      workOn: [],
      drills: [],
      alternatives: [],
      rejected: [],
      blockers: diagnosis.blockers,
      wouldOpen: [],
    };
  }
  for (const drill of library.drills) {
    const fit = drill.fixes.find((fix) => fix.fault === target);
    if (!fit) continue;
    const refusal = refuse(drill, file, diagnosis, library);
    if (refusal) rejected.push(refusal);
    else offered.push(offer(drill, target, fit.strength, file, diagnosis));
  }
  offered.sort((a, b) => b.score - a.score || (a.id < b.id ? -1 : 1));
  const [first, ...others] = offered;
  const { blockers } = diagnosis;
  if (!first) {
    const wouldOpen = openings(file, target, diagnosis, library);
    return { workOn, drills: [], alternatives: [], rejected, blockers, wouldOpen };
  }
  const support = findSupport(first, others, file, library);
  const chosen = support ? [first, { ...support, role: 'support' as const }] : [first];
  const alternatives = others.filter((other) => other.id !== support?.id);
  return { workOn, drills: chosen, alternatives, rejected, blockers, wouldOpen: [] };
}

function offer(
  drill: Drill,
  fault: string,
  strength: 1 | 2 | 3,
  file: CaseFile,
  diagnosis: Reasoned,
): Prescribed {
  const parts = scoreParts(drill, fault, strength, file, diagnosis);
  return {
    id: drill.id,
    role: 'primary',
    forFault: fault,
    score: parts.reduce((sum, part) => sum + part.points, 0),
    parts,
    cautions: cautionsFor(drill, file),
    setup: setupFor(drill, file),
    watch: watchesFor(drill, diagnosis),
  };
}

function scoreParts(
  drill: Drill,
  fault: string,
  strength: 1 | 2 | 3,
  file: CaseFile,
  diagnosis: Reasoned,
): ScorePart[] {
  const parts: ScorePart[] = [];
  const give = (code: ScorePart['code'], points: number, about: string) =>
    parts.push({ code, points, about });
  const { student } = file;
  give('root', 2 * strength, fault);
  const explained = diagnosis.roots.find((root) => root.fault === fault)?.explains ?? [];
  for (const fix of drill.fixes) {
    if (explained.includes(fix.fault)) give('downstream', 0.6 * fix.strength, fix.fault);
  }
  const { kind, side } = student.cueLiking;
  if (kind !== 'any' && (drill.cue.kind === kind || drill.cue.kind === 'both')) give('cue_kind', 1, kind);
  if (side !== 'any' && (drill.cue.side === side || drill.cue.side === 'both')) give('cue_side', 0.5, side);
  if (drill.aids.length > 0) give('self_judged', 0.8, drill.aids.flat()[0] as string);
  const filmable = drill.moves.some((id) =>
    student.films.includes(SEEN_DOWN_THE_LINE.test(id) ? 'down_the_line' : 'face_on'),
  );
  if (filmable) give('filmable', 0.5, drill.moves[0] as string);
  const shared = drill.places.filter((place) => student.places.includes(place));
  give('places', 0.4 * shared.length, shared.join('/'));
  const past = historyWith(drill, file.history);
  if (past && past !== 'in_use') give(past, { worked: 1.2, stalled: -2.5, disliked: -1.5 }[past], drill.id);
  const record = recordPoints(file.record?.[drill.id]);
  if (record) give('record', record.points, record.about);
  const light = cautionsFor(drill, file).find((caution) => caution.code === 'light_load');
  if (light) give('load', -1.2, light.about);
  return parts;
}

/** Before a drill was tried it is taken to work with three students of five; that guess weighs as six. */
const USUAL_RATE = 0.6;
const USUAL_WEIGHT = 6;
const RECORD_WORTH = 4;

/** Results over all students, shrunk toward the usual so that one or two say little. */
function recordPoints(record: DrillRecord | undefined): { points: number; about: string } | null {
  if (!record) return null;
  const tried = record.worked + record.stalled;
  const rate = (record.worked + USUAL_RATE * USUAL_WEIGHT) / (tried + USUAL_WEIGHT);
  const points = RECORD_WORTH * (rate - USUAL_RATE);
  return tried === 0 || points === 0 ? null : { points, about: `${record.worked}/${tried}` };
}

/** Same fault from another side: another place or another kind of cue, and no quarrel. */
function findSupport(
  first: Prescribed,
  others: readonly Prescribed[],
  file: CaseFile,
  library: Library,
): Prescribed | null {
  const { student } = file;
  const room = 2 - file.active.length;
  if (student.beginner || isChild(student) || student.minutesPerWeek < SHORT_WEEK_MINUTES || room < 2)
    return null;
  const primary = library.byId(first.id) as Drill;
  for (const other of others) {
    const drill = library.byId(other.id) as Drill;
    const differs = drill.cue.kind !== primary.cue.kind || drill.ball !== primary.ball;
    const sameOverdo = drill.overdo !== null && drill.overdo === primary.overdo;
    if (other.score < SUPPORT_SHARE * first.score || !differs || sameOverdo) continue;
    if (drillsClash(primary, drill.id, library)) continue;
    return other;
  }
  return null;
}
