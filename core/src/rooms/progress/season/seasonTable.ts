/**
 * What the house takes for granted about how a measure wanders, in steps of its band. Each row is one guess of how far a
 * player's day strays from his level and by which factor the stated sd of the marks is wrong.
 *
 * `usual` is how often such a player is met; it weighs what is probable. `sceptic` is for whom "real" has to be proved: a
 * doubter who grants a whole step of wandering from day to day. Its weights make false alarms about as frequent for every row
 * (`./inchstep bench progress`), which is where a test that must hold for all of them finds most.
 */
interface SpreadRow {
  readonly daySteps: number;
  readonly marksTimes: number;
  readonly usual: number;
  readonly sceptic: number;
  /** Which wandering a true change is looked for under. */
  readonly sought: number;
}
export const SPREAD_ROWS: readonly SpreadRow[] = [
  { daySteps: 0.05, marksTimes: 1, usual: 0.15, sceptic: 0, sought: 0.04 },
  { daySteps: 0.33, marksTimes: 1, usual: 0.35, sceptic: 0.06, sought: 0.92 },
  { daySteps: 0.33, marksTimes: 2, usual: 0.1, sceptic: 0, sought: 0.04 },
  { daySteps: 0.6, marksTimes: 1, usual: 0.22, sceptic: 0.09, sought: 0 },
  { daySteps: 1, marksTimes: 1.5, usual: 0.18, sceptic: 0.85, sought: 0 },
];

/** What is met where nobody has counted. */
export const HOUSE_SPREADS: readonly number[] = SPREAD_ROWS.map(({ usual }) => usual);

/** Of so many players of a hundred all measures are taken to stray alike from day to day; of the others each has its own way. */
export const ALIKE = 0.8;

/** Spread from swing to swing about the day's own level, steps, and how often it is met. */
export const SWING_ROWS: readonly { readonly swingSteps: number; readonly share: number }[] = [
  { swingSteps: 0.32, share: 0.3 },
  { swingSteps: 0.6, share: 0.45 },
  { swingSteps: 1.25, share: 0.25 },
];

/** One swing in so many belongs to nothing that is being learnt, and strays so many times as far. */
export const STRAY = { share: 0.04, times: 4 } as const;

/**
 * Ways in which a level can move, and how often each is expected where it moves at all. `practice` is a unit of work:
 * a hundred repetitions, or a week where nobody counted.
 */
export const MOVES = {
  /** It jumps once, by about so much: most often as soon as the work has begun, with each session more by this factor less. */
  jump: { share: 0.58, sizeSteps: 1.6, laterTimes: 0.6 },
  /** It gains by about so much per practice, a gain that goes on; what is left of it after each. */
  steady: { share: 0.17, gainSteps: 0.35, lasts: 0.98 },
  /** It gains much at first, and less with each practice. */
  tiring: { share: 0.13, gainSteps: 0.6, lasts: 0.8 },
  /** It strays by about so much per practice. */
  drift: { share: 0.1, perPracticeSteps: 0.4 },
  /** Or by very much. Without it nothing large could ever be told from a wanderer. */
  jolt: { share: 0.02, perPracticeSteps: 3 },
} as const;
export type Move = keyof typeof MOVES;

/**
 * Sizes at which a true change is looked for when "real" is asked: so many steps (of a trend: so many per practice), give or take,
 * up or down alike; a size of nought is "any". How often each is met says nothing here: the shares are those with which a season
 * of looks found most of the changes of docs/progress.md, false alarms being the same.
 */
export const SOUGHT_SIZES: readonly {
  readonly move: Move;
  readonly share: number;
  readonly sizeSteps: number;
  readonly aboutSteps: number;
}[] = [
  { move: 'jump', share: 0.15, sizeSteps: 0, aboutSteps: 1.6 },
  { move: 'jump', share: 0.21, sizeSteps: 1, aboutSteps: 0.4 },
  { move: 'jump', share: 0.12, sizeSteps: 2, aboutSteps: 0.5 },
  { move: 'jump', share: 0.03, sizeSteps: 3, aboutSteps: 0.7 },
  { move: 'steady', share: 0.06, sizeSteps: 0, aboutSteps: 0.35 },
  { move: 'steady', share: 0.25, sizeSteps: 0.2, aboutSteps: 0.08 },
  { move: 'tiring', share: 0.07, sizeSteps: 0, aboutSteps: 0.6 },
  { move: 'tiring', share: 0.1, sizeSteps: 0.5, aboutSteps: 0.15 },
  { move: 'drift', share: 0.01, sizeSteps: 0, aboutSteps: 0 },
];

/** Of a hundred players so many have moved at all: at the first occasion that can be compared, at the next, and from then on. */
const MOVED_BY = [0.3, 0.4] as const;
export const MOVED_SHARE = 0.5;
export const movedShareAt = (compared: number): number => MOVED_BY[compared - 1] ?? MOVED_SHARE;

/** How far a level is guessed apart elsewhere than where it was seen first, and with a cue just given; steps. */
export const OFFSETS = { elsewhereSteps: 0.25, cuedSteps: 0.3 } as const;

export const PRACTICE = { repsPerUnit: 100, daysPerUnit: 7, least: 0.3, most: 4 } as const;

/** What may be said from which probability on. */
export const SAYS = {
  /** "Probably": the change is there, in that direction. */
  maybe: 0.72,
  /** "Really", where other measures tell how the player's days stray: the local false sign rate is at most 5 of 100. */
  realBeside: 0.95,
  /** What was "really" once stays so from here on. */
  stays: 0.8,
  /** "The same": a whole step of change is as unlikely as this. */
  sameSteps: 1,
  sameAtMost: 0.1,
} as const;

/** How far ahead is looked, by how many paths, and how much deeper inside a level lies before two looks a week apart say "in". */
export const FORECAST = {
  paths: 400,
  seed: 20_270_301,
  horizonDays: 270,
  movedAtLeast: 0.5,
  arriveAtLeast: 0.7,
  /** What lies outside on each side: so that 80 of 100 hold, measured; what is believed of a gain is wider than gains are. */
  tail: 0.15,
  ownedAfterDays: 7,
  sureBySds: 0.84,
} as const;

/**
 * Where a change holds, in steps: how far the level may be from anything, how much each of speed, aid, club and place may add,
 * how much their meeting; how far swings and days stray; how far a level moves in a week. A film that tells less than so many
 * bits is not asked for.
 */
export const TRANSFER = {
  anywhereSteps: 3,
  factorSteps: 0.5,
  meetingSteps: 0.3,
  swingSteps: 0.5,
  daySteps: 0.33,
  movesPerWeekSteps: 0.25,
  nextSwings: 3,
  worthBits: 0.02,
} as const;

/** Gaps between days, by length; and from how many of its own errors on a gain counts as one that can be kept. */
export const RETENTION = { upToDays: [3, 8, 21, null], gainSds: 2 } as const;
