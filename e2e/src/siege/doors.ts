import { randomUUID } from 'node:crypto';
import { connect, type Socket } from 'node:net';
import type { RunningServer } from '../program.ts';
import { type Line, line } from './line.ts';
import { Caller, PASSPHRASE, PROFILE } from './people.ts';
import { heldMb, watch } from './watch.ts';

const MEGABYTE = 1024 * 1024;
const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** Bodies that are nothing but work, from nobody, from a link, from the coach. */
export async function heavyBodies(server: RunningServer, rounds: number): Promise<Line[]> {
  const coach = new Caller(server.url);
  await coach.enter();
  const student = await coach.student();
  const token = await coach.link(student);
  const open = '['.repeat(4 * MEGABYTE);
  const bodies: readonly [name: string, text: string][] = [
    ['open brackets', open],
    ['closed brackets', '['.repeat(2 * MEGABYTE) + ']'.repeat(2 * MEGABYTE)],
    ['empty objects', `[${'{},'.repeat(1_300_000)}{}]`],
    ['one long text', `{"csv":"${'x'.repeat(3.9 * MEGABYTE)}"}`],
    ['keys', `{${Array.from({ length: 250_000 }, (_, i) => `"k${i}":0`).join()}}`],
  ];
  // From outside many at once; the coach's own documents are large, and come one at a time.
  const doors: readonly [name: string, path: string, atOnce: number][] = [
    ['nobody, 4 at once', '/api/sign-in', 4],
    ['a link, 20 at once', `/api/page/${token}/sets`, 20],
    ['the coach', `/api/students/${student}/swings`, 1],
  ];
  const lines: Line[] = [];
  for (const [who, path, atOnce] of doors) {
    const others = watch(server.url);
    let strange = 0;
    for (let i = 0; i < rounds; i++)
      for (const [, text] of bodies) {
        const answers = await Promise.all(
          Array.from({ length: atOnce }, () => send(server.url, path, text, coach.cookie)),
        );
        strange += answers.filter((status) => status !== 413 && status !== 400 && status !== 503).length;
      }
    const { longest } = await others();
    const tried = rounds * bodies.length * atOnce;
    lines.push(
      line(
        `4 MB of brackets, keys and text from ${who}: others wait at most`,
        tried,
        longest,
        'ms',
        '100 ms',
      ),
    );
    lines.push(line('  not refused in words', tried, strange, '', '0'));
  }
  lines.push(
    line('  memory at most', lines.length, heldMb(server.process.pid as number).most, 'MB', '700 MB'),
  );
  return lines;
}

/** The status of an answer; 413 where the door shut before all was sent. */
const send = (url: string, path: string, body: string, cookie: string): Promise<number> =>
  fetch(url + path, {
    method: 'POST',
    headers: { 'x-inchstep': '1', 'content-type': 'application/json', cookie },
    body,
  }).then(
    async (answer) => {
      await answer.text();
      return answer.status;
    },
    () => 413,
  );

/** Two hundred guesses at once, then more, while the coach signs in on a known device. */
export async function guesses(server: RunningServer): Promise<Line[]> {
  const coach = new Caller(server.url);
  await coach.enter();
  const known = await fetch(`${server.url}/api/sign-in`, {
    method: 'POST',
    headers: { 'x-inchstep': '1', 'content-type': 'application/json' },
    body: JSON.stringify({ passphrase: PASSPHRASE }),
  });
  const device = known.headers.getSetCookie().find((one) => one.startsWith('inchstep_device')) ?? '';
  let [tried, dropped] = [0, 0];
  const began = performance.now();
  const guess = async () => {
    const status = await send(server.url, '/api/sign-in', '{"passphrase":"not this one, no"}', '');
    if (status === 401) tried++;
    else dropped++;
  };
  const flood = (async () => {
    while (performance.now() - began < 15_000) await Promise.all(Array.from({ length: 200 }, guess));
  })();
  await wait(3000);
  const at = performance.now();
  const mine = await fetch(`${server.url}/api/sign-in`, {
    method: 'POST',
    headers: {
      'x-inchstep': '1',
      'content-type': 'application/json',
      cookie: device.split(';')[0] as string,
    },
    body: JSON.stringify({ passphrase: PASSPHRASE }),
  });
  const mineMs = performance.now() - at;
  await flood;
  const seconds = (performance.now() - began) / 1000;
  return [
    line(
      'guesses from one address, 200 at once: tried a minute',
      tried + dropped,
      (60 * tried) / seconds,
      '',
      '40',
    ),
    line(
      'the coach’s own device meanwhile: signed in after',
      1,
      mine.status === 200 ? mineMs : 1e9,
      'ms',
      '2000 ms',
    ),
  ];
}

const SLOW_HEAD =
  'POST /api/sign-in HTTP/1.1\r\nHost: localhost\r\nX-Inchstep: 1\r\nContent-Type: application/json\r\nContent-Length: 900\r\n';

/** Sockets that say nothing, and some that send a letter a second of a header or of a body. */
export async function slowSockets(server: RunningServer, count: number): Promise<Line[]> {
  const sockets: Socket[] = [];
  const others = watch(server.url);
  let dropped = 0;
  for (let i = 0; i < count; i++) {
    const socket = connect(server.port, '127.0.0.1');
    socket.on('error', () => undefined).on('close', () => dropped++);
    if (i % 3 === 1) socket.write(`${SLOW_HEAD}X-A: `);
    if (i % 3 === 2) socket.write(`${SLOW_HEAD}\r\n{`);
    sockets.push(socket);
  }
  const trickle = setInterval(() => {
    for (const [i, socket] of sockets.entries()) if (i % 3 > 0 && !socket.destroyed) socket.write('a');
  }, 1000);
  const began = performance.now();
  while (dropped < count && performance.now() - began < 150_000) await wait(250);
  const seconds = (performance.now() - began) / 1000;
  clearInterval(trickle);
  for (const socket of sockets) socket.destroy();
  const { longest, failed } = await others();
  return [
    line(
      'sockets that say nothing or next to nothing: let go within',
      count,
      dropped === count ? seconds : 1e9,
      's',
      '120 s',
    ),
    line('  others wait at most', count, longest, 'ms', '100 ms'),
    line('  others not answered', count, failed, '', '0'),
  ];
}

/** The same message late, twice, from two places at once; and one record changed by many at once. */
export async function replays(server: RunningServer, rounds: number): Promise<Line[]> {
  const coach = new Caller(server.url);
  await coach.enter();
  const student = await coach.student();
  const token = await coach.link(student);
  let [doubled, lost, broken] = [0, 0, 0];
  for (let i = 0; i < rounds; i++) {
    const id = randomUUID();
    const set = { id, date: today(-1), drill: 'knee_swap', stage: 'still', reps: 'PPF', felt: 5 };
    const answers = await Promise.all(
      [0, 1, 2, 3].map(() => coach.ask('POST', `/api/page/${token}/sets`, set)),
    );
    broken += answers.filter(({ status }) => status !== 200).length;
    const { body } = await coach.ask('GET', `/api/students/${student}`);
    const { version, profile } = body as { version: number; profile: object };
    const edits = await Promise.all(
      [1, 2, 3, 4].map((n) =>
        coach.ask('PUT', `/api/students/${student}`, {
          version,
          profile: { ...profile, aims: `aim ${i}.${n}` },
        }),
      ),
    );
    const won = edits.filter(({ status }) => status === 200).length;
    if (won > 1) doubled++;
    if (won < 1) lost++;
    broken += edits.filter(({ status }) => status !== 200 && status !== 409).length;
  }
  const logs = (await coach.ask('GET', `/api/students/${student}/sets`)).body;
  if (Array.isArray(logs)) doubled += Math.max(0, logs.length - rounds);
  return [
    line(
      'the same set four times at once, and one profile changed by four: kept twice',
      8 * rounds,
      doubled,
      '',
      '0',
    ),
    line('  lost', 8 * rounds, lost, '', '0'),
    line('  answered with an error of the program', 8 * rounds, broken, '', '0'),
  ];
}

/** Texts that make a careless pattern search for ever, in every field of a student and in addresses. */
export async function runawayTexts(server: RunningServer): Promise<Line[]> {
  const coach = new Caller(server.url);
  await coach.enter();
  const long = 50_000;
  const texts = ['a@', 'a.', ' ', '<', '0', '-', 'own_', '%2e', '\u00e9', '2026-11-01T'].flatMap((part) => [
    part.repeat(long / part.length),
    `x@${part.repeat(long / part.length)}!`,
  ]);
  const others = watch(server.url);
  let [tried, broken, slowestMs] = [0, 0, 0];
  const timed = async (asking: Promise<{ status: number }>) => {
    const began = performance.now();
    const { status } = await asking;
    slowestMs = Math.max(slowestMs, performance.now() - began);
    tried++;
    if (status >= 500) broken++;
  };
  for (const text of texts) {
    for (const field of ['firstName', 'bornOn', 'aims', 'nextLesson'])
      await timed(
        coach.ask('POST', '/api/students', { id: randomUUID(), profile: { ...PROFILE, [field]: text } }),
      );
    const mail = { address: text, agreedOn: '2026-11-01' };
    await timed(coach.ask('POST', '/api/students', { id: text, profile: { ...PROFILE, mail } }));
    await timed(coach.ask('POST', '/api/sign-in', { passphrase: text.slice(0, 7000) }));
    await timed(coach.ask('GET', `/api/students/${encodeURIComponent(text.slice(0, 4000))}`));
  }
  const { longest } = await others();
  return [
    line('texts that make patterns search for ever: slowest answer', tried, slowestMs, 'ms', '500 ms'),
    line('  answered with an error of the program', tried, broken, '', '0'),
    line('  others wait at most', tried, longest, 'ms', '100 ms'),
  ];
}

const today = (days: number): string => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
