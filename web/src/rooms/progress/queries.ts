import type { QueueRow } from '@inchstep/contract/checkins';
import type { Brief, LessonCard, Progress, RosterRow } from '@inchstep/contract/progress';
import { useQuery } from '@tanstack/react-query';
import { get } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useVersioned } from '../../platform/useVersioned.ts';

export const useProgress = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'progress'),
    queryFn: () => get<Progress>(`/api/students/${studentId}/progress`),
  });
export const useBrief = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'brief'),
    queryFn: () => get<Brief>(`/api/students/${studentId}/brief`),
  });
export const useQueue = () => useVersioned<{ rows: readonly QueueRow[] }>(keys.queue, '/api/queue');
export const useLessons = () =>
  useVersioned<{ students: number; lessons: readonly LessonCard[] }>(keys.lessons, '/api/lessons');
export const useRoster = () => useVersioned<{ rows: readonly RosterRow[] }>(keys.roster, '/api/roster');
