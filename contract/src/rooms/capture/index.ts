import {
  AID_STATES,
  CUE_STATES,
  LANDMARKS,
  LOOK_TROUBLES,
  MOTION_UNITS,
  STATIONS,
} from '@inchstep/core/capture';
import { CLUBS, HANDS, PLACES, VIEW_KINDS } from '@inchstep/core/intake';
import { z } from 'zod';
import { cameraSchema, groundMarkSchema, movingSchema } from '../../formats/index.ts';
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
  /** What is noted of this clip makes no sense: it is shown as such and can be erased. */
  trouble: z.enum(['unreadable']).nullable().default(null),
});
export type Clip = z.infer<typeof clipSchema>;

/** A clip that came in pieces and is whole now. */
export const wholeClipSchema = z.strictObject({
  pieces: z.string().regex(/^[0-9a-f]{32}$/),
  id: idSchema,
  kind: z.enum(VIEW_KINDS),
  recordedOn: daySchema,
});
export type WholeClip = z.infer<typeof wholeClipSchema>;

/** A view of one swing: its clip, what is known of the camera, and when each station comes. */
const swingViewSchema = z.strictObject({
  kind: z.enum(VIEW_KINDS),
  clipId: idSchema.nullable(),
  widthPx: z.int().min(16).max(16384),
  heightPx: z.int().min(16).max(16384),
  camera: cameraSchema,
  groundMarks: z.array(groundMarkSchema).max(24),
  /** Seconds from the clip's start. */
  stationTimes: z.partialRecord(z.enum(STATIONS), z.number().min(0).max(7200)),
  /** When the pelvis starts forward, seconds; named by who wants its lead before the top. */
  startDownS: z.number().min(0).max(7200).optional(),
  /** Set where the program looked through the clip in vain, and why; it is not tried again by itself. */
  looked: z.enum(LOOK_TROUBLES).optional(),
});
export type SwingView = z.infer<typeof swingViewSchema>;

export const TRACK_KINDS = ['csv', 'trc', 'c3d'] as const;

const swingMarkSchema = z.strictObject({
  view: z.enum(VIEW_KINDS),
  station: z.enum(STATIONS),
  landmark: z.enum(LANDMARKS),
  u: z.number().min(-100_000).max(100_000),
  v: z.number().min(-100_000).max(100_000),
  sdPx: z.number().min(1e-4).max(1000),
  /** Proposed by the body network and not yet touched by the coach. */
  by: z.literal('network').optional(),
  /** Sd of what all proposals of this landmark in this clip are off by together. */
  sharedSdPx: z.number().min(0).max(1000).optional(),
  /** Both again down the picture, where they differ from across. */
  sdDownPx: z.number().min(1e-4).max(1000).optional(),
  sharedSdDownPx: z.number().min(0).max(1000).optional(),
  /** Of its own, what hands left open that taught it: no other mark goes along with that. */
  handSdPx: z.number().min(0).max(1000).optional(),
  moving: movingSchema.optional(),
  /** Where the network saw it, kept when a hand checks it: it teaches how the network errs on this player. */
  net: z
    .strictObject({
      u: z.number().min(-100_000).max(100_000),
      v: z.number().min(-100_000).max(100_000),
      heightPx: z.number().min(1).max(100_000),
      seen: z.number().min(0).max(1).optional(),
      scatter: z.number().min(0).max(10).optional(),
    })
    .optional(),
});
export type SwingMark = z.infer<typeof swingMarkSchema>;

export const SWING_SPEEDS = ['half', 'three_quarter', 'full'] as const;

/** A motion file of a swing and what was taken for granted in reading it. */
const swingTrackSchema = z.object({
  fileName: z.string(),
  kind: z.enum(TRACK_KINDS),
  /** Name in the clip folder: content hash and ending. */
  file: z.string(),
  frames: z.int(),
  seconds: z.number(),
  unit: z.enum(MOTION_UNITS),
  unitGuessed: z.boolean(),
  aligned: z.enum(['as_written', 'ankles_on_target_line']),
  unmatched: z.array(z.string()),
});
export type SwingTrack = z.infer<typeof swingTrackSchema>;

/** How a swing was made; null where nobody said. */
export const swingMade = {
  /** The drill it was made in; null outside any, and where nobody said. */
  drill: z.string().min(1).max(80).nullable().default(null),
  aid: z.enum(AID_STATES).nullable().default(null),
  place: z.enum(PLACES).nullable().default(null),
  /** Before or after the first cue of its day. */
  cue: z.enum(CUE_STATES).nullable().default(null),
};

const swingBody = {
  recordedOn: daySchema,
  club: z.enum(CLUBS),
  speed: z.enum(SWING_SPEEDS),
  ...swingMade,
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
  track: swingTrackSchema.nullable(),
  from: z.enum(['coach', 'student']),
  discardedAt: z.string().nullable(),
  createdAt: z.string(),
});
export type Swing = z.infer<typeof swingSchema>;

/** A swing whose clips are still to be looked through, and of whom they are. */
export const swingToLookSchema = z.object({
  swing: swingSchema,
  firstName: z.string(),
  golfer: z.object({ heightIn: z.number(), handedness: z.enum(HANDS) }),
});
export type SwingToLook = z.infer<typeof swingToLookSchema>;

export { captureFrom, type Marked } from './captureFrom.ts';
export {
  type ColumnMatchForm,
  editShotSetSchema,
  newPressureSchema,
  newShotSetSchema,
  type Pressure,
  pressureSchema,
  type RememberedMatch,
  rememberedMatchSchema,
  type ShotSet,
  type ShotSetLine,
  shotSchema,
  shotSetLineSchema,
  shotSetSchema,
} from './devices.ts';

/** A clip as a view of a swing about which nothing is known yet. */
export const viewOf = (clip: Clip): SwingView => ({
  kind: clip.kind,
  clipId: clip.id,
  widthPx: clip.widthPx,
  heightPx: clip.heightPx,
  camera: {},
  groundMarks: [],
  stationTimes: {},
});

/** The small fields that a clip's file comes with, and a motion file. */
export const clipFieldsSchema = z.object({ id: idSchema, kind: z.enum(VIEW_KINDS), recordedOn: daySchema });
export const trackFieldsSchema = z.object({ id: idSchema, recordedOn: daySchema, club: z.enum(CLUBS) });
