/** What a note in a lesson is: one press says which. */
export const NOTE_TAGS = ['felt', 'feels_like', 'said', 'try_next', 'leave', 'note'] as const;
export type NoteTag = (typeof NOTE_TAGS)[number];

/** Something said or felt in a lesson, kept to the moment and the swing. */
export interface LessonNote {
  readonly id: string;
  readonly lessonId: string;
  readonly at: string;
  readonly tag: NoteTag;
  readonly text: string;
  readonly swingId: string | null;
  /** A felt answer: of which measure, and how much; null where it "stayed still" or is in words. */
  readonly measure: string | null;
  readonly felt: number | null;
}
