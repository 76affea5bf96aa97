import type { Clip, ShotSet, Swing } from '@inchstep/contract/capture';
import { COLUMN_MATCH, PRESSURE, SWING } from '@inchstep/contract/kept';
import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { keptColumn } from '../../platform/keptColumn.ts';
import { students } from '../intake/tables.ts';

const studentId = () =>
  text('student_id')
    .notNull()
    .references(() => students.id, { onDelete: 'cascade' });

export const clips = sqliteTable(
  'clips',
  {
    id: text('id').primaryKey(),
    studentId: studentId(),
    /** File name in the clip folder: content hash and ending. */
    file: text('file').notNull(),
    facts: text('facts', { mode: 'json' })
      .$type<Omit<Clip, 'id' | 'studentId' | 'createdAt' | 'trouble'>>()
      .notNull(),
    createdAt: text('created_at').notNull(),
  },
  (t) => [index('clips_by_student').on(t.studentId)],
);

export const swings = sqliteTable(
  'swings',
  {
    id: text('id').primaryKey(),
    studentId: studentId(),
    version: integer('version').notNull(),
    recordedOn: text('recorded_on').notNull(),
    body: keptColumn('body', SWING).notNull(),
    from: text('from').$type<Swing['from']>().notNull(),
    discardedAt: text('discarded_at'),
    createdAt: text('created_at').notNull(),
  },
  (t) => [
    index('swings_by_student').on(t.studentId, t.recordedOn),
    // Says which readings are old without opening the marks.
    index('swings_by_version').on(t.discardedAt, t.version, t.id),
  ],
);

export const shotSets = sqliteTable(
  'shot_sets',
  {
    id: text('id').primaryKey(),
    studentId: studentId(),
    swingId: text('swing_id').references(() => swings.id, { onDelete: 'set null' }),
    recordedOn: text('recorded_on').notNull(),
    fileName: text('file_name').notNull(),
    shots: text('shots', { mode: 'json' }).$type<ShotSet['shots']>().notNull(),
    discardedAt: text('discarded_at'),
    createdAt: text('created_at').notNull(),
  },
  (t) => [index('shots_by_student').on(t.studentId, t.recordedOn)],
);

/** How files with the same headings were matched last. */
export const columnMatches = sqliteTable('column_matches', {
  headings: text('headings').primaryKey(),
  body: keptColumn('body', COLUMN_MATCH).notNull(),
});

export const pressures = sqliteTable('pressures', {
  swingId: text('swing_id')
    .primaryKey()
    .references(() => swings.id, { onDelete: 'cascade' }),
  body: keptColumn('body', PRESSURE).notNull(),
});
