import type { LoadClass } from '../prescription/index.ts';

/**
 * The numbers of the rules that a plan must keep. Planner and checker share these and nothing else: each counts
 * for itself.
 */

/** Most repetitions a day over all drills that load the same joint, by how hard they load it. */
export const DAILY_REPS = { none: 150, light: 80, marked: 40 } as const;
export const CHILD_SHARE = 0.6;
export const OLDER_SHARE = 0.75;
export const OLDER_FROM_YEARS = 60;
/** Of a joint that has its limit. */
export const LIMITED_SHARE = 0.5;

/** Seven days may hold this much more than the seven before. */
export const WEEKLY_GROWTH = 1.25;
/** A week may always hold this share of a day's cap: from nearly nothing a quarter more would stay nearly nothing. */
export const LEAST_WEEK_SHARE = 0.5;
/**
 * Where asked days were missed in the seven before, coming back to the fullest of the last weeks is no growth: so
 * many days back, and of weeks that were practised on so many days at least.
 */
export const FULLEST_WEEK_WITHIN_DAYS = 42;
export const WEEK_HAS_DAYS = 2;
/** After more days than this without practice the first week is at most what the last active one was. */
export const GAP_DAYS = 7;
/** The longest history that any rule looks back to. */
export const LOOK_BACK_DAYS = 60;

export const CHILD_MINUTES_A_DAY = 30;
export const WARM_UP_MINUTES = 3;
export const SHORT_WARM_UP_MINUTES = 2;
export const SHORT_SESSION_MINUTES = 10;

/** Dry repetitions of a set. */
export const SET_REPS = 10;

/** Dry repetitions that many coaches want in a week, and the most that may be asked. */
export const WEEKLY_WISH = 300;
export const MOST_WISHED = 1000;

/** A session the day before a lesson, or on its day, holds at most this share of what the caps allow. */
export const LIGHT_SHARE = 0.5;
/** Days before a tournament in which nothing new begins. */
export const TOURNAMENT_QUIET_DAYS = 7;
/** Days between two new drills. */
export const NEW_PIECE_EVERY_DAYS = 7;

/** After a drill has done its work it is looked at again; in days. */
export const RETENTION_AFTER_DAYS = [7, 30] as const;
export const RETENTION_MINUTES = 5;

/** Balls of each part where drills belong together. */
export const CYCLE_BALLS = 10;

/** A plan is laid over this many weeks unless told; and never over more. */
export const PLAN_WEEKS = 12;
export const MOST_WEEKS = 26;

/** A hole with its walk. */
export const HOLE_MINUTES = 14;
export const MOST_HOLES = 9;

export const JOINTS: readonly LoadClass[] = ['B', 'H', 'K', 'A', 'T'];
