import { type Drill, libraryWith } from '../../prescription/index.ts';
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
  const named = new Set([...request.drills, ...request.logs.map(({ drill }) => drill)]);
  const own = [...named].flatMap((id) => {
    const drill = library?.byId(id);
    return drill && id.startsWith('own_') ? [drill] : [];
  });
  return { request, own, days, empty };
}

/** The same rules as before the plan was sent, on what has come. */
export function provePack({ request, own, days, empty }: PlanPack): Proof {
  const library = libraryWith(
    own.map((drill) => ({ drill, basedOn: null, replaces: false, retired: false })),
  );
  return provePlan({ ...request, library, previous: null, standings: {} }, days, empty);
}
