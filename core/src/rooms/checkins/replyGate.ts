import { type GateStanding, type GateWord, type Stage, stageAfter } from '../practice/index.ts';
import type { ReplyFacts } from './reply.ts';

/** What a reply says of the gate, and the rung on which the one piece is practised now. */
interface ReplyGate {
  readonly gate: NonNullable<ReplyFacts['gate']>;
  readonly stage: Stage;
}

/**
 * The reply says what the coach has just decided: a word given since the check-in came in stands, and the rung
 * is the one it led to. Without one it says what the gate says, and an open gate points to the next rung.
 */
export function replyGate(state: GateStanding, words: readonly GateWord[], checkinAt: string): ReplyGate {
  const decided = words.findLast((word) => word.drill === state.drill && word.at >= checkinAt);
  if (decided) return { gate: decided.decision, stage: state.stage };
  if (state.held.length === 0) return { gate: 'advance', stage: stageAfter(state.stage) ?? state.stage };
  return { gate: state.gate.notYets > 0 ? 'hold' : 'continue', stage: state.stage };
}
