import type { SummarySend } from '@inchstep/contract/checkins';
import * as wire from '@inchstep/contract/endpoints';
import type { LessonNoteSend } from '@inchstep/contract/practice';
import type { Lengths } from '@inchstep/contract/words';
import { useQuery } from '@tanstack/react-query';
import { call } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';

const LOOK_AGAIN_MS = 10_000;

/** A lesson with its moments; what another device does in it shows soon. */
export const useLessonFile = (studentId: string, lessonId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'lessons', lessonId),
    queryFn: () => call(wire.checkins.readLessonFile, { id: studentId, lessonId }),
    refetchInterval: LOOK_AGAIN_MS,
  });

export const useLessonDraft = (studentId: string, lessonId: string, units: Lengths) =>
  useQuery({
    queryKey: keys.of(studentId, 'lessons', lessonId, 'draft', units),
    queryFn: () => call(wire.checkins.draftSummary, { id: studentId, lessonId, query: { units } }),
    // What the coach is changing is not drafted over.
    staleTime: Number.POSITIVE_INFINITY,
  });

type NoteSent = Omit<LessonNoteSend, 'id' | 'swingId' | 'measure' | 'felt'> &
  Partial<Pick<LessonNoteSend, 'swingId' | 'measure' | 'felt'>>;

export const useAddNote = (studentId: string, lessonId: string) =>
  useSend({
    student: studentId,
    send: (id, note: NoteSent) =>
      call(wire.practice.addNote, { id: studentId, lessonId, body: { id, ...note } }),
  });

export const useUndoNote = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, noteId: string) => call(wire.practice.takeBackNote, { id: studentId, noteId, deed: 'undo' }),
  });

export const useSendSummary = (studentId: string, lessonId: string) =>
  useSend({
    student: studentId,
    send: (id, letter: Omit<SummarySend, 'id'>) =>
      call(wire.checkins.sendSummary, { id: studentId, lessonId, body: { id, ...letter } }),
  });
