import type { IsoDay } from '../../foundation/index.ts';
import { inUse, type Library } from '../prescription/index.ts';
import { countedSets } from './countedSets.ts';
import { roomOnDay } from './dayLoad.ts';
import { moreAtThisRate } from './held.ts';
import type { PlanFile } from './layPlan.ts';
import type { PlanDay } from './plan/planModel.ts';
import type { LoggedSet } from './practiceRecord.ts';
import { standsOn } from './rung.ts';
import type { Stage } from './stages.ts';
import { cardOf } from './todayCard.ts';

/** A drill in use, and what is left to its next rung. */
interface RungToday {
  readonly id: string;
  readonly stage: Stage;
  /** The checkpoint that is asked, from 1. */
  readonly layer: number;
  /** Repetitions at the student's rate; null where that rate would not do. */
  readonly more: number | null;
  /** The count is full; the coach looks next. */
  readonly waits: boolean;
  /** Repetitions of it that the day still has room for; at 0 it is enough. */
  readonly room: number;
}

/** What a student's page says of a day. */
export interface TodayStanding {
  readonly day: PlanDay | null;
  /** The next day of the plan after it. */
  readonly nextDay: IsoDay | null;
  readonly rungs: readonly RungToday[];
  /** What was logged on the day. */
  readonly sets: readonly LoggedSet[];
}

/** The day's card, the rungs it is done on, and what was logged of it: the same on the server and on a phone without a signal. */
export function todayStanding(file: PlanFile, library: Library, today: IsoDay): TodayStanding {
  const { plan, sets } = file.practice;
  const drills = (inUse(file.prescription)?.drills ?? []).flatMap((id) => library.byId(id) ?? []);
  return {
    day: cardOf(file, library, today),
    nextDay: plan?.plan.days.find(({ date }) => date > today)?.date ?? null,
    rungs: drills.map((drill) => {
      const { stage, layer, test } = standsOn(file, drill);
      return {
        id: drill.id,
        stage,
        layer,
        more: moreAtThisRate(test),
        waits: test.decision === 'advance',
        room: roomOnDay(sets, today, drill.id, { student: file.intake.facts, library }),
      };
    }),
    sets: countedSets(sets.filter(({ date }) => date === today)),
  };
}
