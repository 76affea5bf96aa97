import { faultById } from '../diagnosis/index.ts';
import type { IntakeRecord } from '../intake/index.ts';
import type { MeasuresRecord, ReadingRecord } from '../measures/index.ts';
import { type Drill, inUse, type Library, type PrescriptionRecord } from '../prescription/index.ts';
import { type MeasureGate, measureGate } from './gate.ts';
import { type Held, heldBy, moreAtThisRate } from './held.ts';
import type { LadderStanding } from './ladder.ts';
import type { PracticeRecord } from './practiceRecord.ts';
import { standsOn } from './rung.ts';
import type { RungStanding } from './rungCount.ts';
import { type Stage, stageRow } from './stages.ts';

/** Where a drill stands, and everything that holds it there. */
export interface GateStanding {
  readonly drill: string;
  readonly stage: Stage;
  readonly finished: boolean;
  readonly layer: number;
  readonly gate: Pick<RungStanding, 'decision' | 'repsUsed' | 'tape' | 'notYets'> & {
    /** Repetitions that it will take at the student's present rate; null where they would never do. */
    readonly more: number | null;
  };
  /** Every measure that the drill moves and a film can tell, the one that is furthest from open first. */
  readonly measures: readonly (MeasureGate & { readonly id: string })[];
  /** Two "not yet" in a row, or a watched measure out twice: one rung down is proposed. */
  readonly proposesDown: boolean;
  readonly held: readonly Held[];
  /** A test at full speed from a rung below: where it passes, the rungs below are taken as passed. */
  readonly fullTest: FullTest | null;
}

type FullTest = Pick<GateStanding, 'gate' | 'measures' | 'held'>;

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
export const waitsForCoach = ({
  gate,
  held,
  proposesDown,
}: Pick<GateStanding, 'gate' | 'held' | 'proposesDown'>): boolean =>
  (gate.decision === 'advance' || proposesDown) &&
  !held.some(({ code }) => code === 'pain' || code === 'swings');

function gateState(file: GateFile, drill: Drill, startedAt: string): GateStanding {
  const { measures, intake } = file;
  const standing = standsOn(file, drill);
  const { stage, test, fullTest, layer, finished } = standing;
  const from = evidenceFrom(file, drill.id, startedAt);
  const since = measures.readings.filter(({ at }) => at >= from);
  const watch = overshoot(drill, since);
  const judge = (on: Stage, count: RungStanding): FullTest => {
    const needsFilm = stageRow(on).measureGate;
    const judged = needsFilm ? measureGates(drill, since, on) : [];
    const gate = { ...pick(count), more: moreAtThisRate(count) };
    const over = watch?.measure ?? null;
    return {
      gate,
      measures: judged,
      held: heldBy(count, judged, needsFilm, over, intake.heldSince !== null),
    };
  };
  return {
    drill: drill.id,
    stage,
    finished,
    layer,
    ...judge(stage, test),
    proposesDown: standing.proposesDown || watch?.twice === true,
    fullTest: fullTest && judge('full', fullTest),
  };
}

const pick = ({ decision, repsUsed, tape, notYets }: LadderStanding['test']) => ({
  decision,
  repsUsed,
  tape,
  notYets,
});

/** Swings count for the present rung from the last word on the drill on, else since it was taken up. */
const evidenceFrom = ({ practice }: GateFile, drill: string, startedAt: string): string =>
  practice.gates.findLast((word) => word.drill === drill && word.at >= startedAt)?.at ?? startedAt;

/** Each measure that the drill moves and pictures can show, with the swings that count for this rung. */
function measureGates(
  drill: Drill,
  readings: readonly ReadingRecord[],
  stage: Stage,
): (MeasureGate & { id: string })[] {
  const speed = SPEED_OF[stage];
  const here = readings.filter((reading) => !speed || reading.speed === speed);
  // Clubs differ in their bands: the one that was filmed last is the one that is judged.
  const club = here.at(-1)?.club;
  const same = here.filter((reading) => reading.club === club);
  return drill.moves
    .filter((id) => !id.startsWith('ball.'))
    .map((id) => {
      const values = same.flatMap(({ measures }) => measures.filter((one) => one.id === id));
      const band = values.at(-1)?.band;
      return { id, ...(band ? measureGate(values, band) : NO_SWINGS) };
    })
    .sort((a, b) => (a.inBand ?? -1) - (b.inBand ?? -1));
}

const NO_SWINGS: MeasureGate = { swings: 0, inBand: null, open: false };

/** A watched measure that the latest swing shows on the far side of its band, and whether the one before did. */
function overshoot(
  drill: Drill,
  readings: readonly ReadingRecord[],
): { measure: string; twice: boolean } | null {
  const fault = drill.overdo ? faultById(drill.overdo) : undefined;
  if (!fault) return null;
  const isOver = (reading: ReadingRecord | undefined, finding: string): boolean => {
    const [id, side] = finding.split('.');
    return reading?.measures.some((m) => m.id === id && m.verdict === side) === true;
  };
  const over = fault.evidence.find(
    ({ finding, strength }) => strength === 3 && isOver(readings.at(-1), finding),
  );
  if (!over) return null;
  return { measure: over.finding.split('.')[0] as string, twice: isOver(readings.at(-2), over.finding) };
}
