import * as wire from '@inchstep/contract/endpoints';
import type { Me } from '@inchstep/contract/intake';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { forgetCopies } from './copyStore.ts';
import { forgetDrafts } from './drafts.ts';
import { call } from './http.ts';
import { forgetKeptQueries } from './keptQueries.ts';
import { onDevice } from './onDevice.ts';
import { keys } from './queryKeys.ts';

export const useMe = () => useQuery({ queryKey: keys.me, queryFn: fetchMe, staleTime: 60_000 });

const ERASED = 'inchstep.erased';

/** Where something was erased since this browser last looked, its working copies of clips go, too. */
async function fetchMe(): Promise<Me> {
  const me = await call(wire.care.me);
  if (onDevice.read(ERASED) !== String(me.erased)) {
    await forgetCopies();
    await forgetKeptQueries();
    onDevice.write(ERASED, String(me.erased));
  }
  return me;
}

function useEnter<T>(enter: (body: T) => Promise<unknown>) {
  const client = useQueryClient();
  return useMutation({ mutationFn: enter, onSuccess: () => client.invalidateQueries() });
}

export const useSetup = () =>
  useEnter((body: { name: string; passphrase: string }) => call(wire.care.setUp, { body }));
export const useSignIn = () => useEnter((body: { passphrase: string }) => call(wire.care.signIn, { body }));
export const useDemoEnter = () => useEnter((_: undefined) => call(wire.care.enterDemo));

/** Leaves nothing of the students behind: drafts, working copies and what was fetched all go. */
export function useSignOut() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => call(wire.care.signOut),
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
