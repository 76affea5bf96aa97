import type { Me } from '@inchstep/contract/intake';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { forgetCopies } from '../workers/copyStore.ts';
import { forgetDrafts } from './drafts.ts';
import { get, post } from './http.ts';

export const useMe = () =>
  useQuery({ queryKey: ['me'], queryFn: () => get<Me>('/api/me'), staleTime: 60_000 });

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

export function useSignOut() {
  const leave = useEnter<undefined>('/api/sign-out');
  return {
    ...leave,
    mutate: () => {
      forgetDrafts();
      void forgetCopies();
      leave.mutate(undefined);
    },
  };
}
