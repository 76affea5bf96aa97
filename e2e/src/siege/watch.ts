import { fork } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { constants, setPriority, tmpdir } from 'node:os';
import { join } from 'node:path';

/** A process of its own, so that nothing the besieger does is taken for the program's slowness. */
const ASKING = `
  const http = require('node:http');
  const agent = new http.Agent({ keepAlive: true });
  let going = true;
  let [longest, count, failed] = [0, 0, 0];
  const ask = () => new Promise((done) => {
    const began = performance.now();
    const end = (ok) => {
      longest = Math.max(longest, performance.now() - began);
      count++;
      if (!ok) failed++;
      setTimeout(done, 10);
    };
    http.get(process.argv[2], { agent }, (answer) => {
      answer.resume();
      answer.once('end', () => end(answer.statusCode === 200));
    }).once('error', () => end(false));
  });
  process.once('message', () => { going = false; });
  (async () => {
    while (going) await ask();
    process.send({ longest, count, failed }, () => process.exit());
  })();
`;

export interface Watched {
  /** Longest wait of somebody else, ms. */
  readonly longest: number;
  readonly count: number;
  readonly failed: number;
}

/** Asks the program something small over and over; ended, it says how long the longest answer took. */
export function watch(url: string): () => Promise<Watched> {
  const script = join(mkdtempSync(join(tmpdir(), 'inchstep-watch-')), 'watch.cjs');
  writeFileSync(script, ASKING);
  const asking = fork(script, [`${url}/api/me`], { execArgv: [] });
  first(asking.pid as number);
  return () =>
    new Promise((done, fail) => {
      asking.once('message', (said) => done(said as Watched));
      asking.once('error', fail);
      asking.send('end');
    });
}

/** Who besieges stands back: what is measured is the program, not how busy its besieger keeps the machine. */
export function standBack(): void {
  setPriority(constants.priority.PRIORITY_LOW);
}
/** A process that is measured comes before the besieger, where this user may say so. */
export function first(pid: number): void {
  try {
    setPriority(pid, constants.priority.PRIORITY_NORMAL);
  } catch {
    // Then it is measured as slow as the besieger makes it.
  }
}

/** Memory that a process holds, and the most it ever held, in MB. */
export function heldMb(pid: number): { readonly now: number; readonly most: number } {
  const status = readFileSync(`/proc/${pid}/status`, 'latin1');
  const of = (name: string) =>
    Number(new RegExp(`^${name}:\\s+(\\d+) kB`, 'm').exec(status)?.[1] ?? 0) / 1024;
  return { now: of('VmRSS'), most: of('VmHWM') };
}
