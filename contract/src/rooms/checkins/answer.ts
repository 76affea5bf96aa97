import { z } from 'zod';
import { idSchema } from '../../shared.ts';
import { decideGateSchema } from '../practice/index.ts';
import { enclosureSchema } from './enclosure.ts';
import { newFilmRequestSchema } from './filmRequest.ts';

/** The answer to a check-in, with what is done in the same press; each can be left out. */
export const sendReplySchema = z.strictObject({
  id: idSchema,
  text: z.string().trim().min(1).max(5000),
  /** As it was drafted: what the coach always changes is learnt from the difference. */
  draft: z.string().max(10_000).default(''),
  gates: z.array(decideGateSchema).max(8).default([]),
  /** Lays the plan anew from today. */
  replan: z.boolean().default(false),
  request: newFilmRequestSchema.nullable().default(null),
});
export type ReplySend = z.infer<typeof sendReplySchema>;

export const replySchema = z.object({
  id: idSchema,
  text: z.string(),
  at: z.string(),
  /** Until then it can be taken back, and the student does not see it; null = it has gone. */
  goesAt: z.string().nullable(),
});

/** A word of the coach's own, to one student or to several: each gets their own. */
export const newMessagesSchema = z.strictObject({
  to: z
    .array(z.strictObject({ id: idSchema, studentId: idSchema }))
    .min(1)
    .max(200),
  text: z.string().trim().min(1).max(5000),
});
export type NewMessages = z.infer<typeof newMessagesSchema>;

export const saidSchema = z.object({
  id: idSchema,
  at: z.string(),
  by: z.enum(['coach', 'student']),
  as: z.enum(['checkin', 'reply', 'lesson', 'message', 'asked']),
  text: z.string(),
  goesAt: z.string().nullable(),
  checkinId: idSchema.nullable(),
  /** What goes along with an answer. */
  enclosures: z.array(enclosureSchema).readonly().optional(),
});

/** A letter by mail, and where it stands. */
const letterSchema = z.object({
  id: idSchema,
  at: z.string(),
  subject: z.string(),
  state: z.enum(['held', 'waits', 'gone', 'failed']),
  /** What the mail server said last. */
  trouble: z.string().nullable(),
});
export type Letter = z.infer<typeof letterSchema>;
export const conversationSchema = z.object({
  said: z.array(saidSchema),
  letters: z.array(letterSchema),
  /** Whether a mail server takes the letters, or a folder of this machine. */
  by: z.enum(['server', 'folder']),
});
export type Conversation = z.infer<typeof conversationSchema>;
