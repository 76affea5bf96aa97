import type { Clip, Swing, SwingToLook } from '@inchstep/contract/capture';
import * as wire from '@inchstep/contract/endpoints';
import type { NetworkErrors, Reading } from '@inchstep/contract/measures';
import { urlOf } from '@inchstep/contract/wire/address';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { call, lastCall, upload } from '../../platform/http.ts';
import { idOfFile } from '../../platform/ids.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';
import type { SwingWork } from './benchState.ts';
import type { Made } from './HowMade.tsx';

export const useClips = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'clips'),
    queryFn: () => call(wire.capture.listClips, { id: studentId }),
  });
/** `againMs`: asked again so often, where other devices film. */
export const useSwings = (studentId: string, againMs?: number) =>
  useQuery({
    ...(againMs === undefined ? {} : { refetchInterval: againMs }),
    queryKey: keys.of(studentId, 'swings'),
    queryFn: () => call(wire.capture.listSwings, { id: studentId }),
  });
export const useSwing = (id: string | undefined) =>
  useQuery({
    queryKey: keys.swing(id),
    queryFn: () => call(wire.capture.readSwing, { id: id ?? '' }),
    enabled: id !== undefined,
  });

/** How the body network is expected to err on a student in clips of a day (today's, where none is named), and how well he is known. */
export const networkErrors = (studentId: string, on?: string): Promise<NetworkErrors> =>
  call(wire.measures.readNetwork, { id: studentId, query: { on } });
export const useNetworkErrors = (studentId: string, on?: string) =>
  useQuery({
    queryKey: [...keys.of(studentId, 'network'), on ?? 'today'],
    queryFn: () => networkErrors(studentId, on),
  });

/** Forgets what was taught of a student, or takes that back. */
export const useForgetTeaching = (studentId: string) =>
  useSend({
    student: studentId,
    send: (id, undo: string | null) =>
      undo === null
        ? call(wire.measures.forgetTeaching, { id: studentId, body: { id } })
        : call(wire.measures.rememberTeaching, { id: studentId, resetId: undo }),
  });

export const clipUrl = (clipId: string): string => urlOf(wire.capture.clipFile, { id: clipId });

interface UploadAsk {
  readonly file: File;
  readonly kind: Clip['kind'];
  readonly recordedOn: string;
  readonly onProgress: (share: number) => void;
  readonly signal: AbortSignal;
}

export function useUploadClip(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ file, kind, recordedOn, onProgress, signal }: UploadAsk) =>
      upload(
        wire.capture.addClip,
        {
          id: studentId,
          form: { id: idOfFile(file, `${studentId} ${kind} ${recordedOn}`), kind, recordedOn },
        },
        { file, onProgress, signal },
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

/** How a swing filmed on a day is most likely made. */
export const useHowMade = (studentId: string, on: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'how-made', on),
    queryFn: () => call(wire.practice.howMade, { id: studentId, query: { on } }),
    enabled: on !== '',
  });

export function useNewSwing(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (swing: Pick<Swing, 'id' | 'recordedOn' | 'views' | 'marks'> & Made) =>
      call(wire.capture.addSwing, { id: studentId, body: swing }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

export function useDiscardSwing(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, discarded }: { id: string; discarded: boolean }) =>
      discarded ? call(wire.capture.discardSwing, { id }) : call(wire.capture.restoreSwing, { id }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

/** Swings whose clips nobody has looked through, the newest first. */
export const swingsToLook = (): Promise<SwingToLook[]> => call(wire.capture.listToLook);

/** Saves what the bench changed; the answer carries the next version. */
export const saveSwing = (swing: Swing, version: number, work: SwingWork, leaving = false): Promise<Swing> =>
  (leaving ? lastCall : call)(wire.capture.editSwing, {
    id: swing.id,
    body: {
      version,
      recordedOn: swing.recordedOn,
      ...work.made,
      views: work.views,
      marks: work.marks,
    },
  });

export const measureSwing = (swingId: string): Promise<Reading> =>
  call(wire.measures.measureSwing, { id: swingId });
