import * as wire from '@inchstep/contract/endpoints';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { call } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';

export interface Ticked {
  readonly id: string;
  readonly seen: 'present' | 'absent';
}

export const useDiagnoses = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'diagnoses'),
    queryFn: () => call(wire.diagnosis.listDiagnoses, { id: studentId }),
  });

export const useDiagnosisNow = (id: string) =>
  useQuery({
    queryKey: keys.diagnosis(id, 'now'),
    queryFn: () => call(wire.diagnosis.diagnosisNow, { id }),
  });

interface DiagnosisAsk {
  readonly swingId: string | null;
  readonly wholeDay: boolean;
  readonly findings: readonly Ticked[];
  readonly setAside: readonly string[];
}

export const useDiagnose = (studentId: string) =>
  useSend({
    student: studentId,
    send: (id, ask: DiagnosisAsk) => call(wire.diagnosis.diagnose, { id: studentId, body: { id, ...ask } }),
  });

export function useChooseWork(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, workOn, note }: { id: string; workOn: readonly string[]; note: string }) =>
      call(wire.diagnosis.chooseWork, { id, body: { workOn, note } }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

export function useUnchooseWork(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => call(wire.diagnosis.unchooseWork, { id }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}
