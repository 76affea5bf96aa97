import { type IsoDay, plusDays } from '../../foundation/index.ts';
import type { GateStanding } from '../practice/index.ts';
import type { FilmAsk, FilmRequest } from './filmRequest.ts';

/** Clips that the plan asks for by itself. */
type PlanAsked = FilmAsk & Pick<FilmRequest, 'from' | 'because'>;

/** A review is asked for so many days ahead; a gate's films within so many. */
const AHEAD_DAYS = 3;
const GATE_DAYS = 4;
const MOST_SWINGS = 6;

/**
 * What the plan asks for today, or null: films that a gate still needs once its repetitions hold, else those of a review
 * date that is near. Each is asked once, whatever becomes of it; one that stands already is enough.
 */
export function planAsks({
  gates,
  reviewDates,
  usual,
  asked,
  before,
  today,
}: {
  readonly gates: readonly GateStanding[];
  readonly reviewDates: readonly IsoDay[];
  /** What would be asked of this student anyway. */
  readonly usual: FilmAsk;
  /** A request stands. */
  readonly asked: boolean;
  /** What the plan asked for before. */
  readonly before: ReadonlySet<string>;
  readonly today: IsoDay;
}): PlanAsked | null {
  if (asked) return null;
  for (const { drill, stage, gate, held } of gates) {
    const films = held.flatMap((reason) => (reason.code === 'swings' ? [reason] : []));
    const [most] = films.sort((a, b) => b.need - b.have - (a.need - a.have));
    if (!most || gate.decision !== 'advance') continue;
    const because = `gate ${drill} ${stage} ${most.have}`;
    const swings = Math.min(MOST_SWINGS, Math.max(1, most.need - most.have));
    if (!before.has(because))
      return { ...usual, drill, stage, swings, dueOn: plusDays(today, GATE_DAYS), from: 'gate', because };
  }
  const near = [...reviewDates].sort().find((day) => day >= today && day <= plusDays(today, AHEAD_DAYS));
  if (!near || before.has(`review ${near}`)) return null;
  return { ...usual, dueOn: near, from: 'review', because: `review ${near}` };
}
