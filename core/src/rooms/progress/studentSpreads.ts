import { mean, roundTo } from '../../foundation/index.ts';
import { onceFor } from './onceFor.ts';
import { practisedOccasions } from './practisedOccasions.ts';
import { toldCell } from './season/fromReadings.ts';
import { cellEvidence, scaleOf } from './season/judgeSeason.ts';
import { spreadLogs } from './season/spreads.ts';
import { focusOf, latestBand } from './series.ts';

/** So many measures of one student are asked; more would say the same again. */
const MOST_MEASURES = 4;

/**
 * What the measures that a student works on say of how his days stray. Measures of one film stray together: he counts as one look,
 * their mean. Asked of the house's table whatever the coach's own is by now, so that what is learnt does not feed on itself.
 */
export const studentSpreads = onceFor((file, library): readonly number[] | null => {
  const { readings } = file.measures;
  const said = focusOf(file, library)
    .slice(0, MOST_MEASURES)
    .flatMap((measure): number[][] => {
      const band = latestBand(readings, measure);
      const all = practisedOccasions(file, measure);
      const cell = toldCell(all);
      if (!band || cell === null) return [];
      const logs = spreadLogs(cellEvidence(scaleOf(measure, band.step), all, cell));
      return logs === null ? [] : [logs];
    });
  const [first] = said;
  return first ? first.map((_, row) => roundTo(mean(said.map((logs) => logs[row] as number)), 3)) : null;
});
