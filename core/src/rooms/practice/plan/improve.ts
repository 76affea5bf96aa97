import { STAGES, type Stage } from '../stages.ts';
import { LATE, lateShare } from './gateDates.ts';
import { layDays } from './lay.ts';
import type { Choices, Ground, Laid } from './layout.ts';
import { restPattern } from './restPattern.ts';
import { dayBy, walk } from './walk.ts';

/** So many layouts are tried at most; the search is the same every time. */
const MOST_TRIES = 90;
/** A day with balls is worth so many at home, once the rungs need balls. */
const BALL_DAY_WORTH = [2, 4] as const;

interface Tried {
  readonly choices: Choices;
  readonly laid: Laid;
  readonly aim: number;
}

/**
 * A plan laid day by day, then made better: sessions of the root are left out, or taken back in, where that frees a
 * better day for it. First aim is the later date of the root's three-quarter gate, then its mean.
 */
export function bestLayout(ground: Ground): Laid {
  let best = tryOut(ground, { skips: new Set() });
  if (!mustRest(ground)) return best.laid;
  let tries = 1;
  for (const skips of patterns(ground, best.laid)) {
    const other = tryOut(ground, { skips });
    tries += 1;
    if (other.aim < best.aim - 1e-9) best = other;
  }
  for (let improved = true; improved && tries < MOST_TRIES; ) {
    improved = false;
    for (const skips of neighbours(ground, best)) {
      if (tries >= MOST_TRIES) break;
      const other = tryOut(ground, { skips });
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

/** Days to the root's gate: the later date first, the mean of the futures as the finer measure. */
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

/** Whether the root loads a joint so hard that it rests the day after: only then is there a choice of days. */
const mustRest = ({ tracks }: Ground): boolean =>
  tracks[0]?.load.joints.some(({ marked }) => marked) === true;

/** Days that rest so that those with balls are free: from the first ball rung on, or from the first day. */
function patterns(ground: Ground, greedy: Laid): Set<number>[] {
  if (!ground.ballPlace) return [];
  const from = greedy.climbs[0]?.from.get('half') ?? 0;
  return [from, Math.max(0, from - 3), 0].flatMap((first) =>
    BALL_DAY_WORTH.map((worth) => restPattern(ground.slots, first, worth)),
  );
}

/** One session of the root before its gate left out, or one day taken back in; then two of them at once. */
function neighbours({ slots }: Ground, { laid, choices }: Tried): Set<number>[] {
  const sessions = laid.climbs[0]?.capacity ?? [];
  const until = laid.climbs[0]?.until.get('three_quarter') ?? slots.length;
  const isOpen = (day: number) => slots[day]?.asked === true && slots[day]?.closed === null;
  const held = sessions
    .filter(({ day, dry, balls }) => day <= until && (dry > 0 || balls > 0) && isOpen(day + 1))
    .map(({ day }) => day);
  const turns = [...held, ...[...choices.skips].filter((day) => day <= until)];
  const turned = (days: readonly number[]) => {
    const skips = new Set(choices.skips);
    for (const day of days) if (!skips.delete(day)) skips.add(day);
    return skips;
  };
  const pairs = turns.flatMap((day, i) => turns.slice(i + 1).map((other) => [day, other]));
  return [...turns.map((day) => [day]), ...pairs].map(turned);
}
