import type { WholeClip } from '@inchstep/contract/capture';
import * as wire from '@inchstep/contract/endpoints';
import type { ViewKind } from '@inchstep/core/intake';
import { useQuery } from '@tanstack/react-query';
import { call } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';

const LOOK_AGAIN_MS = 1500;

/** A new way in for phones; the one before is closed. */
export const useOpenCameras = (studentId: string, lessonId: string) =>
  useSend({ send: () => call(wire.practice.openCameras, { id: studentId, lessonId }) });

export const useCameraDesk = (studentId: string, lessonId: string, asks: boolean) =>
  useQuery({
    queryKey: keys.of(studentId, 'lessons', lessonId, 'cameras'),
    queryFn: () => call(wire.practice.watchCameras, { id: studentId, lessonId }),
    refetchInterval: LOOK_AGAIN_MS,
    enabled: asks,
  });

export const useTakeNow = (studentId: string, lessonId: string) =>
  useSend({
    student: studentId,
    send: (id, seconds: number) =>
      call(wire.practice.askTake, { id: studentId, lessonId, body: { id, seconds } }),
  });

/** A phone says that it is here. */
export const sayHello = (token: string, id: string, kind: ViewKind) =>
  call(wire.practice.cameraHello, { token, body: { id, kind } });
/** The pieces of a take are whole: now it is the lesson's. */
export const sendTake = (token: string, takeId: string, whole: WholeClip) =>
  call(wire.practice.addWholeTake, { token, takeId, body: whole });
