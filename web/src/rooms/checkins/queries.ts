import type { WholeClip } from '@inchstep/contract/capture';
import type {
  Checkin,
  Conversation,
  FilmRequestSeen,
  FilmRequests,
  NewFilmRequest,
  PageFile,
  PagePlan,
  PainSend,
  QueueRow,
  ReplySend,
  Review,
  StudentLink,
  StudentPage,
} from '@inchstep/contract/checkins';
import type { SetLog } from '@inchstep/contract/practice';
import type { Lengths } from '@inchstep/contract/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { get, post } from '../../platform/http.ts';
import { newId } from '../../platform/ids.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';
import { LOOK_AGAIN_MS, useVersioned } from '../../platform/useVersioned.ts';
import { keepPaper } from './pageKept.ts';

export const useCheckins = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'checkins'),
    queryFn: () => get<Checkin[]>(`/api/students/${studentId}/checkins`),
    refetchInterval: LOOK_AGAIN_MS,
  });
export const useReview = (studentId: string, checkinId: string, units: Lengths) =>
  useQuery({
    queryKey: keys.of(studentId, 'review', checkinId, units),
    queryFn: () => get<Review>(`/api/checkins/${checkinId}/review?units=${units}`),
  });
/** Where what waits next in the queue is answered; null where nothing else waits. */
export function useNextInQueue(studentId: string): string | null {
  const { data } = useVersioned<{ rows: readonly QueueRow[] }>(keys.queue, '/api/queue');
  const next = data?.rows.find((row) => row.studentId !== studentId);
  if (!next) return null;
  const of = `/students/${next.studentId}/checkins`;
  return next.checkinId ? `${of}/${next.checkinId}` : of;
}
export const useLinks = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'links'),
    queryFn: () => get<StudentLink[]>(`/api/students/${studentId}/links`),
  });

export const useSendReply = (studentId: string, checkinId: string) =>
  useSend({
    student: studentId,
    send: (id, reply: Omit<ReplySend, 'id'>) =>
      post<Checkin>(`/api/checkins/${checkinId}/reply`, { id, ...reply }),
  });
export const useTakeBackReply = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, checkinId: string) => post<Checkin>(`/api/checkins/${checkinId}/reply/undo`),
  });
export const useSendNow = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, checkinId: string) => post<Checkin>(`/api/checkins/${checkinId}/reply/now`),
  });

export const useConversation = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'conversation'),
    queryFn: () => get<Conversation>(`/api/students/${studentId}/conversation`),
    refetchInterval: LOOK_AGAIN_MS,
  });
/** A word to one student or to several; each gets their own, under an id of its own. */
export function useWrite() {
  const client = useQueryClient();
  const tried = useRef<{ readonly what: string; readonly ids: readonly string[] } | null>(null);
  return useMutation({
    mutationFn: ({ students, text }: { readonly students: readonly string[]; readonly text: string }) => {
      const what = JSON.stringify([students, text]);
      // Sent again after a broken line they are the same words.
      if (tried.current?.what !== what) tried.current = { what, ids: students.map(newId) };
      const { ids } = tried.current;
      const to = students.map((studentId, i) => ({ id: ids[i] as string, studentId }));
      return post('/api/messages', { to, text });
    },
    onSuccess: (_, { students }) => {
      tried.current = null;
      return Promise.all(students.map((id) => client.invalidateQueries({ queryKey: keys.student(id) })));
    },
  });
}
export const useTakeBackMessage = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, id: string) => post(`/api/students/${studentId}/messages/${id}/undo`),
  });

export function useMakeLink(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (days: number) =>
      post<StudentLink & { token: string }>(`/api/students/${studentId}/links`, { days }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

export function useCloseLinks(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => post(`/api/students/${studentId}/links/revoke`),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

export const askForPage = (token: string) => ({
  queryKey: keys.page(token),
  queryFn: () => get<StudentPage>(`/api/page/${token}`),
  retry: false,
  // A phone that thinks it has no line may be wrong: it asks, and hears at once that there is none.
  networkMode: 'always' as const,
});
export const usePage = (token: string) => useQuery({ ...askForPage(token), refetchInterval: LOOK_AGAIN_MS });

export const sendSet = (token: string, set: SetLog) => post(`/api/page/${token}/sets`, set);
export const sendPain = (token: string, pain: PainSend) => post(`/api/page/${token}/pain`, pain);
export const sendCheckin = (token: string, body: object) =>
  post<Checkin>(`/api/page/${token}/checkins`, body);
/** The record from which the phone goes on by itself. */
export const askForFile = (token: string) => get<PageFile>(`/api/page/${token}/file`);
/** Kept once while there is a line, so that the service worker has them without one. */
export const warmPapers = (token: string, drills: readonly string[]): Promise<unknown> =>
  Promise.allSettled([
    keepPaper(`/api/page/${token}/plan`),
    ...drills.map((id) => keepPaper(`/api/page/${token}/figures/${id}`)),
  ]);
/** Says that a clip's pieces are whole: now it is a clip of the student's. */
export const takeClip = (token: string, whole: WholeClip) => post(`/api/page/${token}/clips/whole`, whole);
export const pageClipUrl = (token: string, clipId: string): string =>
  `/api/page/${token}/clips/${clipId}/file`;

/** All of the conversation is asked for when somebody opens it. */
export const usePageConversation = (token: string, open: boolean) =>
  useQuery({
    queryKey: keys.pageTalk(token),
    queryFn: () => get<Conversation['said']>(`/api/page/${token}/conversation`),
    enabled: open,
    networkMode: 'always',
  });

/** The weeks ahead are asked for when somebody opens them. */
export const usePagePlan = (token: string, open: boolean) =>
  useQuery({
    queryKey: keys.pagePlan(token),
    queryFn: () => get<PagePlan>(`/api/page/${token}/plan`),
    enabled: open,
    networkMode: 'always',
  });

export const useFilmRequests = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'film-requests'),
    queryFn: () => get<FilmRequests>(`/api/students/${studentId}/film-requests`),
  });

export const useAskForClips = (studentId: string) =>
  useSend({
    student: studentId,
    send: (id, ask: Omit<NewFilmRequest, 'id'>) =>
      post<FilmRequestSeen>(`/api/students/${studentId}/film-requests`, { id, ...ask }),
  });

export const useWithdrawRequest = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, { id, withdrawn }: { readonly id: string; readonly withdrawn: boolean }) =>
      post<FilmRequestSeen>(`/api/students/${studentId}/film-requests/${id}/withdraw`, { withdrawn }),
  });
