import type { Brief, Moved } from '@inchstep/contract/progress';
import { measureName } from '@inchstep/contract/words';
import { dayText } from '../../platform/parts.tsx';

export const STATE_WORDS: Record<Brief['state'], string> = {
  new: 'New: nothing prescribed yet',
  working: 'At work',
  gate_waiting: 'A gate waits',
  stalled: 'Not moving',
  silent: 'Gone quiet',
  owned: 'Owned',
  pain: 'On hold: pain',
};

const VERDICTS: Record<Moved['verdict'], string> = {
  real: 'really',
  maybe: 'probably',
  none: 'no change to speak of',
  cant_tell: 'can’t tell yet',
};

/** "Hip turn at the top: really better". */
export function movedText(moved: Moved): string {
  const certain = moved.verdict === 'real' || moved.verdict === 'maybe';
  const way = moved.direction === 'level' ? 'moved inside its band' : moved.direction;
  return `${measureName(moved.id)}: ${VERDICTS[moved.verdict]}${certain ? ` ${way}` : ''}`;
}

/** "5, lately 6 days ago, 4 days ago, yesterday". */
export function missedText(missed: Brief['missed'], today: string): string {
  const days = missed.slice(-MOST_NAMED).map((day) => dayText(day, today));
  const more = missed.length > MOST_NAMED ? `${missed.length}, lately ` : '';
  return `${more}${days.join(', ')}`;
}
const MOST_NAMED = 3;

const SAYS: Record<Brief['owned']['occasions'][number]['says'], string> = {
  in: 'in band',
  out: 'not in band',
  cant_tell: 'can’t tell',
};

/** What the swings without drill and cue say of the change, and what is missing until it is the student's own. */
export function ownedText({ owned, occasions }: Brief['owned'], today: string): string {
  const last = occasions.at(-1);
  if (!last) return 'Not looked at: film full swings without the drill, before the first cue.';
  const told = `${SAYS[last.says]} ${dayText(last.date, today)}`;
  if (owned) return `Yes: ${told}, and a week or more before that, without drill or cue.`;
  return last.says === 'in'
    ? `Not yet: ${told}; it must be so again a week apart.`
    : `Not yet: ${told}, without drill or cue.`;
}
