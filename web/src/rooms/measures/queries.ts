import type { Reading } from '@inchstep/contract/measures';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { get } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { measureSwing } from '../capture/index.ts';

export const useReadings = (studentId: string, againMs?: number) =>
  useQuery({
    ...(againMs === undefined ? {} : { refetchInterval: againMs }),
    queryKey: keys.of(studentId, 'readings'),
    queryFn: () => get<Reading[]>(`/api/students/${studentId}/readings`),
  });

export function useMeasure(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: measureSwing,
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}
