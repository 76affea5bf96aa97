import { Worker } from 'node:worker_threads';
import { plainTexts } from '@inchstep/core/foundation';
import { parse } from 'secure-json-parse';
import { JOBS as care } from './platform/care/jobs.ts';
import { Refusal } from './platform/errors.ts';
import type { JobAnswer } from './platform/helper.ts';
import { JOBS as capture } from './rooms/capture/jobs.ts';
import { JOBS as diagnosis } from './rooms/diagnosis/jobs.ts';
import { JOBS as measures } from './rooms/measures/jobs.ts';

/** A helper process's own beginning: the job by its name, and its refusal as data. */
// A reader's remarks on a spoilt file are no business of the program's log.
console.warn = () => undefined;

/** A job without an end, for the tests of how such are ended. */
const forever = (): never => {
  for (;;);
};

/** One that gets no processor, for the tests of how busy machines are told from heavy files. */
const asleep = ({ ms }: { readonly ms: number }): 'woke' => {
  Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, ms);
  return 'woke';
};

/** Jobs that take all the memory there is, of either kind, and one that brings the process down. */
const swells = (): never => {
  for (const all: unknown[] = []; ; ) all.push(Array.from({ length: 1000 }, (_, i) => ({ i })));
};
const swellsBeside = (): never => {
  for (const all: Buffer[] = []; ; ) all.push(Buffer.alloc(4 * 1024 ** 2, 1));
};
const falls = (): never => process.abort();

/** A large document, away from the thread that answers; a text that is no JSON is the sender's mistake. */
const readJson = ({ body }: { readonly body: Uint8Array }): unknown => {
  try {
    return plainTexts(parse(Buffer.from(body).toString()));
  } catch {
    throw new Refusal('bad_input');
  }
};

const JOBS: Readonly<Record<string, (task: never) => unknown>> = {
  forever,
  asleep,
  swells,
  swellsBeside,
  falls,
  readJson,
  ...care,
  ...capture,
  ...measures,
  ...diagnosis,
};

interface Job {
  readonly name: string;
  readonly task: unknown;
}

async function answer({ name, task }: Job): Promise<JobAnswer> {
  try {
    const job = JOBS[name];
    if (!job) throw new Error(`worker: no job called ${name}`);
    return { ok: true, value: await job(task as never) };
  } catch (error) {
    if (error instanceof Refusal) return { ok: false, problems: error.problems as readonly never[] };
    const { message, code } = error as { message: string; code?: string };
    return { ok: false, error: { message, ...(code === undefined ? {} : { code }) } };
  }
}

process.on('message', (job: Job) => {
  void answer(job).then((said) => process.send?.(said));
});
// The program that asked is gone: so is this. A job that never rests would not hear of it; a thread beside it does.
process.once('disconnect', () => process.exit());
const watch = `const { ppid } = process; setInterval(() => process.ppid !== ppid && process.kill(process.pid, 'SIGKILL'), 1000)`;
new Worker(watch, { eval: true }).unref();
process.send?.('ready');
