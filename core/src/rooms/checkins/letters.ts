import { UNDO_MINUTES } from '../../foundation/index.ts';

/** Minutes to wait after each failed try; after the last the letter is given up, three days on. */
const PAUSES_MIN = [1, 5, 20, 60, 180, 360, 720, 1440, 1440] as const;

const MINUTE_MS = 60_000;
const after = (at: string, minutes: number): string =>
  new Date(Date.parse(at) + minutes * MINUTE_MS).toISOString();

/** When a letter that is sent now goes. */
export const goesAfter = (at: string): string => after(at, UNDO_MINUTES);

/** When a letter is tried again that failed for the `tries`th time; null = it is given up. */
export function nextTry(tries: number, failedAt: string): string | null {
  const pause = PAUSES_MIN[tries - 1];
  return pause === undefined ? null : after(failedAt, pause);
}

/** A mail server's number for what will never be taken: no such reader, refused for good. */
export const isFinal = (code: number | null): boolean => code !== null && code >= 500 && code < 600;

/** Where a letter stands. */
type LetterState =
  /** It can still be taken back. */
  | 'held'
  | 'waits'
  | 'gone'
  /** It came back, or was given up. */
  | 'failed';

export function letterState(
  letter: {
    readonly goesAt: string | null;
    readonly madeAt: string | null;
    readonly failedAt: string | null;
  },
  now: string,
): LetterState {
  if (letter.failedAt !== null) return 'failed';
  if (letter.madeAt !== null) return 'gone';
  return letter.goesAt !== null && letter.goesAt > now ? 'held' : 'waits';
}
