import type { WholeClip } from '@inchstep/contract/capture';
import type {
  Checkin,
  FilmRequestSeen,
  FilmRequests,
  NewFilmRequest,
  PagePlan,
  StudentLink,
  StudentPage,
} from '@inchstep/contract/checkins';
import type { SetLog } from '@inchstep/contract/practice';
import type { Lengths } from '@inchstep/contract/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { get, post } from '../../platform/http.ts';
import { keys, LISTS } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';
import { LOOK_AGAIN_MS } from '../../platform/useVersioned.ts';

export const useCheckins = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'checkins'),
    queryFn: () => get<Checkin[]>(`/api/students/${studentId}/checkins`),
    refetchInterval: LOOK_AGAIN_MS,
  });
export const useProposedReply = (checkinId: string, units: Lengths) =>
  useQuery({
    queryKey: keys.draft(checkinId, units),
    queryFn: () => get<{ text: string }>(`/api/checkins/${checkinId}/draft?units=${units}`),
    staleTime: 0,
  });
export const useLinks = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'links'),
    queryFn: () => get<StudentLink[]>(`/api/students/${studentId}/links`),
  });

export function useSendReply(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ checkinId, id, text }: { checkinId: string; id: string; text: string }) =>
      post<Checkin>(`/api/checkins/${checkinId}/reply`, { id, text }),
    onSuccess: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: keys.student(studentId) }),
        ...LISTS.map((queryKey) => client.invalidateQueries({ queryKey })),
      ]),
  });
}

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
});
export const usePage = (token: string) => useQuery({ ...askForPage(token), refetchInterval: LOOK_AGAIN_MS });

export const sendSet = (token: string, set: SetLog) => post(`/api/page/${token}/sets`, set);
export const sendCheckin = (token: string, body: object) =>
  post<Checkin>(`/api/page/${token}/checkins`, body);
/** Says that a clip's pieces are whole: now it is a clip of the student's. */
export const takeClip = (token: string, whole: WholeClip) => post(`/api/page/${token}/clips/whole`, whole);
export const pageClipUrl = (token: string, clipId: string): string =>
  `/api/page/${token}/clips/${clipId}/file`;

/** The weeks ahead are asked for when somebody opens them. */
export const usePagePlan = (token: string, open: boolean) =>
  useQuery({
    queryKey: keys.pagePlan(token),
    queryFn: () => get<PagePlan>(`/api/page/${token}/plan`),
    enabled: open,
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
