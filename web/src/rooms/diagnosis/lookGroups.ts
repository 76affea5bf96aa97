import { findingName, PHASE_WORDS } from '@inchstep/contract/words';
import { BALL_FINDINGS, FAULTS, isBallFinding, PHASES, SEEN_FINDINGS } from '@inchstep/core/diagnosis';
import { LOOK_GROUPS_WORDS } from './words.ts';

interface LookGroup {
  readonly title: string;
  readonly ids: readonly string[];
}

/** The eye can judge what a fault nearly always shows, even with no clip. */
const byEye = (finding: string, strength: number): boolean =>
  strength === 3 && !isBallFinding(finding) && !finding.startsWith('transition_');

/** Looks in the order of the swing: what is seen or asked, and what a measure would show, by eye. */
export function lookGroups(measured: ReadonlySet<string>, search: string): LookGroup[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const wanted = (id: string) => words.every((word) => findingName(id).toLowerCase().includes(word));
  const placed = new Set<string>();
  const groups = PHASES.map((phase) => {
    const ids = FAULTS.filter((fault) => fault.phase === phase).flatMap((fault) =>
      fault.evidence
        .filter(({ finding, strength }) => finding.startsWith('obs.') || byEye(finding, strength))
        .map(({ finding }) => finding)
        .filter((id) => !measured.has(id.split('.')[0] as string)),
    );
    const fresh = [...new Set(ids)].filter((id) => !placed.has(id));
    for (const id of fresh) placed.add(id);
    return { title: PHASE_WORDS[phase] ?? phase, ids: fresh };
  });
  const rest = SEEN_FINDINGS.filter((id) => !placed.has(id));
  return [
    ...groups,
    { title: LOOK_GROUPS_WORDS.also, ids: rest },
    { title: LOOK_GROUPS_WORDS.theBall, ids: [...BALL_FINDINGS] },
  ]
    .map((group) => ({ ...group, ids: group.ids.filter(wanted) }))
    .filter((group) => group.ids.length > 0);
}
