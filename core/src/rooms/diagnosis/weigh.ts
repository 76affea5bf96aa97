import type { Evidence } from './evidence.ts';
import type { FaultNetwork } from './network.ts';

/** One finding's part in a fault's odds, in natural-log units. */
export interface Weighed {
  readonly finding: string;
  readonly weight: number;
  readonly source: Evidence['source'];
  readonly measure?: Evidence['measure'];
}

const NOTABLE = 0.1;
const logit = (p: number): number => {
  const safe = Math.min(1 - 1e-12, Math.max(1e-12, p));
  return Math.log(safe / (1 - safe));
};

/**
 * Splits each root's odds over the findings: evidence is laid down one piece at a time, the
 * strongest first, and each piece is credited with the change it makes, so that together with
 * the odds before any evidence the weights add up to the odds shown.
 */
export function weighEvidence(
  evidence: readonly Evidence[],
  network: FaultNetwork,
  roots: readonly string[],
  final: ReadonlyMap<string, number>,
): Map<string, { for: Weighed[]; against: Weighed[] }> {
  const result = new Map(roots.map((root) => [root, { for: [] as Weighed[], against: [] as Weighed[] }]));
  if (roots.length === 0) return result;
  const strength = (e: Evidence) => Math.abs(Math.log(e.ifPresent / e.ifAbsent));
  const order = [...evidence].sort((a, b) => strength(b) - strength(a) || (a.finding < b.finding ? -1 : 1));
  let before = network.believe([]).faults;
  order.forEach((piece, i) => {
    const last = i === order.length - 1;
    const after = last ? final : network.believe(order.slice(0, i + 1)).faults;
    for (const root of roots) {
      const weight = logit(after.get(root) as number) - logit(before.get(root) as number);
      if (Math.abs(weight) < NOTABLE) continue;
      const entry: Weighed = {
        finding: piece.finding,
        weight,
        source: piece.source,
        ...(piece.measure ? { measure: piece.measure } : {}),
      };
      result.get(root)?.[weight > 0 ? 'for' : 'against'].push(entry);
    }
    before = after;
  });
  for (const sides of result.values()) {
    sides.for.sort((a, b) => b.weight - a.weight);
    sides.against.sort((a, b) => a.weight - b.weight);
  }
  return result;
}
