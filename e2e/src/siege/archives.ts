import { createHash, randomUUID } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { pick, type Random, seededRandom } from '@inchstep/core/foundation';
import { openZip, writeWhole, zipOf } from '../../../server/src/platform/care/zips.ts';
import type { RunningServer } from '../program.ts';
import { type Line, line } from './line.ts';
import { Caller } from './people.ts';
import { heldMb, watch } from './watch.ts';

/** An export as its files, so that it can be written anew. */
export type Files = Map<string, Buffer>;

export async function exportedFiles(coach: Caller, student: string, place: string): Promise<Files> {
  const path = join(place, `${randomUUID()}.zip`);
  await writeWhole((await coach.file(`/api/students/${student}/export.zip`)) as never, path);
  return filesOf(path);
}

/** What a ZIP holds, by name. */
export async function filesOf(path: string): Promise<Files> {
  const zip = await openZip(path);
  const files: Files = new Map();
  for (const name of zip.entries.keys()) files.set(name, await zip.bytes(name, 1e9));
  zip.close();
  return files;
}

/** The same record under another number, with many more rows; its list of files true again. */
export function grown(files: Files, rows: number): Files {
  const document = (name: string) =>
    JSON.parse(String(files.get(name))) as { rows: Record<string, unknown>[] };
  const [student, other] = [String(document('students.json').rows[0]?.id), randomUUID()];
  const next: Files = new Map(
    [...files].map(([name, bytes]) => [
      name,
      name.endsWith('.json') ? renumbered(bytes, student, other) : bytes,
    ]),
  );
  const sets = JSON.parse(String(next.get('set_logs.json'))) as { rows: object[] };
  const writes = JSON.parse(String(next.get('writes.json'))) as { rows: object[] };
  const at = '2026-11-01T09:00:00.000Z';
  for (let i = 0; i < rows / 2; i++) {
    const id = randomUUID();
    const set = {
      id,
      student_id: other,
      date: '2026-11-01',
      drill: 'knee_swap',
      stage: 'still',
      reps: 'PPFPP',
    };
    sets.rows.push({ ...set, felt: 5, from: 'student', at, done_at: null, layer: 1 });
    writes.rows.push({ id, student_id: other, what: 'set', author: `student:${other}`, at });
  }
  // A link is one student's.
  next.set('links.json', Buffer.from('{"format":"inchstep.links/1","rows":[]}'));
  next.set('set_logs.json', Buffer.from(JSON.stringify(sets)));
  next.set('writes.json', Buffer.from(JSON.stringify(writes)));
  return listed(next);
}

/** Every number of a record is another one: rows may not clash with those that are here. */
function renumbered(bytes: Buffer, student: string, other: string): Buffer {
  const known = new Map([[student, other]]);
  const text = String(bytes).replace(/[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g, (id) => {
    const salted = createHash('sha256')
      .update(id + other)
      .digest('hex');
    const made = `${salted.slice(0, 8)}-${salted.slice(8, 12)}-4${salted.slice(13, 16)}-8${salted.slice(17, 20)}-${salted.slice(20, 32)}`;
    return known.get(id) ?? made;
  });
  return Buffer.from(text);
}

function listed(files: Files): Files {
  const told = JSON.parse(String(files.get('manifest.json'))) as { files: unknown[] };
  const entry = ([name, bytes]: [string, Buffer]) => ({
    name,
    bytes: bytes.length,
    sha256: createHash('sha256').update(bytes).digest('hex'),
  });
  const parts = [...files].filter(([name]) => name !== 'manifest.json');
  return files.set('manifest.json', Buffer.from(JSON.stringify({ ...told, files: parts.map(entry) })));
}

export async function packed(files: Files): Promise<Buffer> {
  const chunks: Buffer[] = [];
  for await (const chunk of zipOf([...files].map(([name, bytes]) => ({ name, bytes }))))
    chunks.push(chunk as Buffer);
  return Buffer.concat(chunks);
}

/** Nobody's library writes such a name: it is put into the bytes afterwards. */
const ELSEWHERE = 'xx/xx/';
const leadingElsewhere = (bytes: Buffer): Buffer =>
  Buffer.from(bytes.toString('latin1').replaceAll(ELSEWHERE, '../../'), 'latin1');

/** Hostile ways to write a record, by name. */
const WAYS: Readonly<Record<string, (files: Files, random: Random) => void>> = {
  'brackets without end': (files) => void files.set('plans.json', Buffer.alloc(30_000_000, '[')),
  'a table of nothing': (files) =>
    void files.set(
      'set_logs.json',
      Buffer.from(`{"format":"inchstep.set_logs/1","rows":[${'{},'.repeat(2_000_000)}{}]}`),
    ),
  'numbers without end': (files) =>
    void files.set('feels.json', Buffer.from(`{"rows":[${'9'.repeat(20_000_000)}]}`)),
  'keys without end': (files) =>
    void files.set(
      'events.json',
      Buffer.from(`{${Array.from({ length: 1_500_000 }, (_, i) => `"k${i}":0`).join()}}`),
    ),
  'a name that leads elsewhere': (files) => void files.set(`${ELSEWHERE}inchstep.sqlite`, Buffer.from('x')),
  'a letter of fifty million letters': (files) =>
    void files.set('mails/x.eml', Buffer.alloc(50_000_000, 'a')),
  'bytes of chance in a document': (files, random) => {
    const name = pick(random, [...files.keys()]);
    const bytes = Buffer.from(files.get(name) as Buffer);
    for (let i = 0; i < 1 + bytes.length / 500; i++)
      bytes[Math.floor(random() * bytes.length)] = Math.floor(random() * 256);
    files.set(name, bytes);
  },
};

/** Archives that lie, and one of 60,000 rows, while somebody else goes on asking. */
export async function hostileArchives(
  server: RunningServer,
  place: string,
  rounds: number,
  seed: number,
): Promise<Line[]> {
  const coach = new Caller(server.url);
  await coach.enter();
  const files = await exportedFiles(coach, await coach.student(), place);
  const random = seededRandom(seed);
  const others = watch(server.url);
  let [tried, broken, kept] = [0, 0, 0];
  for (let i = 0; i < rounds; i++)
    for (const way of Object.values(WAYS)) {
      const forged = new Map(grown(files, 2));
      way(forged, random);
      const bytes = spoiled(leadingElsewhere(await packed(forged)), random, i);
      const { status, body } = await coach.upload('/api/care/import', bytes);
      tried++;
      if (status >= 500 && status !== 503) broken++;
      if (status === 200) {
        const { ticket } = body as { ticket: string };
        const answer = await coach.ask('POST', `/api/care/import/${ticket}/keep`);
        if (answer.status === 200) kept++;
        else if (answer.status >= 500) broken++;
      }
    }
  const { longest, failed } = await others();
  const left = readdirSync(join(server.dataDir, 'arriving')).length;
  return [
    line('archives that lie: taken as sound (what was spoilt made no difference)', tried, kept),
    line('  answered with an error of the program', tried, broken, '', '0'),
    line('  others wait at most', tried, longest, 'ms', '100 ms'),
    line('  others not answered', tried, failed, '', '0'),
    line('  left behind in the folder', tried, left, '', '0'),
    line('  memory of the program at most', tried, heldMb(server.process.pid as number).most, 'MB', '700 MB'),
    ...(await largeRecord(server, coach, files)),
  ];
}

/** Every third also breaks off, or lies in its own directory. */
function spoiled(bytes: Buffer, random: Random, round: number): Buffer {
  if (round % 3 === 1) return bytes.subarray(0, Math.floor(random() * bytes.length));
  if (round % 3 === 2) {
    const copy = Buffer.from(bytes);
    for (let i = 0; i < 8; i++)
      copy[copy.length - 1 - Math.floor(random() * 600)] = Math.floor(random() * 256);
    return copy;
  }
  return bytes;
}

async function largeRecord(server: RunningServer, coach: Caller, files: Files): Promise<Line[]> {
  const bytes = await packed(grown(files, 60_000));
  const others = watch(server.url);
  const began = performance.now();
  const shown = await coach.upload('/api/care/import', bytes);
  const { ticket } = shown.body as { ticket: string };
  const kept = await coach.ask('POST', `/api/care/import/${ticket}/keep`);
  const seconds = (performance.now() - began) / 1000;
  const { longest } = await others();
  return [
    line('a record of 60,000 rows: taken in after', 60_000, kept.status === 200 ? seconds : 1e9, 's'),
    line('  others wait at most', 60_000, longest, 'ms', '50 ms'),
  ];
}
