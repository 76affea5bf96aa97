import type { Database } from 'better-sqlite3';

/** Tables that hold nobody's rows in particular, or only what is made again from the others. */
const NOBODYS_TABLES: ReadonlySet<string> = new Set([
  'coaches',
  'sessions',
  'erasures',
  'arrivals',
  'program_facts',
  'band_edits',
  'column_matches',
  'own_drills',
  'summaries',
  'net_means',
]);

export type Row = Record<string, unknown>;

/** How a table's rows are found from a student: by their own column, or over the row they belong to. */
function reachOf(client: Database, table: string): string {
  if (table === 'students') return 'SELECT * FROM students WHERE id = ? ORDER BY rowid';
  const columns = client.pragma(`table_info("${table}")`) as { name: string }[];
  if (columns.some(({ name }) => name === 'student_id'))
    return `SELECT * FROM "${table}" WHERE student_id = ? ORDER BY rowid`;
  const keys = client.pragma(`foreign_key_list("${table}")`) as { table: string; from: string }[];
  const [parent] = keys;
  if (!parent) throw new Error(`studentRows: ${table} belongs to nobody and is not listed as such`);
  return `SELECT t.* FROM "${table}" t JOIN "${parent.table}" p ON p.id = t."${parent.from}" WHERE p.student_id = ? ORDER BY t.rowid`;
}

/** Every table of the database that holds a student's rows; a new table is among them without being named. */
export function studentTablesOf(client: Database): string[] {
  const names = client
    .prepare(
      "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite%' AND name NOT LIKE '\\_\\_%' ESCAPE '\\'",
    )
    .pluck()
    .all() as string[];
  return names.filter((name) => !NOBODYS_TABLES.has(name));
}

/** All rows of one student, by table, as the database holds them. */
export const rowsOfStudent = (client: Database, studentId: string): Map<string, Row[]> =>
  new Map(
    studentTablesOf(client).map((table) => [
      table,
      client.prepare(reachOf(client, table)).all(studentId) as Row[],
    ]),
  );
