import type { SetLog } from '@inchstep/contract/practice';
import { HttpError } from '../../platform/httpError.ts';
import { sendSet } from './queries.ts';

/** A set that waits on the phone; `refused` says why the program would not take it. */
export interface WaitingSet extends SetLog {
  readonly refused?: string;
}

/** Each set carries its own id, so that sent twice it still counts once. */
const key = (token: string): string => `inchstep.waiting.${token.slice(0, 12)}`;

export function waitingSets(token: string): WaitingSet[] {
  try {
    return JSON.parse(localStorage.getItem(key(token)) ?? '[]') as WaitingSet[];
  } catch {
    return [];
  }
}

const keep = (token: string, sets: readonly WaitingSet[]): void =>
  localStorage.setItem(key(token), JSON.stringify(sets));

export function putWaiting(token: string, set: SetLog): void {
  keep(token, [...waitingSets(token), set]);
}

/** The student has read why a set was refused and lets it go. */
export function dropRefused(token: string): void {
  keep(
    token,
    waitingSets(token).filter((set) => set.refused === undefined),
  );
}

/**
 * Sends what waits, oldest first, and stops at the first that can't go now. A set that is refused
 * for good stays, with the reason, until the student has seen it. Returns how many went.
 */
export async function sendWaiting(token: string): Promise<number> {
  let sent = 0;
  for (const { refused, ...set } of waitingSets(token)) {
    if (refused !== undefined) continue;
    try {
      await sendSet(token, set);
      sent++;
      replace(token, set.id, null);
    } catch (error) {
      if (!(error instanceof HttpError) || !error.final) return sent;
      replace(token, set.id, { ...set, refused: error.message });
    }
  }
  return sent;
}

function replace(token: string, id: string, by: WaitingSet | null): void {
  keep(
    token,
    waitingSets(token).flatMap((set) => (set.id !== id ? [set] : by ? [by] : [])),
  );
}
