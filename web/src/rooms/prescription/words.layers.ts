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

/** What the ladder says of a drill's checkpoints. */
export const LAYER_STEPS_WORDS = {
  at: (layer: number, of: number) => `Checkpoint ${layer} of ${of}`,
  next: 'It holds: add the next',
  back: 'Back to the one before',
  now: (layer: number) => `Now at checkpoint ${layer}.`,
  undo: 'Undo',
} as const;

/** What is asked of the coach's own task. */
export const OWN_TASK_WORDS = {
  label: 'Your own task, on card and plan',
  hint: 'What you want put right outside the drills.',
} as const;
