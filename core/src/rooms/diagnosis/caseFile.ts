import { bad, good, type Problem, problem, type Result } from '../../foundation/index.ts';
import {
  BAND_ROWS,
  type BandContext,
  type Club,
  HEIGHT_RANGE_IN,
  type School,
  type StudentFacts,
} from '../intake/index.ts';
import type { CaseFinding, CaseMeasure } from './evidence.ts';
import { isFinding } from './findings.ts';

export interface DrillHistory {
  readonly drill: string;
  readonly outcome: 'worked' | 'stalled' | 'disliked' | 'in_use';
}

export interface DrillRecord {
  readonly worked: number;
  readonly stalled: number;
}

/** What a drill gained against a fault over a coach's students: steps nearer the band per 100 repetitions, partly pooled. */
export interface DrillGain {
  readonly fault: string;
  readonly drill: string;
  readonly mean: number;
  readonly sd: number;
  /** Students' courses that it stands on. */
  readonly courses: number;
}

/** Everything the reasoning rooms know of a student on one day. */
export interface CaseFile {
  readonly student: StudentFacts;
  readonly school: School;
  readonly club: Club;
  readonly measures: readonly CaseMeasure[];
  readonly findings: readonly CaseFinding[];
  readonly active: readonly string[];
  readonly history: readonly DrillHistory[];
  /** What drills came to with all of this coach's students. */
  readonly record?: Readonly<Record<string, DrillRecord>>;
  /** What was measured of drills with all of this coach's students. */
  readonly gains?: readonly DrillGain[];
}

type CaseProblem =
  | 'height_out_of_range'
  | 'unknown_measure'
  | 'measure_twice'
  | 'unknown_finding'
  | 'contradictory_finding';

export function checkCase(file: CaseFile): Result<CaseFile, CaseProblem> {
  const problems: Problem<CaseProblem>[] = [];
  const { heightIn } = file.student;
  if (heightIn < HEIGHT_RANGE_IN.low || heightIn > HEIGHT_RANGE_IN.high) {
    problems.push(problem('height_out_of_range', 'student.heightIn', { heightIn, ...HEIGHT_RANGE_IN }));
  }
  const measureIds = new Set<string>(BAND_ROWS.map((row) => row.id));
  const measured = new Set<string>();
  file.measures.forEach(({ id }, i) => {
    if (!measureIds.has(id)) problems.push(problem('unknown_measure', `measures[${i}].id`, { id }));
    if (measured.has(id)) problems.push(problem('measure_twice', `measures[${i}].id`, { id }));
    measured.add(id);
  });
  const seen = new Map<string, string>();
  file.findings.forEach((finding, i) => {
    if (!isFinding(finding.id)) {
      problems.push(problem('unknown_finding', `findings[${i}].id`, { id: finding.id }));
    }
    const before = seen.get(finding.id);
    if (before && before !== finding.seen) {
      problems.push(problem('contradictory_finding', `findings[${i}]`, { id: finding.id }));
    }
    seen.set(finding.id, finding.seen);
  });
  return problems.length > 0 ? bad(problems) : good(file);
}

export const bandContextOf = (file: CaseFile): BandContext => ({
  heightIn: file.student.heightIn,
  flexibility: file.student.flexibility,
  armSwing: file.student.armSwing,
  club: file.club,
  school: file.school,
});
