import { daysBetween, type IsoDay, plusDays } from '../../../foundation/index.ts';
import { opensByCount } from '../ladder.ts';
import { RETENTION_AFTER_DAYS } from '../ruleNumbers.ts';
import { STAGES, type Stage } from '../stages.ts';
import type { Capacity, Climb, Ground } from './layout.ts';
import type { Track } from './track.ts';

/** Days that a gate with a measure waits for the coach, when nothing goes wrong. */
const FORESEEN_WAIT = 1;

const LET_GO_DAYS = 21;

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
    else if (standing.witnessedOn !== null) this.lookOnce(standing.witnessedOn, ground);
  }

  /** A week and a month after its work was done; and every week until it was seen to last. */
  private lookAgain(since: IsoDay, ground: Ground): void {
    const first = ground.slots[0]?.date;
    if (first === undefined) return;
    const { letters, standing } = this.track;
    const looked = letters.findLast(({ stage, date }) => stage === 'full' && date > since)?.date;
    const [week, month] = RETENTION_AFTER_DAYS.map((after) => plusDays(since, after)) as [IsoDay, IsoDay];
    const next = looked === undefined ? week : plusDays(looked, RETENTION_AFTER_DAYS[0]);
    const due = [
      ...(standing.lasts ? [] : [next]),
      ...(looked !== undefined && looked >= month ? [] : [month]),
    ].filter((date) => standing.finished || date >= first);
    // What is long past was let go of by the coach, or by a gap.
    for (const date of due)
      if (daysBetween(date, first) < LET_GO_DAYS) this.retention.push(Math.max(0, -daysBetween(date, first)));
  }

  private lookOnce(since: IsoDay, ground: Ground): void {
    const first = ground.slots[0]?.date;
    if (first === undefined) return;
    const due = -daysBetween(plusDays(since, RETENTION_AFTER_DAYS[0]), first);
    if (due >= 0) this.retention.push(due);
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
    const waits = !opensByCount(stage) ? this.waits : 0;
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
    return middle(this.ground.futures.needs(this.track, stage));
  }

  /** Looked at again it stood; of the time ahead that is taken to be so. */
  get wasSeenToLast(): boolean {
    const { finished, lasts } = this.track.standing;
    return finished ? lasts : this.retention.length < RETENTION_AFTER_DAYS.length;
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
