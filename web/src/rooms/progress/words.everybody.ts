/** What the screen over all students says. */
export const EVERYBODY_WORDS = {
  title: 'Where everybody stands',
  what: 'where everybody stands',
  nobody: 'Nobody yet',
  howToBegin: 'With the first student this page begins to count.',
  now: 'Now',
  works: 'Which drill works for what',
  perHundred: 'gain per 100 repetitions',
  columns: ['Fault', 'Drill', 'Steps nearer the band per 100 repetitions', 'Counted'],
  noWorks:
    'Nothing to count yet: a course counts once it was filmed before and since, and its repetitions are logged.',
  how: 'Notch: the gain, drawn towards all drills by as much as is not known of it; hollow: by itself. Bracket: 19 times in 20. How far out each student was is allowed for.',
  counted: (courses: number, reps: number) =>
    `${courses === 1 ? 'one student’s work' : `${courses} students’ work`}, ${reps} repetitions`,
  few: 'few: more a guess than a figure',
  gates: 'Time to each gate',
  noGates: 'No gate has been passed, and none is waited for.',
  gateColumns: ['Rung', 'Half are through after', 'Passed', 'Not yet', 'Through by week'],
  weeks: (n: number | null) => (n === null ? 'not yet to be said' : n === 1 ? 'one week' : `${n} weeks`),
  week: (week: number, share: number) => `week ${week}: ${Math.round(100 * share)} in 100`,
  notYetCounts: 'Who is still on a rung counts as not yet; nobody is left out.',
  gainName: 'Gain per 100 repetitions',
} as const;
