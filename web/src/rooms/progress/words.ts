import type { Brief, Moved } from '@inchstep/contract/progress';
import { measureName } from '@inchstep/contract/words';

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
