import type { LoggedSet } from './practiceRecord.ts';
import { SECONDS } from './stages.ts';

/** Two taps of the same set on two devices are seldom further apart than this. */
const LEAST_APART_MS = 15_000;

/**
 * Sets that count. One that was logged on two devices counts once: nobody does two sets of a drill at the same
 * time, so a second one, from another device, whose end lies nearer to the first one's end than a set takes is
 * the same set seen twice. The coach's count goes before the student's, else the first that came in.
 */
export function countedSets<S extends LoggedSet>(sets: readonly S[]): S[] {
  const [first] = sets;
  if (sets.every(({ device, from }) => device === first?.device && from === first?.from)) return [...sets];
  const dropped = new Set<string>();
  for (const near of nearInTime(sets)) {
    const kept: Timed[] = [];
    for (const timed of near.sort(coachFirst)) {
      if (kept.some((known) => isTwin(known, timed))) dropped.add(timed.set.id);
      else kept.push(timed);
    }
  }
  return sets.filter(({ id }) => !dropped.has(id));
}

/** A set with its end and the least time it takes, both in ms: parsed once, compared often. */
interface Timed {
  readonly set: LoggedSet;
  readonly end: number;
  readonly length: number;
}

/** Groups of sets of one drill and rung that may overlap; a set alone is no group. */
function nearInTime(sets: readonly LoggedSet[]): Timed[][] {
  const byDrill = new Map<string, Timed[]>();
  for (const set of sets) {
    if (set.doneAt === null) continue;
    const key = `${set.drill} ${set.stage}`;
    const same = byDrill.get(key) ?? [];
    const length = Math.max(LEAST_APART_MS, set.reps.length * SECONDS.rehearsal * 1000);
    same.push({ set, end: Date.parse(set.doneAt), length });
    byDrill.set(key, same);
  }
  const groups: Timed[][] = [];
  for (const all of byDrill.values()) {
    let group: Timed[] = [];
    for (const timed of all.sort((a, b) => a.end - b.end)) {
      const last = group.at(-1);
      if (last && timed.end - last.end >= Math.max(timed.length, last.length)) {
        groups.push(group);
        group = [];
      }
      group.push(timed);
    }
    groups.push(group);
  }
  return groups.filter((group) => group.length > 1);
}

const coachFirst = ({ set: a }: Timed, { set: b }: Timed): number =>
  Number(b.from === 'coach') - Number(a.from === 'coach') || (a.at < b.at ? -1 : a.at > b.at ? 1 : 0);

function isTwin(a: Timed, b: Timed): boolean {
  const [x, y] = [a.set, b.set];
  if (x.from === y.from && (x.device === null || y.device === null || x.device === y.device)) return false;
  return Math.abs(a.end - b.end) < Math.min(a.length, b.length);
}
