import { MEASURES_VERSION } from '@inchstep/core/measures';
import type { Context } from '../../platform/context.ts';
import { programFact, putProgramFact } from '../../platform/programFacts.ts';
import { makeAllStale, oldReadings } from './repo.ts';
import { makeAnew } from './service.ts';

const FACT = 'measures_version';
/** Marks come one after the other: a swing is read once they rest this long. */
const REST_MS = 2000;

/** Brings readings up to their marks in the background, one swing after the other. */
export class Upkeep {
  /** Swings that wait, with the moment from which they may be read. */
  private readonly due = new Map<string, number>();
  private timer: NodeJS.Timeout | null = null;
  private running = false;
  private closed = false;

  private readonly ctx: () => Context;

  constructor(ctx: () => Context) {
    this.ctx = ctx;
  }

  /** How many swings wait to be read anew. */
  get waiting(): number {
    return this.due.size;
  }

  saved(swingId: string): void {
    this.due.set(swingId, performance.now() + REST_MS);
    this.wake();
  }

  /** What an older program, or one that was ended, left behind. */
  findOld(): void {
    const { db } = this.ctx();
    // What older measures and bands said is still shown, as stale, until it was read anew.
    if (programFact(db, FACT) !== MEASURES_VERSION) {
      makeAllStale(db);
      putProgramFact(db, FACT, MEASURES_VERSION);
    }
    for (const id of oldReadings(this.ctx().db)) this.due.set(id, 0);
    this.wake();
  }

  close(): void {
    this.closed = true;
    this.due.clear();
    if (this.timer) clearTimeout(this.timer);
  }

  private wake(): void {
    if (this.closed || this.running || this.due.size === 0) return;
    if (this.timer) clearTimeout(this.timer);
    const next = Math.min(...this.due.values());
    this.timer = setTimeout(() => void this.round(), Math.max(0, next - performance.now()));
    this.timer.unref();
  }

  private async round(): Promise<void> {
    this.running = true;
    const now = performance.now();
    for (const [id, from] of [...this.due]) {
      if (this.closed) break;
      if (from > now || this.due.get(id) !== from) continue;
      this.due.delete(id);
      // Whoever asks meanwhile gets a turn.
      await new Promise((turn) => setImmediate(turn));
      // What can't be read (a child's without consent, one erased meanwhile) stays as it is and says so itself.
      await makeAnew(this.ctx(), id).catch(() => undefined);
    }
    this.running = false;
    this.wake();
  }
}
