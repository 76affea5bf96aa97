import { pick, type Random } from '@inchstep/core/foundation';
import { beliefAt, type Evidence, type Said, verdictOf } from '@inchstep/core/progress';
import { STANDS } from './progressWorld.ts';

/** What is said after each session; nothing of intervals. */
export const saidIn = (evidence: Evidence, family: number): Said[] =>
  evidence.occasions.flatMap((_, look) =>
    look < evidence.baseline ? [] : [verdictOf(evidence, beliefAt(evidence, look), look, family)],
  );
export const isReal = ({ verdict }: { readonly verdict: string }): boolean => verdict === 'real';

/** A season of a player of whom nobody knows whether he changes: half do, by half a step to two, at once or little by little. */
export function someCourse(random: Random): number[] {
  const size = random() < 0.5 ? 0 : pick(random, [0.5, 1, 1, 2]) * (random() < 0.5 ? -1 : 1);
  const at = 1 + Math.floor(3 * random());
  const steady = random() < 0.4;
  return STANDS.map((_, t) => (steady ? size * Math.min(1, t / 5) : t >= at ? size : 0));
}

/** How often each verdict was said, and how often it was right. */
export interface Counted {
  looks: number;
  maybe: number;
  right: number;
  none: number;
  far: number;
  real: number;
  realRight: number;
}

export const nothingCounted = (): Counted => ({
  looks: 0,
  maybe: 0,
  right: 0,
  none: 0,
  far: 0,
  real: 0,
  realRight: 0,
});

export function countIn(count: Counted, said: readonly Said[], course: readonly number[]): void {
  said.forEach(({ verdict, up }, k) => {
    const truth = (course[k + 1] as number) - (course[0] as number);
    const right = truth !== 0 && truth > 0 === up;
    count.looks++;
    if (verdict === 'maybe') count.maybe++;
    if (verdict === 'maybe' && right) count.right++;
    if (verdict === 'real') count.real++;
    if (verdict === 'real' && right) count.realRight++;
    if (verdict === 'none') count.none++;
    if (verdict === 'none' && Math.abs(truth) >= 1) count.far++;
  });
}
