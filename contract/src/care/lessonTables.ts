import { ENCLOSURES, REQUESTED_BY } from '@inchstep/core/checkins';
import { NOTE_TAGS } from '@inchstep/core/practice';
import { z } from 'zod';
import { filmAskSchema, talkSchema } from '../rooms/checkins/index.ts';
import { lessonSchema } from '../rooms/intake/index.ts';
import { daySchema, idSchema } from '../shared.ts';
import { type StudentTable, stamp, student, text } from './studentTable.ts';

/** A student's lessons, what was noted in them, and what was asked for between them. */
export const LESSON_TABLES: readonly StudentTable[] = [
  {
    table: 'lessons',
    json: [],
    later: true,
    row: z.strictObject({
      id: idSchema,
      ...student,
      day: daySchema,
      time: lessonSchema.shape.time,
      minutes: z.int().min(0).max(1000),
      mode: lessonSchema.shape.mode,
      place: text(80),
      started_at: stamp.nullable(),
      ended_at: stamp.nullable(),
      cancelled_at: stamp.nullable(),
      draft: text(20_000).nullable(),
      summary: text(20_000).nullable(),
      sent_at: stamp.nullable(),
      author: text(80),
    }),
  },
  {
    table: 'film_requests',
    json: ['kinds'],
    later: true,
    row: z.strictObject({
      id: idSchema,
      ...student,
      asked_at: stamp,
      due_on: daySchema,
      kinds: filmAskSchema.shape.kinds,
      swings: filmAskSchema.shape.swings,
      drill: filmAskSchema.shape.drill,
      stage: filmAskSchema.shape.stage,
      club: filmAskSchema.shape.club,
      aid: filmAskSchema.shape.aid,
      why: text(500),
      withdrawn_at: stamp.nullable(),
      author: text(80),
      from: z.enum(REQUESTED_BY).optional(),
      because: text(200).nullable().optional(),
    }),
  },
  {
    table: 'messages',
    json: [],
    later: true,
    row: z.strictObject({
      id: idSchema,
      ...student,
      text: text(5000),
      at: stamp,
      goes_at: stamp.nullable(),
      author: text(80),
    }),
  },
  {
    table: 'enclosures',
    json: ['clip_ids', 'talk'],
    later: true,
    row: z.strictObject({
      id: idSchema,
      ...student,
      checkin_id: idSchema,
      kind: z.enum(ENCLOSURES),
      title: text(120),
      file: z.string().regex(/^[0-9a-f]{64}\.(png|jpg|webm|mp4|mov)$/),
      bytes: z.int().min(1),
      seconds: z.number().nullable(),
      clip_ids: z.array(idSchema).min(1).max(4),
      talk: talkSchema.nullable(),
      at: stamp,
      dropped_at: stamp.nullable(),
      author: text(80),
    }),
  },
  {
    table: 'queue_asides',
    json: [],
    later: true,
    row: z.strictObject({
      id: idSchema,
      ...student,
      at: stamp,
      until: daySchema.nullable(),
      note: text(500),
      undone_at: stamp.nullable(),
      author: text(80),
    }),
  },
  {
    table: 'lesson_notes',
    json: [],
    later: true,
    row: z.strictObject({
      id: idSchema,
      ...student,
      lesson_id: idSchema,
      at: stamp,
      tag: z.enum(NOTE_TAGS),
      text: text(2000),
      swing_id: idSchema.nullable(),
      measure: text(60).nullable(),
      felt: z.number().nullable(),
      undone_at: stamp.nullable(),
    }),
  },
];
