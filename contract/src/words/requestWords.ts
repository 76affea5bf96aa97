import type { FilmAsk } from '@inchstep/core/checkins';
import { CLUB_WORDS, VIEW_WORDS } from './measures.ts';
import { STAGE_WORDS } from './practice.ts';

/** How a phone is stood for each view, for whoever films himself. */
export const FILM_GUIDE: Readonly<Record<FilmAsk['kinds'][number], string>> = {
  face_on:
    'From the front: phone at belt height, about four steps away, looking straight at the chest. Head, hands and feet in the picture, with room above.',
  down_the_line:
    'From behind: phone at belt height, about four steps back on the line of the hands. Head, hands and feet in the picture, with room above.',
};

/** "3 swings, face-on and down the line, short iron, drill on, half" */
export function askText(
  { swings, kinds, club, aid, stage, drill }: Omit<FilmAsk, 'why' | 'dueOn'>,
  nameOf: (id: string) => string,
): string {
  const views = kinds.map((kind) => VIEW_WORDS[kind]?.toLowerCase() ?? kind).join(' and ');
  return [
    `${swings} ${swings === 1 ? 'swing' : 'swings'}, ${views}`,
    drill === null ? '' : nameOf(drill),
    stage === null ? '' : (STAGE_WORDS[stage]?.name.toLowerCase() ?? ''),
    club === null ? '' : (CLUB_WORDS[club]?.toLowerCase() ?? ''),
    aid === null ? '' : aid === 'on' ? 'with the aid' : 'without the aid',
  ]
    .filter((part) => part !== '')
    .join(', ');
}
