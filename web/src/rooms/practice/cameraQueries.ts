import type { CameraDeskSeen, CameraLink, CameraPage } from '@inchstep/contract/practice';
import type { ViewKind } from '@inchstep/core/intake';
import { useQuery } from '@tanstack/react-query';
import { get, post } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';

const at = (studentId: string, lessonId: string): string => `/api/students/${studentId}/lessons/${lessonId}`;
const LOOK_AGAIN_MS = 1500;

/** A new way in for phones; the one before is closed. */
export const useOpenCameras = (studentId: string, lessonId: string) =>
  useSend({ send: () => post<CameraLink>(`${at(studentId, lessonId)}/cameras`) });

export const useCameraDesk = (studentId: string, lessonId: string, asks: boolean) =>
  useQuery({
    queryKey: keys.of(studentId, 'lessons', lessonId, 'cameras'),
    queryFn: () => get<CameraDeskSeen>(`${at(studentId, lessonId)}/cameras`),
    refetchInterval: LOOK_AGAIN_MS,
    enabled: asks,
  });

export const useTakeNow = (studentId: string, lessonId: string) =>
  useSend({
    student: studentId,
    send: (id, seconds: number) => post<CameraDeskSeen>(`${at(studentId, lessonId)}/takes`, { id, seconds }),
  });

/** A phone says that it is here. */
export const sayHello = (token: string, id: string, kind: ViewKind) =>
  post<CameraPage>(`/api/camera/${token}/hello`, { id, kind });
