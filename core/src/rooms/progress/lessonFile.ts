import type { LessonRecord } from '../intake/index.ts';
import type { LessonNote, LoggedSet } from '../practice/index.ts';

/** Something of the thread, as it was noted. */
interface LessonEvent {
  readonly id: string;
  readonly at: string;
  readonly kind: string;
  readonly detail: Readonly<Record<string, string | number | readonly string[] | null>>;
}

/** What happened in a lesson, moment by moment. */
export type LessonMoment =
  | ({ readonly what: 'event' } & LessonEvent)
  | {
      readonly what: 'set';
      readonly at: string;
      readonly id: string;
      readonly drill: string;
      readonly stage: LoggedSet['stage'];
      readonly reps: string;
    }
  | ({ readonly what: 'note' } & LessonNote);

/** Sets, notes and whatever else was done in a lesson, in the order in which it was done. */
export function momentsOf(
  events: readonly LessonEvent[],
  sets: readonly LoggedSet[],
  notes: readonly LessonNote[],
): LessonMoment[] {
  const moments: LessonMoment[] = [
    ...events.map((event) => ({ what: 'event' as const, ...event })),
    ...sets.map(({ id, at, doneAt, drill, stage, reps }) => ({
      what: 'set' as const,
      id,
      at: doneAt ?? at,
      drill,
      stage,
      reps,
    })),
    ...notes.map((note) => ({ what: 'note' as const, ...note })),
  ];
  return moments.sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
}

/** Minutes from a lesson's start to its end, or to now; 0 before it began. */
export function minutesSince(
  { startedAt, endedAt }: Pick<LessonRecord, 'startedAt' | 'endedAt'>,
  now: string,
): number {
  if (startedAt === null) return 0;
  return Math.max(0, (Date.parse(endedAt ?? now) - Date.parse(startedAt)) / 60_000);
}
