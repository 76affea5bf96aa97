import * as wire from '@inchstep/contract/endpoints';
import type { PlanAsk, SetLog, TryPlan } from '@inchstep/contract/practice';
import type { Stage } from '@inchstep/core/practice';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { call } from '../../platform/http.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useSend } from '../../platform/useSend.ts';

export const usePlan = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'plan'),
    queryFn: () => call(wire.practice.planNow, { id: studentId }),
  });
export const useSets = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'sets'),
    queryFn: () => call(wire.practice.listSets, { id: studentId }),
  });
export const useGates = (studentId: string) =>
  useQuery({
    queryKey: keys.of(studentId, 'gates'),
    queryFn: () => call(wire.practice.listGates, { id: studentId }),
  });

export const usePlanPreview = (studentId: string, ask: TryPlan | null) =>
  useQuery({
    queryKey: keys.of(studentId, 'preview', ask),
    queryFn: () => call(wire.practice.tryPlan, { id: studentId, body: ask as TryPlan }),
    enabled: ask !== null && ask.days.length > 0,
    placeholderData: keepPreviousData,
  });

export const useMoveCheck = (studentId: string, from: string, to: string | null) =>
  useQuery({
    queryKey: keys.of(studentId, 'preview', 'move', from, to),
    queryFn: () => call(wire.practice.checkMove, { id: studentId, body: { from, to: to ?? from } }),
    enabled: to !== null,
  });

export const useSavePlan = (studentId: string) =>
  useSend({
    student: studentId,
    send: (id, ask: PlanAsk) => call(wire.practice.savePlan, { id: studentId, body: { id, ...ask } }),
  });

/** What a coach counted; sent twice it counts once. */
export const sendSet = (studentId: string, set: SetLog) =>
  call(wire.practice.logSet, { id: studentId, body: set });

interface GateWord {
  readonly drill: string;
  readonly stage: Stage;
  readonly decision: 'advance' | 'hold' | 'back';
  readonly note: string;
}

/** Says a word on a drill's rung; what comes back is its id, by which it can be taken back. */
export const useDecideGate = (studentId: string) =>
  useSend({
    student: studentId,
    send: async (id, word: GateWord) => {
      await call(wire.practice.decideGate, { id: studentId, body: { id, ...word } });
      return id;
    },
  });

export const useTakeBackGate = (studentId: string) =>
  useSend({
    student: studentId,
    send: (_, gateId: string) => call(wire.practice.takeBackGate, { id: studentId, gateId }),
  });
