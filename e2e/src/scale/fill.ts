import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { between, pick, type Random, seededRandom } from '@inchstep/core/foundation';
import Database from 'better-sqlite3';
import { format } from 'date-fns';

/** Tables of a student's rows, parents before children, and the column that names the student. */
const TABLES: readonly [table: string, by: string][] = [
  ['students', 'id'],
  ['events', 'student_id'],
  ['lessons', 'student_id'],
  ['holds', 'student_id'],
  ['clips', 'student_id'],
  ['swings', 'student_id'],
  ['readings', 'student_id'],
  ['diagnoses', 'student_id'],
  ['drill_choices', 'student_id'],
  ['plans', 'student_id'],
  ['set_logs', 'student_id'],
  ['gate_decisions', 'student_id'],
  ['checkins', 'student_id'],
];
const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g;
const SYLLABLES = ['ba', 'do', 'fe', 'gi', 'ka', 'lu', 'mo', 'ne', 'pi', 'ra', 'su', 'te', 'vo', 'wi', 'za'];
/** Copies of the first students get this many swings, so that their files are long. */
const LONG_FILES = 80;
const SWINGS_OF_LONG = 24;

type Row = Record<string, unknown>;

export interface Filled {
  readonly students: number;
  readonly sets: number;
  /** Students with 24 swings and a drill in use. */
  readonly long: readonly string[];
}

/**
 * Fills a folder that holds the demo with copies of its students under new ids and made-up names, each with
 * `setsEach` sets of the year before. Nothing here goes through the program: it finds what it finds.
 */
export function fill(dataDir: string, students: number, setsEach: number, seed: number): Filled {
  const random = seededRandom(seed);
  const db = new Database(join(dataDir, 'inchstep.sqlite'));
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = OFF');
  const models = db.prepare('SELECT id FROM students').pluck().all() as string[];
  const rows = new Map(models.map((id) => [id, rowsOf(db, id)]));
  const working = models.filter((id) => rows.get(id)?.get('drill_choices')?.length);
  const long: string[] = [];
  let sets = db.prepare('SELECT count(*) FROM set_logs').pluck().get() as number;
  for (let made = models.length; made < students; made += 100) {
    db.transaction(() => {
      for (let i = made; i < Math.min(students, made + 100); i++) {
        const isLong = long.length < LONG_FILES;
        const model = pick(random, isLong ? working : models);
        const id = copy(db, rows.get(model) as Map<string, Row[]>, random);
        if (isLong) {
          long.push(id);
          moreSwings(db, id);
        }
        sets += pastSets(db, id, setsEach, random);
      }
    })();
  }
  db.exec('ANALYZE');
  // The night's comparing of summaries with files goes on for minutes at this size: measured by day.
  db.prepare("INSERT OR REPLACE INTO program_facts (key, value) VALUES ('summaries_checked', ?)").run(
    JSON.stringify(format(new Date(), 'yyyy-MM-dd')),
  );
  db.close();
  return { students, sets, long };
}

const rowsOf = (db: Database.Database, id: string): Map<string, Row[]> =>
  new Map(
    TABLES.map(([table, by]) => [
      table,
      db.prepare(`SELECT * FROM ${table} WHERE ${by} = ?`).all(id) as Row[],
    ]),
  );

function insert(db: Database.Database, table: string, row: Row): void {
  const names = Object.keys(row);
  db.prepare(
    `INSERT INTO ${table} (${names.map((n) => `"${n}"`).join()}) VALUES (${names.map(() => '?').join()})`,
  ).run(...Object.values(row));
}

function copy(db: Database.Database, rows: Map<string, Row[]>, random: Random): string {
  const ids = new Map<string, string>();
  for (const [table, own] of rows)
    for (const row of own) {
      const key = table === 'readings' ? 'swing_id' : 'id';
      if (!ids.has(String(row[key]))) ids.set(String(row[key]), randomUUID());
    }
  const anew = (value: unknown): unknown =>
    typeof value === 'string' ? value.replace(UUID, (id) => ids.get(id) ?? id) : value;
  for (const [table, own] of rows)
    for (const row of own) {
      const copied = Object.fromEntries(Object.entries(row).map(([name, value]) => [name, anew(value)]));
      if (table === 'students') copied.profile = named(String(copied.profile), random);
      insert(db, table, copied);
    }
  return ids.get(String(rows.get('students')?.[0]?.id)) as string;
}

function named(profile: string, random: Random): string {
  const word = () => {
    const text = Array.from({ length: 3 }, () => pick(random, SYLLABLES)).join('');
    return text.charAt(0).toUpperCase() + text.slice(1);
  };
  return JSON.stringify({ ...JSON.parse(profile), firstName: word(), familyName: word() });
}

/** The student's own swings and readings again, under new ids, until there are enough. */
function moreSwings(db: Database.Database, student: string): void {
  const all = db
    .prepare('SELECT s.* FROM swings s JOIN readings r ON r.swing_id = s.id WHERE s.student_id = ?')
    .all(student) as Row[];
  for (let have = all.length; all.length > 0 && have < SWINGS_OF_LONG; have++) {
    const model = all[have % all.length] as Row;
    const id = randomUUID();
    insert(db, 'swings', { ...model, id });
    const reading = db.prepare('SELECT * FROM readings WHERE swing_id = ?').get(model.id) as Row;
    const body = { ...JSON.parse(String(reading.body)), swingId: id };
    insert(db, 'readings', { ...reading, swing_id: id, body: JSON.stringify(body) });
  }
}

const YEAR_MS = 365 * 86_400_000;

function pastSets(db: Database.Database, student: string, count: number, random: Random): number {
  const choice = db
    .prepare('SELECT drills, at FROM drill_choices WHERE student_id = ? ORDER BY at LIMIT 1')
    .get(student) as { drills: string; at: string } | undefined;
  const drill = choice ? (JSON.parse(choice.drills) as string[])[0] : 'knee_swap';
  const until = Date.parse(choice?.at ?? new Date().toISOString());
  const put = db.prepare(
    `INSERT INTO set_logs (id, student_id, date, drill, stage, reps, felt, "from", at, done_at, device)
      VALUES (?, ?, ?, ?, 'still', ?, 6, 'student', ?, NULL, NULL)`,
  );
  for (let i = 0; i < count; i++) {
    const at = new Date(until - between(random, 1, YEAR_MS)).toISOString();
    put.run(randomUUID(), student, at.slice(0, 10), drill, pick(random, ['PPFPPPPPFP', 'PPPP?PFPPP']), at);
  }
  return count;
}
