import { seededRandom } from '../../../foundation/index.ts';
import type { Club } from '../../intake/index.ts';
import { type Stage, stageRow } from '../stages.ts';
import type { AidUse, PracticeOrder } from './planModel.ts';

/** Visits on a rung that are hit in one block a club before clubs alternate, and before they are drawn. */
const ORDER_BY_VISIT: Partial<Record<Stage, readonly PracticeOrder[]>> = {
  half: ['blocked'],
  three_quarter: ['blocked', 'alternating'],
  full: ['alternating', 'alternating', 'random'],
  clubs: ['random'],
  course: ['random'],
};

export const orderOf = (stage: Stage, visit: number): PracticeOrder => {
  const orders = ORDER_BY_VISIT[stage] ?? ['blocked'];
  return orders[Math.min(visit, orders.length - 1)] ?? 'blocked';
};

/** With the drill up to three quarters, in turn at full speed, and without it from then on. */
export const aidOf = (stage: Stage, on: boolean): AidUse => {
  if (!on || stage === 'clubs' || stage === 'course') return 'off';
  return stage === 'full' ? 'alternating' : 'on';
};

/** The same text gives the same number, on phone, paper and the coach's screen. */
function seedOf(text: string): number {
  let hash = 2166136261;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 16777619);
  return hash >>> 0;
}

/** A club for each ball of the visit. */
export function clubsFor(stage: Stage, order: PracticeOrder, balls: number, seed: string): Club[] {
  const { clubs } = stageRow(stage);
  if (balls === 0 || clubs.length === 0) return [];
  if (order === 'blocked') {
    const each = Math.ceil(balls / clubs.length);
    return Array.from({ length: balls }, (_, i) => clubs[Math.floor(i / each)] as Club);
  }
  if (order === 'alternating')
    return Array.from({ length: balls }, (_, i) => clubs[i % clubs.length] as Club);
  return drawn(clubs, balls, seed);
}

/** Drawn round by round so that no club comes twice running, and the longest is reached before the end. */
function drawn(clubs: readonly Club[], balls: number, seed: string): Club[] {
  const random = seededRandom(seedOf(seed));
  const order: Club[] = [];
  while (order.length < balls) {
    const round = shuffled(clubs, random);
    if (clubs.length > 1 && round[0] === order.at(-1)) round.push(round.shift() as Club);
    order.push(...round);
  }
  const visit = order.slice(0, balls);
  const longest = clubs.at(-1) as Club;
  if (!visit.includes(longest)) visit[balls - 1] = longest;
  return visit;
}

function shuffled(clubs: readonly Club[], random: () => number): Club[] {
  const round = [...clubs];
  for (let i = round.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [round[i], round[j]] = [round[j] as Club, round[i] as Club];
  }
  return round;
}
