/** Where each answer of the server is kept. Whatever belongs to a student lies under the student's own key. */
export const keys = {
  me: ['me'],
  queue: ['queue'],
  lessons: ['lessons'],
  roster: ['roster'],
  everybody: ['roster', 'everybody'],
  library: ['library'],
  schools: ['schools'],
  care: ['care'],
  shotMatches: ['shot-matches'],
  student: (id: string | undefined) => ['students', id],
  of: (studentId: string, what: StudentPart, ...more: readonly unknown[]) => [
    'students',
    studentId,
    what,
    ...more,
  ],
  swing: (id: string | undefined, ...more: readonly string[]) => ['swings', id, ...more],
  shots: (id: string | undefined) => ['shots', id],
  diagnosis: (id: string | undefined, what: 'now' | 'prescription') => ['diagnoses', id, what],
  page: (token: string) => ['page', token],
  keptPage: (token: string) => ['kept-page', token],
  pageTalk: (token: string) => ['page', token, 'conversation'],
  pagePlan: (token: string) => ['page', token, 'plan'],
  enclosed: (url: string) => ['enclosed', url],
  figure: (url: string) => ['figures', url],
} as const;

type StudentPart =
  | 'thread'
  | 'lessons'
  | 'hold'
  | 'clips'
  | 'swings'
  | 'shots'
  | 'readings'
  | 'diagnoses'
  | 'choices'
  | 'feels'
  | 'plan'
  | 'how-made'
  | 'preview'
  | 'sets'
  | 'gates'
  | 'links'
  | 'checkins'
  | 'film-requests'
  | 'review'
  | 'conversation'
  | 'progress'
  | 'brief'
  | 'report'
  | 'network';

/** What lists say of a student follows from every write about one. */
export const LISTS = [keys.queue, keys.lessons, keys.roster];
