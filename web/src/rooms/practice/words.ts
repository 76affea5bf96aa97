/** What is asked before a plan is laid. */
export const ASK_WORDS = {
  begin: 'Begin',
  nextLesson: 'Next lesson',
  days: 'Days',
  minutesOn: (day: string) => `Minutes on ${day}`,
  placeOn: (day: string) => `Place on ${day}`,
  minutes: 'min',
} as const;

/** What the day list says. */
export const DAY_LIST_WORDS = {
  days: 'Days',
  ahead: (count: number) => `${count} ahead`,
  min: (minutes: number) => `, ${minutes} min`,
  print: 'Print the week',
  without: (days: string) => `Without practice: ${days}.`,
} as const;

/** What the gate decision says. */
export const GATE_DECISION_WORDS = {
  up: 'Move up',
  anyway: 'Move up anyway',
  skip: 'Skip this stage',
  said: 'One stage up.',
  stay: 'Stay',
  notedStay: 'Noted: stay.',
  stepBack: 'Step back',
  wentBack: 'One stage back.',
  undo: 'Undo',
  why: 'Why?',
  whys: ['seen it live', 'holds it already', 'to find out'],
  say: 'Say why',
} as const;

/** What the test at full speed says. */
export const FULL_TEST_WORDS = {
  title: 'Test at full speed',
  how: 'For who has the move within the lesson: repetitions at full speed and three films in band take the rungs below as passed. A week later it is looked at again.',
  up: 'Count the stages below as passed',
  anyway: 'Count them as passed anyway',
  skip: 'Count them as passed anyway',
  said: 'The stages below count as passed. Check again in a week.',
} as const;

/** What the gate tape says. */
export const GATE_TAPE_WORDS = {
  repetitionsSayOwned: 'repetitions say: owned',
  repetitionsSayNotYet: 'repetitions say: not yet',
  ofTheWay: (share: number) => `${share} % of the way`,
  proposesDown: 'One rung down would help: a bit easier, a bit slower, then up again.',
  gate: (say: string) => `Gate: ${say}`,
  repetitionsRead: (repsUsed: number, say: string) => `${repsUsed} repetitions read; ${say}.`,
} as const;

/** What the ladder screen says. */
export const LADDER_SCREEN_WORDS = {
  drillsInUse: 'the drills in use',
  noDrillInUse: 'No drill in use',
  chooseADrill: 'Choose a drill',
  ladderBegins: 'A ladder begins with a drill.',
  thePlan: 'the plan',
  planSaved: 'Plan saved.',
  theGates: 'the gates',
  planAgainFromToday: 'Plan again from today',
  layOutThePlan: 'Lay out the plan',
  acceptThisPlan: 'Accept this plan',
  keepTheOldOne: 'Keep the old one',
  gateOut: 'Gate out of “',
  checks: (what: string) => `Checks: ${what}`,
} as const;

/** What the rungs say. */
export const RUNGS_WORDS = {
  rungsLowestFirst: 'Rungs, lowest first',
  noPlaceForBalls: 'no place for balls',
  leftOut: 'left out',
  passed: 'passed',
  gate: (likely: string, late: string | null) =>
    late ? `likely ${likely}, late ${late}` : `likely ${likely}`,
  waitsForLook: 'open, waits for the look',
  finished: 'held',
  here: (note: string) => `here${note ? `, ${note}` : ''}`,
} as const;

const JOINTS: Readonly<Record<string, string>> = {
  B: 'back',
  H: 'hips',
  K: 'knees',
  A: 'ankles',
  T: 'balance',
};

/** What the season rail says. */
export const RAIL_WORDS = {
  title: 'The weeks ahead',
  spans: { season: 'Season', month: 'Four weeks', week: 'One week' },
  back: 'Earlier',
  on: 'Later',
  told: ({
    sessions,
    days,
  }: {
    readonly sessions: readonly { readonly minutes: number }[];
    readonly days: number;
  }) => `${sessions.filter(({ minutes }) => minutes > 0).length} sessions in ${days} days`,
  gate: (stage: string, beyond: boolean) =>
    beyond ? `${stage}: the late date lies beyond this stretch` : `${stage}: likely date, and the late one`,
  joint: (joint: string, most: number) => `${JOINTS[joint] ?? joint}, up to ${most} a day`,
} as const;

/** What the difference between two plans says. */
export const DIFF_WORDS = {
  title: 'What has changed since the plan was taken',
  tried: 'What this plan would change',
  none: 'Nothing: the plan stands as it was taken.',
  small: 'Small changes, made by themselves:',
  take: 'Take it as the new plan',
  later: (stage: string, days: number) => `${stage}: late date ${days} ${days === 1 ? 'day' : 'days'} later`,
  earlier: (stage: string, days: number) =>
    `${stage}: late date ${days} ${days === 1 ? 'day' : 'days'} earlier`,
  beyond: (stage: string) => `${stage}: late date now beyond the plan`,
  within: (stage: string) => `${stage}: late date now within the plan`,
  more: (count: number) => `and ${count} more`,
  amounts: (days: number) => `A few repetitions more or fewer on ${days} ${days === 1 ? 'day' : 'days'}.`,
} as const;

/** What the trial of other plans says. */
export const WHAT_IF_WORDS = {
  title: 'What if',
  day: 'One more day',
  minutes: 'Ten more minutes a day',
  miss: (share: number) => (share === 0 ? 'No day is missed' : `${share} days in ten are missed`),
  missLabel: 'Days in ten that are missed',
  usual: 'As it was until now',
  dates: 'Three-quarter gate',
  likely: 'likely',
  late: 'late',
  never: 'beyond the plan',
  sooner: (days: number) =>
    days === 0
      ? 'no day sooner'
      : `${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'} ${days > 0 ? 'sooner' : 'later'}`,
} as const;

/** What binds a plan. */
export const BINDING_WORDS = {
  title: 'What binds, and what would help',
  nothing: 'Nothing would bring the gate sooner: the student’s own pace does.',
  reached: 'Not reached:',
} as const;

/** What the form for exceptions and amounts says. */
export const MORE_ASK_WORDS = {
  wish: 'Dry repetitions a week',
  weeks: 'Weeks',
  bucket: 'Balls in a bucket',
  pace: 'Way up',
  paces: { ladder: 'rung by rung', fast: 'by a test at full speed' },
  seconds: 'Seconds this student takes for',
  secondsOf: { rehearsal: 'a rehearsal', ball: 'a ball', look: 'a look' },
  exceptions: 'Life happens',
  add: 'Add days',
  remove: 'Take away',
  from: 'from',
  to: 'to',
  minutes: 'minutes',
  kinds: {
    away: 'away',
    no_range: 'no range',
    ill: 'ill',
    extra: 'extra time',
    tournament: 'tournament',
  },
  kind: 'What',
} as const;

/** What moving a session says. */
export const MOVE_WORDS = {
  put: 'Put it on',
  cant: (why: string) => `Not as it is: ${why}.`,
  fits: 'Every rule holds there.',
  move: 'Put it there',
  moved: 'Moved.',
} as const;

/** What the week on the rail says. */
export const WEEK_BOARD_WORDS = {
  title: 'The week, day by day',
  how: 'Take a session with the mouse, a finger or the space bar, and put it on another day; the arrow keys go day by day.',
  minutes: (minutes: number) => `${minutes} min`,
} as const;
