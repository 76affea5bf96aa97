/** What the editor says of a drill's checkpoints and of the drill beside it. */
export const LAYERS_PART_WORDS = {
  title: 'One thing at a time',
  hint: 'Up to three checkpoints. The next is added when the one before holds.',
  text: (n: number) => `Checkpoint ${n}`,
  tells: (n: number) => `Who tells of checkpoint ${n}`,
  student: 'the student can tell',
  film: 'a film tells',
  add: 'Add a checkpoint',
  remove: (n: number) => `Remove checkpoint ${n}`,
  guard: 'Drill beside it, so that it is not overdone',
  noGuard: 'none',
} as const;

/** What the match says of the order of things. */
export const MATCH_WORDS = {
  full: (names: string) => `In use and staying: ${names}. Choose here what should take a place.`,
  beside: (names: string) => `Goes beside what is in use: ${names}.`,
  start: (drill: string) => `A start on it: “${drill}”. Then look again.`,
} as const;
