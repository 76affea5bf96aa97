import { eq } from 'drizzle-orm';
import type { Db } from './db.ts';
import { programFacts } from './tables.ts';

/** Facts of the program itself, kept beside the record. */
export const programFact = (db: Db, key: string): unknown =>
  db.select().from(programFacts).where(eq(programFacts.key, key)).get()?.value ?? null;

export const putProgramFact = (db: Db, key: string, value: unknown): void => {
  db.insert(programFacts)
    .values({ key, value })
    .onConflictDoUpdate({ target: programFacts.key, set: { value } })
    .run();
};

const FORGOTTEN = 'erased';
/** How many times films were erased or closed; a browser that knows fewer lets its working copies go. */
export const forgettings = (db: Db): number => Number(programFact(db, FORGOTTEN) ?? 0);
export const countForgetting = (db: Db): void => putProgramFact(db, FORGOTTEN, forgettings(db) + 1);
