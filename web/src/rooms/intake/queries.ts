import * as wire from '@inchstep/contract/endpoints';
import type { Profile, SchoolPage } from '@inchstep/contract/intake';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { call } from '../../platform/http.ts';
import { keys, LISTS } from '../../platform/queryKeys.ts';

export const useStudent = (id: string | undefined) =>
  useQuery({
    queryKey: keys.student(id),
    queryFn: () => call(wire.intake.readStudent, { id: id ?? '' }),
    enabled: id !== undefined,
  });
export const useThread = (id: string) =>
  useQuery({
    queryKey: keys.of(id, 'thread'),
    queryFn: () => call(wire.intake.readThread, { id }),
  });
export const useHold = (id: string | null) =>
  useQuery({
    queryKey: keys.of(id ?? '', 'hold'),
    queryFn: () => call(wire.intake.readHold, { id: id ?? '' }),
    enabled: id !== null,
  });

export function useSaveStudent() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, version, profile }: { id: string; version: number | null; profile: Profile }) =>
      version === null
        ? call(wire.intake.addStudent, { body: { id, profile } })
        : call(wire.intake.editStudent, { id, body: { version, profile } }),
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
      call(archived ? wire.intake.archiveStudent : wire.intake.restoreStudent, { id }),
    onSuccess: (_, { id }) =>
      Promise.all([keys.student(id), ...LISTS].map((queryKey) => client.invalidateQueries({ queryKey }))),
  });
}

export function useLiftHold(id: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (note: string) => call(wire.intake.liftHold, { id, body: { note } }),
    onSuccess: () => client.invalidateQueries(),
  });
}

export const useSchools = () =>
  useQuery({ queryKey: keys.schools, queryFn: () => call(wire.intake.listSchools) });

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
      call(wire.intake.editBand, { preset, measure, body: edit }),
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useResetBand() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ preset, measure }: BandAt) => call(wire.intake.resetBand, { preset, measure }),
    onSuccess: () => client.invalidateQueries(),
  });
}
