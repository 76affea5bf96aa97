import type { MovedMeasure } from '../checkins/index.ts';
import type { Library } from '../prescription/index.ts';
import { onceFor } from './onceFor.ts';
import { type Series, seriesOf } from './series.ts';
import { focusOf } from './studentEvidence.ts';
import type { SeriesFile } from './studentRecord.ts';

const SUREST_FIRST: readonly MovedMeasure['verdict'][] = ['real', 'maybe', 'none', 'cant_tell'];

/** How the measures that tell of the present work changed, last day against the days before it began; surest first. */
export const movedOf = onceFor((file: SeriesFile, library: Library): MovedMeasure[] => {
  const moved = seriesOf(file, library, focusOf(file, library)).flatMap(
    (series) => movedMeasure(series) ?? [],
  );
  const sure = (m: MovedMeasure) => SUREST_FIRST.indexOf(m.verdict);
  return moved.sort((a, b) => sure(a) - sure(b));
});

function movedMeasure({ measure, band, sessions, change, direction }: Series): MovedMeasure | null {
  const after = sessions.at(-1)?.mean ?? 0;
  const { verdict, delta, changed } = change;
  if (delta === null) return null;
  return { id: measure, unit: band.unit, before: after - delta, after, verdict, changed, direction };
}

/** Surely further from its band than before. */
export const hasWorsened = ({ direction, verdict }: MovedMeasure): boolean =>
  direction === 'worse' && verdict === 'real';

/** As likely as not nearer its band than before. */
export const mayHaveImproved = ({ direction, changed }: MovedMeasure): boolean =>
  direction === 'better' && changed >= 0.5;
