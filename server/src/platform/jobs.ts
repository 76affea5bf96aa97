import type { Problem } from '@inchstep/core/foundation';
import { Refusal } from './errors.ts';
import { Helper, HelperGone } from './helper.ts';

export interface JobLimits {
  /** Processor time, so that a busy machine fails no sound file. */
  readonly deadlineMs: number;
  /** A job that uses no processor time for so long hangs, and is ended. */
  readonly stallMs: number;
  /** What the helper may hold in all, and its heap alone. */
  readonly memoryMb: number;
  readonly heapMb: number;
  readonly helpers: number;
}

interface JobAsk {
  /** A large file may ask for more time. */
  readonly moreMs?: number;
  /** What is said where the job was ended: reading a file is another matter than computing from what is kept. */
  readonly tooHeavy?: 'file_too_heavy' | 'work_too_heavy';
}

const USUAL: JobLimits = { deadlineMs: 10_000, stallMs: 60_000, memoryMb: 1300, heapMb: 768, helpers: 2 };
const MOST_WAITING = 64;
const WATCH_MS = 100;
/** A helper without work is let go after this. */
const IDLE_MS = 60_000;
/** So much longer than its processor time a job may take by the wall's clock, where nothing else is known. */
const WALL_PER_CPU = 12;

/**
 * Helper processes for whatever reads what came from outside, or computes for long. A job that takes too long or too
 * much memory is killed with its helper; the program itself only waits.
 */
export class Jobs {
  private readonly limits: JobLimits;
  private readonly idle: { readonly helper: Helper; readonly timer: NodeJS.Timeout }[] = [];
  private readonly working = new Set<Helper>();
  private readonly waiting: ((open: boolean) => void)[] = [];
  private running = 0;
  private closed = false;

  constructor(limits: Partial<JobLimits> = {}) {
    this.limits = { ...USUAL, ...limits };
  }

  /** The answer of the job called `name`, or its refusal. */
  async run<T>(
    name: string,
    task: unknown,
    { moreMs = 0, tooHeavy = 'file_too_heavy' }: JobAsk = {},
  ): Promise<T> {
    await this.turn();
    const helper = this.take();
    let watch: NodeJS.Timeout | undefined;
    try {
      await helper.ready;
      watch = this.watch(helper, this.limits.deadlineMs + moreMs);
      const answer = await helper.ask({ name, task });
      if (answer.ok) return answer.value as T;
      if ('problems' in answer) throw Refusal.of(answer.problems as readonly Problem[]);
      throw Object.assign(new Error(answer.error.message), { code: answer.error.code });
    } catch (error) {
      throw error instanceof HelperGone ? new Refusal(tooHeavy) : error;
    } finally {
      clearInterval(watch);
      this.rest(helper);
      this.running--;
      this.waiting.shift()?.(true);
    }
  }

  /** Kills what runs and takes nothing more. */
  async close(): Promise<void> {
    this.closed = true;
    for (const go of this.waiting.splice(0)) go(false);
    const idle = this.idle.splice(0);
    for (const { timer } of idle) clearTimeout(timer);
    await Promise.all([...idle.map(({ helper }) => helper), ...this.working].map((helper) => helper.end()));
  }

  /** A job's time begins when it does, not when it was asked for. */
  private async turn(): Promise<void> {
    if (this.closed || this.waiting.length >= MOST_WAITING) throw new Refusal('busy');
    if (this.running >= this.limits.helpers && !(await new Promise<boolean>((go) => this.waiting.push(go))))
      throw new Refusal('busy');
    this.running++;
  }

  private take(): Helper {
    const rested = this.idle.pop();
    clearTimeout(rested?.timer);
    const helper = rested?.helper.isAlive ? rested.helper : new Helper(this.limits.heapMb);
    this.working.add(helper);
    return helper;
  }

  private rest(helper: Helper): void {
    this.working.delete(helper);
    // One that grew is not kept: what it holds is no use to the next job.
    if (!helper.isAlive || this.closed || (helper.heldMb() ?? 0) > this.limits.memoryMb / 3) {
      helper.kill();
      return;
    }
    const timer = setTimeout(() => {
      helper.kill();
      this.idle.splice(this.idle.findIndex((one) => one.helper === helper) >>> 0, 1);
    }, IDLE_MS);
    timer.unref();
    this.idle.push({ helper, timer });
  }

  private watch(helper: Helper, limitMs: number): NodeJS.Timeout {
    const isOver = this.overTime(helper, limitMs);
    const look = () => {
      if (isOver() || (helper.heldMb() ?? 0) > this.limits.memoryMb) helper.kill();
    };
    look();
    return setInterval(look, WATCH_MS);
  }

  /** Whether a job has used its processor time up, or hangs. */
  private overTime(helper: Helper, limitMs: number): () => boolean {
    const began = performance.now();
    const before = helper.usedMs() ?? 0;
    let last = { used: 0, at: began };
    return () => {
      const now = performance.now();
      const total = helper.usedMs();
      if (total === null) return now - began >= WALL_PER_CPU * limitMs;
      const used = total - before;
      if (used > last.used) last = { used, at: now };
      return used >= limitMs || now - last.at >= this.limits.stallMs;
    };
  }
}
