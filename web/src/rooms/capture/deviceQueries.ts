import type { ColumnMatchForm } from '@inchstep/contract/capture';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { call, upload } from '../../platform/http.ts';
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
      const form = { id, recordedOn: ask.recordedOn, club: 'mid_iron' };
      const swing = await upload(wire.capture.addTrack, { id: studentId, form }, ask);
      await call(wire.measures.measureSwing, { id: swing.id });
      return swing;
    },
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

export const useShots = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'shots'),
    queryFn: () => call(wire.capture.listShots, { id: studentId }),
  });

/** One set with its rows; none is asked for without an id. */
export const useShotSet = (id: string | undefined) =>
  useQuery({
    queryKey: keys.shots(id),
    queryFn: () => call(wire.capture.readShots, { id: id ?? '' }),
    enabled: id !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
  });

export const useRememberedMatches = () =>
  useQuery({ queryKey: keys.shotMatches, queryFn: () => call(wire.capture.listMatches) });

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
    }) => call(wire.capture.addShots, { id: studentId, body: set }),
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
        ? call(change === 'discard' ? wire.capture.discardShots : wire.capture.restoreShots, { id })
        : call(wire.capture.tieShots, { id, body: change }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.of(studentId, 'shots') }),
  });
}
type ShotsChange = 'discard' | 'restore' | { readonly swingId: string | null };

export const usePressure = (swingId: string) =>
  useQuery({
    queryKey: keys.swing(swingId, 'pressure'),
    queryFn: () => call(wire.capture.readPressure, { id: swingId }),
  });

export function usePutPressure(swingId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (
      ask: { offsetSeconds: number } | { fileName: string; csv: string; offsetSeconds: null } | null,
    ) => {
      const at = { id: swingId };
      return ask === null
        ? call(wire.capture.removePressure, at)
        : call(wire.capture.putPressure, { ...at, body: ask });
    },
    onSuccess: (now) => client.setQueryData(keys.swing(swingId, 'pressure'), now),
  });
}

/** The swing's motion as the program's own CSV. */
export const useTrackCsv = (swingId: string) =>
  useQuery({
    queryKey: keys.swing(swingId, 'track'),
    queryFn: async () => (await fetch(urlOf(wire.capture.trackCsv, { id: swingId }))).text(),
    staleTime: Number.POSITIVE_INFINITY,
  });
