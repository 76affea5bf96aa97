import type { SetLog } from '@inchstep/contract/practice';
import { HttpError } from '../../platform/httpError.ts';
import { sendSet } from './queries.ts';

/** Sets that wait on the phone until there is a signal. Each carries its own id, so once is once. */
const key = (token: string): string => `inchstep.waiting.${token.slice(0, 12)}`;

export function waitingSets(token: string): SetLog[] {
  try {
    return JSON.parse(localStorage.getItem(key(token)) ?? '[]') as SetLog[];
  } catch {
    return [];
  }
}

const keep = (token: string, sets: readonly SetLog[]): void =>
  localStorage.setItem(key(token), JSON.stringify(sets));

export function putWaiting(token: string, set: SetLog): void {
  keep(token, [...waitingSets(token), set]);
}

/** Sends what waits, oldest first; stops at the first that can't go now. Returns how many went. */
export async function sendWaiting(token: string): Promise<number> {
  let sent = 0;
  for (const set of waitingSets(token)) {
    try {
      await sendSet(token, set);
    } catch (error) {
      const refused = error instanceof HttpError && error.status >= 400 && error.status < 500;
      if (!refused) return sent;
      // A refused set (a hold, a closed drill) would block the rest for ever: it is let go.
    }
    sent++;
    keep(
      token,
      waitingSets(token).filter((s) => s.id !== set.id),
    );
  }
  return sent;
}
