/** What is asked before a plan is laid. */
export const ASK_WORDS = {
  begin: 'Begin',
  nextLesson: 'Next lesson',
  days: 'Days',
  minutesOn: (day: string) => `Minutes on ${day}`,
  placeOn: (day: string) => `Place on ${day}`,
  minutes: 'min',
} as const;

/** What the coach set log says. */
export const COACH_SET_LOG_WORDS = {
  setLogged: 'Set logged.',
  countASetNow: 'Count a set now',
} as const;

/** What the day list says. */
export const DAY_LIST_WORDS = {
  atAbout: (speedPct: number) => ` at about ${speedPct} %`,
  holesWithOneThought: (sets: number) => `${sets} holes with one thought`,
  twoRehearsalsOneBall: (sets: number, looks: string, speed: string, club: string) =>
    `${sets} × two rehearsals, one ball${looks}${speed}${club}`,
  repetitionsInSets: (rehearsals: number, speed: string) =>
    `${rehearsals} repetitions in sets of ten${speed}`,
  days: 'Days',
  ahead: (count: number) => `${count} ahead`,
  min: (minutes: number) => `, ${minutes} min`,
} as const;

/** What the gate decision says. */
export const GATE_DECISION_WORDS = {
  oneRungUp: 'One rung up.',
  notedStay: 'Noted: stay.',
  oneRungDown: 'One rung down.',
  undo: 'Undo',
  aheadOfTheGate: 'ahead of the gate',
  nextRung: 'Next rung',
  nextRungAll: 'Next rung all the same',
  stay: 'Stay',
  oneDown: 'One down',
} as const;

/** What the gate tape says. */
export const GATE_TAPE_WORDS = {
  repetitionsSayOwned: 'repetitions say: owned',
  repetitionsSayNotYet: 'repetitions say: not yet',
  ofTheWay: (share: number) => `${share} % of the way`,
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
  whatGives: 'What gives',
  gateOut: 'Gate out of “',
  checks: (what: string) => `Checks: ${what}`,
} as const;

/** What the rep pad says. */
export const REP_PAD_WORDS = {
  rehearse: 'Rehearse',
  oneBall: 'One ball',
  look: 'Look',
  next: 'Next:',
  counted: 'Counted',
  missed: 'Missed',
  notSure: 'Not sure',
  ofCounted: (passed: number, count: number) => `${passed} of ${count} counted in this set.`,
  howDidItFeel: (felt: number) => `How did it feel? ${felt} of 10`,
  takeOneBack: 'Take one back',
  logThisSet: 'Log this set',
} as const;

/** What the rungs say. */
export const RUNGS_WORDS = {
  rungsLowestFirst: 'Rungs, lowest first',
  noPlaceForBalls: 'no place for balls',
  leftOut: 'left out',
  passed: 'passed',
  gate: (past: boolean, day: string) => `gate ${past ? 'was due' : 'about'} ${day}`,
  here: (note: string) => `here${note ? `, ${note}` : ''}`,
} as const;
