import { clamp, normalDensity } from '../../foundation/index.ts';
import { type Band, type BandContext, bandFor } from '../intake/index.ts';
import { severityOf } from '../measures/index.ts';

export interface CaseMeasure {
  readonly id: string;
  readonly value: number;
  readonly sd: number;
}

export interface CaseFinding {
  readonly id: string;
  readonly seen: 'present' | 'absent';
}

/**
 * What was learned about one finding: likelihood of what was seen or measured if the finding is
 * present, and if it is absent. Only their ratio matters.
 */
export interface Evidence {
  readonly finding: string;
  readonly ifPresent: number;
  readonly ifAbsent: number;
  readonly source: 'measured' | 'seen';
  readonly measure?: CaseMeasure & { readonly severity: number; readonly band: Band };
}

// Shapes in steps beyond the band's edge. A healthy swing mostly stays inside and thins out
// quickly past the edge, with a small flat tail so that no single number convinces beyond reason;
// a swing with the fault lies one to two steps out.
const HEALTHY_SHOULDER = 0.07;
const HEALTHY_FLOOR = 0.0004;
const FAULTY_MEAN = 1.5;
const FAULTY_SPREAD = 0.85;
const OPEN_BAND_WIDTH = 3;
const GRID = 60;
/** A look with the eye can be wrong: chance to tick what is there, and what is not. */
const EYE = { hit: 0.95, falseAlarm: 0.03 };
const RATIO_LIMIT = 2000;

/** Soft evidence for `measure.low` and `measure.high` from a value and its sd. */
export function measuredEvidence(measure: CaseMeasure, context: BandContext): Evidence[] {
  const band = bandFor(measure.id, context);
  const about = { ...measure, band, severity: severityOf(measure.value, band) };
  const sides: Evidence[] = [];
  for (const side of ['low', 'high'] as const) {
    const edge = side === 'low' ? band.lo : band.hi;
    if (edge === null) continue;
    const { ifPresent, ifAbsent } = sideLikelihood(measure, band, side, edge);
    sides.push({ finding: `${measure.id}.${side}`, ifPresent, ifAbsent, source: 'measured', measure: about });
  }
  return sides;
}

function sideLikelihood(
  measure: CaseMeasure,
  band: Band,
  side: 'low' | 'high',
  edge: number,
): { ifPresent: number; ifAbsent: number } {
  const sign = side === 'low' ? -1 : 1;
  // In steps beyond this edge, so that both sides read alike.
  const seenAt = (sign * (measure.value - edge)) / band.step;
  const sd = Math.max(measure.sd / band.step, 0.05);
  const width = band.lo !== null && band.hi !== null ? (band.hi - band.lo) / band.step : OPEN_BAND_WIDTH;
  let present = 0;
  let absent = 0;
  const [from, to] = [seenAt - 4 * sd, seenAt + 4 * sd];
  for (let i = 0; i < GRID; i++) {
    const at = from + ((i + 0.5) / GRID) * (to - from);
    const chance = normalDensity(seenAt, at, sd);
    present += chance * faultyDensity(at);
    absent += chance * healthyDensity(at, width);
  }
  const ratio = clamp(present / absent, 1 / RATIO_LIMIT, RATIO_LIMIT);
  return ratio > 1 ? { ifPresent: 1, ifAbsent: 1 / ratio } : { ifPresent: ratio, ifAbsent: 1 };
}

function healthyDensity(steps: number, width: number): number {
  const inside = 0.95 / width;
  const shape = steps <= 0 ? 1 : Math.exp(-steps / HEALTHY_SHOULDER);
  return inside * shape + HEALTHY_FLOOR;
}

function faultyDensity(steps: number): number {
  if (steps <= 0) return 0.02 * Math.exp(steps / 0.3);
  const body = normalDensity(steps, FAULTY_MEAN, FAULTY_SPREAD);
  // Very strong faults are rarer, yet never evidence against the fault.
  return steps > FAULTY_MEAN ? Math.max(body, 0.12) : body * Math.min(1, steps / 0.5);
}

/** A tick by eye: "looked and it was there" or "looked and it was not". */
export function seenEvidence(finding: CaseFinding): Evidence {
  const { hit, falseAlarm } = EYE;
  return finding.seen === 'present'
    ? { finding: finding.id, ifPresent: hit, ifAbsent: falseAlarm, source: 'seen' }
    : { finding: finding.id, ifPresent: 1 - hit, ifAbsent: 1 - falseAlarm, source: 'seen' };
}
