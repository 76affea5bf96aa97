import { type LessonNote, NOTE_TAGS } from '@inchstep/core/practice';
import { z } from 'zod';
import { idSchema } from '../../shared.ts';

const note = {
  id: idSchema,
  tag: z.enum(NOTE_TAGS),
  text: z.string().trim().max(2000),
  swingId: idSchema.nullable(),
  measure: z.string().max(60).nullable(),
  felt: z.number().min(-360).max(360).nullable(),
};

export const lessonNoteSendSchema = z.strictObject({
  ...note,
  swingId: note.swingId.default(null),
  measure: note.measure.default(null),
  felt: note.felt.default(null),
  /** The moment by the sender's own clock. */
  writtenAt: z.iso.datetime({ offset: true }).nullable().default(null),
});
export type LessonNoteSend = z.infer<typeof lessonNoteSendSchema>;

export const lessonNoteSchema = z.object({
  ...note,
  lessonId: idSchema,
  at: z.string(),
}) satisfies z.ZodType<LessonNote>;
