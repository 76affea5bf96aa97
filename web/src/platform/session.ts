import type { Me } from '@inchstep/contract/intake';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { forgetCopies } from './copyStore.ts';
import { forgetDrafts } from './drafts.ts';
import { get, post } from './http.ts';
import { forgetKeptQueries } from './keptQueries.ts';
import { onDevice } from './onDevice.ts';
import { keys } from './queryKeys.ts';

export const useMe = () => useQuery({ queryKey: keys.me, queryFn: fetchMe, staleTime: 60_000 });

const ERASED = 'inchstep.erased';

/** Where something was erased since this browser last looked, its working copies of clips go, too. */
async function fetchMe(): Promise<Me> {
  const me = await get<Me>('/api/me');
  if (onDevice.read(ERASED) !== String(me.erased)) {
    await forgetCopies();
    await forgetKeptQueries();
    onDevice.write(ERASED, String(me.erased));
  }
  return me;
}

function useEnter<T>(url: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: T) => post(url, body),
    onSuccess: () => client.invalidateQueries(),
  });
}

export const useSetup = () => useEnter<{ name: string; passphrase: string }>('/api/setup');
export const useSignIn = () => useEnter<{ passphrase: string }>('/api/sign-in');
export const useDemoEnter = () => useEnter<undefined>('/api/demo-enter');

/** Leaves nothing of the students behind: drafts, working copies and what was fetched all go. */
export function useSignOut() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => post('/api/sign-out'),
    onSuccess: async () => {
      forgetDrafts();
      await forgetKeptQueries();
      await client.invalidateQueries({ queryKey: keys.me });
      client.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'me' });
      // The screens and their workers are gone by now: nobody keeps another copy after this.
      await forgetCopies();
    },
  });
}
