/** Swings may be filmed with the drill's aid on or without it, and before or after the first cue of the day. */
export const AID_STATES = ['on', 'off'] as const;
export type AidState = (typeof AID_STATES)[number];
export const CUE_STATES = ['before', 'after'] as const;
export type CueState = (typeof CUE_STATES)[number];

/** This room's slice of a student's file: what came in, oldest first. */
export interface CaptureRecord {
  readonly clips: readonly {
    /** When it came in, an ISO stamp. */
    readonly at: string;
    readonly from: 'coach' | 'student';
  }[];
}
