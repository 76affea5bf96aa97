/** How loud one short block of sound was: decibels below full scale, at the end of the block, in ms. */
export interface SoundBlock {
  readonly atMs: number;
  readonly levelDb: number;
}

/** What is listened for; a strike of club on ball is sudden, loud against what was before, and soon over. */
export interface StrikeRules {
  /** This much above the background. */
  readonly jumpDb: number;
}
export const STRIKE_RULES = {
  near: { jumpDb: 26 },
  usual: { jumpDb: 20 },
  far: { jumpDb: 14 },
} as const satisfies Record<string, StrikeRules>;
export type StrikeEar = keyof typeof STRIKE_RULES;

interface StrikeState {
  readonly backgroundDb: number;
  /** The last few blocks, oldest first: how sudden a rise is. */
  readonly recent: readonly SoundBlock[];
  /** A rise that has yet to die away. */
  readonly rise: { readonly atMs: number; readonly peakDb: number } | null;
  readonly lastMs: number | null;
  /** Listening began; the background is not known before a while. */
  readonly beganMs: number | null;
}
export const LISTENING: StrikeState = {
  backgroundDb: -60,
  recent: [],
  rise: null,
  lastMs: null,
  beganMs: null,
};

/** Softer than this, a sudden sound is a step on the mat or a key. */
const FLOOR_DB = -38;
/** A strike rises within this; a voice takes three times as long. */
const RISE_MS = 9;
/** Before the rise it was nearly as quiet as ever. */
const QUIET_DB = 9;
/** It has fallen by this much when so long is over; a word or a tune has not. */
const FALL_DB = 13;
const FALL_MS = 90;
/** No swing follows another sooner. */
const REST_MS = 2500;
const LEARN_MS = 400;
/** How fast the background follows: slowly up, so that a strike hardly lifts it, quicker down. */
const FOLLOW_UP = 0.004;
const FOLLOW_DOWN = 0.03;

/**
 * Hears one more block; `strikeMs` is the moment of a strike once it is known to be one, else null. A pure step: the same
 * sound gives the same strikes wherever it is heard.
 */
export function hear(
  state: StrikeState,
  block: SoundBlock,
  rules: StrikeRules = STRIKE_RULES.usual,
): { readonly state: StrikeState; readonly strikeMs: number | null } {
  const beganMs = state.beganMs ?? block.atMs;
  const next = { ...state, beganMs, recent: kept(state.recent, block), backgroundDb: followed(state, block) };
  if (state.rise) return judged(next, state.rise, block);
  const rested = state.lastMs === null || block.atMs - state.lastMs > REST_MS;
  const knows = block.atMs - beganMs > LEARN_MS;
  if (rested && knows && isRise(state, block, rules))
    return { state: { ...next, rise: { atMs: block.atMs, peakDb: block.levelDb } }, strikeMs: null };
  return { state: next, strikeMs: null };
}

const kept = (recent: readonly SoundBlock[], block: SoundBlock): SoundBlock[] =>
  [...recent, block].filter(({ atMs }) => block.atMs - atMs <= 3 * RISE_MS);

function followed({ backgroundDb, beganMs }: StrikeState, { levelDb, atMs }: SoundBlock): number {
  // At first it learns quickly; nothing is said meanwhile.
  const learning = beganMs === null || atMs - beganMs < LEARN_MS;
  const share = learning ? 0.1 : levelDb > backgroundDb ? FOLLOW_UP : FOLLOW_DOWN;
  return backgroundDb + share * (levelDb - backgroundDb);
}

function isRise({ recent, backgroundDb }: StrikeState, block: SoundBlock, { jumpDb }: StrikeRules): boolean {
  if (block.levelDb < FLOOR_DB || block.levelDb < backgroundDb + jumpDb) return false;
  const before = recent.filter(({ atMs }) => block.atMs - atMs >= RISE_MS);
  return before.length > 0 && before.every(({ levelDb }) => levelDb < block.levelDb - jumpDb + QUIET_DB);
}

function judged(
  next: StrikeState,
  rise: { readonly atMs: number; readonly peakDb: number },
  block: SoundBlock,
) {
  const peakDb = Math.max(rise.peakDb, block.levelDb);
  if (block.atMs - rise.atMs < FALL_MS)
    return { state: { ...next, rise: { ...rise, peakDb } }, strikeMs: null };
  // The mean of the last blocks, so that one quiet beat in a voice is no end.
  const now = next.recent.reduce((sum, { levelDb }) => sum + levelDb, 0) / next.recent.length;
  const died = now <= peakDb - FALL_DB;
  return {
    state: { ...next, rise: null, lastMs: died ? rise.atMs : next.lastMs },
    strikeMs: died ? rise.atMs : null,
  };
}

/** Wind and steps are low, a strike is not: what changes slower than this is taken out. */
const HIGH_PASS_HZ = 1200;

export interface EarState {
  readonly lastIn: number;
  readonly lastOut: number;
}
export const QUIET_EAR: EarState = { lastIn: 0, lastOut: 0 };

/** Level of a block of samples (-1 to 1) after a first-order high pass, in dB below full scale. */
export function levelOf(
  samples: ArrayLike<number>,
  sampleRateHz: number,
  ear: EarState,
): { readonly levelDb: number; readonly ear: EarState } {
  const keep = 1 / (1 + (2 * Math.PI * HIGH_PASS_HZ) / sampleRateHz);
  let { lastIn, lastOut } = ear;
  let power = 0;
  for (let i = 0; i < samples.length; i++) {
    const sample = samples[i] as number;
    lastOut = keep * (lastOut + sample - lastIn);
    lastIn = sample;
    power += lastOut * lastOut;
  }
  const levelDb = 10 * Math.log10(Math.max(1e-12, power / Math.max(1, samples.length)));
  return { levelDb, ear: { lastIn, lastOut } };
}
