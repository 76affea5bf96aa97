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

/** What the lines of progress say. */
export const PROGRESS_WORDS = {
  noLine: 'No line yet',
  howToBegin: 'Measure swings on two days and the line begins.',
  measures: 'Measures',
  legend:
    'Arrow: the day’s mean, with where it truly lies 19 times in 20. Strokes beside it: single swings. ▲ lesson, ○ check-in.',
  oneDay: 'one day',
  same: 'same',
  cantTell: '?',
  moved: 'moved',
  maybe: (way: string) => `${way}?`,
  table: 'As a table',
  columns: ['Day', 'Swings', 'Mean', 'Give or take'],
} as const;

/** Whether a change is real, in sentences; amounts come with their unit. */
export const REAL_WORDS = {
  title: 'Is it real?',
  oneDay: 'One day alone can’t show a change. Film again; several swings in a session say more than one.',
  verdict: {
    real: (smallest: string) =>
      `Yes. The change is larger than ${smallest}, the smallest these sessions could have shown.`,
    maybe: (smallest: string) => `Perhaps. It would need ${smallest} to be sure; film a few more swings.`,
    none: (smallest: string) => `No change to speak of: a real one of ${smallest} or more would have shown.`,
    cant_tell: (smallest: string) =>
      `Can’t tell. These sessions could only show a change of ${smallest} or more.`,
  },
  change: (change: string, low: string, high: string, way: string) =>
    `Last day against the days before the work began: ${change} (${low} to ${high}, 19 times in 20)${way}.`,
  toward: ', toward its band',
  away: ', away from its band',
  apart: 'Marks, swing-to-swing spread and day-to-day spread are kept apart',
  family: (n: number) => `; ${n} measures looked at together share the chance of a false alarm`,
} as const;
