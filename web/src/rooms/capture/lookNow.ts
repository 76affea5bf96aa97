import { useSyncExternalStore } from 'react';
import type { LookNow } from './clipReader.ts';

let now: LookNow | null = null;
const listeners = new Set<() => void>();

export function tellLook(next: LookNow | null): void {
  now = next;
  for (const listener of listeners) listener();
}

/** The clip this tab is looking through, or null. */
export const useLookNow = (): LookNow | null =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => now,
  );
