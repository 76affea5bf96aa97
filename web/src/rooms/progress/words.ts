import type { Brief } from '@inchstep/contract/progress';
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

const VERDICTS: Record<string, string> = {
  real: 'really',
  maybe: 'probably',
  none: 'no change to speak of',
  cant_tell: 'can’t tell yet',
};

/** "Hip turn at the top: really better". */
export function movedText(moved: {
  readonly measure: string;
  readonly verdict: string;
  readonly direction: string;
}): string {
  const certain = moved.verdict === 'real' || moved.verdict === 'maybe';
  const way = moved.direction === 'level' ? 'moved inside its band' : moved.direction;
  return `${measureName(moved.measure)}: ${VERDICTS[moved.verdict]}${certain ? ` ${way}` : ''}`;
}
