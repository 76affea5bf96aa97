import type { Band } from '../../intake/index.ts';
import { beliefAt } from './belief.ts';
import { type Forecast, forecastOf } from './forecast.ts';
import { cellEvidence, judgeSeason, type Look, practicePerDay, scaleOf } from './judgeSeason.ts';
import { edgesOf } from './levelBelief.ts';
import { cellOf, inOrder, type Occasion } from './occasion.ts';

/** A season of one measure: what was to be said after each session, and when it will be there. */
interface SeasonAnswer {
  readonly looks: readonly Look[];
  readonly forecast: { readonly inBand: Forecast | null; readonly owned: Forecast | null };
}

const NO_FORECAST = { inBand: null, owned: null };

/** Sessions in any order. What is forecast is the cell of the last one: another club has its own way to go. */
export function seasonAnswer(
  measure: string,
  band: Pick<Band, 'lo' | 'hi' | 'step'>,
  sessions: readonly Occasion[],
  family: number,
): SeasonAnswer {
  const ordered = inOrder(sessions);
  const scale = scaleOf(measure, band.step);
  const looks = judgeSeason(scale, ordered, family);
  const last = ordered.filter(({ values }) => values.length > 0).at(-1);
  if (!last) return { looks, forecast: NO_FORECAST };
  const evidence = cellEvidence(scale, ordered, cellOf(last));
  const look = evidence.occasions.length - 1;
  if (look < evidence.baseline) return { looks, forecast: NO_FORECAST };
  const found = forecastOf(beliefAt(evidence, look), edgesOf(band), last.date, practicePerDay(evidence));
  return { looks, forecast: mayBeOwned(last) ? found : { ...found, owned: null } };
}

/** Only what is shown at full speed and without the aid can be owned; where nobody said, it may be. */
const mayBeOwned = ({ speed, aid }: Occasion): boolean => (speed ?? 'full') === 'full' && aid !== 'on';
