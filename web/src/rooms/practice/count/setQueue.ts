import type { SetLog } from '@inchstep/contract/practice';
import { outcomeOf } from '@inchstep/core/checkins';
import { HttpError } from '../../../platform/httpError.ts';
import { onDevice } from '../../../platform/onDevice.ts';

/** A set that waits in this browser, whoever sends it; `refused` says why the program would not take it. */
export interface WaitingSet extends SetLog {
  readonly refused?: string;
}

/** Each set carries its own id, so that sent twice it still counts once. */
const key = (queue: string): string => `inchstep.waiting.${queue}`;

export function waitingSets(queue: string): WaitingSet[] {
  const kept = onDevice.readJson(key(queue));
  return Array.isArray(kept) ? (kept as WaitingSet[]) : [];
}

function keep(queue: string, sets: readonly WaitingSet[]): void {
  if (sets.length === 0) onDevice.drop(key(queue));
  else onDevice.write(key(queue), JSON.stringify(sets));
}

/** Queues under a prefix in which something waits. */
export const queuesWith = (prefix: string): string[] =>
  onDevice.keys(key(prefix)).map((name) => name.slice(key('').length));

export function putWaiting(queue: string, set: SetLog): void {
  keep(queue, [...waitingSets(queue), set]);
}

/** It is kept elsewhere, or has gone. */
export function dropWaiting(queue: string, id: string): void {
  replace(queue, id, null);
}

/**
 * Sends what waits, oldest first, and stops at the first that can't go now: without a line, with a busy program, or signed
 * out. A set that is refused stays, with the reason, until somebody lets it go. Returns how many went.
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
      if (!(error instanceof HttpError)) return sent;
      const { status, failure, message } = error;
      if (outcomeOf({ status, code: failure.code }) !== 'refused') return sent;
      replace(queue, set.id, { ...set, refused: message });
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
