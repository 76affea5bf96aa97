import type { StoredSet } from '@inchstep/contract/practice';

/** A count that has been still for so long is over. */
const STILL_COUNTING_MS = 20 * 60_000;

/** What somebody else counted of this drill a moment ago, on another device; null where nobody does. */
export function othersNow(
  sets: readonly Pick<StoredSet, 'drill' | 'date' | 'device' | 'reps' | 'at' | 'from'>[],
  { drill, day, device, now }: Record<'drill' | 'day' | 'device' | 'now', string>,
): { readonly reps: number; readonly by: StoredSet['from']; readonly minutesAgo: number } | null {
  const theirs = sets.filter(
    (set) => set.drill === drill && set.date === day && set.device !== null && set.device !== device,
  );
  const last = theirs.reduce<(typeof theirs)[number] | null>((a, b) => (a && a.at > b.at ? a : b), null);
  const ago = last ? Date.parse(now) - Date.parse(last.at) : Number.POSITIVE_INFINITY;
  if (!last || ago > STILL_COUNTING_MS) return null;
  const reps = theirs.filter(({ from }) => from === last.from).reduce((sum, set) => sum + set.reps.length, 0);
  return { reps, by: last.from, minutesAgo: Math.max(0, Math.round(ago / 60_000)) };
}
