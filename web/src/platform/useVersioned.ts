import { type QueryKey, useQuery, useQueryClient } from '@tanstack/react-query';
import { get } from './http.ts';

type Answer<T> = (T & { readonly version: string }) | { readonly version: string; readonly unchanged: true };

/** New arrivals show without a reload. */
export const LOOK_AGAIN_MS = 15_000;

/** A list that is asked for again and again; while nothing changed the server sends nothing. */
export function useVersioned<T extends object>(queryKey: QueryKey, url: string) {
  const client = useQueryClient();
  return useQuery({
    queryKey,
    queryFn: async (): Promise<T & { version: string }> => {
      const known = client.getQueryData<T & { version: string }>(queryKey);
      const answer = await get<Answer<T>>(known ? `${url}?since=${encodeURIComponent(known.version)}` : url);
      if (!('unchanged' in answer)) return answer;
      // Forgotten meanwhile (signed out and in): asked for whole.
      return known ?? (await get<T & { version: string }>(url));
    },
    refetchInterval: LOOK_AGAIN_MS,
  });
}
