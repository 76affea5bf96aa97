import { WEEKDAYS } from '@inchstep/core/foundation';
import {
  AIDS,
  ARM_SWINGS,
  BODY_AREAS,
  CUE_KINDS,
  CUE_SIDES,
  FLEXIBILITIES,
  HANDS,
  HEIGHT_RANGE_IN,
  LIMITS,
  PLACES,
  SCHOOL_PRESETS,
  type SchoolPreset,
  VIEW_KINDS,
} from '@inchstep/core/intake';
import { z } from 'zod';
import { bandEditSchema, schoolAnswersSchema, schoolSchema, wholeSchoolSchema } from '../../formats/index.ts';
import { daySchema, idSchema, versionSchema } from '../../shared.ts';

export {
  LESSON_DEEDS,
  type Lesson,
  type LessonDeed,
  type LessonList,
  lessonListSchema,
  lessonSchema,
  type MoveLesson,
  moveLessonSchema,
  type NewLesson,
  newLessonSchema,
} from './lessons.ts';

const name = z.string().trim().min(1, { error: 'is needed' }).max(80);

const safetySchema = z.strictObject({
  painNow: z.boolean(),
  painWhere: z.string().max(200),
  surgeryOrInjuryInYear: z.boolean(),
  injuredAreas: z.array(z.enum(BODY_AREAS)),
  trouble: z.array(z.enum(BODY_AREAS)),
  dizziness: z.boolean(),
  clinicianRestriction: z.string().max(500),
  pregnant: z.boolean(),
});

const consentSchema = z.strictObject({ guardian: name, on: daySchema });

export const profileSchema = z.strictObject({
  firstName: name,
  familyName: name,
  bornOn: daySchema,
  handedness: z.enum(HANDS),
  heightIn: z
    .number({ error: 'give a height in inches' })
    .min(HEIGHT_RANGE_IN.low, {
      error: `give the height in inches, ${HEIGHT_RANGE_IN.low} to ${HEIGHT_RANGE_IN.high}`,
    })
    .max(HEIGHT_RANGE_IN.high, {
      error: `give the height in inches, ${HEIGHT_RANGE_IN.low} to ${HEIGHT_RANGE_IN.high}`,
    }),
  outerHipWidthIn: z.number().min(6).max(30).nullable(),
  hipJointsApartIn: z.number().min(3).max(15).nullable(),
  flexibility: z.enum(FLEXIBILITIES),
  armSwing: z.enum(ARM_SWINGS),
  beginner: z.boolean(),
  aids: z.array(z.enum(AIDS)),
  places: z.array(z.enum(PLACES)).min(1, { error: 'choose at least one place' }),
  cueLiking: z.strictObject({ kind: z.enum(CUE_KINDS), side: z.enum(CUE_SIDES) }),
  films: z.array(z.enum(VIEW_KINDS)).min(1, { error: 'choose at least one view' }),
  days: z.array(z.enum(WEEKDAYS)).min(1, { error: 'choose at least one practice day' }),
  minutesPerDay: z.partialRecord(z.enum(WEEKDAYS), z.number().min(5).max(240)),
  placeByDay: z.partialRecord(z.enum(WEEKDAYS), z.enum(PLACES)),
  ballsPerVisit: z.number().min(0).max(500),
  school: schoolSchema,
  safety: safetySchema,
  guardianConsent: consentSchema.nullable(),
  aims: z.string().max(1000),
  /** The day of the next lesson that is agreed; another day moves it, none calls it off. */
  nextLesson: daySchema.nullable(),
  /** Where letters go, and when the student (or guardian) agreed to it; null = they stand on the page alone. */
  mail: z
    .strictObject({
      address: z.email({ error: 'give an address like name@example.org' }).max(254),
      /** Null where the address came with a record from elsewhere: nothing goes there before it is agreed to again. */
      agreedOn: daySchema.nullable(),
    })
    .nullable()
    .default(null),
});
export type Profile = z.infer<typeof profileSchema>;

export const studentSchema = z.object({
  id: idSchema,
  version: versionSchema,
  profile: profileSchema,
  ageYears: z.number(),
  /** Every question answered, with the bands this coach keeps for the preset. */
  school: wholeSchoolSchema,
  limits: z.array(z.object({ limit: z.enum(LIMITS), because: z.string() })),
  archivedAt: z.string().nullable(),
  createdAt: z.string(),
});
export type Student = z.infer<typeof studentSchema>;

export const newStudentSchema = z.strictObject({ id: idSchema, profile: profileSchema });
export const editStudentSchema = z.strictObject({ version: versionSchema, profile: profileSchema });

export const presetSchema = z.enum(Object.keys(SCHOOL_PRESETS) as [SchoolPreset, ...SchoolPreset[]]);
export const editBandSchema = bandEditSchema.and(z.object({ reason: z.string().max(300) }));
const edges = z.object({ lo: z.number().nullable(), hi: z.number().nullable() });
/** A measure's band in one school, for a player of 70 in with a mid-iron. */
const schoolBandSchema = z.object({
  measure: z.string(),
  unit: z.string(),
  step: z.number(),
  house: edges,
  now: edges,
  origin: z.array(z.string()),
  edit: z.object({ reason: z.string(), at: z.string() }).nullable(),
});
export type SchoolBand = z.infer<typeof schoolBandSchema>;
export const schoolPageSchema = z.object({
  preset: presetSchema,
  answers: schoolAnswersSchema,
  bands: z.array(schoolBandSchema),
});
export type SchoolPage = z.infer<typeof schoolPageSchema>;

export const EVENT_KINDS = [
  'created',
  'edited',
  'archived',
  'restored',
  'clip',
  'track',
  'shots',
  'measured',
  'diagnosed',
  'work_chosen',
  'drills_chosen',
  'layer',
  'planned',
  'gate',
  'rung',
  'link',
  'link_revoked',
  'checkin',
  'reply',
  'hold',
  'hold_lifted',
  'lesson_agreed',
  'lesson_moved',
  'lesson_cancelled',
  'lesson_began',
  'lesson_ended',
  'lesson_sent',
  'film_asked',
  'enclosed',
  'message',
  'mail_stopped',
  'spoken',
  'set_aside',
  'undone',
] as const;
export const eventSchema = z.object({
  id: idSchema,
  at: z.string(),
  kind: z.enum(EVENT_KINDS),
  /** The lesson in which it happened; null between lessons. */
  lessonId: idSchema.nullable(),
  detail: z.record(z.string(), z.union([z.string(), z.number(), z.array(z.string()), z.null()])),
});
export type ThreadEvent = z.infer<typeof eventSchema>;

export const setupSchema = z.strictObject({
  name: name,
  passphrase: z.string().min(10, { error: 'use at least 10 characters' }).max(200),
});
export const signInSchema = z.strictObject({ passphrase: z.string().min(1).max(200) });
export const meSchema = z.object({
  state: z.enum(['new', 'signed_out', 'signed_in']),
  coach: z.string().nullable(),
  demo: z.boolean(),
  today: daySchema,
  /** How many times films were erased or closed; a browser that knows fewer lets its working copies go. */
  erased: z.int(),
});
export type Me = z.infer<typeof meSchema>;

/** A pain report stops a student's drills until the coach lifts it, with a note. */
export const holdSchema = z.object({
  id: idSchema,
  where: z.string(),
  at: z.string(),
  liftedAt: z.string().nullable(),
  liftNote: z.string(),
});
export type Hold = z.infer<typeof holdSchema>;
/** The coach stops the drills himself: it hurts in the lesson. */
export const stopHoldSchema = z.strictObject({ id: idSchema, where: z.string().trim().max(200) });
export const liftHoldSchema = z.strictObject({
  note: z.string().trim().min(3, { error: 'say why it is lifted' }).max(500),
});
