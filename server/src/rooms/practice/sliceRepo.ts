import { PLAN } from '@inchstep/contract/kept';
import type { GateWord, KeptPlan, LoggedSet, PracticeRecord } from '@inchstep/core/practice';
import { dayOf } from '../../platform/context.ts';
import { type Db, prepared } from '../../platform/db.ts';
import { readKept } from '../../platform/keptColumn.ts';

/** Sets after one that is known already; logs only grow. */
export interface SetsFrom {
  readonly sets: readonly LoggedSet[];
  readonly lastRow: number;
}

const NO_SETS: SetsFrom = { sets: [], lastRow: 0 };

const COLUMNS = [
  'rowid',
  'id',
  'date',
  'drill',
  'stage',
  'reps',
  'at',
  'done_at',
  '"from"',
  'device',
  'layer',
];
/** Signs that stand in no id, date or repetition. */
const [FIELD, LINE] = ['\u001f', '\u001e'];

/** So many of the latest sets are read, whenever they were done: a page shows them. */
const LATEST = 60;
/** More sets than anybody does in one piece of work (ten a day for a year): a record that holds more keeps nobody waiting. */
const MOST_SETS = 4000;
/** From when on sets are read: since the drills in use were taken, or the plan that stands was laid. */
const SINCE = `min(
  coalesce((SELECT max(at) FROM drill_choices WHERE student_id = ?1 AND ended_at IS NULL), '9'),
  coalesce((SELECT max(at) FROM plans WHERE student_id = ?1), '9'),
  coalesce((SELECT at FROM set_logs WHERE student_id = ?1 ORDER BY at DESC LIMIT 1 OFFSET ${LATEST - 1}), '')
)`;

/**
 * The sets of the present work in one text: a thousand rows are read in less than half the time that a thousand
 * objects take. Years of practice before it are not looked through.
 */
function workSets(db: Db, studentId: string): SetsFrom {
  const line = COLUMNS.map((column) => `coalesce(${column}, '')`).join(` || '${FIELD}' || `);
  const text = prepared(
    db,
    `SELECT group_concat(${line}, '${LINE}')
      FROM (SELECT * FROM (
        SELECT rowid, * FROM set_logs WHERE student_id = ?1 AND at >= ${SINCE}
        ORDER BY at DESC, rowid DESC LIMIT ${MOST_SETS}
      ) ORDER BY at, rowid)`,
  )
    .pluck()
    .get({ 1: studentId }) as string | null;
  if (text === null) return NO_SETS;
  let lastRow = 0;
  const sets = text.split(LINE).map((fields): LoggedSet => {
    const [row, id, date, drill, stage, reps, at, doneAt, from, device, layer] = fields.split(
      FIELD,
    ) as string[];
    lastRow = Math.max(lastRow, Number(row));
    return {
      id: id as string,
      date: date as string,
      drill: drill as string,
      stage: stage as LoggedSet['stage'],
      reps: reps as string,
      at: at as string,
      doneAt: doneAt || null,
      from: from as LoggedSet['from'],
      device: device || null,
      layer: Number(layer),
    };
  });
  return { sets, lastRow };
}

/** Sets logged since those that are known, put in the order in which they came; without any, those of the work. */
export function setsSince(db: Db, studentId: string, known?: SetsFrom): SetsFrom {
  if (!known || known.lastRow === 0) return workSets(db, studentId);
  const rows = prepared(
    db,
    // By the row's number, not by the student's index: what was added since is little.
    `SELECT rowid AS row, id, date, drill, stage, reps, at, done_at AS doneAt, "from", device, layer
      FROM set_logs WHERE +student_id = ? AND rowid > ? ORDER BY at, rowid`,
  ).all(studentId, known.lastRow) as (LoggedSet & { row: number })[];
  if (rows.length === 0) return known;
  const lastRow = rows.reduce((last, { row }) => Math.max(last, row), known.lastRow);
  const fresh = rows.map(({ row: _, ...set }) => set);
  const sets = [...known.sets, ...fresh];
  const last = known.sets.at(-1);
  // A clock that was set back may stamp a later set earlier.
  if (last && fresh.some(({ at }) => at < last.at)) sets.sort((a, b) => (a.at < b.at ? -1 : 1));
  return { sets, lastRow };
}

/** Sets, the coach's words and the plan that stands. */
export function practiceSlice(db: Db, studentId: string, sets: () => readonly LoggedSet[]): PracticeRecord {
  const words = prepared(
    db,
    `SELECT drill, stage, decision, at FROM gate_decisions
      WHERE student_id = ? AND undone_at IS NULL ORDER BY at, rowid`,
  ).all(studentId) as Omit<GateWord, 'day'>[];
  let plan: KeptPlan | null | undefined;
  return {
    get sets() {
      return sets();
    },
    gates: words.map((word) => ({ ...word, day: dayOf(word.at) })),
    /** Eight weeks of days: only who asks for them reads them. */
    get plan() {
      if (plan === undefined) plan = latestPlan(db, studentId);
      return plan;
    },
  };
}

function latestPlan(db: Db, studentId: string): KeptPlan | null {
  const row = prepared(
    db,
    'SELECT at, body FROM plans WHERE student_id = ? ORDER BY at DESC, rowid DESC LIMIT 1',
  ).get(studentId) as { at: string; body: string } | undefined;
  return row ? { at: row.at, ...readKept(PLAN, row.body) } : null;
}
