import { type Capture, LANDMARKS, STATIONS } from '@inchstep/core/capture';
import {
  ARM_SWINGS,
  BAND_ROWS,
  CLUBS,
  FLEXIBILITIES,
  HANDS,
  resolveSchool,
  SCHOOL_OPTIONS,
  SCHOOL_PRESETS,
  type School,
  type SchoolAnswers,
  type SchoolChoiceSet,
  type SchoolPreset,
  VIEW_KINDS,
} from '@inchstep/core/intake';
import { z } from 'zod';

const presets = Object.keys(SCHOOL_PRESETS) as [SchoolPreset, ...SchoolPreset[]];

const measureIds = BAND_ROWS.map((row) => row.id) as [string, ...string[]];
const edge = z.number().min(-10_000).max(10_000).nullable();
/** Edges for a player of 70 in; one side may be open, and low stays below high. */
export const bandEditSchema = z
  .strictObject({ lo: edge, hi: edge })
  .refine(({ lo, hi }) => lo !== null || hi !== null, { error: 'give at least one edge' })
  .refine(({ lo, hi }) => lo === null || hi === null || lo < hi, {
    error: 'the low edge must lie below the high one',
  });

/** Every question on which teachers differ, answered. */
export const schoolAnswersSchema = z.strictObject({
  trail_leg: z.enum(SCHOOL_OPTIONS.trail_leg),
  centre: z.enum(SCHOOL_OPTIONS.centre),
  turn_thought: z.enum(SCHOOL_OPTIONS.turn_thought),
  forward_bearing: z.enum(SCHOOL_OPTIONS.forward_bearing),
  setup_bias: z.enum(SCHOOL_OPTIONS.setup_bias),
  trail_foot: z.enum(SCHOOL_OPTIONS.trail_foot),
  head: z.enum(SCHOOL_OPTIONS.head),
  lead_knee: z.enum(SCHOOL_OPTIONS.lead_knee),
  turn_amount: z.enum(SCHOOL_OPTIONS.turn_amount),
  drop: z.enum(SCHOOL_OPTIONS.drop),
  lead_leg: z.enum(SCHOOL_OPTIONS.lead_leg),
  through: z.enum(SCHOOL_OPTIONS.through),
  begin_at: z.enum(SCHOOL_OPTIONS.begin_at),
}) satisfies z.ZodType<SchoolAnswers>;

/** A preset, any answers that differ from it, and bands of the coach's own. */
export const schoolSchema = z.strictObject({
  preset: z.enum(presets).optional(),
  ...schoolAnswersSchema.partial().shape,
  bands: z.partialRecord(z.enum(measureIds), bandEditSchema).optional(),
});
/** Every question answered. */
export const wholeSchoolSchema = z.object({
  ...schoolAnswersSchema.shape,
  bands: z.record(z.string(), bandEditSchema).optional(),
}) satisfies z.ZodType<School>;
type SchoolInput = z.infer<typeof schoolSchema>;

const positive = z.number().positive();
/** Bounds far outside anything filmed, inside which the sums stay sums. */
const sd = z.number().min(1e-4).max(1000);
const place = z.number().min(-2400).max(2400);
const pixel = z.number().min(-100_000).max(100_000);

export const cameraSchema = z.strictObject({
  distanceIn: z.number().min(12).max(1200).optional(),
  distanceSdIn: sd.optional(),
  heightIn: z.number().min(0).max(240).optional(),
  heightSdIn: sd.optional(),
  focalPx: z.number().min(10).max(100_000).optional(),
  focalSdPx: z.number().min(1e-3).max(100_000).optional(),
  yawSdDeg: sd.optional(),
  pitchSdDeg: sd.optional(),
  rollSdDeg: sd.optional(),
  aimIn: z.strictObject({ x: place, y: place, z: place, sdIn: sd }).optional(),
});

export const groundMarkSchema = z.strictObject({
  xIn: place,
  yIn: place,
  u: pixel,
  v: pixel,
  sdPx: sd,
});

const viewSchema = z.strictObject({
  id: z.string().min(1).max(60),
  kind: z.enum(VIEW_KINDS),
  widthPx: z.int().min(16).max(16384),
  heightPx: z.int().min(16).max(16384),
  camera: cameraSchema.default({}),
  groundMarks: z.array(groundMarkSchema).max(24).default([]),
  /** Two moments of the clip: the pelvis sets off toward the target, and the top. */
  moments: z
    .strictObject({
      startDownS: z.number().min(0).max(7200),
      topS: z.number().min(0).max(7200),
      frameS: z.number().min(1e-4).max(1).optional(),
    })
    .optional(),
});

const speed = z.number().min(-1e6).max(1e6);
/** How fast a place moves in its frame, pixels a second, and by how much the station may be early or late (one sd). */
export const movingSchema = z.strictObject({
  uPerS: speed,
  vPerS: speed,
  sdS: z.number().min(0).max(1),
  /** When in the clip it was seen. */
  atS: z.number().min(0).max(7200),
});

const markSchema = z.strictObject({
  view: z.string(),
  station: z.enum(STATIONS),
  landmark: z.enum(LANDMARKS),
  u: pixel,
  v: pixel,
  sdPx: sd,
  /** Beside its own: what all marks of this landmark in this view are off by together. */
  sharedSdPx: sd.optional(),
  /** Both again down the picture, where they differ from across. */
  sdDownPx: sd.optional(),
  sharedSdDownPx: sd.optional(),
  handSdPx: sd.optional(),
  moving: movingSchema.optional(),
});

const golferSchema = z.strictObject({
  handedness: z.enum(HANDS),
  heightIn: positive.max(1000),
  outerHipWidthIn: positive.max(60).nullable().default(null),
  hipJointsApartIn: positive.max(40).nullable().default(null),
  flexibility: z.enum(FLEXIBILITIES).default('usual'),
  armSwing: z.enum(ARM_SWINGS).default('usual'),
});

export const captureSchema = z.strictObject({
  format: z.literal('inchstep.capture/1'),
  golfer: golferSchema,
  club: z.enum(CLUBS).default('mid_iron'),
  school: schoolSchema.default({}),
  views: z.array(viewSchema).min(1).max(4),
  marks: z.array(markSchema).max(2000),
});
type CaptureDocument = z.infer<typeof captureSchema>;

export const toCapture = (document: CaptureDocument): Capture => ({
  golfer: document.golfer,
  club: document.club,
  school: resolveSchool(plain(document.school)),
  views: document.views,
  marks: document.marks,
});

export const toCaptureDocument = (capture: Capture): CaptureDocument => ({
  format: 'inchstep.capture/1',
  golfer: capture.golfer,
  club: capture.club,
  school: capture.school,
  views: capture.views.map((view) => ({ ...view, groundMarks: [...view.groundMarks] })),
  marks: [...capture.marks],
});

/** Drops answers that were not given, so that they don't hide the preset's. */
export function plain(school: SchoolInput): SchoolChoiceSet {
  return Object.fromEntries(
    Object.entries(school).filter(([, value]) => value !== undefined),
  ) as SchoolChoiceSet;
}
