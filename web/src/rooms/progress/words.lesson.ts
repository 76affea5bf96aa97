import { NOTE_WORDS } from '@inchstep/contract/words';
import type { NoteTag } from '@inchstep/core/practice';

export const LESSON_PARTS = ['before', 'film', 'felt', 'decide', 'count', 'after'] as const;
export type LessonPart = (typeof LESSON_PARTS)[number];

const clock = (minutes: number): string =>
  `${Math.floor(minutes / 60)}:${String(Math.floor(minutes % 60)).padStart(2, '0')}`;

/** What the lesson says. */
export const LESSON_WORDS = {
  leftOpen:
    'This lesson was left open, so it counts as over. Everything in it is kept; its summary can still be sent. What you do now belongs to no lesson.',
  overdone: (days: string) => `More than a day may hold: ${days}.`,
  the: 'the lesson',
  parts: {
    before: 'Before',
    film: 'Film',
    felt: 'Felt',
    decide: 'Decide',
    count: 'Count',
    after: 'After',
  } satisfies Record<LessonPart, string>,
  partsLabel: 'Parts of the lesson',
  beginToday: (time: string | null) => `Start today’s ${time === null ? '' : `${time} `}lesson`,
  beginHere: 'Begin, in the bay',
  beginVideo: 'Begin, by video call',
  begin: 'Begin this one',
  running: (minutes: number) => `Going on for ${clock(minutes)} h`,
  over: (minutes: number) => `${clock(minutes)} h`,
  end: 'End the lesson',
  ended: 'The lesson is over.',
  goOn: 'It goes on',
  toNext: 'To the next one',
  why: 'Why we are here',
  done: 'What was done',
  moved: 'What moved',
  due: 'What is due',
  care: 'Careful',
  lastWords: 'Last words',
  first: 'Look at first',
  firstSwings: 'First three swings before any word: they show what lasted.',
  nothing: 'nothing yet',
  reps: (done: number, planned: number) => `${done} of ${planned} planned repetitions`,
  noTool: 'Agree a lesson, or begin one now.',
  taken: 'The take is on the bench.',
  strip: (minutes: number) => `The lesson so far, ${Math.round(minutes)} minutes`,
  noMoments: 'Takes, words, sets and decisions will stand here as they happen.',
} as const;

/** What agreeing lessons says. */
export const DATES_WORDS = {
  title: 'Lessons agreed',
  none: 'None agreed.',
  day: 'Day',
  time: 'Time',
  minutes: 'Minutes',
  place: 'Place',
  video: 'By video call',
  agree: 'Agree it',
  move: 'Move it there',
  change: 'Change',
  keep: 'Leave it',
  cancel: 'Call off',
  cancelled: 'Called off.',
  agreed: 'Agreed.',
  undo: 'Undo',
  begin: 'Begin this one',
  clash: (name: string, time: string) => `At that time you are with ${name} (${time}).`,
  open: 'time open',
  line: (minutes: number, place: string, video: boolean) =>
    [`${minutes} min`, video ? 'video call' : place].filter((part) => part !== '').join(', '),
} as const;

/** What notes in a lesson say. */
export const LESSON_NOTE_WORDS = {
  title: 'Notes',
  what: 'Note',
  keep: 'Keep it',
  kept: 'Kept.',
  undo: 'Undo',
  hint: 'A key says what it is and keeps what is written; Enter keeps a plain note.',
  tag: (tag: NoteTag) => NOTE_WORDS[tag],
} as const;

/** What the felt answer says. */
export const FELT_WORDS = {
  title: 'What did it feel like?',
  first: 'Asked before the tape is shown; both are kept.',
  measure: 'Of what',
  amount: (unit: string) => `How much, ${unit}`,
  still: 'It stayed still',
  words: 'In words',
  keep: 'Keep, and show the tape',
  against: (felt: string, measured: string) => `Felt ${felt}, measured ${measured}.`,
  unmeasured: 'Nothing of today is measured yet: the answer waits for it.',
  none: 'No drill is in use, so no measure is asked for.',
} as const;

/** What the takes of a lesson say. */
export const TAKES_WORDS = {
  title: 'Today’s takes',
  reads: 'Read new clips on this device',
  take: (number: number) => `Take ${number}`,
  views: (views: readonly string[]) =>
    views.length > 1 ? `One swing from two cameras: ${views.join(' and ')}` : views.join(),
  looks: (view: string, percent: number) => `Being looked through, ${view}: ${percent} %.`,
  lookingThrough: 'Looking through the clip',
  waits: 'Waits to be read.',
  byHand: 'Not read: this device doesn’t read by itself.',
  reading: 'Being measured.',
  unseen: {
    clip: 'The clip can’t be opened here. Film it anew, or open it on another device.',
    nobody: 'Nobody was found in it: mark it by hand, or film it anew.',
    no_swing: 'No whole swing was found in it: name its moments by hand, or film it anew.',
    two_swing: 'More than one person swings in it: say on the bench which of them is the student.',
  },
  read: (measures: number, unsure: number, proposed: boolean) =>
    [
      `${measures} ${measures === 1 ? 'measure' : 'measures'}`,
      unsure > 0 ? `${unsure} can’t tell` : '',
      proposed ? 'by proposed marks, not checked' : 'by checked marks',
    ]
      .filter((part) => part !== '')
      .join(', '),
  bench: 'Bench',
  askFirst: 'Ask what it felt like before the tapes are seen.',
  showAll: 'Show the tapes',
  together: 'Together',
  pooled: (swings: number, then: string | null) =>
    `${swings === 1 ? 'One swing' : `${swings} swings together`}${then === null ? '' : `, beside ${then}`}`,
  nothingOut: 'Nothing lies surely outside its band.',
} as const;

/** What deciding says. */
export const DECIDE_WORDS = {
  title: 'Decide',
  why: 'Why, if it is to be kept',
  fromToday: 'What do today’s swings say?',
  roots: (day: string) => `Where it begins, as seen ${day}`,
  work: 'Work on it',
  worked: 'Is worked on',
  chosen: 'Worked on from now.',
  undo: 'Undo',
  drills: 'Drills that fit',
  take: 'Take into use',
  inUse: 'In use',
  taken: 'In use. The ladder lays its plan.',
  match: 'All drills, and why not the others',
  reasons: 'Why it happens',
  ladder: 'Ladder and plan',
} as const;

/** What counting in a lesson says. */
export const CHOICE_WORDS = {
  none: 'No drill in use',
  choose: 'Choose a drill',
  first: 'Counting begins with a drill.',
  drill: 'Drill',
  rung: 'On',
  full: 'full speed, as a test',
  club: 'Club',
  usual: 'as the rung asks',
  aid: 'Aid',
  aids: { on: 'on', off: 'away', alternating: 'on and away in turn' },
} as const;

/** What the end of a lesson says. */
export const AFTER_WORDS = {
  title: 'To the student',
  hint: 'Drafted from what happened. Change it as you like; it goes to the student’s page and as a letter.',
  send: 'Send, and end the lesson',
  sent: 'Sent.',
  sentOn: 'Sent to the student:',
  print: 'Print it',
  anew: 'Draft it anew',
  gates: 'Gates',
  text: 'Summary',
} as const;
