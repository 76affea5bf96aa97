import { daysBetween } from '../../../foundation/index.ts';
import { filterAll } from './levelFilter.ts';
import { type DayLevel, dayLevel, type Occasion } from './occasion.ts';
import {
  HOUSE_SPREADS,
  MOVES,
  type Move,
  OFFSETS,
  PRACTICE,
  SPREAD_ROWS,
  SWING_ROWS,
} from './seasonTable.ts';
import { type Motion, type Seen, STILL, shelfOf, type Track } from './track.ts';

/** One way in which things may have been: how far the player strays, and how his level moved. */
export interface Way {
  /** Index into `SPREAD_ROWS`. */
  readonly spread: number;
  readonly kind: 'still' | 'jump' | 'trend' | 'drift';
  /** The row of `MOVES` it is of; null where nothing moves. */
  readonly move: Move | null;
  /**
   * Log of how often this is met among players of this spread whose level moved (or, for "still", did not). Of jumps, those that
   * can have come by a look share what all of them have.
   */
  readonly logShare: number;
  readonly motion: Motion;
  readonly seen: readonly Seen[];
  /** What is known after each occasion. */
  readonly track: Track;
  /** Log of how well the swings of the days so far agree with each other, and of the share of such swings. */
  readonly agreed: readonly number[];
}

/** Occasions of one cell in order, as one model sees them. */
export interface Evidence {
  readonly occasions: readonly Occasion[];
  /** So many at first are before any cue: nothing moved between them. */
  readonly baseline: number;
  readonly ways: readonly Way[];
  readonly offsetVariances: readonly number[];
  /** What all jumps that can have come by each occasion have as shares, before they are made to fill theirs. */
  readonly jumpShares: readonly number[];
  /** Practice from the baseline up to each occasion. */
  readonly practised: readonly number[];
  /** How often each row of `SPREAD_ROWS` is met. */
  readonly usual: readonly number[];
  /** What other measures of the player had said of his days by each occasion (`together.ts`); null where none had. */
  readonly others?: readonly (readonly number[] | null)[];
}

/** So many places in time are tried for a jump; a long record has the jumps between them taken with the nearest. */
const MOST_JUMPS = 12;

/**
 * Everything the model takes for possible, weighed by what was seen. `usual` is how often each row of spreads is met, `step` one step of the measure's band in its unit,
 * `shared` the share of the marks' variance that all swings of a day have in common. Rows of the swings' own spread
 * are summed out inside each way's `log` at the end (they are told apart by swings of one day, hardly by levels).
 */
export function evidenceOf(
  occasions: readonly Occasion[],
  step: number,
  shared: number,
  baseline = baselineOf(occasions),
  usual: readonly number[] = HOUSE_SPREADS,
): Evidence {
  const practice = practiceBetween(occasions, baseline);
  const offsets = offsetsOf(occasions, baseline);
  const jumping = jumpsOf(occasions.length, baseline);
  const guesses = [STANDS, ...jumping, ...MOVING];
  const motions = guesses.map(({ motion }) => motion);
  const shelf = shelfOf(motions, occasions.length, SWING_ROWS.length * SPREAD_ROWS.length);
  const ways: Way[] = [];
  SWING_ROWS.forEach(({ swingSteps, share: swingShare }) => {
    const days = occasions.map(({ values, sd }) =>
      dayLevel(
        values.map((value) => value / step),
        swingSteps ** 2 + (1 - shared) * (sd / step) ** 2,
      ),
    );
    const agreed = runningSum(days, Math.log(swingShare));
    SPREAD_ROWS.forEach(({ daySteps, marksTimes }, spread) => {
      const seen = days.map(
        (day, i): Seen => ({
          y: day.mean,
          variance:
            day.variance +
            daySteps ** 2 +
            shared * (marksTimes * ((occasions[i] as Occasion).sd / step)) ** 2,
          practice: practice[i] as number,
          offsets: offsets.of[i] as number[],
        }),
      );
      const tracks = filterAll(seen, motions, offsets.variances, shelf.splice(0, guesses.length));
      // Named one by one: spreading a guess into each way took longer than the filter.
      guesses.forEach(({ kind, move, logShare, motion }, i) => {
        ways.push({ spread, kind, move, logShare, motion, seen, track: tracks[i] as Track, agreed });
      });
    });
  });
  const jumpShares = occasions.map((_, look) =>
    jumping.reduce((sum, { motion, share }) => sum + (motion.jumpBefore <= look ? share : 0), 0),
  );
  let practised = 0;
  return {
    occasions,
    baseline,
    ways,
    offsetVariances: offsets.variances,
    jumpShares,
    practised: practice.map((units) => (practised += units)),
    usual,
  };
}

function runningSum(days: readonly DayLevel[], from: number): number[] {
  let sum = from;
  return days.map(({ agreement }) => (sum += agreement));
}

/**
 * What was filmed before the first cue ever is where the student stood: the occasions before the first one with a cue, where
 * any has one; else the first alone.
 */
function baselineOf(occasions: readonly Occasion[]): number {
  const cued = occasions.findIndex(({ cue }) => cue === 'after');
  return Math.max(1, cued);
}

function practiceBetween(occasions: readonly Occasion[], baseline: number): number[] {
  const { repsPerUnit, daysPerUnit, least, most } = PRACTICE;
  return occasions.map(({ date, reps }, i) => {
    const before = occasions[i - 1];
    if (!before || i < baseline) return 0;
    const units = reps != null ? reps / repsPerUnit : daysBetween(before.date, date) / daysPerUnit;
    return Math.min(most, Math.max(least, units));
  });
}

/** Another place than at first, a cue just given: each carries an offset of its own. */
function offsetsOf(occasions: readonly Occasion[], baseline: number) {
  const first = occasions[0]?.place ?? null;
  const away = occasions.map(({ place }) => place != null && first !== null && place !== first);
  const cued = occasions.map(({ cue }, i) => i >= baseline && cue === 'after');
  const all = [
    { on: away, variance: OFFSETS.elsewhereSteps ** 2 },
    { on: cued, variance: OFFSETS.cuedSteps ** 2 },
  ].filter(({ on }) => on.includes(true));
  return {
    variances: all.map(({ variance }) => variance),
    of: occasions.map((_, i) => all.flatMap(({ on }, k) => (on[i] ? [k] : []))),
  };
}

type Guess = Pick<Way, 'kind' | 'move' | 'logShare' | 'motion'> & { readonly share: number };

const guess = (of: Omit<Guess, 'logShare'>): Guess => ({ ...of, logShare: Math.log(of.share) });

const STANDS = guess({ kind: 'still', move: null, share: 1, motion: STILL });

const MOVING: readonly Guess[] = [
  ...(['steady', 'tiring'] as const).map((move) => {
    const { share, gainSteps, lasts } = MOVES[move];
    return guess({ kind: 'trend', move, share, motion: { ...STILL, slopeVariance: gainSteps ** 2, lasts } });
  }),
  ...(['drift', 'jolt'] as const).map((move) => {
    const { share, perPracticeSteps } = MOVES[move];
    return guess({
      kind: 'drift',
      move,
      share,
      motion: { ...STILL, driftVariance: perPracticeSteps ** 2 },
    });
  }),
];

const jumpsOf = (length: number, baseline: number): Guess[] =>
  jumpPlaces(length, baseline).map((jumpBefore) =>
    guess({
      kind: 'jump',
      move: 'jump',
      share: MOVES.jump.share * MOVES.jump.laterTimes ** (jumpBefore - baseline),
      motion: { ...STILL, jumpBefore, jumpVariance: MOVES.jump.sizeSteps ** 2 },
    }),
  );

function jumpPlaces(length: number, baseline: number): number[] {
  const all = Array.from({ length: Math.max(0, length - baseline) }, (_, i) => baseline + i);
  if (all.length <= MOST_JUMPS) return all;
  const every = (all.length - 1) / (MOST_JUMPS - 1);
  return Array.from({ length: MOST_JUMPS }, (_, i) => all[Math.round(i * every)] as number);
}
