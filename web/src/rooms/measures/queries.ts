import type { Reading } from '@inchstep/contract/measures';
import { useQuery } from '@tanstack/react-query';
import { get } from '../../platform/http.ts';

export const useReadings = (studentId: string) =>
  useQuery({
    queryKey: ['students', studentId, 'readings'],
    queryFn: () => get<Reading[]>(`/api/students/${studentId}/readings`),
  });
