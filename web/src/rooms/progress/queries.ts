import type { QueueRow } from '@inchstep/contract/checkins';
import type {
  Brief,
  Everybody,
  LessonCard,
  MeasureStory,
  Progress,
  ReportPage,
  RosterRow,
} from '@inchstep/contract/progress';
import { useQuery } from '@tanstack/react-query';
import { get, post } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';
import { useVersioned } from '../../platform/useVersioned.ts';

export const useProgress = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'progress'),
    queryFn: () => get<Progress>(`/api/students/${studentId}/progress`),
  });
export const useMeasureStory = (studentId: string, measure: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'progress', measure),
    queryFn: () => get<MeasureStory>(`/api/students/${studentId}/progress/${measure}`),
    enabled: measure !== '',
  });
export const useReport = (studentId: string, reader: string, units: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'report', reader, units),
    queryFn: () => get<ReportPage>(`/api/students/${studentId}/report?for=${reader}&units=${units}`),
  });
export const useBrief = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'brief'),
    queryFn: () => get<Brief>(`/api/students/${studentId}/brief`),
  });
export const useQueue = () =>
  useVersioned<{
    rows: readonly QueueRow[];
    week: { readonly came: number; readonly answered: number };
  }>(keys.queue, '/api/queue');
/** Puts a line of the queue off until a day, or notes that coach and student have spoken (null). */
export const useSetAside = (studentId: string) =>
  useSend({
    student: studentId,
    send: async (id, until: string | null) => {
      await post(`/api/students/${studentId}/asides`, { id, until, note: '' });
      return id;
    },
  });
export const useTakeUp = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, aside: string) => post(`/api/students/${studentId}/asides/${aside}/undo`),
  });
export const useLessons = () =>
  useVersioned<{ students: number; lessons: readonly LessonCard[] }>(keys.lessons, '/api/lessons');
export const useRoster = () => useVersioned<{ rows: readonly RosterRow[] }>(keys.roster, '/api/roster');
export const useEverybody = () =>
  useQuery({ queryKey: keys.everybody, queryFn: () => get<Everybody>('/api/everybody') });
