/** What the http says. */
export const HTTP_WORDS = {
  noConnection: 'No connection to the program. What you entered is still here; try again when it is back.',
  tooLarge: 'This clip is larger than the program takes. Film shorter, or with a smaller picture.',
} as const;

/** What the not here says. */
export const NOT_HERE_WORDS = {
  nothingAtThisAddress: 'Nothing at this address',
  toToday: 'To today',
  itMayHaveBeen: 'It may have been moved or archived. Nothing you saved is lost.',
  needsLine: 'This screen needs a connection',
  keptMeanwhile:
    'The program doesn’t answer right now. What you did so far is kept on this device and will be sent when you’re back online.',
  broke: 'This screen stopped working',
  brokeText: 'Load it again. Nothing you saved is lost.',
  tryAgain: 'Try again',
  back: 'Go back',
} as const;

/** What the parts say. */
export const PARTS_WORDS = {
  fetching: (what: string) => `Fetching ${what} …`,
  paused: (what: string) =>
    `No connection, so ${what} can’t be loaded. It loads by itself when you’re back online.`,
  somethingBroke: 'Something broke on this screen. Load it again; nothing you saved is lost.',
  tryAgain: 'Try again',
  daysAgo: (days: number) => `${days} days ago`,
  inDays: (what: number) => `in ${what} days`,
  whatYouHadTyped: 'What you had typed here is back. It is not saved yet.',
  startOver: 'Start over',
} as const;

/** What the shell says. */
export const SHELL_WORDS = {
  showOrHide: 'show or hide this list',
  ctrlOrCmdK: 'Ctrl or Cmd + k',
  goAnywhere: 'go anywhere by a few letters',
  gThenT: 'g then t',
  gThenR: 'g then r',
  gThenN: 'g then n',
  newStudent: 'new student',
  gThenD: 'g then d',
  dataAndDevices: 'data and devices',
  benchStepOneFrame: 'bench: step one frame (with Shift: ten)',
  benchNameAddressTop: 'bench: name address, top, delivery, impact, finish at this frame',
  benchNameTheStations:
    'bench: name the stations between: shaft and arm level back, arm level down, shaft level and hands chest high past the ball',
  benchChange: 'bench: change to the other view',
  benchThisBodyInside: 'bench: this body inside the school’s bands, over clip, strips and map',
  compareOneSwingOver: 'compare: one swing over the other',
  benchLandmarkBeforeLandmark: 'bench: landmark before, landmark after',
  enter: 'Enter',
  benchPutTheLandmark: 'bench: put the landmark down at its guess',
  benchAllHereRight: 'bench: all that is proposed at this station is right',
  altArrows: 'Alt + arrows',
  benchNudgeTheMark: 'bench: nudge the mark by a pixel (with Shift: five)',
  benchSeenClearlyPartly: 'bench: seen clearly, partly, guessed',
  delete: 'Delete',
  benchTakeTheMark: 'bench: take the mark away',
  benchUndoRedo: 'bench: undo, redo',
  benchReferenceLines: 'bench: reference lines on or off',
  benchToThePlace: 'bench: to the place whose mark would tell most',
  reviewReply: 'check-in: write the reply, go to the next',
  reviewAlong: 'check-in: draw, wipe; put the picture, the clip, a talk over both with the reply',
  lessonParts: 'lesson: before, film, felt, decide, count, after',
  lessonTakes: 'lesson: a take by the phones, by this device’s camera',
  lessonCounts: 'lesson: counted, missed, not sure (Enter: looked)',
  pageKeys: 'Page down, page up',
  lessonPresenter: 'lesson: counted or looked, missed; the keys of a hand-held presenter',
  backspace: 'Backspace',
  lessonTakeBack: 'lesson: take the last repetition back',
  lessonHurts: 'lesson: it hurts, stop',
  theProgram: 'the program',
  skipToThePage: 'Skip to the page',
  inchStep: 'Inch Step',
  main: 'Main',
  today: 'Today',
  roster: 'Roster',
  library: 'Library',
  schools: 'Schools',
  data: 'Data',
  showLengths: (lengths: string, lengths2: string) => `${lengths}: show lengths in ${lengths2}`,
  darkTheme: 'Dark theme for the studio',
  lightThemeForGlare: 'Light theme for glare',
  keys: 'Keys',
  signOut: 'Sign out',
  close: 'Close',
} as const;

/** What the sign in says. */
export const SIGN_IN_WORDS = {
  inchStep: 'Inch Step',
  welcomeSayWhoTeaches: 'Welcome. Say who teaches here, and choose a passphrase that opens this program.',
  recordOfYourStudents: 'The record of your students is behind this door.',
  enterAsIlseVarga: 'Enter as Ilse Varga (demo)',
  yourName: 'Your name',
  passphrase: 'Passphrase',
  atLeastCharacters: 'At least 10 characters; a short sentence is good.',
  begin: 'Begin',
  open: 'Open',
} as const;

/** What the tape says. */
export const TAPE_WORDS = {
  notMeasured: (name: string) => `${name}: not measured`,
  giveOrTake: (name: string, value: string, half95: string, verdict: string) =>
    `${name}: ${value}, give or take ${half95}${verdict}`,
} as const;

/** What the units say. */
export const UNITS_WORDS = {
  cm: (inches: string) => `${inches} cm`,
  in: (inches: string) => `${inches} in`,
} as const;
