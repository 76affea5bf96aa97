import type { Clip } from '@inchstep/contract/capture';
import type { Arrival, Care, ErasurePreview, TakenIn } from '@inchstep/contract/care';
import type { RosterRow } from '@inchstep/contract/progress';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { get, post, upload } from '../http.ts';
import { keys } from '../queryKeys.ts';
import { useVersioned } from '../useVersioned.ts';

const KEY = ['care'];
const SOON_MS = 1500;
const NOW_AND_THEN_MS = 15_000;

/** Looked at often while something runs or an erasing counts down. */
export const useCare = () =>
  useQuery({
    queryKey: KEY,
    queryFn: () => get<Care>('/api/care'),
    refetchInterval: ({ state }) =>
      state.data && (state.data.running || state.data.erasures.some(({ doneAt }) => doneAt === null))
        ? SOON_MS
        : NOW_AND_THEN_MS,
  });

/** One press that changes something of the care; what it shows is looked at again. */
export function useCareAct<T = void>(act: (what: T) => Promise<unknown>) {
  const client = useQueryClient();
  return useMutation({ mutationFn: act, onSuccess: () => client.invalidateQueries({ queryKey: KEY }) });
}

export const beginBackup = () => post('/api/care/backup');
export const beginLook = () => post('/api/care/verify');
export const endSession = (id: string) => post(`/api/care/sessions/${id}/end`);
export const endOtherSessions = () => post('/api/care/sessions/end-others');
export const closeLink = (id: string) => post(`/api/care/links/${id}/close`);
export const changePassphrase = (ask: { before: string; after: string }) => post('/api/care/passphrase', ask);
export const keepContact = (contact: string) => post('/api/care/contact', { contact });
export const takeBack = (id: string) => post(`/api/care/erasures/${id}/take-back`);

export interface Subject {
  readonly what: 'student' | 'clip';
  readonly subjectId: string;
}
export const askErasure = ({ id, ...subject }: Subject & { readonly id: string }) =>
  post('/api/care/erasures', { id, ...subject });

export const useErasurePreview = (subject: Subject | null) =>
  useQuery({
    queryKey: [...KEY, 'erase', subject?.what, subject?.subjectId],
    queryFn: () => get<ErasurePreview>(`/api/care/erase/${subject?.what}/${subject?.subjectId}`),
    enabled: subject !== null,
    staleTime: 0,
  });

export const useEverybody = () => useVersioned<{ rows: readonly RosterRow[] }>(keys.roster, '/api/roster');
export const useClipsOf = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'clips'),
    queryFn: () => get<Clip[]>(`/api/students/${studentId}/clips`),
    enabled: studentId !== '',
  });

/** Sends a student's ZIP to be read, with progress; it can be stopped. Nothing of it is kept yet. */
export function useTakeIn(onProgress: (share: number | null) => void) {
  return useMutation({
    mutationFn: ({ file, signal }: { readonly file: File; readonly signal: AbortSignal }) =>
      upload<Arrival>('/api/care/import', {}, file, onProgress, signal),
    onSettled: () => onProgress(null),
  });
}

/** Takes over what was read, or lets it go. */
export function useAnswerArrival() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ ticket, word }: { readonly ticket: string; readonly word: 'keep' | 'drop' }) =>
      post<TakenIn | { ok: true }>(`/api/care/import/${ticket}/${word}`),
    onSettled: () => client.invalidateQueries(),
  });
}
