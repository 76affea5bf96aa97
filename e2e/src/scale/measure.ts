import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { request } from 'node:http';
import type { RunningServer } from '../program.ts';

const NS_PER_MS = 1e6;
const ROUNDS = 5;

/** Processor time that all threads of a process have used so far, in ms: the kernel counts it by the nanosecond. */
export function processorMs(pid: number): number {
  const usedNs = readdirSync(`/proc/${pid}/task`).map((thread) =>
    Number(readFileSync(`/proc/${pid}/task/${thread}/schedstat`, 'utf8').split(' ')[0]),
  );
  return usedNs.reduce((sum, ns) => sum + ns, 0) / NS_PER_MS;
}

/** A signed-in coach who keeps the connection open. */
export class Coach {
  private cookie = '';
  private readonly server: RunningServer;

  constructor(server: RunningServer) {
    this.server = server;
  }

  async enter(): Promise<void> {
    await this.ask('POST', '/api/demo-enter');
  }

  ask(method: string, path: string, body?: unknown): Promise<{ status: number; text: string }> {
    return new Promise((done, fail) => {
      const sent = request(
        {
          host: '127.0.0.1',
          port: this.server.port,
          method,
          path,
          headers: {
            host: `localhost:${this.server.port}`,
            cookie: this.cookie,
            'x-inchstep': '1',
            ...(body === undefined ? {} : { 'content-type': 'application/json' }),
          },
        },
        (answer) => {
          const set = answer.headers['set-cookie']?.[0];
          if (set) this.cookie = set.split(';')[0] ?? '';
          let text = '';
          answer.setEncoding('utf8');
          answer.on('data', (chunk: string) => {
            text += chunk;
          });
          answer.on('end', () => done({ status: answer.statusCode ?? 0, text }));
        },
      );
      sent.on('error', fail);
      sent.end(body === undefined ? undefined : JSON.stringify(body));
    });
  }
}

/** Processor time of one answer over so many. */
export async function costMs(
  server: RunningServer,
  times: number,
  ask: (i: number) => Promise<{ status: number }>,
): Promise<number> {
  const pid = server.process.pid as number;
  const before = processorMs(pid);
  for (let i = 0; i < times; i++) {
    const { status } = await ask(i);
    if (status !== 200) throw new Error(`costMs: answered with ${status}`);
  }
  return (processorMs(pid) - before) / times;
}

/**
 * The same in warm code, the middle one of five rounds: somebody else's work on the machine makes single rounds
 * up to twice as dear. Of more files than the program keeps, none is known any more when its turn comes again.
 */
export async function warmMs(...asked: Parameters<typeof costMs>): Promise<number> {
  await costMs(...asked);
  const rounds: number[] = [];
  for (let i = 0; i < ROUNDS; i++) rounds.push(await costMs(...asked));
  return rounds.sort((a, b) => a - b)[Math.floor(ROUNDS / 2)] as number;
}

/** Sets a second that are acknowledged to eight clients, each with a student of its own. */
export async function setsPerSecond(
  coach: Coach,
  students: readonly { readonly id: string; readonly drill: string }[],
  seconds: number,
  day: string,
): Promise<number> {
  const until = performance.now() + seconds * 1000;
  let sent = 0;
  await Promise.all(
    students.map(async ({ id, drill }) => {
      while (performance.now() < until) {
        const set = { id: randomUUID(), date: day, drill, stage: 'still', reps: 'PPFPPPPPFP', felt: 6 };
        const { status, text } = await coach.ask('POST', `/api/students/${id}/sets`, set);
        if (status !== 200) throw new Error(`setsPerSecond: ${text}`);
        sent++;
      }
    }),
  );
  return sent / seconds;
}

/** The longest that a small question waited while `work` went on. */
export async function longestWaitMs(coach: Coach, work: () => Promise<unknown>): Promise<number> {
  let going = true;
  let longest = 0;
  const probe = (async () => {
    while (going) {
      const began = performance.now();
      await coach.ask('GET', '/api/me');
      longest = Math.max(longest, performance.now() - began);
    }
  })();
  await work();
  going = false;
  await probe;
  return longest;
}
