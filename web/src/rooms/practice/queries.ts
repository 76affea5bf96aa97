import type { GateState, PlanAsk, PlanRecord, StoredSet } from '@inchstep/contract/practice';
import type { Plan } from '@inchstep/core/practice';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { get, post } from '../../platform/http.ts';

export const usePlan = (studentId: string) =>
  useQuery({
    queryKey: ['students', studentId, 'plan'],
    queryFn: () => get<PlanRecord | null>(`/api/students/${studentId}/plan`),
  });
export const useSets = (studentId: string) =>
  useQuery({
    queryKey: ['students', studentId, 'sets'],
    queryFn: () => get<StoredSet[]>(`/api/students/${studentId}/sets`),
  });
export const useGates = (studentId: string) =>
  useQuery({
    queryKey: ['students', studentId, 'gates'],
    queryFn: () => get<GateState[]>(`/api/students/${studentId}/gates`),
  });

export const usePlanPreview = (studentId: string, ask: PlanAsk | null) =>
  useQuery({
    queryKey: ['students', studentId, 'preview', ask],
    queryFn: () => post<{ drills: string[]; plan: Plan }>(`/api/students/${studentId}/plans/preview`, ask),
    enabled: ask !== null && ask.days.length > 0,
    placeholderData: keepPreviousData,
  });

export function useSavePlan(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (ask: PlanAsk) =>
      post<PlanRecord>(`/api/students/${studentId}/plans`, { id: crypto.randomUUID(), ...ask }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['students', studentId] }),
  });
}

export function useLogSet(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (set: Omit<StoredSet, 'from' | 'at'>) =>
      post<StoredSet>(`/api/students/${studentId}/sets`, set),
    onSuccess: () => client.invalidateQueries({ queryKey: ['students', studentId] }),
  });
}

export function useDecideGate(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (decision: {
      drill: string;
      stage: string;
      decision: 'advance' | 'hold' | 'back';
      note: string;
    }) => post<GateState[]>(`/api/students/${studentId}/gates`, { id: crypto.randomUUID(), ...decision }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['students', studentId] }),
  });
}
