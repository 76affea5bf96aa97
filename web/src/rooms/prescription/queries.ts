import type { DrillChoice, PrescriptionRecord } from '@inchstep/contract/prescription';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { get, post } from '../../platform/http.ts';

export const usePrescription = (diagnosisId: string | undefined) =>
  useQuery({
    queryKey: ['diagnoses', diagnosisId, 'prescription'],
    queryFn: () => get<PrescriptionRecord>(`/api/diagnoses/${diagnosisId}/prescription`),
    enabled: diagnosisId !== undefined,
    staleTime: 0,
  });
export const useDrillChoices = (studentId: string) =>
  useQuery({
    queryKey: ['students', studentId, 'choices'],
    queryFn: () => get<DrillChoice[]>(`/api/students/${studentId}/drill-choices`),
  });

export function useChooseDrills(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (choice: { diagnosisId: string; drills: readonly string[]; note: string }) =>
      post<DrillChoice>('/api/drill-choices', { id: crypto.randomUUID(), ...choice }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['students', studentId] }),
  });
}
