import type { StudentFacts } from '../../intake/index.ts';
import { isChild } from '../../intake/index.ts';
import { type Drill, LIMIT_OF_LOAD, type LoadClass, loadsOf } from '../../prescription/index.ts';
import {
  CHILD_SHARE,
  DAILY_REPS,
  FULLEST_WEEK_WITHIN_DAYS,
  GAP_DAYS,
  JOINTS,
  LEAST_WEEK_SHARE,
  LIMITED_SHARE,
  LOOK_BACK_DAYS,
  OLDER_FROM_YEARS,
  OLDER_SHARE,
  WEEK_HAS_DAYS,
  WEEKLY_GROWTH,
} from '../ruleNumbers.ts';

import type { Reserve } from './reserve.ts';

/** What a drill loads, with the most repetitions of it that the day of each joint has room for. */
export interface DrillLoad {
  /** Index of the joint in the ledger, and the day's cap by this drill's class. */
  readonly joints: readonly { readonly row: number; readonly cap: number; readonly marked: boolean }[];
}

const ALL = JOINTS.length;
const ROWS = JOINTS.length + 1;

/** The day's cap of everything together. */
export const dayCapOf = (student: StudentFacts): number => DAILY_REPS.none * ageShare(student);

const ageShare = (student: StudentFacts): number =>
  isChild(student) ? CHILD_SHARE : student.ageYears >= OLDER_FROM_YEARS ? OLDER_SHARE : 1;

/** The most repetitions a day of a drill that loads this joint so hard. */
function jointCap(joint: LoadClass, grade: 1 | 2, student: StudentFacts): number {
  const cap = (grade === 2 ? DAILY_REPS.marked : DAILY_REPS.light) * ageShare(student);
  return student.limits.includes(LIMIT_OF_LOAD[joint]) ? cap * LIMITED_SHARE : cap;
}

export const loadOf = (drill: Drill, student: StudentFacts): DrillLoad => ({
  joints: loadsOf(drill).map(([joint, grade]) => ({
    row: JOINTS.indexOf(joint),
    cap: jointCap(joint, grade, student),
    marked: grade === 2,
  })),
});

/**
 * What a week may hold in any case, by joint and in all: half of what its day may, as for the drill that loads the
 * joint hardest.
 */
export function leastWeeks(drills: readonly Drill[], student: StudentFacts): number[] {
  const ofJoint = (joint: LoadClass): number => {
    const hard = drills.some(({ loads }) => loads[joint] === 2);
    return LEAST_WEEK_SHARE * jointCap(joint, hard ? 2 : 1, student);
  };
  return [...JOINTS.map(ofJoint), LEAST_WEEK_SHARE * dayCapOf(student)];
}

/** The most repetitions a day of a drill alone. */
export const dailyCap = (drill: Drill, student: StudentFacts): number =>
  Math.floor(Math.min(dayCapOf(student), ...loadOf(drill, student).joints.map(({ cap }) => cap)));

/**
 * Repetitions by day, for each joint and in all: what was logged and what is planned so far. Days are counted
 * from the plan's first; those before it are the log.
 */
export class Ledger {
  /** reps[row][day + LOOK_BACK_DAYS] */
  private readonly reps: Float64Array[];
  /** Share of the joint's day that is used. */
  private readonly used: Float64Array[];
  private readonly marked: Uint8Array[];
  private readonly days: number;

  /** Days that are asked for in a week; fewer were missed. */
  private readonly askedPerWeek: number;

  /** What a week of each row may hold in any case. */
  private readonly leastWeeks: readonly number[];

  constructor(days: number, askedPerWeek: number, leastWeeks: readonly number[]) {
    this.askedPerWeek = askedPerWeek;
    this.leastWeeks = leastWeeks;
    this.days = days + LOOK_BACK_DAYS;
    const rows = () => Array.from({ length: ROWS }, () => new Float64Array(this.days));
    this.reps = rows();
    this.used = rows();
    this.marked = Array.from({ length: ROWS }, () => new Uint8Array(this.days));
  }

  copy(): Ledger {
    const other = new Ledger(this.days - LOOK_BACK_DAYS, this.askedPerWeek, this.leastWeeks);
    for (let row = 0; row < ROWS; row++) {
      other.reps[row]?.set(this.reps[row] as Float64Array);
      other.used[row]?.set(this.used[row] as Float64Array);
      other.marked[row]?.set(this.marked[row] as Uint8Array);
    }
    return other;
  }

  add(day: number, load: DrillLoad, count: number): void {
    const at = day + LOOK_BACK_DAYS;
    if (at < 0 || at >= this.days || count <= 0) return;
    this.bump(this.reps, ALL, at, count);
    for (const { row, cap, marked } of load.joints) {
      this.bump(this.reps, row, at, count);
      this.bump(this.used, row, at, count / cap);
      if (marked) (this.marked[row] as Uint8Array)[at] = 1;
    }
  }

  private bump(rows: Float64Array[], row: number, at: number, by: number): void {
    const values = rows[row] as Float64Array;
    values[at] = (values[at] as number) + by;
  }

  on(day: number): number {
    return (this.reps[ALL] as Float64Array)[day + LOOK_BACK_DAYS] ?? 0;
  }

  /** Whether a marked load on one of these joints lies on the day before or after. */
  restsOn(day: number, load: DrillLoad): boolean {
    const at = day + LOOK_BACK_DAYS;
    return load.joints.some(
      ({ row, marked }) =>
        marked &&
        ((this.marked[row] as Uint8Array)[at - 1] === 1 || (this.marked[row] as Uint8Array)[at + 1] === 1),
    );
  }

  /** Room in the day by its joints, for repetitions of this drill; `share` of the caps on a light day. */
  jointRoom(day: number, load: DrillLoad, share: number): number {
    const at = day + LOOK_BACK_DAYS;
    let room = Number.POSITIVE_INFINITY;
    for (const { row, cap } of load.joints)
      room = Math.min(room, (share - ((this.used[row] as Float64Array)[at] as number)) * cap);
    return room;
  }

  /** Room by growth over rolling weeks and after a gap, over the drill's joints and in all; what a day keeps of it. */
  growthRoom(
    day: number,
    load: DrillLoad,
    reserve: Reserve,
    visitReps: number,
  ): { readonly room: number; readonly rule: 'growth' | 'gap' } {
    let least = this.rowRoom(ALL, day, reserve, visitReps);
    for (const { row } of load.joints) {
      const room = this.rowRoom(row, day, reserve, visitReps);
      if (room.room < least.room) least = room;
    }
    return least;
  }

  private sum(row: number, from: number, to: number): number {
    const values = this.reps[row] as Float64Array;
    let sum = 0;
    for (let at = Math.max(0, from); at <= to && at < this.days; at++) sum += values[at] as number;
    return sum;
  }

  private rowRoom(
    row: number,
    day: number,
    reserve: Reserve,
    visitReps: number,
  ): { room: number; rule: 'growth' | 'gap' } {
    const at = day + LOOK_BACK_DAYS;
    const { begun, lastBefore } = this.spell(row, at);
    let room = Number.POSITIVE_INFINITY;
    let rule: 'growth' | 'gap' = 'growth';
    if (lastBefore >= 0 && at - begun < 7) {
      const left = this.sum(row, lastBefore - 6, lastBefore) - this.sum(row, begun, begun + 6);
      room = shared(left, reserve, visitReps, begun + 6 - at);
      rule = 'gap';
    }
    // Each later week that this day belongs to must stay within a quarter more than the week before it.
    for (let end = Math.max(at, begun + 13); end <= at + 6; end++) {
      const grown = shared(
        this.weekBound(row, end) - this.sum(row, end - 6, end),
        reserve,
        visitReps,
        end - at,
      );
      if (grown < room) {
        room = grown;
        rule = 'growth';
      }
    }
    return { room, rule };
  }

  /** The most that the seven days up to this one may hold. */
  private weekBound(row: number, end: number): number {
    const before = Math.max(this.leastWeeks[row] as number, WEEKLY_GROWTH * this.sum(row, end - 13, end - 7));
    // Only what has gone by can have been missed; a plan's own thin weeks count as they are.
    if (end - 13 >= LOOK_BACK_DAYS || this.activeDays(end - 7) >= this.askedPerWeek) return before;
    let fullest = before;
    for (let last = end - 8; last >= Math.max(6, end - 7 - FULLEST_WEEK_WITHIN_DAYS); last--)
      if (this.activeDays(last) >= WEEK_HAS_DAYS) fullest = Math.max(fullest, this.sum(row, last - 6, last));
    return fullest;
  }

  /** Days of practice among the seven up to this one. */
  private activeDays(end: number): number {
    const values = this.reps[ALL] as Float64Array;
    let active = 0;
    for (let at = Math.max(0, end - 6); at <= end; at++) active += Number((values[at] as number) > 0);
    return active;
  }

  /** The spell of practice that this day belongs to: since when, and the last active day before it (-1 = none). */
  private spell(row: number, at: number): { begun: number; lastBefore: number } {
    const values = this.reps[row] as Float64Array;
    let begun = at;
    let idle = 0;
    for (let before = at - 1; before >= 0; before--) {
      if ((values[before] as number) > 0) {
        if (idle >= GAP_DAYS) return { begun, lastBefore: before };
        begun = before;
        idle = 0;
      } else idle += 1;
    }
    return { begun, lastBefore: -1 };
  }
}

const shared = (left: number, { visits, sharers }: Reserve, visitReps: number, ahead: number): number =>
  (left - visitReps * (visits[ahead] as number)) / (sharers[ahead] as number);
