import type { Hold, Profile, SchoolPage, Student, ThreadEvent } from '@inchstep/contract/intake';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { get, post, put } from '../../platform/http.ts';
import { keys, LISTS } from '../../platform/queryKeys.ts';

export const useStudent = (id: string | undefined) =>
  useQuery({
    queryKey: keys.student(id),
    queryFn: () => get<Student>(`/api/students/${id}`),
    enabled: id !== undefined,
  });
export const useThread = (id: string) =>
  useQuery({
    queryKey: keys.of(id, 'thread'),
    queryFn: () => get<ThreadEvent[]>(`/api/students/${id}/thread`),
  });
export const useHold = (id: string | null) =>
  useQuery({
    queryKey: keys.of(id ?? '', 'hold'),
    queryFn: () => get<Hold | null>(`/api/students/${id}/hold`),
    enabled: id !== null,
  });

export function useSaveStudent() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, version, profile }: { id: string; version: number | null; profile: Profile }) =>
      version === null
        ? post<Student>('/api/students', { id, profile })
        : put<Student>(`/api/students/${id}`, { version, profile }),
    onSuccess: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: ['students'] }),
        ...LISTS.map((queryKey) => client.invalidateQueries({ queryKey })),
        // Where a consent was withdrawn, working copies of films go with the next look at this.
        client.invalidateQueries({ queryKey: keys.me }),
      ]),
  });
}

export function useArchive() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, archived }: { id: string; archived: boolean }) =>
      post<Student>(`/api/students/${id}/${archived ? 'archive' : 'restore'}`),
    onSuccess: (_, { id }) =>
      Promise.all([keys.student(id), ...LISTS].map((queryKey) => client.invalidateQueries({ queryKey }))),
  });
}

export function useLiftHold(id: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (note: string) => post(`/api/students/${id}/hold/lift`, { note }),
    onSuccess: () => client.invalidateQueries(),
  });
}

export const useSchools = () =>
  useQuery({ queryKey: keys.schools, queryFn: () => get<SchoolPage[]>('/api/schools') });

interface BandAt {
  readonly preset: SchoolPage['preset'];
  readonly measure: string;
}

/** A band reaches every student of the school, so everything is asked anew. */
export function useEditBand() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({
      preset,
      measure,
      ...edit
    }: BandAt & { lo: number | null; hi: number | null; reason: string }) =>
      put<SchoolPage>(`/api/schools/${preset}/bands/${measure}`, edit),
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useResetBand() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ preset, measure }: BandAt) =>
      post<SchoolPage>(`/api/schools/${preset}/bands/${measure}/reset`),
    onSuccess: () => client.invalidateQueries(),
  });
}
