import type { PlanRecord, StoredSet } from '@inchstep/contract/practice';
import { asc, desc, eq } from 'drizzle-orm';
import type { Db } from '../../platform/db.ts';
import { gateDecisions, plans, setLogs } from './tables.ts';

export type GateRow = typeof gateDecisions.$inferSelect;

export const insertPlan = (db: Db, { drills, ask, plan, ...row }: PlanRecord): void => {
  db.insert(plans)
    .values({ ...row, body: { drills, ask, plan } })
    .run();
};
export const plansOf = (db: Db, studentId: string): PlanRecord[] =>
  db
    .select()
    .from(plans)
    .where(eq(plans.studentId, studentId))
    .orderBy(desc(plans.at))
    .all()
    .map(({ body, ...row }) => ({ ...row, ...body }));

export const insertSet = (db: Db, studentId: string, set: StoredSet): void => {
  db.insert(setLogs)
    .values({ ...set, studentId })
    .run();
};
export const setById = (db: Db, id: string): StoredSet | null => {
  const row = db.select().from(setLogs).where(eq(setLogs.id, id)).get();
  if (!row) return null;
  const { studentId: _, ...set } = row;
  return set;
};
export const setsOf = (db: Db, studentId: string): StoredSet[] =>
  db
    .select()
    .from(setLogs)
    .where(eq(setLogs.studentId, studentId))
    .orderBy(asc(setLogs.at))
    .all()
    .map(({ studentId: _, ...set }) => set);

export const insertGate = (db: Db, row: GateRow): void => {
  db.insert(gateDecisions).values(row).run();
};
export const gatesOf = (db: Db, studentId: string): GateRow[] =>
  db
    .select()
    .from(gateDecisions)
    .where(eq(gateDecisions.studentId, studentId))
    .orderBy(asc(gateDecisions.at))
    .all();
