import { mean } from '../../../foundation/index.ts';
import type { ReadingRecord } from '../../measures/index.ts';
import { cellOf, inOrder, type Occasion } from './occasion.ts';

/** A measure's filmed swings as occasions: those of one day, cell, place and side of the first cue belong together. */
export function occasionsFrom(readings: readonly ReadingRecord[], measure: string): Occasion[] {
  const found = new Map<string, { of: ReadingRecord; values: number[]; sds: number[] }>();
  for (const reading of readings) {
    const seen = reading.measures.find(({ id }) => id === measure);
    if (!seen) continue;
    const key = [reading.recordedOn, cellOf(reading), reading.place ?? '', reading.cue ?? ''].join('|');
    const known = found.get(key);
    if (known) {
      known.values.push(seen.value);
      known.sds.push(seen.sd);
    } else found.set(key, { of: reading, values: [seen.value], sds: [seen.sd] });
  }
  return inOrder(
    [...found.values()].map(({ of, values, sds }) => ({
      date: of.recordedOn,
      values,
      sd: mean(sds),
      cue: of.cue,
      speed: of.speed,
      aid: of.aid,
      club: of.club,
      place: of.place,
    })),
  );
}

/** The cell that progress is told of: full swings without the drill where there are any, with the club filmed last. */
export function toldCell(ordered: readonly Occasion[]): string | null {
  const full = ordered.filter(({ speed, aid }) => (speed ?? 'full') === 'full' && aid !== 'on');
  const last = full.at(-1) ?? ordered.at(-1);
  return last ? cellOf(last) : null;
}
