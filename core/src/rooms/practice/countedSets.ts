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
    const kept: LoggedSet[] = [];
    for (const set of near.sort(coachFirst)) {
      if (kept.some((known) => isTwin(known, set))) dropped.add(set.id);
      else kept.push(set);
    }
  }
  return sets.filter(({ id }) => !dropped.has(id));
}

/** Groups of sets of one drill and rung that may overlap; a set alone is no group. */
function nearInTime(sets: readonly LoggedSet[]): LoggedSet[][] {
  const byDrill = new Map<string, LoggedSet[]>();
  for (const set of sets) {
    if (set.doneAt === null) continue;
    const key = `${set.drill} ${set.stage}`;
    byDrill.set(key, [...(byDrill.get(key) ?? []), set]);
  }
  const groups: LoggedSet[][] = [];
  for (const all of byDrill.values()) {
    let group: LoggedSet[] = [];
    for (const set of all.sort((a, b) => endOf(a) - endOf(b))) {
      const last = group.at(-1);
      if (last && endOf(set) - endOf(last) >= Math.max(lengthMs(set), lengthMs(last))) {
        groups.push(group);
        group = [];
      }
      group.push(set);
    }
    groups.push(group);
  }
  return groups.filter((group) => group.length > 1);
}

const endOf = ({ doneAt }: LoggedSet): number => Date.parse(doneAt ?? '');
/** How long a set takes at the least. */
const lengthMs = ({ reps }: LoggedSet): number =>
  Math.max(LEAST_APART_MS, reps.length * SECONDS.rehearsal * 1000);

const coachFirst = (a: LoggedSet, b: LoggedSet): number =>
  Number(b.from === 'coach') - Number(a.from === 'coach') || (a.at < b.at ? -1 : a.at > b.at ? 1 : 0);

function isTwin(a: LoggedSet, b: LoggedSet): boolean {
  if (a.from === b.from && (a.device === null || b.device === null || a.device === b.device)) return false;
  return Math.abs(endOf(a) - endOf(b)) < Math.min(lengthMs(a), lengthMs(b));
}
