import * as wire from '@inchstep/contract/endpoints';
import type { Lengths } from '@inchstep/contract/words';
import type { ReportFor } from '@inchstep/core/progress';
import { useQuery } from '@tanstack/react-query';
import { call } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';
import { useVersioned } from '../../platform/useVersioned.ts';

export const useProgress = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'progress'),
    queryFn: () => call(wire.progress.readProgress, { id: studentId }),
  });
export const useMeasureStory = (studentId: string, measure: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'progress', measure),
    queryFn: () => call(wire.progress.readMeasure, { id: studentId, measure }),
    enabled: measure !== '',
  });
export const useReport = (studentId: string, reader: ReportFor, units: Lengths) =>
  useQuery({
    queryKey: keys.of(studentId, 'report', reader, units),
    queryFn: () => call(wire.progress.readReport, { id: studentId, query: { for: reader, units } }),
  });
export const useBrief = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'brief'),
    queryFn: () => call(wire.progress.readBrief, { id: studentId }),
  });
export const useQueue = () => useVersioned(keys.queue, wire.progress.listQueue);
/** Puts a line of the queue off until a day, or notes that coach and student have spoken (null). */
export const useSetAside = (studentId: string) =>
  useSend({
    student: studentId,
    send: async (id, until: string | null) => {
      await call(wire.checkins.setAside, { id: studentId, body: { id, until, note: '' } });
      return id;
    },
  });
export const useTakeUp = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, aside: string) => call(wire.checkins.takeUpAgain, { id: studentId, asideId: aside }),
  });
export const useLessons = () => useVersioned(keys.lessons, wire.progress.listComing);
export const useRoster = () => useVersioned(keys.roster, wire.progress.listRoster);
export const useEverybody = () =>
  useQuery({ queryKey: keys.everybody, queryFn: () => call(wire.progress.readEverybody) });
