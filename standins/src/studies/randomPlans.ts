import { seededRandom } from '@inchstep/core/foundation';
import { buildPlan, randomRequest } from '@inchstep/core/practice';

/** Random requests against the proof, with the time that each plan took by the clock handed in. */
export function randomPlans(n: number, clock: () => number = () => performance.now(), seed = 1_000_000) {
  const broken: Record<string, number> = {};
  const times: number[] = [];
  let sessions = 0;
  for (let i = 0; i < n; i++) {
    const asked = randomRequest(seededRandom(seed + i));
    const from = clock();
    const plan = buildPlan(asked);
    times.push(clock() - from);
    sessions += plan.days.length;
    for (const { rule } of plan.proof.broken) broken[rule] = (broken[rule] ?? 0) + 1;
  }
  times.sort((a, b) => a - b);
  return { plans: n, sessions, broken, medianMs: times[Math.floor(n / 2)] ?? 0, worstMs: times.at(-1) ?? 0 };
}
