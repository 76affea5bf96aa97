import { runBare } from './bareRun.ts';
import { type Motion, type Seen, STILL, shelfOf, type Track } from './track.ts';
import { Run } from './wholeRun.ts';

/**
 * An exact filter for a level that moves: y = level + offsets + noise, the level gaining a slope that tires. All in steps of
 * a band. The state is [level, the level at first, slope where there is one, offsets ..]; the first level stays what it was, so that the change
 * since then has its own variance, correlations included. Checked against dense Gaussian algebra (levelFilter.test.ts).
 * `offsetVariances` says how far each offset may be from nought; what is known after each sight goes into `track`.
 */
export function filterLevel(
  seen: readonly Seen[],
  motion: Motion,
  offsetVariances: readonly number[] = [],
  track: Track = shelfOf([{ ...motion, jumpBefore: 0 }], seen.length)[0] as Track,
): Track {
  if (offsetVariances.length === 0) runBare(seen, motion, track);
  else {
    const run = Run.begin(offsetVariances, seen[0]?.y ?? 0, motion.slopeVariance);
    seen.forEach((sight, t) => {
      run.take(sight, t, motion, track);
    });
  }
  return track;
}

/**
 * What all sights together say of the level at one of them (an exact smoother at a fixed point): from there on the state
 * carries that level along instead of the first.
 */
export function levelAt(
  seen: readonly Seen[],
  motion: Motion,
  offsetVariances: readonly number[],
  when: number,
): { readonly level: number; readonly variance: number } {
  const run = Run.begin(offsetVariances, seen[0]?.y ?? 0, motion.slopeVariance);
  seen.forEach((sight, t) => {
    run.take(sight, t, motion);
    if (t === when) run.carry();
  });
  return run.carried();
}

/**
 * The same for a level that stands still but for one jump, at each of several moments: until then it is the level that stands
 * still, so that half of the way need not be gone again. The first track is of the one that never jumps; those of jumps begin there.
 */
export function filterJumps(
  seen: readonly Seen[],
  jumps: readonly Motion[],
  offsetVariances: readonly number[] = [],
  tracks: readonly Track[] = shelfOf([STILL, ...jumps], seen.length),
): readonly Track[] {
  const stood = tracks[0] as Track;
  if (offsetVariances.length === 0) {
    runBare(seen, STILL, stood);
    jumps.forEach((motion, i) => {
      runBare(seen, motion, tracks[i + 1] as Track, stood);
    });
    return tracks;
  }
  const still = Run.begin(offsetVariances, seen[0]?.y ?? 0, 0);
  const before = seen.map((sight, t) => {
    const until = still.copy();
    still.take(sight, t, STILL, stood);
    return until;
  });
  jumps.forEach((motion, i) => {
    const run = (before[motion.jumpBefore] as Run).copy();
    for (let t = motion.jumpBefore; t < seen.length; t++)
      run.take(seen[t] as Seen, t, motion, tracks[i + 1] as Track);
  });
  return tracks;
}
