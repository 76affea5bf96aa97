/** How a place was seen: what says how far off it may be there and then. */
export interface SeenHow {
  /** How surely the network says it saw it, 0 to 1. */
  readonly seen?: number | undefined;
  /** How far its looks, over the neighbouring frames and in the mirror, lie from the line through them: root mean square, a share of the body's height. */
  readonly scatter?: number | undefined;
}

/** A place the network calls hidden may lie this many times further off: hardly more than one it sees, on the stand-ins. */
const HIDDEN_FACTOR = 1.5;

/**
 * Looks that agree are off by less than usual, looks that don't by more: the sd of what is a frame's own, beside what it is with all places
 * together. Chosen on made-up players (seeds 11, 12 and 21), see docs/decisions/automatic-marks.md.
 */
const AGREEING = { least: 0.85, perHundredth: 0.35, most: 1.7 };

export const scatterTimes = (scatter: number | undefined): number =>
  scatter === undefined
    ? 1
    : Math.min(AGREEING.most, Math.hypot(AGREEING.least, 100 * AGREEING.perHundredth * scatter));

/** The sd of a place's own, from the usual one and how it was seen: what a hidden place is further off by is not the same in the next frame. */
export function ownSdOf(sharedSd: number, ownSd: number, { seen = 1, scatter }: SeenHow): number {
  const wider = 1 + (HIDDEN_FACTOR - 1) * (1 - seen);
  const own = ownSd * scatterTimes(scatter);
  return Math.sqrt((wider ** 2 - 1) * (sharedSd ** 2 + own ** 2) + own ** 2);
}
