import type {
  GateState,
  PlanAsk,
  PlanNow,
  PlanRecord,
  SetLog,
  StoredSet,
  TryPlan,
} from '@inchstep/contract/practice';
import type { Breach, Plan } from '@inchstep/core/practice';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { get, post } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';

export const usePlan = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'plan'),
    queryFn: () => get<PlanNow | null>(`/api/students/${studentId}/plan`),
  });
export const useSets = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'sets'),
    queryFn: () => get<StoredSet[]>(`/api/students/${studentId}/sets`),
  });
export const useGates = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'gates'),
    queryFn: () => get<GateState[]>(`/api/students/${studentId}/gates`),
  });

export const usePlanPreview = (studentId: string, ask: TryPlan | null) =>
  useQuery({
    queryKey: keys.of(studentId, 'preview', ask),
    queryFn: () => post<{ drills: string[]; plan: Plan }>(`/api/students/${studentId}/plans/preview`, ask),
    enabled: ask !== null && ask.days.length > 0,
    placeholderData: keepPreviousData,
  });

export const useMoveCheck = (studentId: string, from: string, to: string | null) =>
  useQuery({
    queryKey: keys.of(studentId, 'preview', 'move', from, to),
    queryFn: () => post<{ broken: readonly Breach[] }>(`/api/students/${studentId}/plan/move`, { from, to }),
    enabled: to !== null,
  });

export const useSavePlan = (studentId: string) =>
  useSend({
    student: studentId,
    send: (id, ask: PlanAsk) => post<PlanRecord>(`/api/students/${studentId}/plans`, { id, ...ask }),
  });

/** What a coach counted; sent twice it counts once. */
export const sendSet = (studentId: string, set: SetLog) =>
  post<StoredSet>(`/api/students/${studentId}/sets`, set);

interface GateWord {
  readonly drill: string;
  readonly stage: string;
  readonly decision: 'advance' | 'hold' | 'back';
  readonly note: string;
}

/** Says a word on a drill's rung; what comes back is its id, by which it can be taken back. */
export const useDecideGate = (studentId: string) =>
  useSend({
    student: studentId,
    send: async (id, word: GateWord) => {
      await post<GateState[]>(`/api/students/${studentId}/gates`, { id, ...word });
      return id;
    },
  });

export const useTakeBackGate = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, gateId: string) => post<GateState[]>(`/api/students/${studentId}/gates/${gateId}/undo`),
  });
