import { sqliteTable, text } from 'drizzle-orm/sqlite-core';

export const coaches = sqliteTable('coaches', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  /** scrypt: salt and digest, base64. */
  salt: text('salt').notNull(),
  digest: text('digest').notNull(),
  createdAt: text('created_at').notNull(),
});

export const sessions = sqliteTable('sessions', {
  /** SHA-256 of the cookie's token. */
  tokenHash: text('token_hash').primaryKey(),
  coachId: text('coach_id')
    .notNull()
    .references(() => coaches.id, { onDelete: 'cascade' }),
  expiresAt: text('expires_at').notNull(),
});
