import { ANYWHERE, AT, type Motion, type Seen, type Track } from './track.ts';

/**
 * The filter where a level carries no offsets, which is the most of what is asked of progress: three numbers and their six
 * covariances, written out. Two letters are a covariance: l the level, f the level at first, s the slope. Where the motion jumps it
 * begins there: until then `stood` says what the level, which is still the first one, is known to be.
 */
export function runBare(seen: readonly Seen[], motion: Motion, track: Track, stood?: Track): void {
  const { numbers, each } = track;
  const { slopeVariance, lasts, driftVariance, jumpBefore, jumpVariance } = motion;
  const from = stood ? jumpBefore : 0;
  const before = stood?.at(from - 1);
  let log = before?.log ?? 0;
  let level = before?.level ?? seen[0]?.y ?? 0;
  let first = level;
  let slope = 0;
  let ll = before?.levelVariance ?? ANYWHERE;
  let lf = ll;
  let ff = ll;
  let ls = 0;
  let fs = 0;
  let ss = slopeVariance;
  let [worked, left, gains] = [Number.NaN, 0, 0];
  for (let t = from; t < seen.length; t++) {
    const { y, variance, practice } = seen[t] as Seen;
    if (t > 0) {
      if (slopeVariance > 0) {
        // Most often as much was practised as the time before.
        if (practice !== worked) {
          worked = practice;
          left = lasts ** practice;
          gains = (1 - left) / (1 - lasts);
        }
        level += gains * slope;
        slope *= left;
        ll += gains * (2 * ls + gains * ss);
        lf += gains * fs;
        ls = left * (ls + gains * ss);
        fs *= left;
        ss *= left * left;
      }
      ll += driftVariance * practice + (jumpBefore === t ? jumpVariance : 0);
    }
    const s = ll + variance;
    const sure = 1 / s;
    const off = y - level;
    if (t > 0) log -= 0.5 * (Math.log(2 * Math.PI * s) + off * off * sure);
    const gain = ll * sure;
    const gainFirst = lf * sure;
    level += gain * off;
    first += gainFirst * off;
    if (slopeVariance > 0) {
      const gainSlope = ls * sure;
      slope += gainSlope * off;
      fs -= gainFirst * ls;
      ss -= gainSlope * ls;
      ls -= gain * ls;
    }
    ff -= gainFirst * lf;
    lf -= gain * lf;
    ll -= gain * ll;
    const o = track.from + t * each;
    numbers[o + AT.log] = log;
    numbers[o + AT.level] = level;
    numbers[o + AT.levelVariance] = Math.max(0, ll);
    numbers[o + AT.change] = level - first;
    numbers[o + AT.changeVariance] = Math.max(0, ll + ff - 2 * lf);
    if (slopeVariance > 0) {
      numbers[o + AT.slope] = slope;
      numbers[o + AT.slopeVariance] = Math.max(0, ss);
      numbers[o + AT.covariance] = ls;
    }
  }
}
