import { type ChildProcess, fork } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { projectRoot } from './db.ts';

/** What a job answers. Errors travel as data: they lose their class on the way. */
export type JobAnswer =
  | { readonly ok: true; readonly value: unknown }
  | { readonly ok: false; readonly problems: readonly never[] }
  | { readonly ok: false; readonly error: { readonly message: string; readonly code?: string } };

/** The helper process ended while it worked: killed, or brought down by what it read. */
export class HelperGone extends Error {}

const TICK_MS = 10;
/** Of /proc/PID/stat after the name: user and system time, in ticks. */
const USER = 11;
const SYSTEM = 12;
/** What a helper has no business to know. */
const SECRET = /^(SMTP_URL|TLS_OWN_PASSPHRASE|NODE_OPTIONS|NODE_CHANNEL)/;

/**
 * A process of its own that reads what came from outside, one job at a time: it can be killed at any moment, and nothing
 * that it does to its memory reaches the program.
 */
export class Helper {
  private readonly child: ChildProcess;
  /** Its program is loaded: from here on the time it uses is the job's. Rejects where it never got so far. */
  readonly ready: Promise<void>;

  constructor(heapMb: number) {
    const env = Object.fromEntries(Object.entries(process.env).filter(([name]) => !SECRET.test(name)));
    this.child = fork(join(projectRoot(), 'server', 'dist', 'worker.js'), {
      env,
      execArgv: [`--max-old-space-size=${heapMb}`, '--max-semi-space-size=32'],
      serialization: 'advanced',
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    });
    // Whoever asks hears of an end by the answer that does not come.
    this.child.on('error', () => undefined);
    this.ready = this.next().then(() => undefined);
    this.ready.catch(() => undefined);
  }

  get isAlive(): boolean {
    return this.child.connected && this.child.exitCode === null && this.child.signalCode === null;
  }

  /** The answer of one job. Throws `HelperGone` where the process ends before it. */
  async ask(job: { readonly name: string; readonly task: unknown }): Promise<JobAnswer> {
    const answer = this.next();
    if (this.isAlive) this.child.send(job, (error) => error && this.kill());
    return (await answer) as JobAnswer;
  }

  /** What it says next. */
  private async next(): Promise<unknown> {
    if (!this.isAlive) throw new HelperGone('the helper had ended');
    const heard = new AbortController();
    const gone = once(this.child, 'exit', { signal: heard.signal }).then(() => {
      throw new HelperGone('the helper ended');
    });
    const word = once(this.child, 'message', { signal: heard.signal });
    try {
      const [said] = (await Promise.race([word, gone])) as [unknown];
      return said;
    } finally {
      heard.abort();
      await Promise.allSettled([gone, word]);
    }
  }

  /** Processor time that it has used, in ms; null where that can't be told. Source: Linux's /proc. */
  usedMs(): number | null {
    const stat = this.about('stat');
    const fields = stat?.slice(stat.lastIndexOf(')') + 2).split(' ');
    return fields ? TICK_MS * (Number(fields[USER]) + Number(fields[SYSTEM])) : null;
  }

  /** Memory that it holds, in MB; null where that can't be told. */
  heldMb(): number | null {
    const kilobytes = /^VmRSS:\s+(\d+) kB/m.exec(this.about('status') ?? '')?.[1];
    return kilobytes === undefined ? null : Number(kilobytes) / 1024;
  }

  kill(): void {
    this.child.kill('SIGKILL');
  }

  /** Kills it and waits until it is gone. */
  async end(): Promise<void> {
    if (!this.isAlive) return;
    const gone = once(this.child, 'exit');
    this.kill();
    await gone;
  }

  private about(what: 'stat' | 'status'): string | null {
    try {
      return readFileSync(`/proc/${this.child.pid}/${what}`, 'latin1');
    } catch {
      return null;
    }
  }
}
