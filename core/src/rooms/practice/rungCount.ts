import { decideBy, type Rep, stepOf, tapeOf } from './gate.ts';

/** The rep gate as it goes on: a "not yet" starts the test anew by itself and is counted. */
export interface RungStanding {
  readonly decision: 'advance' | 'continue';
  /** Repetitions read in the present test. */
  readonly repsUsed: number;
  /** 0 empty .. 1 full. */
  readonly tape: number;
  /** Tests in a row that ended with "not yet". */
  readonly notYets: number;
  /** Judged repetitions of the present test. */
  readonly passes: number;
  readonly fails: number;
}

/** So many "not yet" in a row propose one rung down. */
export const NOT_YETS_DOWN = 2;

/** Reads repetitions one after the other, test after test; what comes after an "owned" changes nothing. */
export class RungCount {
  private evidence = 0;
  private used = 0;
  private passes = 0;
  private fails = 0;
  notYets = 0;
  advanced = false;

  read(reps: readonly Rep[]): void {
    for (const rep of reps) {
      if (this.advanced) return;
      this.used += 1;
      if (rep === 'P') this.passes += 1;
      if (rep === 'F') this.fails += 1;
      this.evidence += stepOf(rep);
      const decision = decideBy(this.evidence, this.passes + this.fails);
      if (decision === 'advance') this.advanced = true;
      if (decision === 'hold') this.startAnew();
    }
  }

  copy(): RungCount {
    return Object.assign(new RungCount(), this);
  }

  private startAnew(): void {
    this.notYets += 1;
    this.evidence = 0;
    this.used = 0;
    this.passes = 0;
    this.fails = 0;
  }

  get test(): RungStanding {
    const { used: repsUsed, notYets, passes, fails } = this;
    const decision = this.advanced ? 'advance' : 'continue';
    return { decision, repsUsed, tape: tapeOf(this.evidence), notYets, passes, fails };
  }
}

export function countRung(reps: readonly Rep[]): RungStanding {
  const count = new RungCount();
  count.read(reps);
  return count.test;
}
