import { REQUESTED_BY } from '@inchstep/core/checkins';
import { CLUBS, VIEW_KINDS } from '@inchstep/core/intake';
import { STAGES } from '@inchstep/core/practice';
import { z } from 'zod';
import { daySchema, idSchema } from '../../shared.ts';

const ask = {
  kinds: z.array(z.enum(VIEW_KINDS)).min(1).max(2),
  swings: z.int().min(1).max(20),
  dueOn: daySchema,
  drill: z.string().min(1).max(80).nullable(),
  stage: z.enum(STAGES).nullable(),
  club: z.enum(CLUBS).nullable(),
  aid: z.enum(['on', 'off']).nullable(),
  why: z.string().max(500),
};
export const filmAskSchema = z.strictObject(ask);
export const newFilmRequestSchema = z.strictObject({
  id: idSchema,
  ...ask,
  /** Also by mail, with its day as a date for the calendar. */
  byMail: z.boolean().default(false),
});
export type NewFilmRequest = z.infer<typeof newFilmRequestSchema>;

/** A request with where it stands. */
export const filmRequestSchema = z.object({
  id: idSchema,
  ...ask,
  from: z.enum(REQUESTED_BY),
  because: z.string().nullable(),
  askedAt: z.string(),
  withdrawnAt: z.string().nullable(),
  state: z.enum(['open', 'overdue', 'fulfilled', 'withdrawn']),
  missing: z.array(z.enum(VIEW_KINDS)),
  fulfilledAt: z.string().nullable(),
});
export type FilmRequestSeen = z.infer<typeof filmRequestSchema>;

/** The latest first, and what would be asked next. */
export const filmRequestsSchema = z.object({ requests: z.array(filmRequestSchema), next: filmAskSchema });
export type FilmRequests = z.infer<typeof filmRequestsSchema>;
export const withdrawRequestSchema = z.strictObject({ withdrawn: z.boolean() });
