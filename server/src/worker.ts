import { JOBS as care } from './platform/care/jobs.ts';
import { Refusal } from './platform/errors.ts';
import type { JobAnswer } from './platform/jobs.ts';
import { JOBS as capture } from './rooms/capture/jobs.ts';
import { JOBS as diagnosis } from './rooms/diagnosis/jobs.ts';
import { JOBS as measures } from './rooms/measures/jobs.ts';

/** A worker thread's own beginning: the job by its name, and its refusal as data. */
// A reader's remarks on a spoilt file are no business of the program's log.
console.warn = () => undefined;

/** A job without an end, for the tests of how such are ended. */
const forever = (): never => {
  for (;;);
};

const JOBS: Readonly<Record<string, (task: never) => unknown>> = {
  forever,
  ...care,
  ...capture,
  ...measures,
  ...diagnosis,
};

export async function run({ name, task }: { name: string; task: unknown }): Promise<JobAnswer<unknown>> {
  const job = JOBS[name];
  if (!job) throw new Error(`worker: no job called ${name}`);
  try {
    return { ok: true, value: await job(task as never) };
  } catch (error) {
    if (error instanceof Refusal) return { ok: false, problems: error.problems };
    throw error;
  }
}
