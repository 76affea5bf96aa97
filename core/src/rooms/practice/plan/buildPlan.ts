import type { IsoDay } from '../../../foundation/index.ts';
import { provePlan } from '../proof/provePlan.ts';
import { gateDatesOf } from './gateDates.ts';
import { groundOf } from './ground.ts';
import { bestLayout } from './improve.ts';
import type { Ground, Laid } from './layout.ts';
import { diffOf } from './planDiff.ts';
import type { Plan } from './planModel.ts';
import type { PlanRequest } from './planRequest.ts';
import { reviewsOf } from './reviews.ts';
import { stagesOf, unfinishedOf } from './stagesOf.ts';
import { bindingOf, waysOut } from './waysOut.ts';

/** What of a plan is worked out beside its days; a card for one day needs none of it. */
interface PlanExtent {
  /** The ways out, each from a plan solved anew. */
  readonly ways: boolean;
}

/**
 * A dated plan from what was logged, measured and decided: sessions that hold intents, the days that stay empty
 * and why, the dates by which gates will be met, what binds and what would help. Proved before it is given.
 */
export function buildPlan(request: PlanRequest, extent: PlanExtent = { ways: true }): Plan {
  const ground = groundOf(request);
  const laid = bestLayout(ground);
  const gateDates = gateDatesOf(ground, laid);
  const first: IsoDay = ground.slots[0]?.date ?? request.start;
  return {
    stages: stagesOf(ground, laid.climbs, gateDates),
    days: laid.days,
    empty: laid.empty,
    gateDates,
    binding: bindingsOf(ground, laid),
    gives: extent.ways ? waysOut(ground, laid) : [],
    unfinished: unfinishedOf(ground, gateDates),
    reviewDates: reviewsOf(request, gateDates),
    diff: request.previous && diffOf(request.previous, { days: laid.days, gateDates }, first),
    proof: provePlan(request, laid.days, laid.empty),
  };
}

function bindingsOf(ground: Ground, laid: Laid): Plan['binding'] {
  if (ground.request.held) return [{ rule: 'held', about: '', days: laid.empty.length }];
  return laid.days.length === 0 && laid.empty.length > 0
    ? [{ rule: 'closed', about: laid.empty[0]?.why ?? '', days: laid.empty.length }]
    : bindingOf(ground, laid);
}
