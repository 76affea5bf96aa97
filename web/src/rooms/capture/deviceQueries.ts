import type {
  ColumnMatchForm,
  Pressure,
  RememberedMatch,
  ShotSet,
  ShotSetLine,
  Swing,
} from '@inchstep/contract/capture';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { del, get, post, put, upload } from '../../platform/http.ts';
import { idOfFile } from '../../platform/ids.ts';
import { keys } from '../../platform/queryKeys.ts';

/** Sends a motion file, has it measured, and answers with its swing. */
export function useBringTrack(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (ask: {
      readonly file: File;
      readonly recordedOn: string;
      readonly onProgress: (share: number) => void;
      readonly signal: AbortSignal;
    }) => {
      const id = idOfFile(ask.file, `track ${studentId} ${ask.recordedOn}`);
      const fields = { id, recordedOn: ask.recordedOn, club: 'mid_iron' };
      const url = `/api/students/${studentId}/tracks`;
      const swing = await upload<Swing>(url, fields, ask.file, ask.onProgress, ask.signal);
      await post(`/api/swings/${swing.id}/measure`);
      return swing;
    },
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

export const useShots = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'shots'),
    queryFn: () => get<ShotSetLine[]>(`/api/students/${studentId}/shots`),
  });

/** One set with its rows; none is asked for without an id. */
export const useShotSet = (id: string | undefined) =>
  useQuery({
    queryKey: keys.shots(id),
    queryFn: () => get<ShotSet>(`/api/shots/${id}`),
    enabled: id !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
  });

export const useRememberedMatches = () =>
  useQuery({ queryKey: keys.shotMatches, queryFn: () => get<RememberedMatch[]>('/api/shot-matches') });

export function useAddShots(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (set: {
      readonly id: string;
      readonly recordedOn: string;
      readonly swingId: string | null;
      readonly fileName: string;
      readonly csv: string;
      readonly matches: readonly ColumnMatchForm[];
    }) => post<ShotSet>(`/api/students/${studentId}/shots`, set),
    onSuccess: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: keys.student(studentId) }),
        client.invalidateQueries({ queryKey: keys.shotMatches }),
      ]),
  });
}

export function useChangeShots(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, change }: { readonly id: string; readonly change: ShotsChange }) =>
      change === 'discard' || change === 'restore'
        ? post<ShotSet>(`/api/shots/${id}/${change}`)
        : put<ShotSet>(`/api/shots/${id}`, change),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.of(studentId, 'shots') }),
  });
}
type ShotsChange = 'discard' | 'restore' | { readonly swingId: string | null };

export const usePressure = (swingId: string) =>
  useQuery({
    queryKey: keys.swing(swingId, 'pressure'),
    queryFn: () => get<Pressure | null>(`/api/swings/${swingId}/pressure`),
  });

export function usePutPressure(swingId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (
      ask: { offsetSeconds: number } | { fileName: string; csv: string; offsetSeconds: null } | null,
    ) => {
      const url = `/api/swings/${swingId}/pressure`;
      return ask === null ? del<null>(url) : put<Pressure>(url, ask);
    },
    onSuccess: (now) => client.setQueryData(keys.swing(swingId, 'pressure'), now),
  });
}

/** The swing's motion as the program's own CSV. */
export const useTrackCsv = (swingId: string) =>
  useQuery({
    queryKey: keys.swing(swingId, 'track'),
    queryFn: async () => (await fetch(`/api/swings/${swingId}/track.csv`)).text(),
    staleTime: Number.POSITIVE_INFINITY,
  });
