import type { TalkDocument } from '@inchstep/contract/checkins';
import type { Enclosed } from '@inchstep/core/checkins';
import { and, eq, isNull, lt, sql } from 'drizzle-orm';
import { type Db, keptQuery } from '../../platform/db.ts';
import { enclosures } from './tables.ts';

export type EnclosureRow = typeof enclosures.$inferSelect;

export const insertEnclosure = (db: Db, row: EnclosureRow): void => {
  db.insert(enclosures).values(row).run();
};
export const enclosureById = (db: Db, id: string): EnclosureRow | undefined =>
  db.select().from(enclosures).where(eq(enclosures.id, id)).get();
/** Of a student, by check-in, as they were put in; without what was left out again, and without the talks. */
export const enclosuresOf = (db: Db, studentId: string): Map<string, Enclosed[]> => {
  const found = new Map<string, Enclosed[]>();
  const rows = keptQuery(db, 'enclosuresOf', () =>
    db
      .select({
        id: enclosures.id,
        checkinId: enclosures.checkinId,
        kind: enclosures.kind,
        title: enclosures.title,
        bytes: enclosures.bytes,
        seconds: enclosures.seconds,
      })
      .from(enclosures)
      .where(and(eq(enclosures.studentId, sql.placeholder('studentId')), isNull(enclosures.droppedAt)))
      .orderBy(enclosures.at)
      .prepare(),
  ).all({ studentId });
  for (const { checkinId, ...one } of rows) found.set(checkinId, [...(found.get(checkinId) ?? []), one]);
  return found;
};
export const setDropped = (db: Db, id: string, droppedAt: string | null): void => {
  db.update(enclosures).set({ droppedAt }).where(eq(enclosures.id, id)).run();
};
export const setTalk = (db: Db, id: string, talk: TalkDocument): void => {
  db.update(enclosures).set({ talk }).where(eq(enclosures.id, id)).run();
};
/** Lets go what was left out before a moment; its files go with the next sweep. */
export const forgetDropped = (db: Db, before: string): string[] =>
  db
    .delete(enclosures)
    .where(lt(enclosures.droppedAt, before))
    .returning({ file: enclosures.file })
    .all()
    .map(({ file }) => file);
