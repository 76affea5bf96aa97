/**
 * An exact filter for a level that moves: y = level + offsets + noise, the level gaining a slope that tires. All in steps of
 * a band. The state is [level, the level at first, slope where there is one, offsets ..]; the first level stays what it was, so that the change
 * since then has its own variance, correlations included. Checked against dense Gaussian algebra (levelFilter.test.ts).
 */
export interface Seen {
  readonly y: number;
  readonly variance: number;
  /** Practice since the sight before. */
  readonly practice: number;
  /** Which offsets it carries: indices from 0. */
  readonly offsets: readonly number[];
}

export interface Motion {
  /** Variance of the slope at first, per practice. */
  readonly slopeVariance: number;
  /** What is left of the slope after one practice. */
  readonly lasts: number;
  /** Variance that the level gains per practice. */
  readonly driftVariance: number;
  /** The sight before which the level jumps, and the jump's variance; -1 where it never does. */
  readonly jumpBefore: number;
  readonly jumpVariance: number;
}

export const STILL: Motion = {
  slopeVariance: 0,
  lasts: 0.9,
  driftVariance: 0,
  jumpBefore: -1,
  jumpVariance: 0,
};

/** What is known after one sight. */
export interface Known {
  /** Log density of all sights so far but the first, each given those before. */
  readonly log: number;
  readonly level: number;
  readonly levelVariance: number;
  readonly slope: number;
  readonly slopeVariance: number;
  /** Of the level and the slope together. */
  readonly covariance: number;
  /** Level now less the level at first. */
  readonly change: number;
  readonly changeVariance: number;
}

/** So little is known of a level before anything was seen; steps². It cancels wherever two motions are compared. */
const ANYWHERE = 1e4;
const LEVEL = 0;
const FIRST = 1;
/** Where there is one; offsets begin here where there is none. */
const SLOPE = 2;

/** Runs along the sights; `offsetVariances` says how far each offset may be from nought. */
export function filterLevel(
  seen: readonly Seen[],
  motion: Motion,
  offsetVariances: readonly number[] = [],
): Known[] {
  const run = begin(offsetVariances, seen[0]?.y ?? 0, motion.slopeVariance);
  return seen.map((sight, t) => run.take(sight, t, motion));
}

/** Most levels carry neither a slope nor an offset: two numbers and three variances, without a loop. */
const begin = (offsetVariances: readonly number[], guess: number, slopeVariance: number): Run | PlainRun =>
  offsetVariances.length === 0 && slopeVariance === 0
    ? new PlainRun(guess)
    : Run.begin(offsetVariances, guess, slopeVariance);

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
 * still, so that half of the way need not be gone again. The first list is of the one that never jumps.
 */
export function filterJumps(
  seen: readonly Seen[],
  jumps: readonly Motion[],
  offsetVariances: readonly number[] = [],
): Known[][] {
  const still = begin(offsetVariances, seen[0]?.y ?? 0, 0);
  const before: (Run | PlainRun)[] = [];
  const stood = seen.map((sight, t) => {
    before.push(still.copy());
    return still.take(sight, t, STILL);
  });
  return [
    stood,
    ...jumps.map((motion) => {
      const known = stood.slice(0, motion.jumpBefore);
      const run = (before[motion.jumpBefore] as Run | PlainRun).copy();
      for (let t = motion.jumpBefore; t < seen.length; t++) known.push(run.take(seen[t] as Seen, t, motion));
      return known;
    }),
  ];
}

/** The state between two sights. Plain numbers in flat arrays: this is the innermost of all that is asked of progress. */
class Run {
  private readonly n: number;
  private readonly offsetsFrom: number;
  private readonly a: number[];
  private readonly P: number[];
  /** Covariance of the state with what is about to be seen; filled anew with each sight, so that copies share it. */
  private readonly c: number[];
  private log: number;

  private constructor(n: number, offsetsFrom: number, a: number[], P: number[], c: number[], log: number) {
    this.n = n;
    this.offsetsFrom = offsetsFrom;
    this.a = a;
    this.P = P;
    this.c = c;
    this.log = log;
  }

  static begin(offsetVariances: readonly number[], guess: number, slopeVariance: number): Run {
    const offsetsFrom = slopeVariance > 0 ? SLOPE + 1 : SLOPE;
    const n = offsetsFrom + offsetVariances.length;
    const a = new Array<number>(n).fill(0);
    const P = new Array<number>(n * n).fill(0);
    for (const at of [LEVEL, FIRST]) for (const to of [LEVEL, FIRST]) P[at * n + to] = ANYWHERE;
    if (slopeVariance > 0) P[SLOPE * n + SLOPE] = slopeVariance;
    offsetVariances.forEach((v, i) => {
      P[(offsetsFrom + i) * (n + 1)] = v;
    });
    a[LEVEL] = guess;
    a[FIRST] = guess;
    return new Run(n, offsetsFrom, a, P, new Array<number>(n).fill(0), 0);
  }

  copy(): Run {
    return new Run(this.n, this.offsetsFrom, this.a.slice(), this.P.slice(), this.c, this.log);
  }

  take(sight: Seen, t: number, motion: Motion): Known {
    if (t > 0) this.step(sight.practice, motion, motion.jumpBefore === t ? motion.jumpVariance : 0);
    const gained = this.learn(sight);
    if (t > 0) this.log += gained;
    return known(this.a, this.P, this.n, this.log, motion.slopeVariance > 0);
  }

  /** From now on the level of now is the one that stays as it was. */
  carry(): void {
    const { n, a, P } = this;
    a[FIRST] = a[LEVEL] as number;
    for (let j = 0; j < n; j++) P[FIRST * n + j] = P[LEVEL * n + j] as number;
    for (let i = 0; i < n; i++) P[i * n + FIRST] = P[i * n + LEVEL] as number;
  }

  carried(): { level: number; variance: number } {
    return { level: at(this.a, FIRST), variance: Math.max(0, at(this.P, FIRST * this.n + FIRST)) };
  }

  /** From one sight to the next. */
  private step(practice: number, motion: Motion, jump: number): void {
    const { n, a, P } = this;
    if (motion.slopeVariance > 0) {
      const left = motion.lasts ** practice;
      const gain = (1 - left) / (1 - motion.lasts);
      a[LEVEL] = (a[LEVEL] as number) + gain * (a[SLOPE] as number);
      a[SLOPE] = left * (a[SLOPE] as number);
      for (let j = 0; j < n; j++) {
        P[j] = (P[j] as number) + gain * (P[SLOPE * n + j] as number);
        P[SLOPE * n + j] = left * (P[SLOPE * n + j] as number);
      }
      for (let i = 0; i < n * n; i += n) {
        P[i] = (P[i] as number) + gain * (P[i + SLOPE] as number);
        P[i + SLOPE] = left * (P[i + SLOPE] as number);
      }
    }
    P[LEVEL] = (P[LEVEL] as number) + motion.driftVariance * practice + jump;
  }

  /** Takes a sight in; its log density given what was known. */
  private learn({ y, variance, offsets }: Seen): number {
    const { n, a, P, c, offsetsFrom } = this;
    let expected = a[LEVEL] as number;
    for (let i = 0; i < n; i++) c[i] = P[i * n] as number;
    for (const offset of offsets) {
      const k = offsetsFrom + offset;
      expected += a[k] as number;
      for (let i = 0; i < n; i++) c[i] = (c[i] as number) + (P[i * n + k] as number);
    }
    let s = (c[LEVEL] as number) + variance;
    for (const offset of offsets) s += c[offsetsFrom + offset] as number;
    const off = y - expected;
    for (let i = 0; i < n; i++) {
      const gain = (c[i] as number) / s;
      a[i] = (a[i] as number) + gain * off;
      for (let j = 0; j < n; j++) P[i * n + j] = (P[i * n + j] as number) - gain * (c[j] as number);
    }
    return -0.5 * (Math.log(2 * Math.PI * s) + (off * off) / s);
  }
}

/** The same state where there is neither slope nor offset. */
class PlainRun {
  private level: number;
  private first: number;
  private levelVariance = ANYWHERE;
  private both = ANYWHERE;
  private firstVariance = ANYWHERE;
  private log = 0;

  constructor(guess: number) {
    this.level = guess;
    this.first = guess;
  }

  copy(): PlainRun {
    return Object.assign(new PlainRun(0), this);
  }

  take({ y, variance, practice }: Seen, t: number, motion: Motion): Known {
    if (t > 0)
      this.levelVariance +=
        motion.driftVariance * practice + (motion.jumpBefore === t ? motion.jumpVariance : 0);
    const s = this.levelVariance + variance;
    const off = y - this.level;
    const [gain, gainFirst] = [this.levelVariance / s, this.both / s];
    this.level += gain * off;
    this.first += gainFirst * off;
    this.firstVariance -= gainFirst * this.both;
    this.both -= gain * this.both;
    this.levelVariance -= gain * this.levelVariance;
    if (t > 0) this.log -= 0.5 * (Math.log(2 * Math.PI * s) + (off * off) / s);
    return {
      log: this.log,
      level: this.level,
      levelVariance: Math.max(0, this.levelVariance),
      slope: 0,
      slopeVariance: 0,
      covariance: 0,
      change: this.level - this.first,
      changeVariance: Math.max(0, this.levelVariance + this.firstVariance - 2 * this.both),
    };
  }
}

const at = (of: number[], i: number): number => of[i] as number;

const known = (a: number[], P: number[], n: number, log: number, slopes: boolean): Known => ({
  log,
  level: at(a, LEVEL),
  levelVariance: Math.max(0, at(P, LEVEL)),
  slope: slopes ? at(a, SLOPE) : 0,
  slopeVariance: slopes ? Math.max(0, at(P, SLOPE * n + SLOPE)) : 0,
  covariance: slopes ? at(P, SLOPE) : 0,
  change: at(a, LEVEL) - at(a, FIRST),
  changeVariance: Math.max(0, at(P, LEVEL) + at(P, FIRST * n + FIRST) - 2 * at(P, FIRST)),
});
