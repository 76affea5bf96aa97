import type { SetLog } from '@inchstep/contract/practice';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useSyncExternalStore } from 'react';
import { keys, LISTS } from '../../../platform/queryKeys.ts';
import { sendSet } from '../queries.ts';
import {
  dropWaiting,
  putWaiting,
  queuesWith,
  sendWaiting,
  type WaitingSet,
  waitingSets,
} from './setQueue.ts';

const PREFIX = 'coach.';
const AGAIN_MS = 15_000;
const readers = new Set<() => void>();
const changed = () => {
  for (const reader of readers) reader();
};
const PUT = new Event('put');
/** Where a new set is told to whoever sends. */
const door = new EventTarget();

/** Sets that the coach counted, waiting in this browser: kept before they are sent, whatever screen is open. */
export function putCoachSet(studentId: string, set: SetLog): void {
  putWaiting(PREFIX + studentId, set);
  changed();
  door.dispatchEvent(PUT);
}

/** The coach has read why it was not taken. */
export function dropCoachSet(studentId: string, id: string): void {
  dropWaiting(PREFIX + studentId, id);
  changed();
}

/** What waits of a student's, also what was not taken and why. */
export function useCoachSets(studentId: string): readonly WaitingSet[] {
  const text = useSyncExternalStore(listen, () => JSON.stringify(waitingSets(PREFIX + studentId)));
  return JSON.parse(text) as WaitingSet[];
}

const listen = (reader: () => void) => {
  readers.add(reader);
  return () => void readers.delete(reader);
};

/** Sends what waits, from every screen of the program, until the program has it. */
export function CoachSender() {
  const client = useQueryClient();
  useEffect(() => {
    let running: Promise<void> | null = null;
    const sendAll = async () => {
      for (const queue of queuesWith(PREFIX)) {
        const studentId = queue.slice(PREFIX.length);
        const sent = await sendWaiting(queue, (set) => sendSet(studentId, set));
        changed();
        if (sent > 0)
          for (const queryKey of [keys.student(studentId), ...LISTS])
            void client.invalidateQueries({ queryKey });
      }
    };
    // One after the other: what was put meanwhile goes with the next.
    const wake = () => {
      running = (running ?? Promise.resolve()).then(sendAll).catch(() => undefined);
    };
    wake();
    door.addEventListener('put', wake);
    window.addEventListener('online', wake);
    const again = setInterval(wake, AGAIN_MS);
    return () => {
      door.removeEventListener('put', wake);
      window.removeEventListener('online', wake);
      clearInterval(again);
    };
  }, [client]);
  return null;
}
