import { STATIONS } from '@inchstep/core/capture';
import type { CaseFile } from '@inchstep/core/diagnosis';
import { between, seededRandom } from '@inchstep/core/foundation';
import { resolveSchool } from '@inchstep/core/intake';
import { measureCapture } from '@inchstep/core/measures';
import { FAULT_EFFECTS, type FaultGrades } from '../golfer/faultEffects.ts';
import { simulate } from '../simulate.ts';

/** Faults that marks on pictures can show; the others need a track, a shot or an eye. */
export const SHOWN_FAULTS = FAULT_EFFECTS.filter((e) => e.adds.length > 0 || e.stance).map((e) => e.fault);

export interface KnownCase {
  readonly faults: FaultGrades;
  readonly file: CaseFile;
}

/** A made-up golfer with known faults, measured through two cameras with all their errors. */
export function knownCase(faults: FaultGrades, seed: number): KnownCase {
  const random = seededRandom(seed * 7 + 3);
  const golfer = {
    handedness: random() < 0.2 ? ('left' as const) : ('right' as const),
    heightIn: between(random, 62, 76),
  };
  const [swing] = simulate({ golfer, faults, seed, stations: STATIONS });
  if (!swing) throw new Error('study: no swing came');
  const { measures } = measureCapture(swing.capture);
  return {
    faults,
    file: {
      student: {
        ...golfer,
        ageYears: 40,
        flexibility: 'usual',
        armSwing: 'usual',
        beginner: false,
        limits: [],
        aids: [],
        places: ['home', 'range'],
        cueLiking: { kind: 'any', side: 'any' },
        films: ['face_on', 'down_the_line'],
        minutesPerWeek: 120,
        ballsPerVisit: 60,
      },
      school: resolveSchool({}),
      club: 'mid_iron',
      measures: measures.map(({ id, value, sd }) => ({ id, value, sd })),
      findings: [],
      active: [],
      history: [],
    },
  };
}

/** Every fault alone, at a grade, over several golfers. */
export const singles = (grade: number, golfers: number): KnownCase[] =>
  SHOWN_FAULTS.flatMap((fault, i) =>
    Array.from({ length: golfers }, (_, k) => knownCase({ [fault]: grade }, 10_000 + 100 * i + k)),
  );

/** Random pairs at random grades, neither below clear. */
export function pairs(count: number): KnownCase[] {
  const random = seededRandom(4711);
  const any = () => SHOWN_FAULTS[Math.floor(random() * SHOWN_FAULTS.length)] as string;
  return Array.from({ length: count }, (_, k) => {
    const first = any();
    let second = any();
    while (second === first) second = any();
    const faults = { [first]: between(random, 1.2, 2.6), [second]: between(random, 1.2, 2.6) };
    return knownCase(faults, 50_000 + k);
  });
}
