import { LANDMARKS, STATIONS } from '@inchstep/core/capture';
import { CLUBS, VIEW_KINDS } from '@inchstep/core/intake';
import { z } from 'zod';
import { cameraSchema, groundMarkSchema } from '../../formats/index.ts';
import { daySchema, idSchema, versionSchema } from '../../shared.ts';

export const clipSchema = z.object({
  id: idSchema,
  studentId: idSchema,
  kind: z.enum(VIEW_KINDS),
  fileName: z.string(),
  bytes: z.int(),
  container: z.enum(['mp4', 'mov', 'webm']),
  codec: z.string(),
  widthPx: z.int(),
  heightPx: z.int(),
  durationS: z.number(),
  frames: z.int(),
  framesPerSecond: z.number(),
  from: z.enum(['coach', 'student']),
  recordedOn: daySchema,
  createdAt: z.string(),
});
export type Clip = z.infer<typeof clipSchema>;

/** A view of one swing: its clip, what is known of the camera, and when each station comes. */
export const swingViewSchema = z.strictObject({
  kind: z.enum(VIEW_KINDS),
  clipId: idSchema.nullable(),
  widthPx: z.int().min(16).max(16384),
  heightPx: z.int().min(16).max(16384),
  camera: cameraSchema,
  groundMarks: z.array(groundMarkSchema).max(24),
  /** Seconds from the clip's start. */
  stationTimes: z.partialRecord(z.enum(STATIONS), z.number().min(0)),
});
export type SwingView = z.infer<typeof swingViewSchema>;

export const swingMarkSchema = z.strictObject({
  view: z.enum(VIEW_KINDS),
  station: z.enum(STATIONS),
  landmark: z.enum(LANDMARKS),
  u: z.number(),
  v: z.number(),
  sdPx: z.number().positive(),
});
export type SwingMark = z.infer<typeof swingMarkSchema>;

export const SWING_SPEEDS = ['half', 'three_quarter', 'full'] as const;

const swingBody = {
  recordedOn: daySchema,
  club: z.enum(CLUBS),
  speed: z.enum(SWING_SPEEDS),
  views: z.array(swingViewSchema).max(2),
  marks: z.array(swingMarkSchema).max(800),
};

export const newSwingSchema = z.strictObject({ id: idSchema, ...swingBody });
export const editSwingSchema = z.strictObject({ version: versionSchema, ...swingBody });
export const swingSchema = z.object({
  id: idSchema,
  studentId: idSchema,
  version: versionSchema,
  ...swingBody,
  from: z.enum(['coach', 'student']),
  discardedAt: z.string().nullable(),
  createdAt: z.string(),
});
export type Swing = z.infer<typeof swingSchema>;
