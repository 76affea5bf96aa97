import { type ChildProcess, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { type Random, seededRandom } from '@inchstep/core/foundation';
import Database from 'better-sqlite3';
import { ROOT, type RunningServer, startServer } from '../program.ts';
import { exportedFiles, grown, packed } from './archives.ts';
import { type Line, line } from './line.ts';
import { Caller, PROFILE } from './people.ts';

const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** The program is killed while a record comes in, while one is erased, and while a backup is restored. */
export async function killsElsewhere(place: string, kills: number, seed: number): Promise<Line[]> {
  const random = seededRandom(seed);
  const dataDir = join(place, 'kills');
  const server = await startServer(dataDir);
  const coach = new Caller(server.url);
  await coach.enter();
  const files = await exportedFiles(coach, await coach.student(), place);
  await server.end();
  return [
    ...(await killedImports(dataDir, files, kills, random)),
    ...(await killedErasings(dataDir, kills, random)),
    ...(await killedRestores(place, dataDir, kills, random)),
  ];
}

async function killedImports(
  dataDir: string,
  files: Awaited<ReturnType<typeof exportedFiles>>,
  kills: number,
  random: Random,
): Promise<Line[]> {
  let [half, unstarted, whole] = [0, 0, 0];
  for (let i = 0; i < kills; i++) {
    const server = await startServer(dataDir);
    const coach = new Caller(server.url);
    await coach.enter();
    const { body } = await coach.upload('/api/care/import', await packed(grown(files, 12_000)));
    const { ticket, studentId } = body as { ticket: string; studentId: string };
    const keeping = coach.ask('POST', `/api/care/import/${ticket}/keep`).catch(() => null);
    await wait(random() * 2500);
    await server.end('SIGKILL');
    const kept = (await keeping)?.status === 200;
    const again = await startServer(dataDir).catch(() => null);
    if (!again) {
      unstarted++;
      continue;
    }
    await again.end();
    const rows = rowsOf(dataDir, studentId);
    if (rows.student === 1) whole++;
    // All or nothing; what was acknowledged is there.
    if (
      (rows.student === 0 && rows.sets > 0) ||
      (rows.student === 1 && rows.sets < 6000) ||
      (kept && rows.student === 0)
    )
      half++;
    if (existsSync(join(dataDir, 'arriving')) && readdirSync(join(dataDir, 'arriving')).length > 0) half++;
  }
  return [
    line('killed while a record came in: in whole', kills, whole),
    line('  half, or acknowledged and gone', kills, half, '', '0'),
    line('  folders that did not start again', kills, unstarted, '', '0'),
  ];
}

function rowsOf(dataDir: string, student: string): { student: number; sets: number } {
  const client = new Database(join(dataDir, 'inchstep.sqlite'), { readonly: true });
  const n = (sql: string) => client.prepare(sql).pluck().get(student) as number;
  const rows = {
    student: n('SELECT count(*) FROM students WHERE id = ?'),
    sets: n('SELECT count(*) FROM set_logs WHERE student_id = ?'),
  };
  client.close();
  return rows;
}

async function killedErasings(dataDir: string, kills: number, random: Random): Promise<Line[]> {
  let [left, waiting] = [0, 0];
  for (let i = 0; i < kills; i++) {
    const name = `Quixwell${randomUUID().replaceAll('-', '')}`;
    const server = await startServer(dataDir);
    const student = await someone(server, name);
    await server.end();
    await killedAfter(care(dataDir, ['erase', student, '--now']), async () => {
      await erasingBegun(dataDir, student);
      await wait(random() * 400);
    });
    const again = await startServer(dataDir);
    const client = new Database(join(dataDir, 'inchstep.sqlite'), { readonly: true });
    const here = client.prepare('SELECT count(*) FROM students WHERE id = ?').pluck().get(student) as number;
    client.close();
    await again.end();
    if (here === 1) waiting++;
    else if (isAnywhere(dataDir, name)) left++;
    if (here === 1)
      await new Promise((done) => care(dataDir, ['erase', student, '--now']).once('close', done));
  }
  return [
    line('killed while a student was erased: not begun', kills, waiting),
    line('  begun, and the name is left somewhere after the next start', kills, left, '', '0'),
  ];
}

/** Waits until the student's row is gone: from here on an erasing has to be finished. */
async function erasingBegun(dataDir: string, student: string): Promise<void> {
  const client = new Database(join(dataDir, 'inchstep.sqlite'), { readonly: true });
  const here = client.prepare('SELECT count(*) FROM students WHERE id = ?').pluck();
  for (let i = 0; i < 2000 && here.get(student) === 1; i++) await wait(5);
  client.close();
}

/** Kills a command after a while, and waits until it is gone; it may have ended by itself before. */
async function killedAfter(child: ChildProcess, meanwhile: () => Promise<unknown>): Promise<void> {
  const gone = new Promise((done) => child.once('close', done));
  await meanwhile();
  child.kill('SIGKILL');
  await gone;
}

async function someone(server: RunningServer, familyName: string): Promise<string> {
  const coach = new Caller(server.url);
  await coach.enter();
  const id = randomUUID();
  await coach.ask('POST', '/api/students', { id, profile: { ...PROFILE, familyName } });
  const token = await coach.link(id);
  await coach.ask('POST', `/api/page/${token}/checkins`, {
    ...{ id: randomUUID(), pain: false, painWhere: '', note: familyName, felt: null, clipIds: [] },
  });
  return id;
}

const isAnywhere = (folder: string, name: string): boolean =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .some((entry) => readFileSync(join(entry.parentPath, entry.name)).includes(name));

async function killedRestores(
  place: string,
  dataDir: string,
  kills: number,
  random: Random,
): Promise<Line[]> {
  const backup = join(place, 'backup.zip');
  await new Promise((done) => care(dataDir, ['backup', backup]).once('close', done));
  const into = join(place, 'restored');
  let [half, whole] = [0, 0];
  for (let i = 0; i < kills; i++) {
    rmSync(into, { recursive: true, force: true });
    await killedAfter(care(into, ['restore', backup]), () => wait(400 + random() * 3000));
    if (existsSync(into)) whole++;
    // Once more, to the end: it goes as if nothing had been.
    rmSync(into, { recursive: true, force: true });
    const code = await new Promise((done) => care(into, ['restore', backup]).once('close', done));
    const verified = await new Promise((done) => care(into, ['verify']).once('close', done));
    if (code !== 0 || verified !== 0) half++;
  }
  return [
    line('killed while a backup was restored: already whole', kills, whole),
    line('  not whole when restored again', kills, half, '', '0'),
  ];
}

const care = (dataDir: string, words: readonly string[]) =>
  spawn('node', ['server/dist/care.js', ...words], {
    cwd: ROOT,
    env: { ...process.env, NODE_OPTIONS: '', DATA_DIR: dataDir },
    stdio: 'ignore',
  });
