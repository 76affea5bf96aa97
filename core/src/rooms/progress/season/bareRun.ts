import { ANYWHERE, AT, type Motion, type Seen, type Track } from './track.ts';

/**
 * The filter where a level carries no offsets, which is the most of what is asked of progress, written out number by number: two
 * and their three covariances where the level has no slope, three and their six where it has. One loop for both takes twice as long for
 * the first. Two letters are a covariance: l the level, f the level at first, s the slope. A motion that jumps begins there: until then
 * `stood` says what the level, which is still the first one, is known to be.
 */
export function runBare(seen: readonly Seen[], motion: Motion, track: Track, stood?: Track): void {
  if (motion.slopeVariance > 0) runSloped(seen, motion, track);
  else if (stood) runPlain(seen, motion, track, motion.jumpBefore, stood);
  else runPlain(seen, motion, track, 0, null);
}

function runPlain(
  seen: readonly Seen[],
  motion: Motion,
  track: Track,
  from: number,
  stood: Track | null,
): void {
  const { numbers, each } = track;
  const { driftVariance, jumpBefore, jumpVariance } = motion;
  let log = stood ? stood.log(from - 1) : 0;
  let level = stood ? stood.level(from - 1) : (seen[0]?.y ?? 0);
  let ll = stood ? stood.levelVariance(from - 1) : ANYWHERE;
  let first = level;
  let lf = ll;
  let ff = ll;
  for (let t = from; t < seen.length; t++) {
    const { y, variance, practice } = seen[t] as Seen;
    if (t > 0) ll += driftVariance * practice + (jumpBefore === t ? jumpVariance : 0);
    const s = ll + variance;
    const sure = 1 / s;
    const off = y - level;
    if (t > 0) log -= 0.5 * (Math.log(2 * Math.PI * s) + off * off * sure);
    const gain = ll * sure;
    const gainFirst = lf * sure;
    level += gain * off;
    first += gainFirst * off;
    ff -= gainFirst * lf;
    lf -= gain * lf;
    ll -= gain * ll;
    const o = track.from + t * each;
    numbers[o + AT.log] = log;
    numbers[o + AT.level] = level;
    numbers[o + AT.levelVariance] = Math.max(0, ll);
    numbers[o + AT.change] = level - first;
    numbers[o + AT.changeVariance] = Math.max(0, ll + ff - 2 * lf);
  }
}

function runSloped(seen: readonly Seen[], motion: Motion, track: Track): void {
  const { numbers, each } = track;
  const { lasts, driftVariance, jumpBefore, jumpVariance } = motion;
  let log = 0;
  let level = seen[0]?.y ?? 0;
  let first = level;
  let slope = 0;
  let ll = ANYWHERE;
  let lf = ANYWHERE;
  let ff = ANYWHERE;
  let ls = 0;
  let fs = 0;
  let ss = motion.slopeVariance;
  for (let t = 0; t < seen.length; t++) {
    const { y, variance, practice } = seen[t] as Seen;
    if (t > 0) {
      const left = lasts ** practice;
      const gains = (1 - left) / (1 - lasts);
      level += gains * slope;
      slope *= left;
      ll += gains * (2 * ls + gains * ss) + driftVariance * practice + (jumpBefore === t ? jumpVariance : 0);
      lf += gains * fs;
      ls = left * (ls + gains * ss);
      fs *= left;
      ss *= left * left;
    }
    const s = ll + variance;
    const sure = 1 / s;
    const off = y - level;
    if (t > 0) log -= 0.5 * (Math.log(2 * Math.PI * s) + off * off * sure);
    const gain = ll * sure;
    const gainFirst = lf * sure;
    const gainSlope = ls * sure;
    level += gain * off;
    first += gainFirst * off;
    slope += gainSlope * off;
    fs -= gainFirst * ls;
    ss -= gainSlope * ls;
    ls -= gain * ls;
    ff -= gainFirst * lf;
    lf -= gain * lf;
    ll -= gain * ll;
    const o = track.from + t * each;
    numbers[o + AT.log] = log;
    numbers[o + AT.level] = level;
    numbers[o + AT.levelVariance] = Math.max(0, ll);
    numbers[o + AT.change] = level - first;
    numbers[o + AT.changeVariance] = Math.max(0, ll + ff - 2 * lf);
    numbers[o + AT.slope] = slope;
    numbers[o + AT.slopeVariance] = Math.max(0, ss);
    numbers[o + AT.covariance] = ls;
  }
}
