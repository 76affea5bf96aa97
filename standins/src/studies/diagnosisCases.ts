import { STATIONS } from '@inchstep/core/capture';
import { type CaseFile, FAULTS, referenceCase } from '@inchstep/core/diagnosis';
import { between, seededRandom } from '@inchstep/core/foundation';
import { bandFor } from '@inchstep/core/intake';
import { measureCapture, poolSwings, severityOf } from '@inchstep/core/measures';
import { FAULT_EFFECTS, type FaultGrades } from '../golfer/faultEffects.ts';
import { makeGolfer, trueMeasures } from '../golfer/golfer.ts';
import { USUAL_CONTEXT } from '../golfer/usual.ts';
import { simulate } from '../simulate.ts';

/** Faults that marks on pictures can show; the others need a track, a shot or an eye. */
export const SHOWN_FAULTS = FAULT_EFFECTS.filter((e) => e.adds.length > 0 || e.stance).map((e) => e.fault);

export interface KnownCase {
  readonly faults: FaultGrades;
  readonly file: CaseFile;
}

/** A made-up golfer with known faults, measured through two cameras with all their errors; several swings are one day. */
export function knownCase(faults: FaultGrades, seed: number, swings = 1): KnownCase {
  const random = seededRandom(seed * 7 + 3);
  const golfer = {
    handedness: random() < 0.2 ? ('left' as const) : ('right' as const),
    heightIn: between(random, 62, 76),
  };
  // No swing is quite the golfer's own: what is measured has wandered a little.
  const day = simulate({ golfer, faults, seed, daySeed: seed + 7919, stations: STATIONS, swings });
  const measures = poolSwings(day.map(({ capture }) => measureCapture(capture).measures));
  return {
    faults,
    file: {
      ...referenceCase(golfer),
      measures: measures.map(({ id, value, sd }) => ({ id, value, sd })),
    },
  };
}

/** The strongest finding a fault shows on pictures; its grade of severity is what "clear" means. */
function severityAt(fault: string, faults: FaultGrades, seed: number): number {
  const golfer = makeGolfer({ handedness: 'right', heightIn: 70 }, faults, seededRandom(seed));
  const truth = trueMeasures(golfer);
  const rows = FAULTS.find((f) => f.id === fault)?.evidence ?? [];
  const grades = rows.flatMap(({ finding, strength }) => {
    const [id, side] = finding.split('.') as [string, string];
    const value = truth[id];
    if (strength < 2 || value === undefined || (side !== 'low' && side !== 'high')) return [];
    const severity = severityOf(value, bandFor(id, USUAL_CONTEXT));
    return [{ strength, steps: side === 'low' ? -severity : severity }];
  });
  const strongest = Math.max(0, ...grades.map((g) => g.strength));
  return Math.max(0, ...grades.filter((g) => g.strength === strongest).map((g) => g.steps));
}

const MOST = 6;
const CLEAR_STEPS = 1;

/** The stand-in's amount at which a fault's own finding lies `steps` beyond its band, or null. */
export function gradeFor(fault: string, steps: number): number | null {
  const at = (grade: number) => severityAt(fault, { [fault]: grade }, 5);
  if (at(MOST) < steps) return null;
  let [low, high] = [0, MOST];
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (at(middle) < steps) low = middle;
    else high = middle;
  }
  return high;
}

/** Every fault that pictures show, alone, so many steps beyond its band, over several golfers. */
export const singles = (steps: number, golfers: number, swings = 1, seed = 10_000): KnownCase[] =>
  SHOWN_FAULTS.flatMap((fault, i) => {
    const grade = gradeFor(fault, steps);
    if (grade === null) return [];
    return Array.from({ length: golfers }, (_, k) =>
      knownCase({ [fault]: grade }, seed + 100 * i + k, swings),
    );
  });

/**
 * Random pairs, each clear or stronger alone (1 to 2.5 steps beyond the band) and still clear in the
 * pair: two faults that cancel each other leave nothing to be found.
 */
export function pairs(count: number, seed = 4711): KnownCase[] {
  const random = seededRandom(seed);
  const graded = SHOWN_FAULTS.flatMap((fault) => {
    const [clear, strong] = [gradeFor(fault, 1), gradeFor(fault, 2.5)];
    return clear !== null && strong !== null ? [{ fault, clear, strong }] : [];
  });
  const any = () => graded[Math.floor(random() * graded.length)] as (typeof graded)[number];
  const pair = (): FaultGrades => {
    for (;;) {
      const [first, second] = [any(), any()];
      if (second.fault === first.fault) continue;
      const faults = {
        [first.fault]: between(random, first.clear, first.strong),
        [second.fault]: between(random, second.clear, second.strong),
      };
      if (Object.keys(faults).every((fault) => severityAt(fault, faults, 5) >= CLEAR_STEPS)) return faults;
    }
  };
  return Array.from({ length: count }, (_, k) => knownCase(pair(), 11 * seed + k));
}
