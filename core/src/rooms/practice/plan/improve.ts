import { STAGES, type Stage } from '../stages.ts';
import { LATE, lateShare } from './gateDates.ts';
import { layDays } from './lay.ts';
import type { Choices, Ground, Laid } from './layout.ts';
import { dayBy, walk } from './walk.ts';

/** So many layouts are tried at most; the search is the same every time. */
const MOST_TRIES = 24;

export interface Tried {
  readonly choices: Choices;
  readonly laid: Laid;
  readonly aim: number;
}

/**
 * A plan laid day by day, then made better: a session of the root is left out where that frees a better day for
 * it. First aim is the later date of the root's three-quarter gate, then its mean.
 */
export function bestLayout(ground: Ground): Laid {
  let best = tryOut(ground, { skips: new Set() });
  let tries = 1;
  for (let improved = true; improved && tries < MOST_TRIES; ) {
    improved = false;
    for (const day of worthLeavingOut(ground, best)) {
      if (tries >= MOST_TRIES) break;
      const other = tryOut(ground, { skips: new Set([...best.choices.skips, day]) });
      tries += 1;
      if (other.aim >= best.aim - 1e-9) continue;
      best = other;
      improved = true;
      break;
    }
  }
  return best.laid;
}

function tryOut(ground: Ground, choices: Choices): Tried {
  const laid = layDays(ground, choices);
  return { choices, laid, aim: aimOf(ground, laid) };
}

/** Days to the root's gate: the later date first, what half of the futures need as the finer measure. */
export function aimOf(ground: Ground, laid: Laid): number {
  const root = ground.tracks[0];
  const climb = laid.climbs[0];
  if (!root || !climb) return 0;
  const stage = aimStage(root.reachable);
  const days = walk(ground, root, climb, stage)[STAGES.indexOf(stage)] as Float64Array;
  const beyond = ground.slots.length;
  const late = dayBy(days, LATE) ?? beyond * (2 - lateShare(days));
  let mean = 0;
  for (const day of days) mean += Math.min(day, beyond) / days.length;
  return late + mean / (100 * beyond);
}

/** Three quarters, or the highest rung below it that there is a place for. */
export const aimStage = (reachable: readonly Stage[]): Stage =>
  reachable.findLast((stage) => STAGES.indexOf(stage) <= STAGES.indexOf('three_quarter')) ?? 'still';

/** Sessions of the root before its gate that keep it from a neighbouring asked day. */
function worthLeavingOut({ tracks, slots }: Ground, { laid, choices }: Tried): number[] {
  const root = tracks[0];
  if (!root?.load.joints.some(({ marked }) => marked)) return [];
  const sessions = laid.climbs[0]?.capacity ?? [];
  const until = laid.climbs[0]?.until.get('three_quarter') ?? slots.length;
  const open = (day: number) => slots[day]?.asked === true && slots[day]?.closed === null;
  return sessions
    .filter(({ day, dry, balls }) => day <= until && (dry > 0 || balls > 0) && open(day + 1))
    .map(({ day }) => day)
    .filter((day) => !choices.skips.has(day));
}
