import { randomUUID } from 'node:crypto';
import { seededRandom } from '@inchstep/core/foundation';
import type { RunningServer } from '../program.ts';
import { Caller } from './people.ts';
import { type Container, soundClips, spoilt } from './spoiltClips.ts';
import { watch } from './watch.ts';

export interface Siege {
  readonly container: Container;
  readonly sent: number;
  readonly taken: number;
  /** How often each refusal was given. */
  readonly refused: Readonly<Record<string, number>>;
  /** Answers of 500 and above, and connections that broke. */
  readonly broken: number;
  readonly slowestMs: number;
  /** Longest wait of somebody else who asked meanwhile. */
  readonly othersMs: number;
  /** Lists and pages that could not be shown afterwards. */
  readonly unshown: number;
}

/** Sends spoilt clips, two at a time, while somebody else goes on asking; counts what came of it. */
export async function besiege(
  server: RunningServer,
  container: Container,
  count: number,
  seed: number,
): Promise<Siege> {
  const coach = new Caller(server.url);
  await coach.enter();
  const student = await coach.student();
  const token = await coach.link(student);
  const sound = (await soundClips())[container];
  const random = seededRandom(seed);
  const refused: Record<string, number> = {};
  let [taken, broken, slowestMs, unshown, left] = [0, 0, 0, 0, count];
  const sendAll = async () => {
    while (left-- > 0) {
      const began = performance.now();
      const clip = spoilt(sound, container, random);
      const answer = await coach
        .clip(`/api/students/${student}/clips`, randomUUID(), clip, `swing.${container}`)
        .catch(() => null);
      slowestMs = Math.max(slowestMs, performance.now() - began);
      if (answer === null || answer.status >= 500) broken++;
      else if (answer.status === 200) taken++;
      else {
        const { code } = answer.body as { code: string };
        refused[code] = (refused[code] ?? 0) + 1;
      }
    }
  };
  const others = watch(server.url);
  await Promise.all([sendAll(), sendAll()]);
  const { longest: othersMs } = await others();
  for (const path of [`/api/students/${student}/clips`, `/api/page/${token}`, '/api/queue', '/api/care'])
    if ((await coach.ask('GET', path)).status !== 200) unshown++;
  return { container, sent: count, taken, refused, broken, slowestMs, othersMs, unshown };
}
