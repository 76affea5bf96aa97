import { clamp, roundTo } from '../../foundation/index.ts';
import {
  type CaseFile,
  type Diagnosis,
  type DrillGain,
  type DrillRecord,
  phaseRank,
} from '../diagnosis/index.ts';
import { hasChoice } from '../intake/index.ts';
import type { Drill } from './drillTable.ts';
import { cautionsFor, historyWith } from './rules.ts';

export interface ScorePart {
  readonly code:
    | 'root'
    | 'downstream'
    | 'own_thought'
    | 'allowed_thought'
    | 'cue_kind'
    | 'cue_side'
    | 'self_judged'
    | 'filmable'
    | 'places'
    | 'worked'
    | 'stalled'
    | 'disliked'
    | 'record'
    | 'gain'
    | 'load'
    | 'guards';
  readonly points: number;
  readonly about: string;
}

/** Measures that only a down-the-line film shows well; the rest are seen face-on. */
const SEEN_DOWN_THE_LINE =
  /^(seat_|bearing_|hip_extension|incline|trail_hip_depth|trail_knee_kick|lead_knee_out)/;
/** From the school's own thought to one that it merely allows is more than a grade of strength. */
const OWN_THOUGHT = 1.4;
const ALLOWED_THOUGHT = -0.8;
const PAST = { worked: 1.2, stalled: -2.5, disliked: -1.5 };

/** Points of a drill for a fault, each with what it is for. */
export function scoreParts(
  drill: Drill,
  { fault, strength }: Drill['fixes'][number],
  file: CaseFile,
  diagnosis: Pick<Diagnosis, 'roots'>,
): ScorePart[] {
  const parts: ScorePart[] = [];
  const give = (code: ScorePart['code'], points: number, about: string) =>
    parts.push({ code, points, about });
  const { student } = file;
  give('root', 2 * strength, fault);
  const explained = diagnosis.roots.find((root) => root.fault === fault)?.explains ?? [];
  for (const fix of drill.fixes)
    if (explained.includes(fix.fault)) give('downstream', 0.6 * fix.strength, fix.fault);
  const own = drill.thoughts.find((choice) => hasChoice(file.school, choice));
  const [thought] = drill.thoughts;
  if (own) give('own_thought', OWN_THOUGHT, own);
  else if (thought) give('allowed_thought', ALLOWED_THOUGHT, thought);
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
  if (past && past !== 'in_use') give(past, PAST[past], drill.id);
  const record = recordPoints(file.record?.[drill.id]);
  if (record) give('record', record.points, record.about);
  const gain = gainPoints(drill.id, fault, file.gains ?? []);
  if (gain) give('gain', gain.points, gain.about);
  const light = cautionsFor(drill, file).find((caution) => caution.code === 'light_load');
  if (light) give('load', -1.2, light.about);
  return parts;
}

export const total = (parts: readonly ScorePart[]): number =>
  parts.reduce((sum, part) => sum + part.points, 0);

/** The better fit first; of two alike the one at which the school begins, then by id. */
export const byFit =
  (school: CaseFile['school'], phaseOf: (id: string) => Drill['phase']) =>
  (a: { readonly id: string; readonly score: number }, b: { readonly id: string; readonly score: number }) =>
    b.score - a.score ||
    phaseRank(phaseOf(a.id), school) - phaseRank(phaseOf(b.id), school) ||
    (a.id < b.id ? -1 : 1);

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

/** What a whole step more than usual per 100 repetitions is worth, how many courses a figure has to stand on to count half, and the most. */
const GAIN_WORTH = 2;
const GAIN_WEIGHT = 6;
const GAIN_MOST = 0.8;
/** Less than this moves no drill before another. */
const GAIN_LEAST = 0.05;

/**
 * What was measured of this drill against this fault, beside what the others gained. Fewer courses count less, and no number of
 * them counts for more than a bounded share of a fit: it is what was seen, not a trial.
 */
function gainPoints(
  drill: string,
  fault: string,
  gains: readonly DrillGain[],
): { points: number; about: string } | null {
  const own = gains.find((gain) => gain.drill === drill && gain.fault === fault);
  const others = gains.filter((gain) => gain !== own);
  if (!own || others.length === 0) return null;
  const all = others.reduce((sum, { courses }) => sum + courses, 0);
  const usual = others.reduce((sum, { mean, courses }) => sum + mean * courses, 0) / all;
  const trust = own.courses / (own.courses + GAIN_WEIGHT);
  const points = clamp(GAIN_WORTH * trust * (own.mean - usual), -GAIN_MOST, GAIN_MOST);
  if (Math.abs(points) < GAIN_LEAST) return null;
  return { points, about: `${roundTo(own.mean, 1)}/${roundTo(usual, 1)}/${own.courses}` };
}
