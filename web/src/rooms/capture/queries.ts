import type { Clip, Swing, SwingToLook } from '@inchstep/contract/capture';
import type { NetworkErrors, Reading } from '@inchstep/contract/measures';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { get, post, put, putLast, upload } from '../../platform/http.ts';
import { idOfFile } from '../../platform/ids.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';
import type { SwingWork } from './benchState.ts';
import type { Made } from './HowMade.tsx';

export const useClips = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'clips'),
    queryFn: () => get<Clip[]>(`/api/students/${studentId}/clips`),
  });
/** `againMs`: asked again so often, where other devices film. */
export const useSwings = (studentId: string, againMs?: number) =>
  useQuery({
    ...(againMs === undefined ? {} : { refetchInterval: againMs }),
    queryKey: keys.of(studentId, 'swings'),
    queryFn: () => get<Swing[]>(`/api/students/${studentId}/swings`),
  });
export const useSwing = (id: string | undefined) =>
  useQuery({
    queryKey: keys.swing(id),
    queryFn: () => get<Swing>(`/api/swings/${id}`),
    enabled: id !== undefined,
  });

/** How the body network is expected to err on a student in clips of a day (today's, where none is named), and how well he is known. */
export const networkErrors = (studentId: string, on?: string): Promise<NetworkErrors> =>
  get<NetworkErrors>(`/api/students/${studentId}/network${on === undefined ? '' : `?on=${on}`}`);
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
        ? post<NetworkErrors>(`/api/students/${studentId}/network/forget`, { id })
        : post<NetworkErrors>(`/api/students/${studentId}/network/forget/${undo}/undo`),
  });

export const clipUrl = (clipId: string): string => `/api/clips/${clipId}/file`;

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
      upload<Clip>(
        `/api/students/${studentId}/clips`,
        { id: idOfFile(file, `${studentId} ${kind} ${recordedOn}`), kind, recordedOn },
        file,
        onProgress,
        signal,
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

/** How a swing filmed on a day is most likely made. */
export const useHowMade = (studentId: string, on: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'how-made', on),
    queryFn: () => get<Made>(`/api/students/${studentId}/how-made?on=${on}`),
    enabled: on !== '',
  });

export function useNewSwing(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (swing: Pick<Swing, 'id' | 'recordedOn' | 'views' | 'marks'> & Made) =>
      post<Swing>(`/api/students/${studentId}/swings`, swing),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

export function useDiscardSwing(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, discarded }: { id: string; discarded: boolean }) =>
      post<Swing>(`/api/swings/${id}/${discarded ? 'discard' : 'restore'}`),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

/** Swings whose clips nobody has looked through, the newest first. */
export const swingsToLook = (): Promise<SwingToLook[]> => get<SwingToLook[]>('/api/swings-to-look');

/** Saves what the bench changed; the answer carries the next version. */
export const saveSwing = (swing: Swing, version: number, work: SwingWork, leaving = false): Promise<Swing> =>
  (leaving ? putLast : put)<Swing>(`/api/swings/${swing.id}`, {
    version,
    recordedOn: swing.recordedOn,
    ...work.made,
    views: work.views,
    marks: work.marks,
  });

export const measureSwing = (swingId: string): Promise<Reading> =>
  post<Reading>(`/api/swings/${swingId}/measure`);
