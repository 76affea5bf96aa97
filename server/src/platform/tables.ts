import { sqliteTable, text } from 'drizzle-orm/sqlite-core';

export const coaches = sqliteTable('coaches', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  /** scrypt: salt and digest, base64. */
  salt: text('salt').notNull(),
  digest: text('digest').notNull(),
  createdAt: text('created_at').notNull(),
  /** Telephone or mail that a student is shown where the program can no longer take a message. */
  contact: text('contact').notNull().default(''),
});

export const sessions = sqliteTable('sessions', {
  /** SHA-256 of the cookie's token. */
  tokenHash: text('token_hash').primaryKey(),
  coachId: text('coach_id')
    .notNull()
    .references(() => coaches.id, { onDelete: 'cascade' }),
  expiresAt: text('expires_at').notNull(),
  /** Names the session on the screen; opens nothing. */
  id: text('id').notNull().default(''),
  createdAt: text('created_at').notNull().default(''),
  lastUsedAt: text('last_used_at').notNull().default(''),
  device: text('device').notNull().default(''),
});

/** What is to be erased, and the receipt of what was. Holds no name. */
export const erasures = sqliteTable('erasures', {
  id: text('id').primaryKey(),
  what: text('what').$type<'student' | 'clip'>().notNull(),
  subjectId: text('subject_id').notNull(),
  askedAt: text('asked_at').notNull(),
  dueAt: text('due_at').notNull(),
  takenBackAt: text('taken_back_at'),
  doneAt: text('done_at'),
  receipt: text('receipt', { mode: 'json' }).$type<Readonly<Record<string, number>>>(),
  /** What lies beside the rows and still has to go. */
  left: text('left', { mode: 'json' }).$type<ErasedBeside>(),
  /** When nothing of it was left on the disk: files, letters, pieces, and the log of the database. */
  cleanAt: text('clean_at'),
});

/** Files and letters of what was erased, by name; none of them says whose. */
export interface ErasedBeside {
  readonly files: readonly string[];
  readonly letters: readonly string[];
}

/** Records on their way in: what a stop leaves half is taken out again at the next start. */
export const arrivals = sqliteTable('arrivals', {
  studentId: text('student_id').primaryKey(),
  at: text('at').notNull(),
});

/** Facts of the program itself, such as the last backup that was checked. */
export const programFacts = sqliteTable('program_facts', {
  key: text('key').primaryKey(),
  value: text('value', { mode: 'json' }).$type<unknown>().notNull(),
});
