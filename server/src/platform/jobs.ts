import { join } from 'node:path';
import type { Problem } from '@inchstep/core/foundation';
import { Piscina } from 'piscina';
import { projectRoot } from './db.ts';
import { Refusal } from './errors.ts';

/** What a worker answers: expected refusals travel as data, since an error loses its class on the way. */
export type JobAnswer<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problems: readonly Problem[] };

export interface JobLimits {
  readonly deadlineMs: number;
  /** How much the whole process may grow while a job runs. */
  readonly growthMb: number;
  readonly heapMb: number;
  readonly threads: number;
}

const USUAL: JobLimits = { deadlineMs: 10_000, growthMb: 1200, heapMb: 768, threads: 2 };
const MOST_WAITING = 64;
const WATCH_MS = 100;
const MEGABYTE = 1024 * 1024;

/**
 * Worker threads for whatever reads what came from outside, or computes for long. A job that takes too long
 * or too much memory is ended with its thread; the request thread only waits.
 */
export class Jobs {
  private readonly limits: JobLimits;
  private pool: Piscina | null = null;
  private running = 0;
  private readonly waiting: (() => void)[] = [];

  constructor(limits: Partial<JobLimits> = {}) {
    this.limits = { ...USUAL, ...limits };
  }

  /** The answer of the job called `name`, or its refusal; a large file may ask for more time. */
  async run<T>(name: string, task: unknown, moreMs = 0): Promise<T> {
    await this.turn();
    const pool = this.opened();
    const stop = new AbortController();
    const watch = this.watch(stop, moreMs);
    try {
      const answer = (await pool.run({ name, task }, { name: 'run', signal: stop.signal })) as JobAnswer<T>;
      if (answer.ok) return answer.value;
      throw Refusal.of(answer.problems);
    } catch (error) {
      if (error instanceof Refusal) throw error;
      if (stop.signal.aborted || outOfMemory(error)) throw new Refusal('file_too_heavy');
      throw error;
    } finally {
      watch.end();
      this.running--;
      this.waiting.shift()?.();
    }
  }

  /** A job's time begins when it does, not when it was asked for. */
  private async turn(): Promise<void> {
    if (this.waiting.length >= MOST_WAITING) throw new Refusal('busy');
    if (this.running >= this.limits.threads) await new Promise<void>((go) => this.waiting.push(go));
    this.running++;
  }

  async close(): Promise<void> {
    const pool = this.pool;
    this.pool = null;
    await pool?.destroy();
  }

  private opened(): Piscina {
    this.pool ??= new Piscina({
      filename: join(projectRoot(), 'server', 'dist', 'worker.js'),
      minThreads: 0,
      maxThreads: this.limits.threads,
      idleTimeout: 20_000,
      resourceLimits: { maxOldGenerationSizeMb: this.limits.heapMb, maxYoungGenerationSizeMb: 64 },
    });
    return this.pool;
  }

  /** A thread's heap has its own limit, but what lies beside the heap has none: the process is watched. */
  private watch(stop: AbortController, moreMs: number): { end: () => void } {
    const began = process.memoryUsage.rss();
    const growth = this.limits.growthMb * MEGABYTE;
    const timer = setTimeout(() => stop.abort(), this.limits.deadlineMs + moreMs);
    const look = setInterval(() => {
      if (process.memoryUsage.rss() - began > growth) stop.abort();
    }, WATCH_MS);
    return {
      end: () => {
        clearTimeout(timer);
        clearInterval(look);
      },
    };
  }
}

const outOfMemory = (error: unknown): boolean =>
  ['ERR_WORKER_OUT_OF_MEMORY'].includes(String((error as { code?: unknown }).code)) ||
  error instanceof RangeError;
