import { type Drill, libraryAlong, ownDrillsOf } from '../../prescription/index.ts';
import type { Plan, Proof } from '../plan/planModel.ts';
import type { PlanRequest } from '../plan/planRequest.ts';
import { provePlan } from './provePlan.ts';

/** A plan with all that its proof asks for, as it goes over a line: whoever shows it can prove it again. */
export interface PlanPack {
  readonly request: Omit<PlanRequest, 'library' | 'previous' | 'standings'>;
  /** Drills that are not the house's. */
  readonly own: readonly Drill[];
  readonly days: Plan['days'];
  readonly empty: Plan['empty'];
}

export function packPlan(
  { library, previous: _, standings: __, ...request }: PlanRequest,
  { days, empty }: Pick<Plan, 'days' | 'empty'>,
): PlanPack {
  const named = [...request.drills, ...request.logs.map(({ drill }) => drill)];
  return { request, own: library ? ownDrillsOf(library, named) : [], days, empty };
}

/** The same rules as before the plan was sent, on what has come. */
export function provePack({ request, own, days, empty }: PlanPack): Proof {
  return provePlan({ ...request, library: libraryAlong(own), previous: null, standings: {} }, days, empty);
}
