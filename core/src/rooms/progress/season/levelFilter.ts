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
 * The same for several motions, the first of which is a level that stands still. Until a jump (of a level without a slope) the level is
 * the one that stands, so that this part of the way is not gone again; such a motion's track begins there.
 */
export function filterAll(
  seen: readonly Seen[],
  motions: readonly Motion[],
  offsetVariances: readonly number[] = [],
  tracks: readonly Track[] = shelfOf(motions, seen.length),
): readonly Track[] {
  const stood = tracks[0] as Track;
  const before = offsetVariances.length === 0 ? [] : standing(seen, offsetVariances);
  motions.forEach((motion, i) => {
    const track = tracks[i] as Track;
    if (motion.jumpBefore < 0) filterLevel(seen, motion, offsetVariances, track);
    else if (before.length === 0) runBare(seen, motion, track, stood);
    else {
      const run = (before[motion.jumpBefore] as Run).copy();
      for (let t = motion.jumpBefore; t < seen.length; t++) run.take(seen[t] as Seen, t, motion, track);
    }
  });
  return tracks;
}

/** The state of a level that stands still before each sight. */
function standing(seen: readonly Seen[], offsetVariances: readonly number[]): Run[] {
  const still = Run.begin(offsetVariances, seen[0]?.y ?? 0, 0);
  return seen.map((sight, t) => {
    const until = still.copy();
    still.take(sight, t, STILL);
    return until;
  });
}
