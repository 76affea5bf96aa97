/** What the answer says. */
export const ANSWER_WORDS = {
  chosen: 'Chosen.',
  undo: 'Undo',
  first: 'First:',
  twoLooks: 'Two looks at the diagnosis',
  reasons: 'Reasons',
  chainBoard: 'Chain board',
  notEnoughToGo: 'Not enough to go on',
  nothingHereIsMore: 'Nothing here is more likely than not.',
  measureASwing: 'Measure a swing, or tick what you saw.',
  nothingStandsOut: 'Nothing stands out',
  whatWasMeasuredLies:
    'What was measured lies in its bands or can’t be told. No drill is needed for what can be seen here.',
  work: 'Work on:',
  and: ' and ',
  nothingChosen: 'nothing chosen',
  whyYouChooseDifferently: 'Why you choose differently',
  workOnThisFind: 'Work on this, find the drill',
} as const;

/** What the answer parts say. */
export const ANSWER_PARTS_WORDS = {
  nextLook: 'Next look',
  aboutSBits: (seconds: number, gainBits: string) => `about ${seconds} s, ${gainBits} bits`,
  leaveAloneForNow: 'Leave alone for now',
  chosen: 'Chosen',
  chooseInstead: 'Choose instead',
} as const;

/** What the chain board says. */
export const CHAIN_BOARD_WORDS = {
  theChain: 'the chain',
  chainBoard: 'Chain board',
  leftWhatWasFound: 'Left: what was found. Right: where it begins.',
  allFaults: 'All faults',
  wouldExplainOfFindings: (picked: string, findings: number, count: number) =>
    `${picked} would explain ${findings} of ${count} findings`,
  chainFromFindings: 'Chain from findings to roots',
  chainAsAList: 'The chain as a list',
  found: (found: string) => `. Found: ${found}`,
  mayComeFrom: (causes: string) => `. May come from: ${causes}`,
} as const;

/** What the diagnosis screen says. */
export const DIAGNOSIS_SCREEN_WORDS = {
  theDiagnoses: 'the diagnoses',
  diagnoseAgain: 'Diagnose again',
  diagnose: 'Diagnose',
  noDiagnosis: 'No diagnosis of this yet',
  tickWhatYouSaw:
    'Tick what you saw, or bring a measured swing, and press Diagnose. A look you did not take counts for nothing, either way.',
  whatIsKnown: 'What is known',
  measuredSwing: 'Measured swing',
  noneLooksOnly: 'None: looks only',
  marks: (count: number) => `${count} marks`,
  allAlike: (sameDay: number) => `All ${sameDay} alike of that day together, so that no one swing decides`,
} as const;

/** What the findings say. */
export const FINDINGS_WORDS = {
  notLooked: 'not looked',
  lookedNotThere: 'looked, not there',
  findALook: 'Find a look',
  findALookAFew: 'Find a look: a few letters, then Enter',
  noLook: 'No look by that name.',
} as const;

/** What the root card says. */
export const ROOT_CARD_WORDS = {
  first: 'First',
  second: 'Second',
  also: 'Also',
  chosen: 'Chosen',
  choose: 'Choose',
  wouldExplain: (explains: string) => `Would explain: ${explains}.`,
  for: 'For',
  against: 'Against',
  addsUpBeforeAnything: (
    start: string,
    what: string,
    against: string,
    rest: string,
    start2: string,
    probability: string,
  ) =>
    `Adds up: ${start} before anything was known, ${what} for, ${against} against, ${rest} from all else = ${start2}, which is ${probability}.`,
  ifThisWereNot: (onlyExplains: string) => `If this were not so, nothing would account for: ${onlyExplains}.`,
  nothing: 'Nothing.',
  notSoFinding: (finding: string) => `Not so: ${finding}`,
  notSo: 'Not so',
  andMoreTogether: (count: number, more: string) => `And ${count} more, ${more} together.`,
} as const;

/** What the shot ticks say. */
export const SHOT_TICKS_WORDS = {
  shots: (count: number, recordedOn: string) => `${count} shots of ${recordedOn}:`,
  noHabitShown: 'no habit shown',
  shown: (count: number) => `${count} shown`,
  ruledOut: (count: number) => `, ${count} ruled out.`,
  takenOver: 'Taken over',
  takeOverWhat: 'Take over what the shots say',
} as const;

/** What the standing says. */
export const STANDING_WORDS = {
  and: ' and ',
  yourChoiceStands: (workOn: string) => `Your choice stands: ${workOn}.`,
  thisWouldNowChange: (note: string, workOn: string) =>
    `${note}This would now change: the program puts ${workOn} first.`,
  takeThePrograms: 'Take the program’s',
  swingOfWouldChange: (recordedOn: string) => `The swing of ${recordedOn} would change this:`,
  first: (workOn: string) => `${workOn} first`,
  nothingStandsOutAny: 'nothing stands out any more',
  look: 'Look at it',
  asBefore: 'as before',
  notSeenEitherWay: 'not seen either way',
  sinceTheDiagnosis: (at: string) => `Since the diagnosis ${at}`,
  thenStepsOut: (then: string, here: string) => ` (${then} then ${here} steps out)`,
  setAsideAsWrong: 'Set aside as wrong',
  countItAgain: 'Count it again',
} as const;

/** What the look groups say. */
export const LOOK_GROUPS_WORDS = {
  also: 'Also',
  theBall: 'The ball',
} as const;
