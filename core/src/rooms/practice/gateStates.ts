import { faultById } from '../diagnosis/index.ts';
import { type Band, type BandContext, bandFor, type IntakeRecord } from '../intake/index.ts';
import type { MeasuresRecord, ReadingRecord } from '../measures/index.ts';
import { type Drill, inUse, type Library, type PrescriptionRecord } from '../prescription/index.ts';
import { countedSets } from './countedSets.ts';
import {
  type GateDecision,
  type Held,
  heldBy,
  type MeasureGate,
  measureGate,
  readReps,
  repGate,
} from './gate.ts';
import type { LoggedSet, PracticeRecord } from './practiceRecord.ts';
import { countsFrom, rungOf } from './rung.ts';
import { type Stage, stageRow } from './stages.ts';

/** Where a drill stands, and everything that holds it there. */
export interface GateStanding {
  readonly drill: string;
  readonly stage: Stage;
  readonly gate: GateDecision;
  readonly measure: MeasureGate & { readonly id: string | null };
  readonly held: readonly Held[];
}

/** What the gates are judged from; nothing else is asked. */
export interface GateFile {
  /** Body and school, by which bands are cut; and whether pain holds the drills. */
  readonly intake: Pick<IntakeRecord, 'facts' | 'school' | 'heldSince'>;
  readonly measures: MeasuresRecord;
  readonly prescription: PrescriptionRecord;
  readonly practice: Pick<PracticeRecord, 'sets' | 'gates'>;
}

/** Speed at which a swing must be filmed to count for a stage. */
const SPEED_OF: Partial<Record<Stage, string>> = {
  half: 'half',
  three_quarter: 'three_quarter',
  full: 'full',
};

/** Every drill in use with its rung and its gate. A drill the library no longer knows stands nowhere. */
export function gateStates(file: GateFile, library: Library): GateStanding[] {
  const now = inUse(file.prescription);
  if (!now) return [];
  return now.drills.flatMap((id) => {
    const drill = library.byId(id);
    return drill ? [gateState(file, drill, now.at)] : [];
  });
}

/** The repetitions have said their word and nothing but the coach's decision is missing. */
export const waitsForCoach = ({ gate, held }: Pick<GateStanding, 'gate' | 'held'>): boolean =>
  gate.decision !== 'continue' && !held.some(({ code }) => code === 'pain' || code === 'swings');

function gateState({ practice, measures, intake }: GateFile, drill: Drill, startedAt: string): GateStanding {
  const body: BandContext = { ...intake.facts, school: intake.school, club: 'mid_iron' };
  const stage = rungOf(practice.gates, drill.id);
  const from = countsFrom(practice.gates, drill.id, startedAt);
  const here = setsFrom(practice.sets, from).filter((set) => set.drill === drill.id && set.stage === stage);
  const reps = countedSets(here).flatMap((set) => readReps(set.reps) ?? []);
  const gate = repGate(reps);
  const since = measures.readings.filter((reading) => reading.at >= from);
  const moved = movedMeasure(drill, body);
  const measured: MeasureGate = moved
    ? measureGate(filmed(since, moved.id, stage), moved.band)
    : { swings: 0, inBand: null, open: false };
  const held = heldBy(
    gate,
    stageRow(stage).measureGate,
    measured,
    overshoot(drill, since),
    intake.heldSince !== null,
  );
  return { drill: drill.id, stage, gate, measure: { ...measured, id: moved?.id ?? null }, held };
}

/** Sets that came in since a moment; a long history before it is not looked through. */
function setsFrom(sets: readonly LoggedSet[], from: string): readonly LoggedSet[] {
  let first = sets.length;
  while (first > 0 && (sets[first - 1] as LoggedSet).at >= from) first--;
  return sets.slice(first);
}

/** The drill's first measure that pictures can show. */
function movedMeasure(drill: Drill, body: BandContext): { id: string; band: Band } | null {
  const id = drill.moves.find((move) => !move.startsWith('ball.'));
  return id ? { id, band: bandFor(id, body) } : null;
}

function filmed(readings: readonly ReadingRecord[], measure: string, stage: Stage) {
  const speed = SPEED_OF[stage];
  return readings
    .filter((reading) => !speed || reading.speed === speed)
    .flatMap((reading) => reading.measures.filter(({ id }) => id === measure));
}

/** A watched measure that the latest swing shows on the far side of its band. */
function overshoot(drill: Drill, readings: readonly ReadingRecord[]): string | null {
  const fault = drill.overdo ? faultById(drill.overdo) : undefined;
  const latest = readings.at(-1);
  if (!fault || !latest) return null;
  const over = fault.evidence.find(({ finding, strength }) => {
    const [id, side] = finding.split('.');
    return strength === 3 && latest.measures.some((m) => m.id === id && m.verdict === side);
  });
  return over ? (over.finding.split('.')[0] as string) : null;
}
