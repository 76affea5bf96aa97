import { FORECAST_KINDS, type Summary } from '@inchstep/core/progress';
import { index, integer, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { students } from '../intake/tables.ts';

/** What lists say of each student, made from the whole file with every write; never the only place of anything. */
export const summaries = sqliteTable(
  'summaries',
  {
    studentId: text('student_id')
      .primaryKey()
      .references(() => students.id, { onDelete: 'cascade' }),
    /** Grows with every change of anybody's summary. */
    version: integer('version').notNull(),
    /** To be made anew: a school's bands or a drill changed. */
    stale: integer('stale', { mode: 'boolean' }).notNull(),
    body: text('body', { mode: 'json' }).$type<Summary>().notNull(),
  },
  (t) => [index('summaries_by_version').on(t.version)],
);

/** Dates as they were told, until a newer film tells others: kept, so that they can be held against what came. */
export const forecasts = sqliteTable(
  'forecasts',
  {
    id: text('id').primaryKey(),
    studentId: text('student_id')
      .notNull()
      .references(() => students.id, { onDelete: 'cascade' }),
    measure: text('measure').notNull(),
    kind: text('kind', { enum: FORECAST_KINDS }).notNull(),
    /** The day of the last film it stands on. */
    askedOn: text('asked_on').notNull(),
    toldAt: text('told_at').notNull(),
    cell: text('cell').notNull(),
    lo: real('lo'),
    hi: real('hi'),
    likely: text('likely').notNull(),
    lo80: text('lo80').notNull(),
    hi80: text('hi80').notNull(),
  },
  (t) => [uniqueIndex('forecasts_once').on(t.studentId, t.measure, t.kind, t.askedOn)],
);
