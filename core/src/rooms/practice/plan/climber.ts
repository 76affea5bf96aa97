import { daysBetween } from '../../../foundation/index.ts';
import { RETENTION_AFTER_DAYS } from '../ruleNumbers.ts';
import { STAGES, type Stage, stageRow } from '../stages.ts';
import type { Capacity, Climb, Ground } from './layout.ts';
import type { Track } from './track.ts';

/** Days that a gate with a measure waits for the coach, when nothing goes wrong. */
const FORESEEN_WAIT = 2;

/** A drill on its way up while the days are laid: the rung that is foreseen for each of them. */
export class Climber {
  readonly track: Track;
  readonly capacity: Capacity[] = [];
  readonly from = new Map<Stage, number>();
  readonly until = new Map<Stage, number>();
  /** Repetitions and visits on the present rung so far. */
  private reps = 0;
  visits = 0;
  private at: number;
  private opensOn = 0;
  begunOn: number | null;
  /** Days on which it is looked at again after its work is done. */
  readonly retention: number[] = [];
  private readonly ground: Ground;
  private readonly waits: number;

  constructor(track: Track, ground: Ground) {
    this.track = track;
    this.ground = ground;
    this.waits = ground.request.coachDecides ? FORESEEN_WAIT : 0;
    this.begunOn = track.inUse ? 0 : null;
    this.visits = track.letters.filter(({ stage }) => stage === track.standing.stage).length > 0 ? 1 : 0;
    const { standing, reachable } = track;
    const next = standing.finished
      ? reachable.length
      : reachable.findIndex((stage) => STAGES.indexOf(stage) >= STAGES.indexOf(standing.stage));
    this.at = next < 0 ? reachable.length : next;
    if (this.at === reachable.length && standing.since !== null) this.lookAgain(standing.since, ground);
    // What was taken as passed by a witness is looked at a week later.
    else if (standing.witnessedOn !== null) this.lookAgain(standing.witnessedOn, ground, 1);
  }

  private lookAgain(since: string, ground: Ground, times: number = RETENTION_AFTER_DAYS.length): void {
    const first = ground.slots[0]?.date;
    if (first === undefined) return;
    const ago = daysBetween(since, first);
    for (const after of RETENTION_AFTER_DAYS.slice(0, times))
      if (after >= ago) this.retention.push(after - ago);
  }

  /** The rung for a day; null when the ladder is behind. */
  get stage(): Stage | null {
    return this.track.reachable[this.at] ?? null;
  }

  /** A rung that waits for the coach is practised on, but nothing more is asked of it. */
  isAtLeast(stage: Stage): boolean {
    const now = this.stage;
    return now === null || STAGES.indexOf(now) >= STAGES.indexOf(stage);
  }

  begin(day: number): void {
    this.begunOn ??= day;
  }

  /** Notes a session; the gate is foreseen at the end of the one in which enough was repeated. */
  practised(day: number, reps: number, counts: boolean): void {
    const { stage } = this;
    if (!counts || stage === null) return;
    if (!this.from.has(stage)) this.from.set(stage, day);
    if (day < this.opensOn) return;
    this.reps += reps;
    this.visits += 1;
    if (this.reps < this.needed(stage)) return;
    const waits = stageRow(stage).measureGate ? this.waits : 0;
    this.until.set(stage, day + waits);
    this.at += 1;
    this.reps = 0;
    this.visits = 0;
    this.opensOn = day + waits;
    if (this.stage === null)
      for (const after of RETENTION_AFTER_DAYS) this.retention.push(day + waits + after);
  }

  /** Repetitions that half of the futures need at most. */
  private needed(stage: Stage): number {
    return middle(this.ground.futures.needs(this.track)[STAGES.indexOf(stage)] as Float64Array);
  }

  get climb(): Climb {
    return { capacity: this.capacity, from: this.from, until: this.until };
  }
}

/** What half of the futures need at most. */
function middle(needs: Float64Array): number {
  const sorted = Float64Array.from(needs).sort();
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
}
