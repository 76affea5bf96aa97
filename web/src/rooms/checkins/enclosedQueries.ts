import type { Enclosure, TalkDocument } from '@inchstep/contract/checkins';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { call, upload } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';

import { pageWorker } from './installPage.ts';
import { keepPaper } from './pageKept.ts';
import { pageClipUrl } from './queries.ts';

/** Where a page finds what goes along: the coach's own way, or the student's. */
export interface EnclosedAt {
  readonly file: (id: string) => string;
  readonly talk: (id: string) => string;
  readonly clip: (clipId: string) => string;
  readonly readTalk: (id: string) => Promise<TalkDocument>;
}

/** Where the coach's program finds what goes along. */
export const COACH_ENCLOSED: EnclosedAt = {
  file: (id) => urlOf(wire.checkins.enclosureFile, { id }),
  talk: (id) => urlOf(wire.checkins.readTalk, { id }),
  readTalk: (id) => call(wire.checkins.readTalk, { id }),
  clip: (id) => urlOf(wire.capture.clipFile, { id }),
};
export const pageEnclosed = (token: string): EnclosedAt => ({
  file: (id) => urlOf(wire.page.enclosureFile, { token, id }),
  talk: (id) => urlOf(wire.page.readTalk, { token, id }),
  readTalk: (id) => call(wire.page.readTalk, { token, id }),
  clip: (id) => pageClipUrl(token, id),
});

/** What is said in a talk beside its voice. */
export const useSaid = (id: string, at: EnclosedAt) =>
  useQuery({
    queryKey: keys.enclosed(at.talk(id)),
    queryFn: () => at.readTalk(id),
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

type EnclosureFields = Readonly<Record<'id' | 'kind' | 'title' | 'clipIds' | 'talk', string>>;

/** Sends one with its file; whatever becomes of this page meanwhile, it goes to its end. */
export const sendEnclosure = (
  checkinId: string,
  form: EnclosureFields,
  file: File,
  onShare: (share: number) => void,
): Promise<Enclosure> =>
  upload(
    wire.checkins.enclose,
    { id: checkinId, form },
    { file, onProgress: onShare, signal: new AbortController().signal },
  );

/** Leaves out what goes along with an answer, or puts it back. */
export const useDropEnclosure = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, { id, dropped }: { readonly id: string; readonly dropped: boolean }) =>
      call(dropped ? wire.checkins.dropEnclosure : wire.checkins.restoreEnclosure, { id }),
  });

export function useCaptions(id: string, at: EnclosedAt) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (captions: TalkDocument['captions']) =>
      call(wire.checkins.captionTalk, { id, body: { captions } }),
    onSuccess: (talk) => client.setQueryData(keys.enclosed(at.talk(id)), talk),
  });
}
