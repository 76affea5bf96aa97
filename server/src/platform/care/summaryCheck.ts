import { format } from 'date-fns';
import type { Context } from '../context.ts';
import { programFact, putProgramFact } from '../programFacts.ts';
import { NIGHT_HOUR } from './runs.ts';

const FACT = 'summaries_checked';
/** Files are read and computed for so long, then whoever else wants the processor has it for a while. */
const AT_ONCE_MS = 10;
const REST_MS = 40;

/**
 * Once a night every summary is compared with what its student's file says. One that differs is made anew and
 * counted: there should be none. The check goes on little by little and can be ended at any time.
 */
export class SummaryCheck {
  private readonly ctx: Context;
  private readonly complain: (differing: number) => void;
  private turn: NodeJS.Timeout | null = null;

  constructor(ctx: Context, complain: (differing: number) => void) {
    this.ctx = ctx;
    this.complain = complain;
  }

  get running(): boolean {
    return this.turn !== null;
  }

  nightly(): void {
    const now = this.ctx.now();
    const day = format(now, 'yyyy-MM-dd');
    if (this.turn || now.getHours() < NIGHT_HOUR || programFact(this.ctx.db, FACT) === day) return;
    const check = this.ctx.records.check();
    let differing = 0;
    const step = () => {
      const until = performance.now() + AT_ONCE_MS;
      do {
        const { done, value } = check.next();
        if (done) return this.end(day, differing);
        if (value) differing++;
      } while (performance.now() < until);
      rest();
    };
    const rest = () => {
      this.turn = setTimeout(step, REST_MS);
      this.turn.unref();
    };
    rest();
  }

  stop(): void {
    if (this.turn) clearTimeout(this.turn);
    this.turn = null;
  }

  private end(day: string, differing: number): void {
    this.turn = null;
    putProgramFact(this.ctx.db, FACT, day);
    if (differing > 0) this.complain(differing);
    // Once a night is often enough: nobody's days stray otherwise overnight.
    this.ctx.records.learnSpreads();
  }
}
