import type { OwnDrillDocument } from '@inchstep/contract/formats';
import type { DrillChoice } from '@inchstep/contract/prescription';
import type { CheckpointWord } from '@inchstep/core/prescription';
import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import { type Db, keptQuery } from '../../platform/db.ts';
import { drillChoices, feels, ownDrills } from './tables.ts';

/** A checkpoint word as it is stored; its day follows from `at`. */
export type StoredCheckpoint = Omit<CheckpointWord, 'day'>;
type NewChoice = Omit<DrillChoice, 'layers'> & { readonly layers: Record<string, StoredCheckpoint> };

export const insertChoice = (db: Db, studentId: string, choice: NewChoice): void => {
  db.insert(drillChoices)
    .values({ ...choice, studentId })
    .run();
};
export type ChoiceRow = typeof drillChoices.$inferSelect;

export const choicesOf = (db: Db, studentId: string): ChoiceRow[] =>
  db
    .select()
    .from(drillChoices)
    .where(eq(drillChoices.studentId, studentId))
    .orderBy(desc(drillChoices.at))
    .all();
export const setReached = (db: Db, id: string, reached: Record<string, string>): void => {
  db.update(drillChoices).set({ reached }).where(eq(drillChoices.id, id)).run();
};
export const setLayers = (db: Db, id: string, layers: Record<string, StoredCheckpoint>): void => {
  db.update(drillChoices).set({ layers }).where(eq(drillChoices.id, id)).run();
};
export const endChoices = (db: Db, studentId: string, endedAt: string): void => {
  db.update(drillChoices)
    .set({ endedAt })
    .where(and(eq(drillChoices.studentId, studentId), isNull(drillChoices.endedAt)))
    .run();
};

export const ownDrillRows = (db: Db): (typeof ownDrills.$inferSelect)[] =>
  db.select().from(ownDrills).orderBy(ownDrills.id).all();
export const putOwnDrill = (db: Db, document: OwnDrillDocument, at: string): void => {
  db.insert(ownDrills)
    .values({ id: document.drill.id, document, at })
    .onConflictDoUpdate({ target: ownDrills.id, set: { document, at } })
    .run();
};

type FeelRow = typeof feels.$inferSelect;
export const feelsOf = (db: Db, studentId: string): FeelRow[] =>
  keptQuery(db, 'feelsOf', () =>
    db
      .select()
      .from(feels)
      .where(eq(feels.studentId, sql.placeholder('studentId')))
      .orderBy(desc(feels.at))
      .prepare(),
  ).all({ studentId });
export const insertFeel = (db: Db, row: FeelRow): void => {
  db.insert(feels).values(row).run();
};
export const dropFeel = (db: Db, studentId: string, id: string): void => {
  db.delete(feels)
    .where(and(eq(feels.studentId, studentId), eq(feels.id, id)))
    .run();
};
