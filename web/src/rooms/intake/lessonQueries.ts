import type { Hold, Lesson, LessonList, MoveLesson, NewLesson } from '@inchstep/contract/intake';
import { useQuery } from '@tanstack/react-query';
import { get, post, put } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';

const LOOK_AGAIN_MS = 60_000;

const at = (studentId: string): string => `/api/students/${studentId}/lessons`;

export const useLessonList = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'lessons'),
    queryFn: () => get<LessonList>(at(studentId)),
    // A lesson that was left open is over by itself: a screen that stays open hears of it.
    refetchInterval: LOOK_AGAIN_MS,
  });

/** Agrees a lesson, or begins one at once. */
export const useAgreeLesson = (studentId: string) =>
  useSend({
    student: studentId,
    send: (id, lesson: Omit<NewLesson, 'id'>) => post<Lesson>(at(studentId), { id, ...lesson }),
  });

export const useMoveLesson = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, { id, ...when }: MoveLesson & { readonly id: string }) =>
      put<Lesson>(`${at(studentId)}/${id}`, when),
  });

type LessonDeed = 'begin' | 'end' | 'resume' | 'cancel' | 'restore';
export const useLessonDeed = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, { id, deed }: { readonly id: string; readonly deed: LessonDeed }) =>
      post<Lesson>(`${at(studentId)}/${id}/${deed}`),
  });

/** The coach stops the drills: it hurts. */
export const useStopForPain = (studentId: string) =>
  useSend({
    student: studentId,
    send: (id, where: string) => post<Hold | null>(`/api/students/${studentId}/hold`, { id, where }),
  });
