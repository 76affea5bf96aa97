import { mean, roundTo } from '../../foundation/index.ts';
import { onceFor } from './onceFor.ts';
import { spreadLogs } from './season/spreads.ts';
import { evidenceAlone, focusOf } from './studentEvidence.ts';

/** So many measures of one student are asked; more would say the same again. */
const MOST_MEASURES = 4;

/**
 * What the measures that a student works on say of how his days stray. Measures of one film stray together: he counts as one look,
 * their mean. No table of spreads enters, so that what is learnt does not feed on itself.
 */
export const studentSpreads = onceFor((file, library): readonly number[] | null => {
  const said = focusOf(file, library)
    .slice(0, MOST_MEASURES)
    .flatMap((measure): number[][] => {
      const found = evidenceAlone(file, measure);
      const logs = found && spreadLogs(found.evidence);
      return logs ? [logs] : [];
    });
  const [first] = said;
  return first ? first.map((_, row) => roundTo(mean(said.map((logs) => logs[row] as number)), 3)) : null;
});
