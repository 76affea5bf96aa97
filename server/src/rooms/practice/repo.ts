import type { PlanRecord, StoredSet } from '@inchstep/contract/practice';
import type { Strike } from '@inchstep/core/practice';
import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm';
import { type Db, keptQuery, prepared } from '../../platform/db.ts';
import { gateDecisions, plans, setLogs } from './tables.ts';

export type GateRow = typeof gateDecisions.$inferSelect;

export const insertPlan = (db: Db, { drills, ask, plan, ...row }: PlanRecord): void => {
  db.insert(plans)
    .values({ ...row, body: { drills, ask, plan } })
    .run();
};
const toPlan = (row: typeof plans.$inferSelect | undefined): PlanRecord | null => {
  if (!row) return null;
  const { body, ...rest } = row;
  return { ...rest, ...body };
};
export const deletePlan = (db: Db, id: string): void => {
  db.delete(plans).where(eq(plans.id, id)).run();
};
export const planById = (db: Db, id: string): PlanRecord | null =>
  toPlan(db.select().from(plans).where(eq(plans.id, id)).get());
export const latestPlan = (db: Db, studentId: string): PlanRecord | null =>
  toPlan(
    db.select().from(plans).where(eq(plans.studentId, studentId)).orderBy(desc(plans.at)).limit(1).get(),
  );

export const insertSet = (db: Db, studentId: string, set: StoredSet, lessonId: string | null): void => {
  prepared(
    db,
    `INSERT INTO set_logs (id, student_id, date, drill, stage, reps, felt, "from", at, done_at, device, layer, lesson_id, strike)
      VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
  ).run(
    set.id,
    studentId,
    set.date,
    set.drill,
    set.stage,
    set.reps,
    set.felt,
    set.from,
    set.at,
    set.doneAt,
    set.device,
    set.layer,
    lessonId,
    set.strike,
  );
};
export const setById = (db: Db, id: string): StoredSet | null => {
  const row = keptQuery(db, 'setById', () =>
    db
      .select()
      .from(setLogs)
      .where(eq(setLogs.id, sql.placeholder('id')))
      .prepare(),
  ).get({ id });
  if (!row) return null;
  const { studentId: _, lessonId: __, ...set } = row;
  return set;
};
export const setsOf = (db: Db, studentId: string): StoredSet[] =>
  db
    .select()
    .from(setLogs)
    .where(eq(setLogs.studentId, studentId))
    .orderBy(asc(setLogs.at))
    .all()
    .map(({ studentId: _, lessonId: __, ...set }) => set);

export const insertGate = (db: Db, row: GateRow): void => {
  db.insert(gateDecisions).values(row).run();
};
export const gateById = (db: Db, id: string): GateRow | undefined =>
  db.select().from(gateDecisions).where(eq(gateDecisions.id, id)).get();
/** The last word on a drill's rung that stands. */
export const lastGate = (db: Db, studentId: string, drill: string): GateRow | undefined =>
  db
    .select()
    .from(gateDecisions)
    .where(
      and(
        eq(gateDecisions.studentId, studentId),
        eq(gateDecisions.drill, drill),
        isNull(gateDecisions.undoneAt),
      ),
    )
    .orderBy(desc(gateDecisions.at), desc(sql`rowid`))
    .get();
export const undoGate = (db: Db, id: string, undoneAt: string): void => {
  db.update(gateDecisions).set({ undoneAt }).where(eq(gateDecisions.id, id)).run();
};

/** How the sets since a moment felt, in the middle; null where nobody said. */
export const feltSince = (db: Db, studentId: string, since: string): number | null =>
  (
    prepared(
      db,
      'SELECT avg(felt) AS felt FROM set_logs WHERE student_id = ? AND at > ? AND felt IS NOT NULL',
    ).get(studentId, since) as { felt: number | null }
  ).felt;

/** How the balls since a moment were met, the most frequent first. */
export const strikesSince = (db: Db, studentId: string, since: string): { strike: Strike; count: number }[] =>
  prepared(
    db,
    `SELECT strike, count(*) AS count FROM set_logs
      WHERE student_id = ? AND at > ? AND strike IS NOT NULL GROUP BY strike ORDER BY count DESC`,
  ).all(studentId, since) as { strike: Strike; count: number }[];
