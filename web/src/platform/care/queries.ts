import * as wire from '@inchstep/contract/endpoints';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { call, upload } from '../http.ts';
import { keys } from '../queryKeys.ts';
import { useVersioned } from '../useVersioned.ts';

const KEY = ['care'];
const SOON_MS = 1500;
const NOW_AND_THEN_MS = 15_000;

/** Looked at often while something runs or an erasing counts down. */
export const useCare = () =>
  useQuery({
    queryKey: KEY,
    queryFn: () => call(wire.care.readCare),
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

export const beginBackup = () => call(wire.care.beginBackup);
export const beginLook = () => call(wire.care.beginLook);
export const endSession = (id: string) => call(wire.care.endSession, { id });
export const endOtherSessions = () => call(wire.care.endOtherSessions);
export const closeLink = (id: string) => call(wire.care.closeLink, { id });
export const changePassphrase = (ask: { before: string; after: string }) =>
  call(wire.care.changePassphrase, { body: ask });
export const keepContact = (contact: string) => call(wire.care.keepContact, { body: { contact } });
export const takeBack = (id: string) => call(wire.care.takeBackErasure, { id });

export interface Subject {
  readonly what: 'student' | 'clip';
  readonly subjectId: string;
}
export const askErasure = ({ id, ...subject }: Subject & { readonly id: string }) =>
  call(wire.care.askErasure, { body: { id, ...subject } });

export const useErasurePreview = (subject: Subject | null) =>
  useQuery({
    queryKey: [...KEY, 'erase', subject?.what, subject?.subjectId],
    queryFn: () =>
      call(wire.care.previewErasure, { what: subject?.what ?? '', subjectId: subject?.subjectId ?? '' }),
    enabled: subject !== null,
    staleTime: 0,
  });

export const useEverybody = () => useVersioned(keys.roster, wire.progress.listRoster);
export const useClipsOf = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'clips'),
    queryFn: () => call(wire.capture.listClips, { id: studentId }),
    enabled: studentId !== '',
  });

/** Sends a student's ZIP to be read, with progress; it can be stopped. Nothing of it is kept yet. */
export function useTakeIn(onProgress: (share: number | null) => void) {
  return useMutation({
    mutationFn: ({ file, signal }: { readonly file: File; readonly signal: AbortSignal }) =>
      upload(wire.care.receiveArchive, { form: {} }, { file, onProgress, signal }),
    onSettled: () => onProgress(null),
  });
}

/** Takes over what was read, or lets it go. */
export function useAnswerArrival() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async ({
      ticket,
      word,
    }: {
      readonly ticket: string;
      readonly word: 'keep' | 'drop';
    }): Promise<unknown> =>
      word === 'keep'
        ? call(wire.care.keepArrival, { id: ticket })
        : call(wire.care.dropArrival, { id: ticket }),
    onSettled: () => client.invalidateQueries(),
  });
}
