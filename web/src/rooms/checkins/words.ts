/** What the student's form to the coach says. */
export const FORM_WORDS = {
  title: 'Tell your coach',
  tell: (coach: string) => `Tell ${coach}`,
  sent: 'Sent. It is in the coach’s queue.',
  hurts: 'Does anything hurt?',
  yes: 'Yes',
  no: 'No',
  where: 'Where?',
  noticed: 'What did you notice?',
  guardian: 'Clips wait until a guardian has agreed.',
  clip: (limitMb: number) => `Clips, if you have some (up to 4, each up to ${limitMb} MB)`,
  leaveOut: 'Leave it out',
  viewOfClip: 'View of the clip',
  faceOn: 'Face-on: phone in front, belt high',
  downTheLine: 'Down the line: phone behind, on the hand line',
  keptHere: 'Kept on this phone; it goes by itself.',
  send: 'Send',
} as const;

/** What the review screen says. */
export const REVIEW_SCREEN_WORDS = {
  theCheckins: 'the check-ins',
  noCheckInYet: 'No check-in yet',
  giveTheStudent: 'Give the student a private link. What they send arrives here and in the queue.',
  checkinOf: (at: string) => `Check-in, ${at}`,
  pain: 'Pain:',
  placeNotSaid: 'place not said',
  allDrillsAre: '. All drills are paused.',
  noWords: 'No words with it.',
  feltOut: (felt: number) => `Felt ${felt} out of 10.`,
  thenAndNow: 'Then and now',
  clip: (i: number) => `Clip ${i}`,
  looks: (percent: number) => `Being looked through: ${percent} %.`,
  willLook: 'Waits to be looked through; go on, it is done meanwhile.',
  lookingThrough: 'Looking through the clip',
  notOnTheBench: 'The swing of this clip was put aside.',
  noClipCame: 'No clip came with this check-in.',
  gate: 'Gate',
  theDraft: 'the draft',
  allCheckIns: 'All check-ins',
  withPain: '(pain)',
  open: '(open)',
} as const;

/** What the set runner says. */
export const SET_RUNNER_WORDS = {
  enough:
    'That’s enough of this for today. Your body learns while it rests: stop here and go on with the next planned day. Your coach sees what you did.',
  noSignalKeptHere: 'No signal. Kept here, and sent later.',
  logged: 'Logged.',
  repetitionsLoggedToday: (total: number) => `${total} repetitions logged today.`,
} as const;

/** What the student link panel says. */
export const STUDENT_LINK_PANEL_WORDS = {
  studentsPage: 'Student’s page',
  giveThisAddress: 'The student scans this code, or you send the address. It is shown only now.',
  code: (name: string) => `Code that opens ${name}’s page`,
  local:
    'This address opens on this computer only. Open the program by its address in your network to make a link that phones can open.',
  sendByMail: 'Send by mail',
  mail: (name: string, url: string) => ({
    subject: 'Your practice page',
    body: `Hi ${name},\n\nyour practice page is here:\n${url}\n\nOpen it on your phone once while you have a signal; after that it also works without one. The address is yours alone, so please don’t pass it on.`,
  }),
  privateLink: 'Private link',
  copyTheLink: 'Copy the link',
  copied: 'Copied.',
  open: (until: string, lastUsed: string | null) =>
    `A link is open until ${until}, ${lastUsed === null ? 'not used yet' : `last used ${lastUsed}`}.`,
  noLinkIsOpen: 'No link is open.',
  newLinkCloses: 'New link (closes the old one)',
  makeAPrivateLink: 'Make a private link',
  close: 'Close it',
} as const;

/** What the student page screen says. */
export const STUDENT_PAGE_SCREEN_WORDS = {
  yourPage: 'your page',
  practiceOf: (firstName: string) => `${firstName}’s practice`,
  with: (coach: string) => `with ${coach}`,
  show: (other: string) => `Show ${other}`,
  fromYourCoach: 'From your coach',
  besides: (coach: string) => `Besides, from ${coach}`,
  from: (coach: string) => `From ${coach}`,
  today: 'Today',
  aboutMinutes: (minutes: number) => `, about ${minutes} minutes.`,
  toTheNextRung: (more: number | null, waits: boolean) =>
    waits
      ? 'Counted: your coach looks next, then the next rung opens.'
      : more === null
        ? 'Go easier for now: slower, smaller. The count begins again by itself.'
        : `About ${more} more that count, at your present rate.`,
  rungOpened: (drill: string, rung: string) => `Logged, and it opened the next rung of ${drill}: ${rung}.`,
  rungEased: (drill: string, rung: string) => `Logged. ${drill} goes on a rung easier: ${rung}.`,
  nothingIsPlannedYet: 'Nothing is planned yet. Your coach lays out the first drill.',
  nothingToday: (nextDay: string | null) =>
    `Nothing is planned today${nextDay === null ? '' : `; the next day is ${nextDay}`}.`,
  practiseAnyway: 'Practise anyway',
  theCard: 'the card',
  withThisClub: (amounts: string) => `With this club: ${amounts}.`,
  howToSet: 'How to set it up',
} as const;

/** What the then and now says. */
export const THEN_AND_NOW_WORDS = {
  station: 'Station',
  thenOn: (recordedOn: string) => `Then: ${recordedOn}`,
  noThen: 'Then',
  noEarlierClip: (kind: string | undefined) => `No earlier ${kind} clip with named stations.`,
  nowOn: (recordedOn: string) => `Now: ${recordedOn}`,
  earlierSwing: 'Earlier swing',
  holdNowsFrame: 'Hold now’s frame as',
  thisClipCantBe: 'This clip can’t be read frame by frame here.',
  frame: (title: string) => `Frame, ${title}`,
} as const;

/** What the days ahead say. */
export const DAYS_AHEAD_WORDS = {
  notProved:
    'The days that came do not keep the rules of your plan, so they are not shown. Open the page again; if it stays, tell your coach.',
  title: 'The days ahead',
  what: 'the days ahead',
  none: 'Nothing is planned for the next two weeks.',
  minutes: (place: string, minutes: number) => `${place}, ${minutes} min`,
  print: 'Print the week',
  calendar: 'Put the dates in a calendar',
  subscribe:
    'Or subscribe to this address in your calendar: it keeps itself up to date when the plan changes. It is as private as this page.',
} as const;

/** When coach and student meet. */
export const MEETINGS_WORDS = {
  title: 'Lessons',
  next: 'Next lesson:',
  print: 'On paper',
  at: (time: string) => ` at ${time}`,
  where: (place: string, video: boolean) => (video ? ', by video call' : place === '' ? '' : `, ${place}`),
  lesson: (day: string) => `Your lesson, ${day}`,
} as const;

/** What asking for clips says. */
export const ASK_FIELDS_WORDS = {
  views: 'Views',
  swings: 'Swings',
  by: 'By',
  why: 'Why (the student reads it)',
} as const;

/** What the panel of requests says. */
export const REQUEST_PANEL_WORDS = {
  title: 'Clips asked for',
  what: 'what was asked',
  state: {
    open: (due: string) => `by ${due}`,
    overdue: (due: string) => `was due ${due}`,
    fulfilled: () => 'has come',
    withdrawn: () => 'taken back',
  },
  from: { coach: '', gate: 'Asked by the plan, for a gate: ', review: 'Asked by the plan, for a review: ' },
  byMail: 'Also by mail, with the date for the calendar',
  missing: (views: string) => `Still to come: ${views}.`,
  takeBack: 'Take back',
  takenBack: 'Taken back.',
  undo: 'Undo',
  next: (what: string) => `Next: ${what}`,
  ask: 'Ask for it',
  asked: 'Asked. It stands on the student’s page.',
} as const;

/** What the student's page says of what was asked. */
export const ASKED_WORDS = {
  title: (coach: string) => `${coach} asks for clips`,
  by: (day: string, late: boolean) => (late ? `It was for ${day}; it still helps.` : `By ${day}.`),
  left: (view: string) => `Still to come: ${view}.`,
  how: 'How to film it',
} as const;
