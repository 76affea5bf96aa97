import type { Brief, Progress } from '@inchstep/contract/progress';
import { useQuery } from '@tanstack/react-query';
import { get } from '../../platform/http.ts';

export const useProgress = (studentId: string) =>
  useQuery({
    queryKey: ['students', studentId, 'progress'],
    queryFn: () => get<Progress>(`/api/students/${studentId}/progress`),
  });
export const useBrief = (studentId: string) =>
  useQuery({
    queryKey: ['students', studentId, 'brief'],
    queryFn: () => get<Brief>(`/api/students/${studentId}/brief`),
  });
export const useBriefs = () => useQuery({ queryKey: ['briefs'], queryFn: () => get<Brief[]>('/api/briefs') });
