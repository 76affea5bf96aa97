import * as wire from '@inchstep/contract/endpoints';
import type { DrillForm } from '@inchstep/contract/formats';
import type { StoredFeel } from '@inchstep/contract/prescription';
import type { BodyOf } from '@inchstep/contract/wire';
import { urlOf } from '@inchstep/contract/wire/address';
import type { Lengths } from '@inchstep/contract/words';
import type { MoveFigure } from '@inchstep/core/prescription';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { call } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';

export const usePrescription = (diagnosisId: string | undefined) =>
  useQuery({
    queryKey: keys.diagnosis(diagnosisId, 'prescription'),
    queryFn: () => call(wire.prescription.prescribe, { id: diagnosisId ?? '' }),
    enabled: diagnosisId !== undefined,
    staleTime: 0,
  });
export const useDrillChoices = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'choices'),
    queryFn: () => call(wire.prescription.listChoices, { id: studentId }),
  });

export const useChooseDrills = (studentId: string) =>
  useSend({
    student: studentId,
    send: (id, choice: { diagnosisId: string; drills: readonly string[]; note: string; ownTask: string }) =>
      call(wire.prescription.chooseDrills, { body: { id, ...choice } }),
  });

export function useSetLayer(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ drill, layer }: { readonly drill: string; readonly layer: number }) =>
      call(wire.prescription.setLayer, { id: studentId, drill, body: { layer } }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.student(studentId) }),
  });
}

export const useOwnDrills = () =>
  useQuery({
    queryKey: keys.library,
    queryFn: () => call(wire.prescription.listLibrary),
    staleTime: 60_000,
  });

/** A changed drill may change matches, plans and cards: everything is asked again. */
function useLibraryChange<T, A>(send: (ask: A) => Promise<T>) {
  const client = useQueryClient();
  return useMutation({ mutationFn: send, onSuccess: () => client.invalidateQueries() });
}

export const useKeepDrill = () =>
  useLibraryChange(({ retired: _, ...entry }: DrillForm) =>
    call(wire.prescription.keepDrill, { id: entry.drill.id, body: entry }),
  );
export const useRetireDrill = () =>
  useLibraryChange(({ id, retired }: { id: string; retired: boolean }) =>
    call(wire.prescription.retireDrill, { id, body: { retired } }),
  );
export const useImportDrills = () =>
  useLibraryChange((document: BodyOf<typeof wire.prescription.importDrills>) =>
    call(wire.prescription.importDrills, { body: document }),
  );

export const useFeels = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'feels'),
    queryFn: () => call(wire.prescription.listFeels, { id: studentId }),
  });
/** Answers with the id of what was noted, by which it can be taken back. */
export const useNoteFeel = (studentId: string) =>
  useSend<Omit<StoredFeel, 'id' | 'at'>, string>({
    send: async (id, feel) => {
      await call(wire.prescription.noteFeel, { id: studentId, body: { id, ...feel } });
      return id;
    },
    student: studentId,
  });
export function useForgetFeel(studentId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => call(wire.prescription.forgetFeel, { id: studentId, feelId: id }),
    onSuccess: (page) => client.setQueryData(keys.of(studentId, 'feels'), page),
  });
}

/** A drill's move on somebody's body; it changes with neither hour nor day. */
export const useFigure = (at: FigureAt | undefined) =>
  useQuery({
    queryKey: keys.figure(at?.name ?? ''),
    queryFn: () => (at as FigureAt).read(),
    enabled: at !== undefined,
    staleTime: 5 * 60_000,
  });

/** How a drill's figure is fetched; `name` is its cache key. */
export interface FigureAt {
  readonly name: string;
  readonly read: () => Promise<MoveFigure>;
}
/** Where a student's drill card and its figure come from: the coach's program or the student's page. */
export interface CardAt {
  readonly figure: (drill: string) => FigureAt;
  readonly card: (query: { readonly drill: string; readonly units: Lengths }) => string;
}

const figureAt = (name: string, read: FigureAt['read']): FigureAt => ({ name, read });
export const libraryFigure = (id: string, heightIn?: number): FigureAt =>
  figureAt(urlOf(wire.prescription.libraryFigure, { id, query: { heightIn } }), () =>
    call(wire.prescription.libraryFigure, { id, query: { heightIn } }),
  );
export const studentCard = (id: string): CardAt => ({
  figure: (drill) =>
    figureAt(urlOf(wire.prescription.studentFigure, { id, drill }), () =>
      call(wire.prescription.studentFigure, { id, drill }),
    ),
  card: (query) => urlOf(wire.prescription.studentCard, { id, query }),
});
export const pageCard = (token: string): CardAt => ({
  figure: (drill) =>
    figureAt(urlOf(wire.page.readFigure, { token, drill }), () =>
      call(wire.page.readFigure, { token, drill }),
    ),
  card: (query) => urlOf(wire.page.printCard, { token, query }),
});
