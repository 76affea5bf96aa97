import type { sinceQuery } from '@inchstep/contract/shared';
import type { Asked } from '@inchstep/contract/wire/address';
import { type QueryKey, useQuery, useQueryClient } from '@tanstack/react-query';
import { call } from './http.ts';

/** New arrivals show without a reload. */
export const LOOK_AGAIN_MS = 15_000;

type Versioned = { readonly version: string; readonly unchanged?: true };
type Whole<A> = Exclude<A, { readonly unchanged: true }>;

/** A list that is asked for again and again; while nothing changed the server sends nothing. */
export function useVersioned<A extends Versioned>(queryKey: QueryKey, endpoint: ListEndpoint<A>) {
  const client = useQueryClient();
  return useQuery({
    queryKey,
    queryFn: async (): Promise<Whole<A>> => {
      const known = client.getQueryData<Whole<A>>(queryKey);
      const answer = await ask(endpoint, known?.version);
      if (!('unchanged' in answer)) return answer as Whole<A>;
      // Forgotten meanwhile (signed out and in): asked for whole.
      return known ?? ((await ask(endpoint)) as Whole<A>);
    },
    refetchInterval: LOOK_AGAIN_MS,
  });
}

interface ListEndpoint<A> extends Asked<string> {
  readonly query: typeof sinceQuery;
  readonly answer: { readonly parse: (body: unknown) => A };
}

const ask = <A extends Versioned>(endpoint: ListEndpoint<A>, since?: string): Promise<A> =>
  call<ListEndpoint<A>>(endpoint, { query: { since } }) as Promise<A>;
