export type { Aside, CheckinRecord } from './checkinRecord.ts';
export { conversationOf, type Enclosed, type Said, saidBy } from './conversation.ts';
export {
  captionAt,
  ENCLOSURE_LIMITS,
  ENCLOSURES,
  type EnclosureKind,
  MOST_ENCLOSURES,
  TALK_BYTES_PER_MINUTE,
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
  requestNow,
  requestSeen,
  SPEED_OF_STAGE,
} from './filmRequest.ts';
export { goesAfter, isFinal, letterState, nextTry } from './letters.ts';
export { phrasesOf } from './phrases.ts';
export { planAsks } from './planAsk.ts';
export { QUEUE_REASONS, type QueueEntry, rankQueue } from './queue.ts';
export { betterFirst, type FilmSeen, type MovedMeasure, type ReplyFacts, worseFirst } from './reply.ts';
export { replyGate } from './replyGate.ts';
export {
  LANES,
  type Lane,
  nextSending,
  outcomeOf,
  placeAfter,
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
  opensAt,
  type PainReport,
  painReportOf,
  type Since,
  silentFrom,
  waitingAt,
  whyWaiting,
} from './waiting.ts';
