import type { WholeClip } from '@inchstep/contract/capture';
import type { CheckinSend, NewFilmRequest, PainSend, ReplySend } from '@inchstep/contract/checkins';
import * as wire from '@inchstep/contract/endpoints';
import type { SetLog } from '@inchstep/contract/practice';
import { urlOf } from '@inchstep/contract/wire/address';
import type { Lengths } from '@inchstep/contract/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { call } from '../../platform/http.ts';
import { newId } from '../../platform/ids.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';
import { LOOK_AGAIN_MS, useVersioned } from '../../platform/useVersioned.ts';
import { keepPaper } from './pageKept.ts';

export const useCheckins = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'checkins'),
    queryFn: () => call(wire.checkins.listCheckins, { id: studentId }),
    refetchInterval: LOOK_AGAIN_MS,
  });
export const useReview = (studentId: string, checkinId: string, units: Lengths) =>
  useQuery({
    queryKey: keys.of(studentId, 'review', checkinId, units),
    queryFn: () => call(wire.checkins.reviewCheckin, { id: checkinId, query: { units } }),
  });
/** Where what waits next in the queue is answered; null where nothing else waits. */
export function useNextInQueue(studentId: string): string | null {
  const { data } = useVersioned(keys.queue, wire.progress.listQueue);
  const next = data?.rows.find((row) => row.studentId !== studentId);
  if (!next) return null;
  const of = `/students/${next.studentId}/checkins`;
  return next.checkinId ? `${of}/${next.checkinId}` : of;
}
export const useLinks = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'links'),
    queryFn: () => call(wire.checkins.listLinks, { id: studentId }),
  });

export const useSendReply = (studentId: string, checkinId: string) =>
  useSend({
    student: studentId,
    send: (id, reply: Omit<ReplySend, 'id'>) =>
      call(wire.checkins.sendReply, { id: checkinId, body: { id, ...reply } }),
  });
export const useTakeBackReply = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, checkinId: string) => call(wire.checkins.takeBackReply, { id: checkinId }),
  });
export const useSendNow = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, checkinId: string) => call(wire.checkins.sendReplyNow, { id: checkinId }),
  });

export const useConversation = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'conversation'),
    queryFn: () => call(wire.checkins.readConversation, { id: studentId }),
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
      return call(wire.checkins.writeMessages, { body: { to, text } });
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
    send: (_, id: string) => call(wire.checkins.takeBackMessage, { id: studentId, messageId: id }),
  });

export function useMakeLink(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (days: number) => call(wire.checkins.makeLink, { id: studentId, body: { days } }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

export function useCloseLinks(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => call(wire.checkins.closeLinks, { id: studentId }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

export const askForPage = (token: string) => ({
  queryKey: keys.page(token),
  queryFn: () => call(wire.page.readPage, { token }),
  retry: false,
  // A phone that thinks it has no line may be wrong: it asks, and hears at once that there is none.
  networkMode: 'always' as const,
});
export const usePage = (token: string) => useQuery({ ...askForPage(token), refetchInterval: LOOK_AGAIN_MS });

export const sendSet = (token: string, set: SetLog) => call(wire.page.logSet, { token, body: set });
export const sendPain = (token: string, pain: PainSend) => call(wire.page.stopForPain, { token, body: pain });
export const sendCheckin = (token: string, body: CheckinSend) => call(wire.page.sendCheckin, { token, body });
/** The record from which the phone goes on by itself. */
export const askForFile = (token: string) => call(wire.page.readFile, { token });
/** Kept once while there is a line, so that the service worker has them without one. */
export const warmPapers = (token: string, drills: readonly string[]): Promise<unknown> =>
  Promise.allSettled([
    keepPaper(urlOf(wire.page.readPlan, { token })),
    ...drills.map((id) => keepPaper(urlOf(wire.page.readFigure, { token, drill: id }))),
  ]);
/** Says that a clip's pieces are whole: now it is a clip of the student's. */
export const takeClip = (token: string, whole: WholeClip) =>
  call(wire.page.addWholeClip, { token, body: whole });
export const pageClipUrl = (token: string, clipId: string): string =>
  urlOf(wire.page.clipFile, { token, id: clipId });

/** All of the conversation is asked for when somebody opens it. */
export const usePageConversation = (token: string, open: boolean) =>
  useQuery({
    queryKey: keys.pageTalk(token),
    queryFn: () => call(wire.page.readConversation, { token }),
    enabled: open,
    networkMode: 'always',
  });

/** The weeks ahead are asked for when somebody opens them. */
export const usePagePlan = (token: string, open: boolean) =>
  useQuery({
    queryKey: keys.pagePlan(token),
    queryFn: () => call(wire.page.readPlan, { token }),
    enabled: open,
    networkMode: 'always',
  });

export const useFilmRequests = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'film-requests'),
    queryFn: () => call(wire.checkins.listRequests, { id: studentId }),
  });

export const useAskForClips = (studentId: string) =>
  useSend({
    student: studentId,
    send: (id, ask: Omit<NewFilmRequest, 'id'>) =>
      call(wire.checkins.askForClips, { id: studentId, body: { id, ...ask } }),
  });

export const useWithdrawRequest = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, { id, withdrawn }: { readonly id: string; readonly withdrawn: boolean }) =>
      call(wire.checkins.withdrawRequest, { id: studentId, requestId: id, body: { withdrawn } }),
  });
