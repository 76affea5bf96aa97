import { isClockTime, LESSON_MODES, type LessonRecord, USUAL_LESSON_MINUTES } from '@inchstep/core/intake';
import { z } from 'zod';
import { daySchema, idSchema } from '../../shared.ts';

const when = {
  day: daySchema,
  time: z.string().refine(isClockTime, { error: 'write the time as 09:30' }).nullable().default(null),
  minutes: z
    .int()
    .min(10, { error: 'a lesson takes 10 minutes or more' })
    .max(480, { error: 'a lesson takes 480 minutes at most' })
    .default(USUAL_LESSON_MINUTES),
  mode: z.enum(LESSON_MODES).default('in_person'),
  place: z.string().trim().max(80).default(''),
};

/** A lesson that is agreed, or begun at once. */
export const newLessonSchema = z.strictObject({ id: idSchema, ...when, begin: z.boolean().default(false) });
export type NewLesson = z.input<typeof newLessonSchema>;
export const moveLessonSchema = z.strictObject(when);
export type MoveLesson = z.input<typeof moveLessonSchema>;

/** What can become of a lesson at a press; each can be taken back by its counterpart. */
export const LESSON_DEEDS = ['begin', 'end', 'resume', 'cancel', 'restore'] as const;
export type LessonDeed = (typeof LESSON_DEEDS)[number];

export const lessonSchema = z.object({
  id: idSchema,
  day: daySchema,
  time: z.string().nullable(),
  minutes: z.number(),
  mode: z.enum(LESSON_MODES),
  place: z.string(),
  startedAt: z.string().nullable(),
  endedAt: z.string().nullable(),
  cancelledAt: z.string().nullable(),
  summary: z.string().nullable(),
  sentAt: z.string().nullable(),
}) satisfies z.ZodType<LessonRecord>;
export type Lesson = z.infer<typeof lessonSchema>;

/** A student's lessons by day, and the one that goes on. */
export const lessonListSchema = z.object({
  lessons: z.array(lessonSchema),
  running: lessonSchema.nullable(),
});
export type LessonList = z.infer<typeof lessonListSchema>;
