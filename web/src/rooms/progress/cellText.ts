import type { MeasureStory } from '@inchstep/contract/progress';
import { CLUB_WORDS, PLACE_WORDS } from '@inchstep/contract/words';
import { SPEED_WORDS } from '../capture/index.ts';
import { HOLDS_WORDS } from './words.belief.ts';

type Cell = MeasureStory['told'];

export const wayText = ({ speed, aid }: Pick<Cell, 'speed' | 'aid'>): string =>
  HOLDS_WORDS.way(SPEED_WORDS[speed as keyof typeof SPEED_WORDS] ?? speed, aid);

export const clubText = ({ club }: Pick<Cell, 'club'>): string => CLUB_WORDS[club] ?? HOLDS_WORDS.noClub;
export const placeText = ({ place }: Pick<Cell, 'place'>): string =>
  PLACE_WORDS[place] ?? HOLDS_WORDS.noPlace;

/** "driver, full, without the drill, at the range". */
export const cellText = (cell: Cell): string =>
  [clubText(cell), wayText(cell), placeText(cell)].join(', ').toLowerCase();
