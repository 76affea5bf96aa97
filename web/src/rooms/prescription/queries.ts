import type { DrillForm } from '@inchstep/contract/formats';
import type {
  DrillChoice,
  FeelPage,
  LibraryEntry,
  PrescriptionRecord,
  StoredFeel,
} from '@inchstep/contract/prescription';
import type { MoveFigure } from '@inchstep/core/prescription';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { del, get, post, put } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';

export const usePrescription = (diagnosisId: string | undefined) =>
  useQuery({
    queryKey: keys.diagnosis(diagnosisId, 'prescription'),
    queryFn: () => get<PrescriptionRecord>(`/api/diagnoses/${diagnosisId}/prescription`),
    enabled: diagnosisId !== undefined,
    staleTime: 0,
  });
export const useDrillChoices = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'choices'),
    queryFn: () => get<DrillChoice[]>(`/api/students/${studentId}/drill-choices`),
  });

export const useChooseDrills = (studentId: string) =>
  useSend({
    student: studentId,
    send: (id, choice: { diagnosisId: string; drills: readonly string[]; note: string; ownTask: string }) =>
      post<DrillChoice>('/api/drill-choices', { id, ...choice }),
  });

export function useSetLayer(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ drill, layer }: { readonly drill: string; readonly layer: number }) =>
      put<DrillChoice>(`/api/students/${studentId}/layers/${drill}`, { layer }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

export const useOwnDrills = () =>
  useQuery({
    queryKey: keys.library,
    queryFn: () => get<LibraryEntry[]>('/api/library'),
    staleTime: 60_000,
  });

/** A changed drill may change matches, plans and cards: everything is asked again. */
function useLibraryChange<T, A>(send: (ask: A) => Promise<T>) {
  const client = useQueryClient();
  return useMutation({ mutationFn: send, onSuccess: () => client.invalidateQueries() });
}

export const useKeepDrill = () =>
  useLibraryChange(({ retired: _, ...entry }: DrillForm) =>
    put<LibraryEntry>(`/api/library/${entry.drill.id}`, entry),
  );
export const useRetireDrill = () =>
  useLibraryChange(({ id, retired }: { id: string; retired: boolean }) =>
    post<LibraryEntry>(`/api/library/${id}/retired`, { retired }),
  );
export const useImportDrills = () =>
  useLibraryChange((document: unknown) =>
    post<{ added: number; changed: number }>('/api/library/import', document),
  );

export const useFeels = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'feels'),
    queryFn: () => get<FeelPage>(`/api/students/${studentId}/feels`),
  });
/** Answers with the id of what was noted, by which it can be taken back. */
export const useNoteFeel = (studentId: string) =>
  useSend<Omit<StoredFeel, 'id' | 'at'>, string>({
    send: async (id, feel) => {
      await post<FeelPage>(`/api/students/${studentId}/feels`, { id, ...feel });
      return id;
    },
    student: studentId,
  });
export function useForgetFeel(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => del<FeelPage>(`/api/students/${studentId}/feels/${id}`),
    onSuccess: (page) => client.setQueryData(keys.of(studentId, 'feels'), page),
  });
}

/** A drill's move on somebody's body; it changes with neither hour nor day. */
export const useFigure = (url: string | undefined) =>
  useQuery({
    queryKey: keys.figure(url ?? ''),
    queryFn: () => get<MoveFigure>(url as string),
    enabled: url !== undefined,
    staleTime: 5 * 60_000,
  });
