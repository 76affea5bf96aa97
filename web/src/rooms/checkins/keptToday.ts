import type { StudentPage } from '@inchstep/contract/checkins';
import type { SetLog } from '@inchstep/contract/practice';
import type { IsoDay } from '@inchstep/core/foundation';
import { nextLessonFrom } from '@inchstep/core/intake';
import { todayStanding } from '@inchstep/core/practice';
import { libraryAlong } from '@inchstep/core/prescription';
import type { KeptPage } from './pageKept.ts';

/**
 * The page of a day as this phone can say it by itself, by the same rules as the program: from the record it heard last
 * and from the sets that still wait here. A day before the one it knows is a clock that was set back.
 */
export function keptToday({ page, record }: KeptPage, waiting: readonly SetLog[], day: IsoDay): StudentPage {
  const today = day > page.today ? day : page.today;
  if (!record) return today === page.today ? page : { ...page, today, day: null, nextDay: null, sets: [] };
  const { file, own } = record;
  const known = new Set(file.practice.sets.map(({ id }) => id));
  const more = waiting.filter(({ id }) => !known.has(id));
  const sets = [
    ...file.practice.sets,
    ...more.map((set) => ({ ...set, from: 'student' as const, at: set.doneAt ?? `${set.date}T12:00:00Z` })),
  ];
  const practice = { ...file.practice, sets };
  const standing = todayStanding({ ...file, practice }, libraryAlong(own), today);
  const rungs = new Map(standing.rungs.map((rung) => [rung.id, rung]));
  return {
    ...page,
    today,
    day: standing.day,
    nextDay: standing.nextDay,
    sets: [...standing.sets],
    drills: page.drills.map((drill) => ({ ...drill, ...rungs.get(drill.id) })),
    nextLesson: nextLessonFrom(file.intake.lessons, today),
  };
}
