import type { GateWord } from './practiceRecord.ts';
import { type Stage, stageAfter, stageBefore } from './stages.ts';

/** The rung a drill stands on: the first, moved by the coach's decisions and by nothing else. */
export function rungOf(gates: readonly GateWord[], drill: string): Stage {
  let stage: Stage = 'still';
  for (const word of gates) {
    if (word.drill !== drill) continue;
    if (word.decision === 'advance') stage = stageAfter(word.stage) ?? word.stage;
    if (word.decision === 'back') stage = stageBefore(word.stage) ?? word.stage;
  }
  return stage;
}

/** Since when evidence counts for the present rung: the last word on this drill, or the drill's own start. */
export const countsFrom = (gates: readonly GateWord[], drill: string, startedAt: string): string =>
  gates.findLast((word) => word.drill === drill)?.at ?? startedAt;
