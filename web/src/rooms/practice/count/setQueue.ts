import type { SetLog } from '@inchstep/contract/practice';
import { onDevice } from '../../../platform/onDevice.ts';

/**
 * The journal of finished sets: written at once, in one step, since a page that goes away may not finish a write to the
 * outbox's store. The outbox takes them over; each set carries its own id, so that taken over twice it counts once.
 */
const key = (journal: string): string => `inchstep.waiting.${journal}`;

export function waitingSets(journal: string): SetLog[] {
  const kept = onDevice.readJson(key(journal));
  if (!Array.isArray(kept)) return [];
  // An earlier program kept there, too, why a set was refused.
  return kept.map(({ refused: _, ...set }: SetLog & { readonly refused?: string }) => set);
}

function keep(journal: string, sets: readonly SetLog[]): void {
  if (sets.length === 0) onDevice.drop(key(journal));
  else onDevice.write(key(journal), JSON.stringify(sets));
}

/** Journals under a prefix in which something waits. */
export const queuesWith = (prefix: string): string[] =>
  onDevice.keys(key(prefix)).map((name) => name.slice(key('').length));

export function putWaiting(journal: string, set: SetLog): void {
  keep(journal, [...waitingSets(journal), set]);
}

/** The outbox has it. */
export function dropWaiting(journal: string, id: string): void {
  keep(
    journal,
    waitingSets(journal).filter((set) => set.id !== id),
  );
}
