import type { EnclosureKind } from './enclosures.ts';

/** Something that goes along with an answer. */
export interface Enclosed {
  readonly id: string;
  readonly kind: EnclosureKind;
  readonly title: string;
  readonly bytes: number;
  readonly seconds: number | null;
}

/** A word between coach and student, whichever way it came. */
export interface Said {
  readonly id: string;
  readonly at: string;
  readonly by: 'coach' | 'student';
  /** A check-in, the answer to one, the letter of a lesson, a word of the coach's own, clips that were asked for. */
  readonly as: 'checkin' | 'reply' | 'lesson' | 'message' | 'asked';
  readonly text: string;
  /** Until then the coach can take it back, and the student does not see it; null = it has gone. */
  readonly goesAt: string | null;
  /** The check-in that it is, or answers. */
  readonly checkinId: string | null;
  readonly enclosures?: readonly Enclosed[] | undefined;
}

/** All of it, the latest first; of one moment the answer stands after what it answers. */
export const conversationOf = (said: readonly Said[]): Said[] =>
  [...said].sort(
    (a, b) => b.at.localeCompare(a.at) || Number(b.as !== 'checkin') - Number(a.as !== 'checkin'),
  );

/** What the student may read of it by now. */
export const saidBy = (said: readonly Said[], now: string): Said[] =>
  said.filter(({ goesAt }) => goesAt === null || goesAt <= now);
