import type { DiagnosisNow, DiagnosisRecord } from '@inchstep/contract/diagnosis';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { get, post } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';

export interface Ticked {
  readonly id: string;
  readonly seen: 'present' | 'absent';
}

export const useDiagnoses = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'diagnoses'),
    queryFn: () => get<DiagnosisRecord[]>(`/api/students/${studentId}/diagnoses`),
  });

export const useDiagnosisNow = (id: string) =>
  useQuery({
    queryKey: keys.diagnosis(id, 'now'),
    queryFn: () => get<DiagnosisNow | null>(`/api/diagnoses/${id}/now`),
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
    send: (id, ask: DiagnosisAsk) =>
      post<DiagnosisRecord>(`/api/students/${studentId}/diagnoses`, { id, ...ask }),
  });

export function useChooseWork(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, workOn, note }: { id: string; workOn: readonly string[]; note: string }) =>
      post<DiagnosisRecord>(`/api/diagnoses/${id}/choose`, { workOn, note }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

export function useUnchooseWork(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => post<DiagnosisRecord>(`/api/diagnoses/${id}/unchoose`),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}
