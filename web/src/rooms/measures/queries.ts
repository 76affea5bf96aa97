import type { WholeClip } from '@inchstep/contract/capture';
import * as wire from '@inchstep/contract/endpoints';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { call } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { measureSwing } from '../capture/index.ts';

export const useReadings = (studentId: string, againMs?: number) =>
  useQuery({
    ...(againMs === undefined ? {} : { refetchInterval: againMs }),
    queryKey: keys.of(studentId, 'readings'),
    queryFn: () => call(wire.measures.listReadings, { id: studentId }),
  });

export function useMeasure(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: measureSwing,
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

/** The pieces of a take of this device's cameras are whole: now it is a clip of that swing. */
export const sendDeskTake = (studentId: string, swingId: string, whole: WholeClip) =>
  call(wire.practice.addDeskTake, { id: studentId, takeId: swingId, body: whole });
