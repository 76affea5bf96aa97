import type { SpokenMove } from './spoken.ts';

/** What can go along with a letter. */
export const ENCLOSURES = ['picture', 'clip', 'talk'] as const;
export type EnclosureKind = (typeof ENCLOSURES)[number];

/** What each may weigh; of a clip and a talk also how long it may be. */
export const ENCLOSURE_LIMITS: Readonly<
  Record<EnclosureKind, { readonly mostBytes: number; readonly mostS: number | null }>
> = {
  picture: { mostBytes: 8_000_000, mostS: null },
  clip: { mostBytes: 60_000_000, mostS: 60 },
  // A voice at 24 kbit/s is 180 kB a minute; a device that can't do so little may send more.
  talk: { mostBytes: 6_000_000, mostS: 180 },
};
/** As many go along with one letter. */
export const MOST_ENCLOSURES = 8;
/** What the moves and captions of a minute may weigh, beside the voice. */
export const TALK_BYTES_PER_MINUTE = 300_000;

export interface Caption {
  /** From this moment of the talk until the next one's, ms. */
  readonly at: number;
  readonly text: string;
}

/** A spoken review beside its voice: everything that makes the coach's screen again on another one. */
export interface Talk<Clip> {
  readonly ms: number;
  readonly now: Clip;
  readonly before: Clip | null;
  readonly moves: readonly SpokenMove[];
  readonly captions: readonly Caption[];
}

type TalkTrouble = 'too_long' | 'too_heavy' | 'out_of_order' | 'after_its_end';

/** What is wrong with a talk, or null. A voice and its moves are timed by two clocks: so far they may differ. */
const SLACK_MS = 1500;
export function talkTrouble(talk: Talk<unknown>): TalkTrouble | null {
  const most = ENCLOSURE_LIMITS.talk.mostS as number;
  if (talk.ms > 1000 * most + SLACK_MS) return 'too_long';
  const minutes = Math.max(1, talk.ms / 60_000);
  if (JSON.stringify(talk).length > TALK_BYTES_PER_MINUTE * minutes) return 'too_heavy';
  for (const { at } of [...talk.moves, ...talk.captions]) if (at > talk.ms + SLACK_MS) return 'after_its_end';
  for (const timed of [talk.moves, talk.captions])
    for (let i = 1; i < timed.length; i++)
      if ((timed[i]?.at as number) < (timed[i - 1]?.at as number)) return 'out_of_order';
  return null;
}

/** The caption that stands under the picture at a moment; null = none yet, or left empty. */
export const captionAt = (captions: readonly Caption[], ms: number): string | null =>
  captions.findLast(({ at }) => at <= ms)?.text.trim() || null;

/** Captions with one more, in order; one at the same moment takes the place of the other. */
export const withCaption = (captions: readonly Caption[], one: Caption): Caption[] =>
  [...captions.filter(({ at }) => at !== one.at), one].sort((a, b) => a.at - b.at);
