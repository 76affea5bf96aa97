import { AID_STATES } from '@inchstep/core/capture';
import { MOST_FELT, QUEUE_REASONS } from '@inchstep/core/checkins';
import { CLUBS, SCHOOL_OPTIONS } from '@inchstep/core/intake';
import { type PlanFile, type PlanPack, STAGES } from '@inchstep/core/practice';
import type { Drill } from '@inchstep/core/prescription';
import { z } from 'zod';
import { drillWordsSchema } from '../../formats/index.ts';
import { daySchema, idSchema, versioned } from '../../shared.ts';
import { clipSchema, SWING_SPEEDS } from '../capture/index.ts';
import { holdSchema, lessonSchema } from '../intake/index.ts';
import { gateDateSchema, loggedSetSchema, planDaySchema } from '../practice/index.ts';
import { cautionSchema, clubAmountSchema } from '../prescription/index.ts';
import { replySchema, saidSchema } from './answer.ts';
import { enclosureSchema } from './enclosure.ts';
import { filmRequestSchema } from './filmRequest.ts';

export {
  type Conversation,
  conversationSchema,
  type Letter,
  type NewMessages,
  newMessagesSchema,
  type ReplySend,
  saidSchema,
  sendReplySchema,
} from './answer.ts';
export { type NewAside, newAsideSchema } from './aside.ts';
export {
  captionsSchema,
  type Enclosure,
  enclosureSchema,
  type NewEnclosure,
  newEnclosureSchema,
  type TalkDocument,
  talkSchema,
} from './enclosure.ts';
export {
  type FilmRequestSeen,
  type FilmRequests,
  filmAskSchema,
  filmRequestSchema,
  filmRequestsSchema,
  type NewFilmRequest,
  newFilmRequestSchema,
  withdrawRequestSchema,
} from './filmRequest.ts';
export {
  type LessonFile,
  lessonFileSchema,
  type SummarySend,
  sendSummarySchema,
} from './lessonFile.ts';
export { type PainSend, painSendSchema } from './pain.ts';

export { movedSchema, type Review, type ReviewShown, reviewSchema, reviewShownSchema } from './review.ts';

export const linkSchema = z.object({
  id: idSchema,
  createdAt: z.string(),
  expiresAt: z.string(),
  revokedAt: z.string().nullable(),
  lastUsedAt: z.string().nullable(),
});
export type StudentLink = z.infer<typeof linkSchema>;
/** The token is shown once, when the link is made; only its digest is kept. */
export const newLinkSchema = linkSchema.extend({ token: z.string() });
export const askLinkSchema = z.strictObject({ days: z.int().min(1).max(365) });

const madeSaidSchema = z.strictObject({
  club: z.enum(CLUBS).nullable(),
  speed: z.enum(SWING_SPEEDS).nullable(),
  aid: z.enum(AID_STATES).nullable(),
});
/** What a student felt, said before anything measured is seen. */
const feltAnswerSchema = z.strictObject({
  measure: z.string().min(1).max(60),
  felt: z.number().min(0).max(MOST_FELT),
});
export type MadeSaid = z.infer<typeof madeSaidSchema>;
export const checkinSendSchema = z.strictObject({
  id: idSchema,
  pain: z.boolean(),
  painWhere: z.string().max(200),
  /** The report of pain that went ahead of it; null = this is the report. */
  painId: idSchema.nullable().default(null),
  note: z.string().max(2000),
  felt: z.int().min(0).max(10).nullable(),
  feltOf: feltAnswerSchema.nullable().default(null),
  clipIds: z.array(idSchema).max(4),
  /** How the swings were made, as far as the student says; null = as they were asked for. */
  made: madeSaidSchema.nullable().default(null),
  /** The moment by the sender's own clock; a report of pain counts from then. */
  writtenAt: z.iso.datetime({ offset: true }).nullable().default(null),
});
export type CheckinSend = z.infer<typeof checkinSendSchema>;

export const checkinSchema = z.object({
  id: idSchema,
  studentId: idSchema,
  at: z.string(),
  pain: z.boolean(),
  painWhere: z.string(),
  note: z.string(),
  felt: z.number().nullable(),
  feltOf: feltAnswerSchema.nullable(),
  clips: z.array(clipSchema),
  reply: replySchema.nullable(),
  /** What goes along with the answer. */
  enclosures: z.array(enclosureSchema),
});
export type Checkin = z.infer<typeof checkinSchema>;

const queueEntrySchema = z.object({
  id: z.string(),
  studentId: idSchema,
  studentName: z.string(),
  checkinId: idSchema.nullable(),
  reason: z.enum(QUEUE_REASONS),
  waitingHours: z.number(),
  note: z.string(),
});
export type QueueRow = z.infer<typeof queueEntrySchema>;
export const queueSchema = versioned({
  rows: z.array(queueEntrySchema),
  /** Of the last seven days: check-ins that came, and those that were answered or spoken of. */
  week: z.object({ came: z.int(), answered: z.int() }),
});

export const draftSchema = z.object({ text: z.string() });

/** What the link opens: this student's own things and nobody else's. */
export const pageSchema = z.object({
  /** Names whose page it is, so that a newer link on the same phone sends what waits under an older one. */
  studentId: idSchema,
  firstName: z.string(),
  coach: z.string(),
  today: daySchema,
  handedness: z.enum(['left', 'right']),
  heightIn: z.number(),
  /** How the school sets the hips before the start: the routine keeps to it. */
  setupBias: z.enum(SCHOOL_OPTIONS.setup_bias),
  needsConsent: z.boolean(),
  hold: holdSchema.nullable(),
  day: planDaySchema.nullable(),
  nextDay: daySchema.nullable(),
  /** What the coach wants done outside the drills; empty = nothing. */
  ownTask: z.string(),
  /** What new clips are to be felt against; null = nothing is asked. */
  feel: z.object({ measure: z.string(), name: z.string(), unit: z.string() }).nullable(),
  drills: z.array(
    z.object({
      id: z.string(),
      stage: z.enum(STAGES),
      /** Repetitions to the next rung at the student's rate; null where that rate would not do. */
      more: z.number().nullable(),
      /** The count is full; the coach looks next. */
      waits: z.boolean(),
      /** Repetitions that the day still has room for; at 0 it is enough. */
      room: z.int(),
      setup: z.array(z.object({ id: z.string(), valueIn: z.number() })),
      cautions: z.array(cautionSchema),
      layers: z.array(z.object({ tells: z.enum(['student', 'film']) })),
      guard: z.string().nullable(),
      /** The checkpoint it stands at, from 1. */
      layer: z.int(),
      amounts: z.array(clubAmountSchema),
      /** How much more than real it must feel; null = as it is. */
      exaggerate: z.number().nullable(),
    }),
  ),
  /** Texts of every drill that the page names. */
  words: z.record(z.string(), drillWordsSchema),
  /** Today's, as the coach's calendar has it. */
  sets: z.array(loggedSetSchema),
  checkins: z.array(checkinSchema),
  /** The latest that the coach said, answered or not. */
  word: saidSchema.nullable(),
  /** Summaries of lessons, the latest first. */
  lessons: z.array(z.object({ id: idSchema, day: daySchema, summary: z.string() })),
  /** When coach and student meet next; null where nothing is agreed. */
  nextLesson: lessonSchema.pick({ day: true, time: true, minutes: true, mode: true, place: true }).nullable(),
  /** What the student is asked to film now; null = nothing. */
  request: filmRequestSchema.nullable(),
  clipLimitMb: z.number(),
});
/** What lies ahead on the student's page: the days of two weeks, with the dates that gates are likely met by. */
export const pagePlanSchema = z.object({
  today: daySchema,
  days: z.array(planDaySchema).readonly(),
  gates: z.array(gateDateSchema).readonly(),
  /** The whole plan with what its proof asks for: the phone proves it again before it shows it. */
  pack: z.custom<PlanPack>().nullable(),
});
/** What a phone needs to say by itself what a day asks: the record its card is laid from. */
export const pageFileSchema = z.object({
  file: z.custom<PlanFile>(),
  /** Drills that are not the house's. */
  own: z.array(z.custom<Drill>()),
});
export type PageFile = z.infer<typeof pageFileSchema>;
export type PagePlan = z.infer<typeof pagePlanSchema>;
export type StudentPage = z.infer<typeof pageSchema>;
