import type { DrillChoice } from '@inchstep/contract/prescription';
import { and, desc, eq, isNull } from 'drizzle-orm';
import type { Db } from '../../platform/db.ts';
import { drillChoices } from './tables.ts';

export const insertChoice = (db: Db, studentId: string, choice: DrillChoice): void => {
  db.insert(drillChoices)
    .values({ ...choice, studentId })
    .onConflictDoNothing()
    .run();
};
type ChoiceRow = typeof drillChoices.$inferSelect;

export const choicesOf = (db: Db, studentId: string): ChoiceRow[] =>
  db
    .select()
    .from(drillChoices)
    .where(eq(drillChoices.studentId, studentId))
    .orderBy(desc(drillChoices.at))
    .all();
export const allChoices = (db: Db): ChoiceRow[] => db.select().from(drillChoices).all();
export const setReached = (db: Db, id: string, reached: Record<string, string>): void => {
  db.update(drillChoices).set({ reached }).where(eq(drillChoices.id, id)).run();
};
export const endChoices = (db: Db, studentId: string, endedAt: string): void => {
  db.update(drillChoices)
    .set({ endedAt })
    .where(and(eq(drillChoices.studentId, studentId), isNull(drillChoices.endedAt)))
    .run();
};
