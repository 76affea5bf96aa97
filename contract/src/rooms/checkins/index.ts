import { QUEUE_REASONS } from '@inchstep/core/checkins';
import { SCHOOL_OPTIONS } from '@inchstep/core/intake';
import { type PlanPack, STAGES } from '@inchstep/core/practice';
import { z } from 'zod';
import { drillWordsSchema } from '../../formats/index.ts';
import { daySchema, idSchema, versioned } from '../../shared.ts';
import { clipSchema } from '../capture/index.ts';
import { holdSchema, lessonSchema } from '../intake/index.ts';
import { gateDateSchema, loggedSetSchema, planDaySchema } from '../practice/index.ts';
import { cautionSchema, clubAmountSchema } from '../prescription/index.ts';
import { filmRequestSchema } from './filmRequest.ts';

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
  sendSummarySchema,
} from './lessonFile.ts';

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

export const checkinSendSchema = z.strictObject({
  id: idSchema,
  pain: z.boolean(),
  painWhere: z.string().max(200),
  note: z.string().max(2000),
  felt: z.int().min(0).max(10).nullable(),
  clipIds: z.array(idSchema).max(4),
  /** The moment by the sender's own clock; a report of pain counts from then. */
  writtenAt: z.iso.datetime({ offset: true }).nullable().default(null),
});
export type CheckinSend = z.infer<typeof checkinSendSchema>;

export const replySchema = z.object({ id: idSchema, text: z.string(), at: z.string() });
export const checkinSchema = z.object({
  id: idSchema,
  studentId: idSchema,
  at: z.string(),
  pain: z.boolean(),
  painWhere: z.string(),
  note: z.string(),
  felt: z.number().nullable(),
  clips: z.array(clipSchema),
  reply: replySchema.nullable(),
});
export type Checkin = z.infer<typeof checkinSchema>;

export const queueEntrySchema = z.object({
  id: z.string(),
  studentId: idSchema,
  studentName: z.string(),
  checkinId: idSchema.nullable(),
  reason: z.enum(QUEUE_REASONS),
  waitingHours: z.number(),
  note: z.string(),
});
export type QueueRow = z.infer<typeof queueEntrySchema>;
export const queueSchema = versioned({ rows: z.array(queueEntrySchema) });

export const draftSchema = z.object({ text: z.string() });
export const sendReplySchema = z.strictObject({ id: idSchema, text: z.string().trim().min(1).max(5000) });

/** What the link opens: this student's own things and nobody else's. */
export const pageSchema = z.object({
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
  drills: z.array(
    z.object({
      id: z.string(),
      stage: z.enum(STAGES),
      /** Repetitions to the next rung at the student's rate; null where that rate would not do. */
      more: z.number().nullable(),
      /** The count is full; the coach looks next. */
      waits: z.boolean(),
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
export type PagePlan = z.infer<typeof pagePlanSchema>;
export type StudentPage = z.infer<typeof pageSchema>;
