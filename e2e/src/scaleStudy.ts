import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { format } from 'date-fns';
import { ROOT, type RunningServer, startServer, truthOf } from './program.ts';
import { fill } from './scale/fill.ts';
import { Coach, costMs, longestWaitMs, setsPerSecond, warmMs } from './scale/measure.ts';
import { pagesOf } from './scale/pages.ts';

/** `./inchstep bench scale [STUDENTS]`: one JSON line a figure. Filled with a seed that nothing was tuned on. */
const SEED = 2_711_027;
const SETS_EACH = 1000;
const TIMES = 20;
const CLIENTS = 8;
const SECONDS = 5;
const FILES = { brief: 12, progress: 10, gates: 6 } as const;
const students = Number(process.argv[2] ?? 2000);

const folder = mkdtempSync(join(tmpdir(), 'inchstep-scale-'));
const dataDir = join(folder, 'data');
const say = (what: string, value: number, unit: string, goal: number | null = null) =>
  process.stdout.write(`${JSON.stringify({ what, value, unit, goal })}\n`);
try {
  await study();
} finally {
  rmSync(folder, { recursive: true, force: true });
}

async function study(): Promise<void> {
  const env = { ...process.env, NODE_OPTIONS: '', DATA_DIR: dataDir, INCHSTEP_DEMO: '1' };
  spawnSync('node', ['server/dist/demo.js'], { cwd: ROOT, env, stdio: 'ignore' });
  const filled = fill(dataDir, students, SETS_EACH, SEED);
  say('students', filled.students, '');
  say('sets', filled.sets, '');
  // The first start makes the summaries of everybody; what is asked is how long the usual one takes.
  let server = await startServer(dataDir, { INCHSTEP_DEMO: '1' });
  const coach = new Coach(server);
  await coach.enter();
  await summariesMade(coach, filled.students);
  await server.end();
  const began = performance.now();
  server = await startServer(dataDir, { INCHSTEP_DEMO: '1' });
  say('start', performance.now() - began, 'ms', 1500);
  const again = new Coach(server);
  await again.enter();
  await lists(server, again);
  const day = format(new Date(), 'yyyy-MM-dd');
  await files(server, again, filled.long);
  await writes(again, filled.long, day);
  await blocks(again, filled.long[0] as string, day);
  for (const { what, value, unit, goal } of await pagesOf(server, again, filled.long[1] as string))
    say(what, value, unit, goal);
  await server.end();
}

async function summariesMade(coach: Coach, count: number): Promise<void> {
  for (;;) {
    const { rows } = JSON.parse((await coach.ask('GET', '/api/roster')).text) as { rows: unknown[] };
    if (rows.length >= count) return;
    await new Promise((go) => setTimeout(go, 500));
  }
}

async function lists(server: RunningServer, coach: Coach): Promise<void> {
  for (const list of ['queue', 'lessons', 'roster']) {
    const first = await costMs(server, 1, () => coach.ask('GET', `/api/${list}`));
    say(`${list}, the first time after a start`, first, 'ms of processor');
    const cost = await warmMs(server, TIMES, () => coach.ask('GET', `/api/${list}`));
    say(list, cost, 'ms of processor', 25);
    const { version } = JSON.parse((await coach.ask('GET', `/api/${list}`)).text) as { version: string };
    const poll = await warmMs(server, 40, () => coach.ask('GET', `/api/${list}?since=${version}`));
    say(`${list}, unchanged`, poll, 'ms of processor', 2);
  }
}

/** Each of many long files once, so that none is known yet, then one again and again. */
async function files(server: RunningServer, coach: Coach, long: readonly string[]): Promise<void> {
  for (const [what, goal] of Object.entries(FILES)) {
    const cold = await warmMs(server, long.length, (i) =>
      coach.ask('GET', `/api/students/${long[i]}/${what}`),
    );
    say(`${what}, file not read yet`, cold, 'ms of processor', goal);
    const warm = await warmMs(server, TIMES, () => coach.ask('GET', `/api/students/${long[0]}/${what}`));
    say(what, warm, 'ms of processor', goal);
  }
  const links = await Promise.all(
    long.map(async (id) => {
      const { text } = await coach.ask('POST', `/api/students/${id}/links`, { days: 9 });
      return (JSON.parse(text) as { token: string }).token;
    }),
  );
  const cold = await warmMs(server, links.length, (i) => coach.ask('GET', `/api/page/${links[i]}`));
  say('page, file not read yet', cold, 'ms of processor', 4);
  say(
    'page',
    await warmMs(server, TIMES, () => coach.ask('GET', `/api/page/${links[0]}`)),
    'ms of processor',
    4,
  );
}

async function writes(coach: Coach, long: readonly string[], day: string): Promise<void> {
  const able: { id: string; drill: string }[] = [];
  for (const id of long) {
    const { text } = await coach.ask('GET', `/api/students/${id}/gates`);
    const [gate] = JSON.parse(text) as { drill: string; held: { code: string }[] }[];
    if (gate && !gate.held.some(({ code }) => code === 'pain')) able.push({ id, drill: gate.drill });
    if (able.length === CLIENTS) break;
  }
  await setsPerSecond(coach, able, SECONDS, day);
  say(`sets logged, ${able.length} clients`, await setsPerSecond(coach, able, SECONDS, day), 'a second', 600);
  let reading = true;
  const readers = ['queue', 'lessons', 'roster'].map(async (list) => {
    while (reading) {
      await coach.ask('GET', `/api/${list}`);
      await new Promise((go) => setTimeout(go, 250));
    }
  });
  const busy = await setsPerSecond(coach, able, SECONDS, day);
  reading = false;
  await Promise.all(readers);
  say('sets logged while lists are read', busy, 'a second', 400);
}

function waits(coach: Coach, path: string, body?: object): Promise<number> {
  return longestWaitMs(coach, async () => {
    for (let i = 0; i < 5; i++) {
      const asked = body ? { ...body, id: randomUUID() } : undefined;
      const { status, text } = await coach.ask('POST', path, asked);
      if (status !== 200) throw new Error(`waits: ${text}`);
    }
  });
}

/** What once held the request thread: a swing's marks, a day's diagnosis, a motion file. */
async function blocks(coach: Coach, student: string, day: string): Promise<void> {
  const truth = truthOf('priya-then');
  const swing = {
    id: randomUUID(),
    recordedOn: day,
    club: 'mid_iron',
    speed: 'full',
    views: truth.views.map(({ id: _, ...view }) => ({ ...view, clipId: null, stationTimes: {} })),
    marks: truth.marks,
  };
  await coach.ask('POST', `/api/students/${student}/swings`, swing);
  say('longest wait, a swing is measured', await waits(coach, `/api/swings/${swing.id}/measure`), 'ms', 50);
  const diagnosis = { swingId: swing.id, wholeDay: true, findings: [], setAside: [] };
  const path = `/api/students/${student}/diagnoses`;
  say('longest wait, a day is diagnosed', await waits(coach, path, diagnosis), 'ms', 50);
}
