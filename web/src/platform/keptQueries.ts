import { type DehydratedState, dehydrate, hydrate, type QueryClient } from '@tanstack/react-query';
import { forgetKept, keep, readKept } from './sendingStore.ts';

const NAME = 'lesson';
/** Longer no lesson goes on. */
const MOST_MS = 12 * 3_600_000;
const SETTLE_MS = 1000;

interface Kept {
  readonly at: number;
  readonly state: DehydratedState;
}

/**
 * Keeps what the screens of a lesson show on this device while the lesson goes on, so that a reload without a signal goes
 * on with it. It goes with the lesson's end, on signing out, and where something was erased. Returns how to stop.
 */
export function keepWhile(
  client: QueryClient,
  belongs: (queryKey: readonly unknown[]) => boolean,
): () => void {
  let soon: ReturnType<typeof setTimeout> | undefined;
  const put = () => {
    const state = dehydrate(client, {
      shouldDehydrateQuery: ({ state: { status }, queryKey }) => status === 'success' && belongs(queryKey),
    });
    void keep(NAME, { at: Date.now(), state } satisfies Kept);
  };
  const later = () => {
    clearTimeout(soon);
    soon = setTimeout(put, SETTLE_MS);
  };
  later();
  const stop = client.getQueryCache().subscribe(({ type }) => {
    if (type === 'updated' || type === 'added') later();
  });
  return () => {
    clearTimeout(soon);
    stop();
  };
}

/** What was kept comes back as what was heard last; with a connection it is asked for again. */
export async function takeUpKept(client: QueryClient): Promise<void> {
  const kept = (await readKept(NAME)) as Kept | null;
  if (kept && Date.now() - kept.at < MOST_MS) {
    hydrate(client, kept.state);
    // However long an answer is good for otherwise: what was kept is old.
    const cache = client.getQueryCache();
    for (const { queryHash } of kept.state.queries) cache.get(queryHash)?.invalidate();
  } else if (kept) await forgetKeptQueries();
}

export const forgetKeptQueries = (): Promise<void> => forgetKept(NAME);
