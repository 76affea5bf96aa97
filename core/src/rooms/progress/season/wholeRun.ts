import { ANYWHERE, AT, type Motion, type Seen, type Track } from './track.ts';

const LEVEL = 0;
const FIRST = 1;
/** Where there is one; offsets begin here where there is none. */
const SLOPE = 2;

/** The state between two sights, whatever it carries: plain numbers in flat arrays. */
export class Run {
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

  take(sight: Seen, t: number, motion: Motion, track?: Track): void {
    if (t > 0) this.step(sight.practice, motion, motion.jumpBefore === t ? motion.jumpVariance : 0);
    const gained = this.learn(sight);
    if (t > 0) this.log += gained;
    if (track) this.write(track.numbers, track.from + t * track.each, motion.slopeVariance > 0);
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

  private write(numbers: Float64Array, o: number, slopes: boolean): void {
    const { n, a, P } = this;
    numbers[o + AT.log] = this.log;
    numbers[o + AT.level] = at(a, LEVEL);
    numbers[o + AT.levelVariance] = Math.max(0, at(P, LEVEL));
    if (slopes) {
      numbers[o + AT.slope] = at(a, SLOPE);
      numbers[o + AT.slopeVariance] = Math.max(0, at(P, SLOPE * n + SLOPE));
      numbers[o + AT.covariance] = at(P, SLOPE);
    }
    numbers[o + AT.change] = at(a, LEVEL) - at(a, FIRST);
    numbers[o + AT.changeVariance] = Math.max(0, at(P, LEVEL) + at(P, FIRST * n + FIRST) - 2 * at(P, FIRST));
  }
}

const at = (of: number[], i: number): number => of[i] as number;
