import type { Evidence } from './evidence.ts';
import type { FindingId, LookId } from './findings.ts';

/** Two looks that can't both be true, and the one that costs less to take again. */
export interface Contradiction {
  readonly findings: readonly [string, string];
  readonly repeat: string;
}

/** A look, and what can't be so where it is: it says that nobody pushes the post whose hip comes off it. */
const EXCLUDES: readonly (readonly [look: LookId, excluded: readonly FindingId[], reason: string])[] = [
  [
    'obs.leaves_aid',
    ['obs.pushes_aid_away', 'shift_back_peak.low', 'shift_top.low', 'trail_hip_past_line.high'],
    'A hip that comes off the post did not travel past it.',
  ],
  [
    'obs.pushes_aid_away',
    ['obs.leaves_aid', 'shift_back_peak.high'],
    'A hip that moves the post did travel away from the target.',
  ],
  [
    'obs.foot_banks_inside',
    ['obs.trail_foot_lifts_straight', 'obs.trail_foot_flat_finish'],
    'A foot that banks to its inside neither stays flat nor comes straight up.',
  ],
  [
    'obs.hips_tucked_through',
    ['hip_extension_chest_through.low'],
    'Hips that are tucked under are not still folded.',
  ],
  [
    'obs.waits_for_club',
    ['transition_lead_ms.high'],
    'A lower body that waits for the club does not leave early.',
  ],
];

/** What a look says against another that nobody took. */
export const excludedBy = (look: string): readonly FindingId[] =>
  EXCLUDES.find(([id]) => id === look)?.[1] ?? [];

/** Seconds to take a look again: asking, the post, or a new clip with its marks. */
const AGAIN = { seen: 60, measured: 165 };

/** Pairs among what is there of which one must be wrong. */
export function contradictionsIn(
  evidence: readonly Evidence[],
  present: ReadonlySet<string>,
): Contradiction[] {
  const source = new Map(evidence.map((e) => [e.finding, e.source]));
  const cost = (finding: string) => AGAIN[source.get(finding) ?? 'seen'];
  const found = new Map<string, Contradiction>();
  for (const [look, excluded] of EXCLUDES) {
    if (!present.has(look)) continue;
    for (const other of excluded) {
      if (!present.has(other)) continue;
      const repeat = cost(other) < cost(look) ? other : look;
      found.set([look, other].sort().join(), { findings: [look, other], repeat });
    }
  }
  return [...found.values()];
}
