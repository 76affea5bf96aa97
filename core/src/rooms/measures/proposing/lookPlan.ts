import type { Station } from '../../capture/index.ts';

/**
 * Which frames of a clip a body network looks at, and how often: all of them alike would take three times as long. First a coarse
 * pass, from which the stations are guessed; then every frame about each of them; then twice more those that marks hang on.
 */
export const LOOKS = {
  /** Of the coarse pass: a body hardly moves out of its region in that time, and hands are not lost. */
  coarsePerSecond: 20,
  /** More frames a second than this tell nothing new about stations. */
  finePerSecond: 60,
  /** So far about a guessed station every frame is looked at: further than the coarse pass may be wrong. */
  aboutSeconds: 0.12,
  /** So far about a station frames are looked at in the mirror and in a wider crop, too: those a mark is smoothed over. */
  againSeconds: 0.06,
  /** Both at a station at which hands come to a level, between two frames of the coarse pass: fewer, or two views would take longer than is worth it. */
  levelSeconds: 0.035,
} as const;

/** Frames of a pass with about so many a second, the last one always among them. */
export function framesPerSecond(times: readonly number[], perSecond: number): number[] {
  const [first, last] = [times[0], times.at(-1)];
  if (first === undefined || last === undefined || last <= first) return times.length > 0 ? [0] : [];
  const rate = (times.length - 1) / (last - first);
  const every = Math.max(1, Math.floor(rate / perSecond + 0.01));
  const frames = Array.from({ length: Math.ceil(times.length / every) }, (_, k) => k * every);
  if (frames.at(-1) !== times.length - 1) frames.push(times.length - 1);
  return frames;
}

const LEVELS: readonly Station[] = ['arm_back', 'arm_down', 'chest_through'];
/** The body stands, and the moment is not told by a frame more or less. */
const STANDS: readonly Station[] = ['address', 'finish'];
/** How far about a guessed station every frame is looked at, and how far twice more; seconds. */
export function aboutStation(station: Station): number {
  if (LEVELS.includes(station)) return LOOKS.levelSeconds;
  return STANDS.includes(station) ? LOOKS.againSeconds : LOOKS.aboutSeconds;
}
export const againAbout = (station: Station): number =>
  LEVELS.includes(station) ? LOOKS.levelSeconds : LOOKS.againSeconds;

/** When a station is, and how far about it frames are wanted, seconds. */
type About = readonly [moment: number, seconds: number];

/** Frames of the fine pass about any of the moments, in order. */
export const framesAbout = (times: readonly number[], abouts: readonly About[]): number[] =>
  framesPerSecond(times, LOOKS.finePerSecond).filter((i) =>
    abouts.some(([moment, seconds]) => Math.abs((times[i] as number) - moment) <= seconds + 1e-9),
  );
