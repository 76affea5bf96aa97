import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { CLIPS, type RunningServer } from '../program.ts';
import { type Line, line } from './line.ts';
import { Caller } from './people.ts';
import { heldMb, watch } from './watch.ts';

const CLIP = readFileSync(join(CLIPS, 'wren.face_on.mp4'));
const READERS = 3;

/** A coach's and a student's day over and over; memory is looked at after the first fifth and at the end. */
export async function soak(server: RunningServer, minutes: number): Promise<Line[]> {
  const coach = new Caller(server.url);
  await coach.enter();
  const student = await coach.student();
  const token = await coach.link(student);
  const until = performance.now() + 60_000 * minutes;
  let [count, broken, early] = [0, 0, 0];
  const others = watch(server.url);
  const ask = async (method: string, path: string, body?: unknown) => {
    count++;
    const { status } = await coach.ask(method, path, body);
    if (status >= 500 || status === 0) broken++;
  };
  const people = Array.from({ length: READERS }, async (_, n) => {
    for (let i = 0; performance.now() < until; i++) {
      for (const path of [
        '/api/queue',
        '/api/roster',
        `/api/students/${student}/progress`,
        `/api/students/${student}/plan`,
      ])
        await ask('GET', path);
      await ask('GET', `/api/page/${token}`);
      if (i % 10 === n) await coach.clip(`/api/students/${student}/clips`, randomUUID(), CLIP);
      if (i % 40 === n) await ask('GET', `/api/students/${student}/report.pdf?for=coach`);
      const set = {
        id: randomUUID(),
        date: '2026-11-01',
        drill: 'knee_swap',
        stage: 'still',
        reps: 'PPF',
        felt: 5,
      };
      if (i % 5 === n) await ask('POST', `/api/page/${token}/sets`, set);
      if (early === 0 && performance.now() > until - 48_000 * minutes)
        early = heldMb(server.process.pid as number).now;
    }
  });
  await Promise.all(people);
  const { longest, failed } = await others();
  const { now } = heldMb(server.process.pid as number);
  return [
    line(`a day over and over, ${minutes} min: requests`, count, (count / minutes / 60) | 0, 'a second'),
    line('  answered with an error of the program', count, broken + failed, '', '0'),
    line('  others wait at most', count, longest, 'ms'),
    line('  memory grew from the first fifth to the end by', count, now - early, 'MB', '60 MB'),
  ];
}
