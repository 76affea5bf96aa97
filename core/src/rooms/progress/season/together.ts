import type { IsoDay } from '../../../foundation/index.ts';
import type { Evidence } from './evidence.ts';
import type { Occasion } from './occasion.ts';
import { ALIKE } from './seasonTable.ts';
import { spreadLogs, TELLING_DAYS } from './spreads.ts';

/** What one measure's season says of how the player's days stray, after each occasion from the third on. */
export type SaidByDay = readonly { readonly date: IsoDay; readonly logs: readonly number[] }[];

export const saidByDay = (evidence: Evidence): SaidByDay =>
  evidence.occasions.flatMap(({ date }, look) => {
    const logs = look + 1 < TELLING_DAYS ? null : spreadLogs(evidence, look);
    return logs ? [{ date, logs }] : [];
  });

/**
 * The same evidence with what other measures of the same player said of his days by then: a body that strays by a step in one
 * measure mostly does in the next. Nothing that was said later is used, so that a look stays what it was.
 */
export const besideOthers = (evidence: Evidence, others: readonly SaidByDay[]): Evidence => ({
  ...evidence,
  others: evidence.occasions.map((occasion) => saidBy(occasion, others)),
});

function saidBy({ date }: Occasion, others: readonly SaidByDay[]): readonly number[] | null {
  const all = others.flatMap((said) => {
    const found = said.findLast((one) => one.date <= date);
    return found ? [found.logs] : [];
  });
  const [first] = all;
  return first ? first.map((_, row) => all.reduce((sum, logs) => sum + (logs[row] as number), 0)) : null;
}

/**
 * How often each row of spreads is met in this measure, when the others have spoken: with most players all measures stray alike, and the
 * others' word is taken for this one, too; with the rest it says nothing.
 */
export function rowsBeside(
  rows: readonly number[],
  others: readonly number[] | null | undefined,
): readonly number[] {
  if (!others) return rows;
  const best = Math.max(...others.filter((_, row) => (rows[row] as number) > 0));
  const likely = rows.map((share, row) => share * Math.exp((others[row] as number) - best));
  const total = likely.reduce((a, b) => a + b, 0);
  return rows.map((share, row) => ALIKE * ((likely[row] as number) / total) + (1 - ALIKE) * share);
}
