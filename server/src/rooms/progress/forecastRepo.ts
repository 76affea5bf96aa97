import { randomUUID } from 'node:crypto';
import type { ToldForecast } from '@inchstep/core/progress';
import { type Db, prepared } from '../../platform/db.ts';

/** Every date that was told of a student, the oldest first. */
export const toldForecasts = (db: Db, studentId: string): ToldForecast[] =>
  prepared(
    db,
    `SELECT measure, kind, asked_on AS askedOn, cell, lo, hi, likely, lo80, hi80 FROM forecasts
      WHERE student_id = ? ORDER BY asked_on, rowid`,
  ).all(studentId) as ToldForecast[];

/** What is told today takes the place of what was told of the same last film. */
export function keepForecasts(
  db: Db,
  studentId: string,
  told: readonly ToldForecast[],
  toldAt: string,
): void {
  const put = prepared(
    db,
    `INSERT INTO forecasts (id, student_id, measure, kind, asked_on, told_at, cell, lo, hi, likely, lo80, hi80)
      VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
      ON CONFLICT (student_id, measure, kind, asked_on) DO UPDATE SET told_at = excluded.told_at, cell = excluded.cell,
        lo = excluded.lo, hi = excluded.hi, likely = excluded.likely, lo80 = excluded.lo80, hi80 = excluded.hi80
        WHERE cell <> excluded.cell OR lo IS NOT excluded.lo OR hi IS NOT excluded.hi OR likely <> excluded.likely
          OR lo80 <> excluded.lo80 OR hi80 <> excluded.hi80`,
  );
  for (const { measure, kind, askedOn, cell, lo, hi, likely, lo80, hi80 } of told)
    put.run(randomUUID(), studentId, measure, kind, askedOn, toldAt, cell, lo, hi, likely, lo80, hi80);
}
