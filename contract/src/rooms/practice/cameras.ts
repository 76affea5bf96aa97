import { TAKE_SECONDS } from '@inchstep/core/capture';
import { VIEW_KINDS } from '@inchstep/core/intake';
import { z } from 'zod';
import { idSchema } from '../../shared.ts';

const takeSchema = z.object({
  id: idSchema,
  /** By the program's clock, ms. */
  startMs: z.number(),
  seconds: z.number(),
  arrived: z.array(z.enum(VIEW_KINDS)).readonly(),
});

/** The way in for phones that film a lesson; shown once. */
export const cameraLinkSchema = z.object({
  token: z.string(),
  /** Where a phone learns to trust the program's own certificate; null where it has none of its own. */
  trust: z.object({ port: z.int(), fingerprint: z.string() }).nullable(),
});
export type CameraLink = z.infer<typeof cameraLinkSchema>;

/** What the coach sees of them. */
export const cameraDeskSchema = z.object({
  cameras: z.array(z.object({ id: z.string(), kind: z.enum(VIEW_KINDS) })),
  takes: z.array(takeSchema),
});
export type CameraDeskSeen = z.infer<typeof cameraDeskSchema>;

export const askTakeSchema = z.strictObject({
  id: idSchema,
  seconds: z.number().min(TAKE_SECONDS.least).max(TAKE_SECONDS.most).default(TAKE_SECONDS.usual),
});

/** What a phone says of itself with every question. */
export const cameraHelloSchema = z.strictObject({ id: idSchema, kind: z.enum(VIEW_KINDS) });
/** What it is told: the time here, whom it films, and what it has still to film. */
export const cameraPageSchema = z.object({
  nowMs: z.number(),
  lessonId: idSchema,
  /** The lesson has ended: nothing more is filmed, what was is still taken in. */
  over: z.boolean(),
  firstName: z.string(),
  coach: z.string(),
  needsConsent: z.boolean(),
  clipLimitMb: z.number(),
  /** Standing height of who is filmed: the ruler of the picture. */
  heightIn: z.number(),
  takes: z.array(takeSchema),
});
export type CameraPage = z.infer<typeof cameraPageSchema>;
