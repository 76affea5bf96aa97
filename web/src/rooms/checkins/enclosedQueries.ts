import type { Enclosure, TalkDocument } from '@inchstep/contract/checkins';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { get, post, put, upload } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';
import { pageWorker } from './installPage.ts';
import { keepPaper } from './pageKept.ts';

/** Where a page finds what goes along: the coach's own way, or the student's. */
export interface EnclosedAt {
  readonly file: (id: string) => string;
  readonly talk: (id: string) => string;
  readonly clip: (clipId: string) => string;
}

/** What is said in a talk beside its voice. */
export const useSaid = (id: string, at: EnclosedAt) =>
  useQuery({
    queryKey: keys.enclosed(at.talk(id)),
    queryFn: () => get<TalkDocument>(at.talk(id)),
    networkMode: 'always',
  });

/** A voice, whole. */
export async function fetchVoice(url: string): Promise<Blob> {
  const answer = await fetch(url);
  if (!answer.ok) throw new Error('fetchVoice: refused');
  return answer.blob();
}

/**
 * A page that is opened for the first time fetches what goes along before there is a worker that could keep it: what can
 * be heard or seen whole is kept by the page itself.
 */
export async function keepAlong(enclosures: readonly Enclosure[], at: EnclosedAt): Promise<void> {
  if (!('serviceWorker' in navigator) || pageWorker()) return;
  const urls = enclosures.flatMap(({ id, kind }) =>
    kind === 'talk' ? [at.talk(id), at.file(id)] : kind === 'picture' ? [at.file(id)] : [],
  );
  await Promise.allSettled(urls.map(keepPaper));
}

/** Sends one with its file; whatever becomes of this page meanwhile, it goes to its end. */
export const sendEnclosure = (
  checkinId: string,
  fields: Record<string, string>,
  file: File,
  onShare: (share: number) => void,
): Promise<Enclosure> =>
  upload(`/api/checkins/${checkinId}/enclosures`, fields, file, onShare, new AbortController().signal);

/** Leaves out what goes along with an answer, or puts it back. */
export const useDropEnclosure = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, { id, dropped }: { readonly id: string; readonly dropped: boolean }) =>
      post<Enclosure>(`/api/enclosures/${id}/${dropped ? 'drop' : 'restore'}`),
  });

export function useCaptions(id: string, at: EnclosedAt) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (captions: TalkDocument['captions']) =>
      put<TalkDocument>(`/api/enclosures/${id}/captions`, { captions }),
    onSuccess: (talk) => client.setQueryData(keys.enclosed(at.talk(id)), talk),
  });
}
