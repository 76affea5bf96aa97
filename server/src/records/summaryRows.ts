import type { Summary } from '@inchstep/core/progress';
import { type Db, prepared } from '../platform/db.ts';

/** Rows of summaries in the database, with a copy in memory that is brought up by what changed since. */
export class SummaryRows {
  private readonly known = new Map<string, Summary>();
  private seen = 0;
  private forgotten = 0;
  /** Numbers of changes are never given twice, also when a write was taken back. */
  private last: number;

  private readonly db: Db;

  constructor(db: Db) {
    this.db = db;
    this.last = prepared(db, 'SELECT coalesce(max(version), 0) FROM summaries').pluck().get() as number;
  }

  /** One that says the same as before keeps its number. */
  put(summary: Summary): void {
    const { changes } = prepared(
      this.db,
      `INSERT INTO summaries (student_id, version, stale, body) VALUES (?, ?, 0, ?)
        ON CONFLICT (student_id) DO UPDATE SET version = excluded.version, stale = 0, body = excluded.body
        WHERE body <> excluded.body OR stale = 1`,
    ).run(summary.studentId, this.last + 1, JSON.stringify(summary));
    this.last += changes;
  }

  /** One statement, whatever the number of students. */
  all(): { all: Iterable<Summary>; version: string } {
    const fresh = prepared(
      this.db,
      'SELECT student_id AS id, version, body FROM summaries WHERE version > ?',
    ).all(this.seen) as { id: string; version: number; body: string }[];
    for (const { id, version, body } of fresh) {
      this.known.set(id, JSON.parse(body) as Summary);
      this.seen = Math.max(this.seen, version);
    }
    return { all: this.known.values(), version: `${this.seen}.${this.forgotten}` };
  }

  forget(studentId: string): void {
    this.known.delete(studentId);
    this.forgotten++;
  }

  bodyOf(studentId: string): string | undefined {
    return prepared(this.db, 'SELECT body FROM summaries WHERE student_id = ?').pluck().get(studentId) as
      | string
      | undefined;
  }

  makeAllStale(): void {
    prepared(this.db, 'UPDATE summaries SET stale = 1').run();
  }

  /** Students without a summary, or with an old one. */
  missing(most: number): string[] {
    return prepared(
      this.db,
      `SELECT s.id FROM students s LEFT JOIN summaries m ON m.student_id = s.id
        WHERE m.student_id IS NULL OR m.stale = 1 LIMIT ?`,
    )
      .pluck()
      .all(most) as string[];
  }

  exists(studentId: string): boolean {
    return prepared(this.db, 'SELECT 1 FROM students WHERE id = ?').get(studentId) !== undefined;
  }

  students(): string[] {
    return prepared(this.db, 'SELECT id FROM students').pluck().all() as string[];
  }
}
