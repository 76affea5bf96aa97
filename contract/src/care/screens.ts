import { z } from 'zod';
import { idSchema } from '../shared.ts';

/** What the screen "Data and devices" shows and does. */

const backupSchema = z.object({
  name: z.string(),
  at: z.string(),
  bytes: z.number(),
  /** When it was last read back and found whole; null when it never was. */
  verifiedAt: z.string().nullable(),
});
export type BackupLine = z.infer<typeof backupSchema>;

const runSchema = z.object({
  what: z.enum(['backup', 'verify']),
  done: z.number(),
  of: z.number(),
});

const verifiedSchema = z.object({
  at: z.string(),
  ok: z.boolean(),
  rows: z.number(),
  clips: z.number(),
  /** Codes with what they are about, for words. */
  found: z.array(z.object({ code: z.string(), about: z.string(), count: z.number() })),
});
export type Verified = z.infer<typeof verifiedSchema>;

const erasureSchema = z.object({
  id: idSchema,
  what: z.enum(['student', 'clip']),
  /** Whose, while it is still here. */
  name: z.string().nullable(),
  askedAt: z.string(),
  dueAt: z.string(),
  doneAt: z.string().nullable(),
  receipt: z.record(z.string(), z.number()).nullable(),
});
export type Erasure = z.infer<typeof erasureSchema>;

const sessionSchema = z.object({
  id: z.string(),
  device: z.string(),
  createdAt: z.string(),
  lastUsedAt: z.string(),
  here: z.boolean(),
});
const openLinkSchema = z.object({
  id: idSchema,
  studentId: idSchema,
  name: z.string(),
  createdAt: z.string(),
  expiresAt: z.string(),
  lastUsedAt: z.string().nullable(),
});

export const careSchema = z.object({
  now: z.string(),
  backupDir: z.string().nullable(),
  backups: z.array(backupSchema),
  running: runSchema.nullable(),
  /** Why the last backup or check could not be finished; null when it could. */
  trouble: z.string().nullable(),
  verified: verifiedSchema.nullable(),
  storage: z.object({
    dataDir: z.string(),
    databaseBytes: z.number(),
    clipBytes: z.number(),
    clips: z.number(),
    letters: z.number(),
    freeBytes: z.number(),
  }),
  erasures: z.array(erasureSchema),
  sessions: z.array(sessionSchema),
  links: z.array(openLinkSchema),
  contact: z.string(),
});
export type Care = z.infer<typeof careSchema>;

export const erasableSchema = z.enum(['student', 'clip']);
export const erasurePreviewSchema = z.object({
  name: z.string(),
  /** How much would go, by kind. */
  counts: z.record(z.string(), z.number()),
  /** Backups in the folder that would still hold it. */
  backups: z.number(),
});
export type ErasurePreview = z.infer<typeof erasurePreviewSchema>;
export const askErasureSchema = z.strictObject({
  id: idSchema,
  what: erasableSchema,
  subjectId: idSchema,
});

export const passphraseSchema = z.strictObject({
  before: z.string().min(1).max(200),
  after: z.string().min(10, { error: 'use at least 10 characters' }).max(200),
});
export const contactSchema = z.strictObject({ contact: z.string().trim().max(200) });
/** A drill of the coach's own that a record brings along. */
const arrivalDrillSchema = z.object({
  id: z.string(),
  name: z.string(),
  /** New here; known and the same; known and another one (ours stays). */
  state: z.enum(['new', 'same', 'other']),
  differs: z.array(z.object({ path: z.string(), ours: z.string(), theirs: z.string() })),
});
export type ArrivalDrill = z.infer<typeof arrivalDrillSchema>;

/** A record that was read and waits for the coach's word; nothing of it is kept yet. */
export const arrivalSchema = z.object({
  /** Names it in what follows; it waits half an hour. */
  ticket: idSchema,
  studentId: idSchema,
  name: z.string(),
  rows: z.number(),
  clips: z.number(),
  drills: z.array(arrivalDrillSchema),
  /** Where letters went; agreed to again before any goes there. */
  mail: z.string().nullable(),
  /** Letters that had not gone: they are not sent from here. */
  unsent: z.number(),
});
export type Arrival = z.infer<typeof arrivalSchema>;

export const takenInSchema = z.object({
  studentId: idSchema,
  name: z.string(),
  rows: z.number(),
  clips: z.number(),
});
export type TakenIn = z.infer<typeof takenInSchema>;
