import { ageOn } from '@inchstep/core/foundation';
import type { MeasuresRecord } from '@inchstep/core/measures';
import type { StudentRecord } from '@inchstep/core/progress';
import { dayOf } from '../platform/context.ts';
import type { Db } from '../platform/db.ts';
import { Refusal } from '../platform/errors.ts';
import { captureSlice } from '../rooms/capture/index.ts';
import { checkinSlice } from '../rooms/checkins/index.ts';
import { diagnosisSlice } from '../rooms/diagnosis/index.ts';
import { intakeSlice, resolvedSchool } from '../rooms/intake/index.ts';
import { measuresSlice } from '../rooms/measures/index.ts';
import { practiceSlice, type SetsFrom, setsSince } from '../rooms/practice/index.ts';
import { prescriptionSlice } from '../rooms/prescription/index.ts';

/** Files of this many students are kept in memory; a coach's day touches fewer. */
const MOST_KEPT = 64;

/** Each slice is read when it is asked for, and once. */
function lazily(read: { readonly [S in keyof StudentRecord]: () => StudentRecord[S] }): StudentRecord {
  const record = {};
  for (const [slice, make] of Object.entries(read))
    Object.defineProperty(record, slice, {
      enumerable: true,
      configurable: true,
      get: () => {
        const value = make();
        Object.defineProperty(record, slice, { value, enumerable: true });
        return value;
      },
    });
  return record as StudentRecord;
}

const withSpreads = (measures: MeasuresRecord, spreads: readonly number[] | null): MeasuresRecord =>
  spreads === null ? measures : { ...measures, spreads };

interface Kept {
  readonly record: StudentRecord;
  /** The sets of the practice slice, with the last one's number. */
  readonly sets: () => SetsFrom;
  /** A student may have a birthday tomorrow. */
  readonly day: string;
}

/** Students' files as they stand in the database, read once until something is written. */
export class FileCache {
  private readonly kept = new Map<string, Kept>();

  private readonly db: Db;
  private readonly now: () => Date;
  private readonly spreads: () => readonly number[] | null;

  constructor(db: Db, now: () => Date, spreads: () => readonly number[] | null) {
    this.db = db;
    this.now = now;
    this.spreads = spreads;
  }

  of(studentId: string): StudentRecord {
    const day = dayOf(this.now().toISOString());
    const known = this.kept.get(studentId);
    if (known?.day === day) return this.keep(studentId, known).record;
    return this.keep(studentId, this.read(studentId, day)).record;
  }

  /** Only sets were added: the rest of the file stands. */
  setsAdded(studentId: string): void {
    const known = this.kept.get(studentId);
    if (!known) return;
    // Read before the others were added, or read with them just now.
    const before = known.record.practice;
    const sets = setsSince(this.db, studentId, known.sets());
    const practice = { ...before, sets: sets.sets };
    this.keep(studentId, { ...known, sets: () => sets, record: { ...known.record, practice } });
  }

  drop(studentId: string): void {
    this.kept.delete(studentId);
  }

  clear(): void {
    this.kept.clear();
  }

  private keep(studentId: string, kept: Kept): Kept {
    this.kept.delete(studentId);
    this.kept.set(studentId, kept);
    const [eldest] = this.kept.keys();
    if (this.kept.size > MOST_KEPT && eldest !== undefined) this.kept.delete(eldest);
    return kept;
  }

  /** One statement a table, whatever there is, and only for the slices that are asked for. */
  private read(studentId: string, day: string): Kept {
    const { db } = this;
    let known: SetsFrom | null = null;
    const sets = () => {
      known ??= setsSince(db, studentId);
      return known;
    };
    const intake = intakeSlice(db, studentId, {
      ageOf: (bornOn) => ageOn(bornOn, day),
      schoolOf: (profile) => resolvedSchool(db, profile),
    });
    if (!intake) throw new Refusal('not_found');
    const record = lazily({
      intake: () => intake,
      capture: () => captureSlice(db, studentId),
      measures: () => withSpreads(measuresSlice(db, studentId), this.spreads()),
      diagnosis: () => diagnosisSlice(db, studentId),
      prescription: () => prescriptionSlice(db, studentId),
      practice: () => practiceSlice(db, studentId, () => sets().sets),
      checkins: () => checkinSlice(db, studentId),
    });
    return { record, sets, day };
  }
}
