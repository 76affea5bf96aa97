import { UNDO_MINUTES } from '@inchstep/core/foundation';

/** What goes along with a letter. */
export const ALONG_WORDS = {
  gateAlong: (drill: string, stage: string) => `Next rung of ${drill}: “${stage}” is held`,
  askNext: (what: string) => `Ask for clips: ${what}`,
  change: (day: string) => `By ${day}. Ask for something else`,
} as const;

/** What the answer to a check-in says. */
export const ANSWER_WORDS = {
  title: 'Reply (R)',
  box: 'Reply',
  what: 'the draft',
  drafted: 'Drafted from what was measured and done. Change what you like.',
  phrases: 'Your own phrases',
  replan: 'Lay the plan anew from today',
  send: 'Send',
  sendKeys: 'Ctrl and Enter sends',
  waits: 'An attachment is still being made. The reply goes with it as soon as it is ready.',
  dontSend: 'Don’t send yet',
  sendWithout: 'Send without it',
  sent: 'Your reply',
  goes: (time: string) => `Goes at ${time}. Until then nobody reads it.`,
  gone: 'It has gone.',
  takeBack: 'Take it back',
  now: 'Send it now',
  took: 'Taken back, with all that went along.',
  next: 'Next in the queue (N)',
} as const;

/** What the facts of a review say. */
export const FACTS_WORDS = {
  what: 'the facts',
  moved: 'What changed',
  nothing: {
    none: 'No clip came; nothing new was measured.',
    waits: 'The clips wait to be looked through and measured.',
    measured: 'Nothing has clearly changed yet.',
    unseen: 'The clips show too little to measure.',
  },
  real: 'surely',
  maybe: 'probably',
  better: 'better',
  worse: 'the other way',
  thenNow: (before: string, after: string) => `${before} then, ${after} now`,
  edge: (name: string) => `${name}: at its edge`,
  practised: 'Practised',
  reps: (done: number, planned: number) =>
    planned > 0 ? `${done} of ${planned} repetitions` : `${done} repetitions`,
  since: (day: string) => `since ${day}`,
  loggedBy: (all: number, byCoach: number) =>
    byCoach === 0
      ? 'all logged by the student'
      : byCoach === all
        ? 'all logged by you'
        : `${all - byCoach} logged by the student, ${byCoach} by you`,
  passed: (percent: number) => `${percent} % of the judged ones counted`,
  felt: (felt: number) => `felt ${felt.toFixed(0)} of 10`,
  still: 'it stayed still',
  feltOf: (name: string, felt: string, was: string | null) =>
    `${name}: felt ${felt}, ${was === null ? 'not measured yet' : `was ${was}`}`,
  ball: 'Ball',
  noBall: 'Nobody said how it was met.',
  asked: 'Asked for',
  nothingAsked: 'Nothing was asked for.',
  came: 'it came',
  missing: (views: string) => `still to come: ${views}`,
} as const;

/** What the whole conversation says. */
export const CONVERSATION_WORDS = {
  title: 'Conversation',
  what: 'the conversation',
  write: 'Write to the student',
  send: 'Write',
  wrote: `Saved. It will be sent in ${UNDO_MINUTES} minutes.`,
  undo: 'Take it back',
  nothing: 'Nothing was said yet.',
  noWords: 'No words with it.',
  as: {
    checkin: 'Check-in',
    reply: 'Your answer',
    lesson: 'Letter of a lesson',
    message: 'Your word',
    asked: 'Clips asked for',
  },
  forStudent: {
    checkin: 'You',
    reply: 'Answer',
    lesson: 'Your lesson',
    message: 'A word',
    asked: 'Clips asked for',
  },
  held: (time: string) => `goes at ${time}`,
  failed: (why: string) => `A letter did not arrive: ${why}`,
  byServer: 'Letters go by mail to who agreed to it; everything stands on the student’s page.',
  byFolder: 'Letters are put into the outbox’s folder; everything stands on the student’s page.',
} as const;
