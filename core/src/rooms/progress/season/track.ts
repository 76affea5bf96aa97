/** One sight of a level, in steps of a band. */
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
export const ANYWHERE = 1e4;

/** Where a sight's numbers lie in a track; the last three are there only where there is a slope. */
export const AT = {
  log: 0,
  level: 1,
  levelVariance: 2,
  change: 3,
  changeVariance: 4,
  slope: 5,
  slopeVariance: 6,
  covariance: 7,
} as const;
/** So many numbers to a sight of a level without a slope, and with one. */
const PLAIN = 5;
const SLOPED = 8;

/**
 * What is known after each sight, as a stretch of one flat list: hundreds of tracks are made for a season and of most only the
 * log is ever read, so that objects are made of those alone that somebody asks for. The track of a jump begins with the sight that the
 * level jumps before: until then there is nothing of its own to know.
 */
export class Track {
  readonly numbers: Float64Array;
  /** Where the numbers of sight 0 are, or would be. */
  readonly from: number;
  readonly each: number;

  constructor(numbers: Float64Array, from: number, each: number) {
    this.numbers = numbers;
    this.from = from;
    this.each = each;
  }

  log(sight: number): number {
    return this.numbers[this.from + sight * this.each] as number;
  }

  level(sight: number): number {
    return this.numbers[this.from + sight * this.each + AT.level] as number;
  }

  levelVariance(sight: number): number {
    return this.numbers[this.from + sight * this.each + AT.levelVariance] as number;
  }

  change(sight: number): number {
    return this.numbers[this.from + sight * this.each + AT.change] as number;
  }

  changeVariance(sight: number): number {
    return this.numbers[this.from + sight * this.each + AT.changeVariance] as number;
  }

  at(sight: number): Known {
    const { numbers, each } = this;
    const o = this.from + sight * each;
    const slope = (at: number) => (each === SLOPED ? (numbers[o + at] as number) : 0);
    return {
      log: numbers[o + AT.log] as number,
      level: numbers[o + AT.level] as number,
      levelVariance: numbers[o + AT.levelVariance] as number,
      slope: slope(AT.slope),
      slopeVariance: slope(AT.slopeVariance),
      covariance: slope(AT.covariance),
      change: numbers[o + AT.change] as number,
      changeVariance: numbers[o + AT.changeVariance] as number,
    };
  }
}

/** Empty tracks side by side in one list: `times` over one of each motion. */
export function shelfOf(motions: readonly Motion[], sights: number, times = 1): Track[] {
  const first = ({ jumpBefore }: Motion) => Math.max(0, jumpBefore);
  const each = ({ slopeVariance }: Motion) => (slopeVariance > 0 ? SLOPED : PLAIN);
  const long = motions.reduce((sum, motion) => sum + each(motion) * (sights - first(motion)), 0);
  const numbers = new Float64Array(times * long);
  const tracks: Track[] = [];
  let at = 0;
  for (let i = 0; i < times; i++)
    for (const motion of motions) {
      tracks.push(new Track(numbers, at - first(motion) * each(motion), each(motion)));
      at += each(motion) * (sights - first(motion));
    }
  return tracks;
}
