import type { AidState, CueState } from '../capture/index.ts';
import type { Club, Place } from '../intake/index.ts';
import type { PlanDay } from './plan/planModel.ts';
import type { Stage } from './stages.ts';

/** How a swing was made: what gates and progress sort it by. */
export interface HowMade {
  readonly club: Club;
  readonly speed: 'half' | 'three_quarter' | 'full';
  /** In which drill; null outside any, and where nobody said. */
  readonly drill: string | null;
  readonly aid: AidState | null;
  readonly place: Place | null;
  readonly cue: CueState | null;
}

const NOTHING_KNOWN: HowMade = {
  club: 'mid_iron',
  speed: 'full',
  drill: null,
  aid: null,
  place: null,
  cue: null,
};

/** Rungs on which swings are filmed, with their speed and whether the drill's aid is on. */
const SWUNG: Partial<Record<Stage, Pick<HowMade, 'speed' | 'aid'>>> = {
  half: { speed: 'half', aid: 'on' },
  three_quarter: { speed: 'three_quarter', aid: 'on' },
  full: { speed: 'full', aid: null },
};

/** How a swing filmed on a day is most likely made: as that day's card asks. The coach has the last word. */
export function likelyMade(
  card: PlanDay | null,
  lesson: { readonly counted: boolean } | null = null,
): HowMade {
  // In a lesson the first swings come before any word; once something was counted, the word was said.
  if (lesson) return { ...likelyMade(card), cue: lesson.counted ? 'after' : 'before' };
  const item = card?.items.find(({ stage }) => SWUNG[stage]);
  const swung = item && SWUNG[item.stage];
  if (!card || !item || !swung) return NOTHING_KNOWN;
  return {
    ...NOTHING_KNOWN,
    ...swung,
    drill: item.drill,
    club: item.club ?? NOTHING_KNOWN.club,
    place: card.place,
  };
}
