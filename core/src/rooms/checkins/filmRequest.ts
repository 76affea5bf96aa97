import { type IsoDay, plusDays } from '../../foundation/index.ts';
import type { Club, ViewKind } from '../intake/index.ts';
import { freeRun, type HowMade, type Stage } from '../practice/index.ts';

/** What a student is asked to film, by when, and why. */
export interface FilmAsk {
  readonly kinds: readonly ViewKind[];
  /** How many swings. */
  readonly swings: number;
  readonly dueOn: IsoDay;
  readonly drill: string | null;
  readonly stage: Stage | null;
  /** Null: without a ball, or as the student likes. */
  readonly club: Club | null;
  readonly aid: 'on' | 'off' | null;
  /** The coach's own words; empty = none. */
  readonly why: string;
}

/** Who asks: the coach, or the plan, for a gate that needs films or for a review date. */
export const REQUESTED_BY = ['coach', 'gate', 'review'] as const;

export interface FilmRequest extends FilmAsk {
  readonly id: string;
  readonly from: (typeof REQUESTED_BY)[number];
  /** What the plan asked it for; null for the coach's own. */
  readonly because: string | null;
  readonly askedAt: string;
  readonly withdrawnAt: string | null;
}

/** What came with a check-in. */
export interface Arrived {
  readonly at: string;
  readonly kinds: readonly ViewKind[];
}

type RequestState = 'open' | 'overdue' | 'fulfilled' | 'withdrawn';
interface RequestSeen {
  readonly state: RequestState;
  /** Views that have not come yet. */
  readonly missing: readonly ViewKind[];
  /** When the last of them came. */
  readonly fulfilledAt: string | null;
}

/**
 * Where a request stands. Nothing marks it done: it is fulfilled by the check-ins that came after it was made, as soon as
 * every view it asks for is among their clips, in however many pieces.
 */
export function requestSeen(
  { kinds, askedAt, withdrawnAt, dueOn }: FilmRequest,
  arrived: readonly Arrived[],
  today: IsoDay,
): RequestSeen {
  const since = arrived.filter(({ at }) => at >= askedAt).sort((a, b) => (a.at < b.at ? -1 : 1));
  let missing = [...kinds];
  for (const { at, kinds: came } of since) {
    missing = missing.filter((kind) => !came.includes(kind));
    if (missing.length === 0) return { state: 'fulfilled', missing: [], fulfilledAt: at };
  }
  const state = withdrawnAt !== null ? 'withdrawn' : dueOn < today ? 'overdue' : 'open';
  return { state, missing, fulfilledAt: null };
}

/** The one a student is to answer now: the latest that is open (of one moment the first given); an older one was replaced by it. */
export function requestNow(
  requests: readonly FilmRequest[],
  arrived: readonly Arrived[],
  today: IsoDay,
): (FilmRequest & RequestSeen) | null {
  const [latest] = [...requests]
    .filter(({ withdrawnAt }) => withdrawnAt === null)
    .sort((a, b) => b.askedAt.localeCompare(a.askedAt));
  if (!latest) return null;
  const seen = requestSeen(latest, arrived, today);
  return seen.state === 'open' || seen.state === 'overdue' ? { ...latest, ...seen } : null;
}

/** How a swing is made that came as it was asked for; what the request leaves open is as it most likely was. */
export const madeAsAsked = (
  { drill, stage, club, aid }: Pick<FilmAsk, 'drill' | 'stage' | 'club' | 'aid'>,
  usual: HowMade,
): HowMade => ({
  ...usual,
  speed: (stage && SPEED_OF_STAGE[stage]) ?? usual.speed,
  club: club ?? usual.club,
  // What is asked for without a drill is asked for outside any.
  drill,
  aid: aid ?? usual.aid,
});
/** The speed at which a rung is filmed. */
export const SPEED_OF_STAGE: Partial<Record<Stage, HowMade['speed']>> = {
  half: 'half',
  three_quarter: 'three_quarter',
  full: 'full',
  clubs: 'full',
  course: 'full',
};

const SWINGS_ASKED = 3;
const USUAL_DAYS = 7;
/** Sooner than this there is nothing new to see. */
const SOONEST_DAYS = 3;

/** What would be asked next, from where the student stands: the rung's own club, the next review date, the usual views. */
export function proposeRequest({
  films,
  standing,
  reviewDates,
  today,
}: {
  /** Views the student can film. */
  readonly films: readonly ViewKind[];
  readonly standing: { readonly drill: string; readonly stage: Stage; readonly layer: number } | null;
  readonly reviewDates: readonly IsoDay[];
  readonly today: IsoDay;
}): FilmAsk {
  const run = standing && freeRun(standing.drill, standing.stage, standing.layer);
  return {
    kinds: films.length > 0 ? [...films] : ['face_on'],
    swings: SWINGS_ASKED,
    dueOn:
      reviewDates.filter((day) => day >= plusDays(today, SOONEST_DAYS)).sort()[0] ??
      plusDays(today, USUAL_DAYS),
    drill: standing?.drill ?? null,
    stage: standing?.stage ?? null,
    club: run?.ball ? (run.clubs[0] ?? null) : null,
    // What lasts is seen without the aid; on the lower rungs the drill is looked at.
    aid: run === null ? null : run.ball && run.aid !== 'on' ? 'off' : 'on',
    why: '',
  };
}
