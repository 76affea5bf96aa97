import type { IsoDay } from '../../foundation/index.ts';
import { countedSets, type GateStanding, type Stage } from '../practice/index.ts';
import { type ChosenDrills, type Library, tellingMeasures } from '../prescription/index.ts';
import { outside } from './direction.ts';
import { occasionsFrom, toldCell } from './season/fromReadings.ts';
import { scaleOf } from './season/judgeSeason.ts';
import { cellOf, type Occasion } from './season/occasion.ts';
import { dayLevelOf } from './season/retention.ts';
import { latestBand } from './studentEvidence.ts';
import type { StudentRecord } from './studentRecord.ts';

/** One student's work with one drill against one fault, and what came of it. */
export interface DrillCourse {
  readonly fault: string;
  readonly drill: string;
  /** How far out the telling measures were when it began, steps. */
  readonly severity: number;
  /** How much nearer to their bands they came, steps. */
  readonly gain: number;
  readonly gainSd: number;
  readonly reps: number;
}

/** When a drill's rung was begun, and passed where it was. */
export interface Climb {
  readonly drill: string;
  readonly stage: Stage;
  readonly from: IsoDay;
  readonly passed: IsoDay | null;
}

/** Courses that can be counted: filmed before and since, with repetitions logged between. */
export const coursesOf = (record: StudentRecord, library: Library): DrillCourse[] =>
  record.prescription.choices.flatMap((choice) => courseOf(record, library, choice) ?? []);

function courseOf(record: StudentRecord, library: Library, choice: ChosenDrills): DrillCourse | null {
  const [drill] = choice.drills;
  if (drill === undefined) return null;
  const until = choice.endedDay ?? '9999-12-31';
  const reps = countedSets(record.practice.sets)
    .filter((set) => set.drill === drill && set.date >= choice.day && set.date <= until)
    .reduce((sum, set) => sum + set.reps.length, 0);
  const gains = tellingMeasures(choice.drills, choice.forFault, library).flatMap(
    (measure) => gainOf(record, measure, choice.day, until) ?? [],
  );
  if (reps === 0 || gains.length === 0) return null;
  const mean = (of: (gain: (typeof gains)[number]) => number) =>
    gains.reduce((sum, gain) => sum + of(gain), 0) / gains.length;
  return {
    fault: choice.forFault,
    drill,
    severity: mean(({ severity }) => severity),
    gain: mean(({ gain }) => gain),
    // Measures of one film stray together: their mean is no surer than one of them.
    gainSd: Math.sqrt(mean(({ variance }) => variance)),
    reps,
  };
}

function gainOf({ measures }: StudentRecord, measure: string, from: IsoDay, until: IsoDay) {
  const band = latestBand(measures.readings, measure);
  const all = occasionsFrom(measures.readings, measure);
  const cell = toldCell(all);
  if (!band || cell === null) return null;
  const own = all.filter((one) => cellOf(one) === cell);
  const before = own.findLast(({ date, cue }) => date < from || (date === from && cue !== 'after'));
  const after = own.findLast(({ date }) => date > from && date <= until);
  if (!before || !after) return null;
  const { step, shared } = scaleOf(measure, band.step);
  const level = (one: Occasion) => dayLevelOf(one, step, shared);
  const [was, is] = [level(before), level(after)];
  const out = (mean: number) => outside(mean * step, band) / step;
  return {
    severity: out(was.mean),
    gain: out(was.mean) - out(is.mean),
    variance: was.variance + is.variance,
  };
}

/** Rungs of the work in use: each begun where the one before it was passed. */
export function climbsOf({ prescription, practice }: StudentRecord, gates: readonly GateStanding[]): Climb[] {
  const work = prescription.choices.findLast(({ endedAt }) => endedAt === null);
  if (!work) return [];
  return work.drills.flatMap((drill): Climb[] => {
    const passed = practice.gates.filter(
      (word) => word.drill === drill && word.decision === 'advance' && word.at >= work.at,
    );
    const climbs = passed.map(
      ({ stage, day }, i): Climb => ({ drill, stage, from: passed[i - 1]?.day ?? work.day, passed: day }),
    );
    const now = gates.find((gate) => gate.drill === drill && !gate.finished)?.stage ?? null;
    const open = now !== null && !passed.some(({ stage }) => stage === now) ? now : null;
    return open === null
      ? climbs
      : [...climbs, { drill, stage: open, from: passed.at(-1)?.day ?? work.day, passed: null }];
  });
}
