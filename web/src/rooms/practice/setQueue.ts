import type { SetLog } from '@inchstep/contract/practice';
import { HttpError } from '../../platform/httpError.ts';

/** A set that waits in this browser, whoever sends it; `refused` says why the program would not take it. */
export interface WaitingSet extends SetLog {
  readonly refused?: string;
}

/** Each set carries its own id, so that sent twice it still counts once. */
const key = (queue: string): string => `inchstep.waiting.${queue}`;

export function waitingSets(queue: string): WaitingSet[] {
  try {
    return JSON.parse(localStorage.getItem(key(queue)) ?? '[]') as WaitingSet[];
  } catch {
    return [];
  }
}

const keep = (queue: string, sets: readonly WaitingSet[]): void =>
  localStorage.setItem(key(queue), JSON.stringify(sets));

export function putWaiting(queue: string, set: SetLog): void {
  keep(queue, [...waitingSets(queue), set]);
}

/** It is kept elsewhere, or has gone. */
export function dropWaiting(queue: string, id: string): void {
  replace(queue, id, null);
}

/** The student has read why a set was refused and lets it go. */
export function dropRefused(queue: string): void {
  keep(
    queue,
    waitingSets(queue).filter((set) => set.refused === undefined),
  );
}

/**
 * Sends what waits, oldest first, and stops at the first that can't go now. A set that is refused
 * for good stays, with the reason, until the student has seen it. Returns how many went.
 */
export async function sendWaiting(queue: string, send: (set: SetLog) => Promise<unknown>): Promise<number> {
  let sent = 0;
  for (const { refused, ...set } of waitingSets(queue)) {
    if (refused !== undefined) continue;
    try {
      await send(set);
      sent++;
      replace(queue, set.id, null);
    } catch (error) {
      if (!(error instanceof HttpError) || !error.final) return sent;
      replace(queue, set.id, { ...set, refused: error.message });
    }
  }
  return sent;
}

function replace(queue: string, id: string, by: WaitingSet | null): void {
  keep(
    queue,
    waitingSets(queue).flatMap((set) => (set.id !== id ? [set] : by ? [by] : [])),
  );
}
