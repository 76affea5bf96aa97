import * as wire from '@inchstep/contract/endpoints';
import type { LessonDeed, MoveLesson, NewLesson } from '@inchstep/contract/intake';
import { useQuery } from '@tanstack/react-query';
import { call } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';

const LOOK_AGAIN_MS = 60_000;

export const useLessonList = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'lessons'),
    queryFn: () => call(wire.intake.listLessons, { id: studentId }),
    // A lesson that was left open is over by itself: a screen that stays open hears of it.
    refetchInterval: LOOK_AGAIN_MS,
  });

/** Agrees a lesson, or begins one at once. */
export const useAgreeLesson = (studentId: string) =>
  useSend({
    student: studentId,
    send: (id, lesson: Omit<NewLesson, 'id'>) =>
      call(wire.intake.agreeLesson, { id: studentId, body: { id, ...lesson } }),
  });

export const useMoveLesson = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, { id, ...when }: MoveLesson & { readonly id: string }) =>
      call(wire.intake.moveLesson, { id: studentId, lessonId: id, body: when }),
  });

export const useLessonDeed = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, { id, deed }: { readonly id: string; readonly deed: LessonDeed }) =>
      call(wire.intake.doToLesson, { id: studentId, lessonId: id, deed }),
  });

/** The coach stops the drills: it hurts. */
export const useStopForPain = (studentId: string) =>
  useSend({
    student: studentId,
    send: (id, where: string) => call(wire.intake.stopForPain, { id: studentId, body: { id, where } }),
  });
