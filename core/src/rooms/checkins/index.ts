export type { Aside, CheckinEntry, CheckinRecord } from './checkinRecord.ts';
export { conversationOf, type Enclosed, type Said, saidBy } from './conversation.ts';
export {
  type Caption,
  captionAt,
  ENCLOSURE_LIMITS,
  ENCLOSURES,
  type EnclosureKind,
  MOST_ENCLOSURES,
  TALK_BYTES_PER_MINUTE,
  type Talk,
  type TalkTrouble,
  talkTrouble,
  withCaption,
} from './enclosures.ts';
export { type FeltAgainst, type FeltAnswer, feltAgainst, feltAsked, MOST_FELT } from './felt.ts';
export {
  type Arrived,
  type FilmAsk,
  type FilmRequest,
  madeAsAsked,
  proposeRequest,
  REQUESTED_BY,
  type RequestSeen,
  type RequestState,
  requestNow,
  requestSeen,
  SPEED_OF_STAGE,
} from './filmRequest.ts';
export { goesAfter, isFinal, type LetterState, letterState, nextTry, UNDO_MINUTES } from './letters.ts';
export { phrasesOf, type Written } from './phrases.ts';
export { type PlanAsked, planAsks } from './planAsk.ts';
export {
  QUEUE_REASONS,
  type QueueEntry,
  type QueueReason,
  type Ranked,
  REPLY_DUE_HOURS,
  rankQueue,
  SILENT_AFTER_DAYS,
  type Waiting,
} from './queue.ts';
export { betterFirst, type FilmSeen, type MovedMeasure, type ReplyFacts, worseFirst } from './reply.ts';
export { type ReplyGate, replyGate } from './replyGate.ts';
export {
  LANES,
  type Lane,
  laneOf,
  nextSending,
  type Outcome,
  outcomeOf,
  placeAfter,
  SENDINGS,
  type Sending,
  type SendingKind,
  withoutClip,
} from './sendings.ts';
export {
  opensAtMs,
  type SpokenMove,
  type SpokenScene,
  sceneAt,
  tickBeside,
  tickNear,
  ticksOf,
  withMove,
} from './spoken.ts';
export {
  lastSign,
  opensAt,
  type PainReport,
  painReportOf,
  type Since,
  silentFrom,
  type WaitingFile,
  waitingAt,
  whyWaiting,
} from './waiting.ts';
