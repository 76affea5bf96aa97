import { LANDMARKS, STATIONS } from '@inchstep/core/capture';
import { VIEW_KINDS } from '@inchstep/core/intake';
import { z } from 'zod';
import { daySchema, idSchema } from '../../shared.ts';
import { swingMade } from '../capture/index.ts';

export const bandSchema = z.object({
  id: z.string(),
  unit: z.enum(['in', 'deg', 'ratio', 'thighs', 'clock', 'ms']),
  lo: z.number().nullable(),
  hi: z.number().nullable(),
  step: z.number(),
  origin: z.array(z.string()).readonly(),
});

export const measureSchema = z.object({
  id: z.string(),
  station: z.enum(STATIONS),
  value: z.number(),
  sd: z.number(),
  lo95: z.number(),
  hi95: z.number(),
  verdict: z.enum(['in', 'low', 'high', 'cant_tell']),
  severity: z.number(),
  band: bandSchema,
});

/** What was measured on one swing, as it stood when the coach last measured it. */
export const readingSchema = z.object({
  swingId: idSchema,
  recordedOn: daySchema,
  speed: z.string(),
  club: z.string(),
  ...swingMade,
  at: z.string(),
  /** The swing's version that was read; another one means that the marks have moved since. */
  version: z.number().int().optional(),
  /** The marks have moved since; it is being made anew. */
  stale: z.boolean().default(false),
  measures: z.array(measureSchema),
  /** What only a track tells; missing for marks. */
  track: z
    .object({
      /** Seconds of each station found. */
      stations: z.partialRecord(z.enum(STATIONS), z.number()),
      /** Time back over time down. */
      tempo: z.number(),
      noiseIn: z.number(),
    })
    .optional(),
});
export type Reading = z.infer<typeof readingSchema>;

/** How the body network is expected to err on a player, place by place, and how well it is known. */
export const networkSchema = z.object({
  table: z
    .array(
      z.object({
        view: z.enum(VIEW_KINDS),
        station: z.enum(STATIONS),
        landmark: z.enum(LANDMARKS),
        across: z.number(),
        down: z.number(),
        sharedSd: z.number(),
        ownSd: z.number(),
        sharedSdDown: z.number(),
        ownSdDown: z.number(),
        handSd: z.number(),
        places: z.int(),
      }),
    )
    .readonly(),
  /** Swings and places that a hand has checked. */
  swings: z.int(),
  places: z.int(),
  /** How far off the hips may still be proposed, one sd, inches; null while nothing was taught. */
  hipsSdIn: z.number().nullable(),
  /** Other students of the coach whose checked marks it was learnt from, too. */
  students: z.int(),
  /** The forgetting that can be taken back; null where nothing was forgotten. */
  forgotten: idSchema.nullable(),
});
export type NetworkErrors = z.infer<typeof networkSchema>;
