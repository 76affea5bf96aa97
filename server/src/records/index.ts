import { roundTo } from '@inchstep/core/foundation';
import type { Library } from '@inchstep/core/prescription';
import {
  coachSpreads,
  forecastsToKeep,
  type StudentRecord,
  type Summary,
  summaryOf,
} from '@inchstep/core/progress';
import { dayOf } from '../platform/context.ts';
import type { Db } from '../platform/db.ts';
import { programFact, putProgramFact } from '../platform/programFacts.ts';
import type { Records, Touched } from '../platform/records.ts';
import { readLibrary } from '../rooms/prescription/index.ts';
import { keepForecasts, toldForecasts } from '../rooms/progress/index.ts';
import { FileCache } from './fileCache.ts';
import { SummaryRows } from './summaryRows.ts';

/** Summaries made in one go before a request gets its turn. */
const AT_ONCE_MS = 15;
const MOST_AT_ONCE = 20;
/** At a start, before anybody asks. */
const AT_START_MS = 300;

/** Under this name lies how far this coach's students stray. */
const SPREADS = 'usual_spreads';
/** A share that moved by less changes nothing that is told. */
const WORTH_LEARNING = 0.03;

interface Together {
  readonly studentId: string;
  /** Carries the write out; what is called once all of them are kept. */
  readonly act: () => () => void;
  readonly fail: (error: unknown) => void;
}

/** The one door to students' files and summaries; see `Records`. */
export class StudentRecords implements Records {
  private readonly files: FileCache;
  private readonly rows: SummaryRows;
  private known: Library | null = null;
  /** Null while the house's guess holds. */
  private spreads: readonly number[] | null;
  /** Students that the write in progress touched; null between writes. */
  private touched: Map<string, Touched> | null = null;
  private readonly together: Together[] = [];
  private background: NodeJS.Immediate | null = null;

  private readonly db: Db;
  private readonly now: () => Date;

  constructor(db: Db, now: () => Date) {
    this.db = db;
    this.now = now;
    this.spreads = programFact(db, SPREADS) as readonly number[] | null;
    this.files = new FileCache(db, now, () => this.spreads);
    this.rows = new SummaryRows(db);
  }

  /** What is missing or old is made anew: what fits at once, the rest in the background. */
  begin(): void {
    if (this.catchUp(AT_START_MS) > 0) this.later();
  }

  of(studentId: string): StudentRecord {
    return this.files.of(studentId);
  }

  library(): Library {
    this.known ??= readLibrary(this.db);
    return this.known;
  }

  write<T>(studentId: string, act: () => T, touches: Touched = 'file'): T {
    if (this.touched) {
      note(this.touched, studentId, touches);
      return act();
    }
    const touched = new Map<string, Touched>([[studentId, touches]]);
    this.touched = touched;
    try {
      return this.db.transaction(
        () => {
          const answer = act();
          for (const [id, what] of touched) this.bringUp(id, what);
          return answer;
        },
        { behavior: 'immediate' },
      );
    } catch (error) {
      // What was read while it lasted never came to be.
      for (const id of touched.keys()) this.files.drop(id);
      throw error;
    } finally {
      this.touched = null;
    }
  }

  /** Waits for whatever else arrives in this moment: one way to the disk serves them all. */
  writeTogether<T>(studentId: string, act: () => T, touches: Touched = 'file'): Promise<T> {
    return new Promise((done, fail) => {
      this.together.push({
        studentId,
        act: () => {
          try {
            // Each stands or falls alone.
            const answer = this.db.transaction(() => this.write(studentId, act, touches));
            return () => done(answer);
          } catch (error) {
            return () => fail(error);
          }
        },
        fail,
      });
      if (this.together.length === 1) setImmediate(() => this.writeAll());
    });
  }

  private writeAll(): void {
    const all = this.together.splice(0);
    const [first] = all;
    if (!first) return;
    try {
      // Nobody is answered before all of it is on the disk.
      const answers = this.write(first.studentId, () => all.map(({ act }) => act()), 'nothing');
      for (const answer of answers) answer();
    } catch (error) {
      for (const { fail } of all) fail(error);
    }
  }

  private bringUp(studentId: string, what: Touched): void {
    if (what === 'nothing') return;
    if (what === 'sets') this.files.setsAdded(studentId);
    else this.files.drop(studentId);
    // What is told of a film that was known before is told anew only with a write that may have changed it.
    if (what === 'file') this.tell(studentId);
    this.rows.put(this.summary(studentId));
  }

  private tell(studentId: string): void {
    const at = this.now().toISOString();
    const told = forecastsToKeep(this.of(studentId), this.library(), dayOf(at));
    keepForecasts(this.db, studentId, told, at);
  }

  private summary(studentId: string): Summary {
    return summaryOf(this.of(studentId), this.library(), toldForecasts(this.db, studentId));
  }

  everybodyChanged(): void {
    this.known = null;
    this.files.clear();
    this.rows.makeAllStale();
    this.later();
  }

  learnSpreads(): boolean {
    const students = [...this.summaries().all].flatMap(({ spreads }) => (spreads ? [spreads] : []));
    const learnt = coachSpreads(students).map((share) => roundTo(share, 2));
    const before = this.spreads ?? coachSpreads([]);
    if (learnt.every((share, row) => Math.abs(share - (before[row] ?? 0)) < WORTH_LEARNING)) return false;
    this.spreads = learnt;
    putProgramFact(this.db, SPREADS, learnt);
    this.everybodyChanged();
    return true;
  }

  private later(): void {
    this.background ??= setImmediate(() => {
      this.background = null;
      if (this.catchUp(AT_ONCE_MS) > 0) this.later();
    });
    this.background.unref();
  }

  summaries() {
    return this.rows.all();
  }

  forget(studentId: string): void {
    this.files.drop(studentId);
    this.rows.forget(studentId);
  }

  catchUp(forMs: number): number {
    const until = performance.now() + forMs;
    for (;;) {
      const missing = this.rows.missing(MOST_AT_ONCE);
      if (missing.length === 0) return 0;
      if (performance.now() >= until) return missing.length;
      this.db.transaction(() => {
        for (const id of missing) this.bringUp(id, 'file');
      });
    }
  }

  *check(): Generator<boolean, void> {
    for (const id of this.rows.students()) {
      // One that was erased since has nothing to differ from.
      if (!this.rows.exists(id)) continue;
      this.files.drop(id);
      const said = this.rows.bodyOf(id);
      const isRight = said === JSON.stringify(this.summary(id));
      if (!isRight) this.write(id, () => undefined);
      yield !isRight;
    }
  }

  close(): void {
    if (this.background) clearImmediate(this.background);
    this.background = null;
  }
}

function note(touched: Map<string, Touched>, studentId: string, what: Touched): void {
  const before = touched.get(studentId);
  if (before !== 'file') touched.set(studentId, what === 'nothing' && before ? before : what);
}
