import type { LessonFile, SummarySend } from '@inchstep/contract/checkins';
import type { Lesson } from '@inchstep/contract/intake';
import type { LessonNoteSend } from '@inchstep/contract/practice';
import type { LessonNote } from '@inchstep/core/practice';
import { useQuery } from '@tanstack/react-query';
import { get, post } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';

const at = (studentId: string, lessonId: string): string => `/api/students/${studentId}/lessons/${lessonId}`;

const LOOK_AGAIN_MS = 10_000;

/** A lesson with its moments; what another device does in it shows soon. */
export const useLessonFile = (studentId: string, lessonId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'lessons', lessonId),
    queryFn: () => get<LessonFile>(at(studentId, lessonId)),
    refetchInterval: LOOK_AGAIN_MS,
  });

export const useLessonDraft = (studentId: string, lessonId: string, units: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'lessons', lessonId, 'draft', units),
    queryFn: () => get<{ text: string }>(`${at(studentId, lessonId)}/draft?units=${units}`),
    // What the coach is changing is not drafted over.
    staleTime: Number.POSITIVE_INFINITY,
  });

type NoteSent = Omit<LessonNoteSend, 'id' | 'swingId' | 'measure' | 'felt'> &
  Partial<Pick<LessonNoteSend, 'swingId' | 'measure' | 'felt'>>;

export const useAddNote = (studentId: string, lessonId: string) =>
  useSend({
    student: studentId,
    send: (id, note: NoteSent) => post<LessonNote>(`${at(studentId, lessonId)}/notes`, { id, ...note }),
  });

export const useUndoNote = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, noteId: string) => post(`/api/students/${studentId}/lesson-notes/${noteId}/undo`),
  });

export const useSendSummary = (studentId: string, lessonId: string) =>
  useSend({
    student: studentId,
    send: (id, letter: Omit<SummarySend, 'id'>) =>
      post<Lesson>(`${at(studentId, lessonId)}/summary`, { id, ...letter }),
  });
