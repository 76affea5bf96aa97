import { randomUUID } from 'node:crypto';
import { readdirSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import * as wire from '@inchstep/contract/endpoints';
import type { Endpoint } from '@inchstep/contract/wire';
import { urlOf } from '@inchstep/contract/wire/address';
import { seededRandom } from '@inchstep/core/foundation';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, clipBytes, OWN_PAGE, type TestServer, testServer } from '../testServer.ts';
import { pagePieces } from './pieceRoutes.ts';

let server: TestServer;
let student: string;
let token: string;
let base: string;
const film = clipBytes('wren.face_on.mp4');

beforeAll(async () => {
  server = await testServer({ clipLimitMb: 2 });
  student = await addStudent(server);
  token = (await server.ask(wire.checkins.makeLink, { id: student, body: { days: 9 } })).body.token;
  await server.app.listen({ port: 0, host: '127.0.0.1' });
  base = `http://localhost:${(server.app.server.address() as AddressInfo).port}`;
});
afterAll(() => server.stop());

const TUS = { ...OWN_PAGE, 'tus-resumable': '1.0.0' };
const send = (
  method: string,
  url: string,
  headers: Record<string, string> = {},
  body?: Uint8Array<ArrayBuffer>,
) =>
  fetch(url.startsWith('http') ? url : base + url, {
    method,
    headers: { ...TUS, ...headers },
    ...(body ? { body } : {}),
  });
const page = () => urlOf(wire.page.readPage, { token });
async function begin(
  of = page(),
  bytes = film.length,
  headers: Record<string, string> = {},
): Promise<string> {
  const name = Buffer.from('swing.mp4').toString('base64');
  const answer = await send('POST', `${of}/pieces`, {
    ...headers,
    'upload-length': String(bytes),
    'upload-metadata': `fileName ${name}`,
  });
  expect(answer.status).toBe(201);
  return answer.headers.get('location') ?? '';
}
const piece = (at: string, from: number, to: number) =>
  send(
    'PATCH',
    at,
    { 'upload-offset': String(from), 'content-type': 'application/offset+octet-stream' },
    new Uint8Array(film.subarray(from, to)),
  );
const offset = async (at: string) => Number((await send('HEAD', at)).headers.get('upload-offset'));
const idOf = (at: string) => at.split('/').at(-1) ?? '';
const whole = (at: string, id: string) =>
  server.ask(wire.page.addWholeClip, {
    token,
    body: {
      pieces: idOf(at),
      id,
      kind: 'face_on',
      recordedOn: '2027-03-01',
    },
  });
const left = () => readdirSync(join(server.dataDir, 'pieces')).filter((name) => !name.endsWith('.json'));

describe('a clip in pieces', () => {
  test('whatever breaks off, comes twice or late, the clip is there once and as it was', async () => {
    const random = seededRandom(7);
    const at = await begin();
    let tries = 0;
    for (let have = 0; have < film.length; have = await offset(at)) {
      const to = Math.min(film.length, have + 20_000 + Math.floor(random() * 90_000));
      const luck = random();
      // A piece from a place that was passed already, or not reached yet, is refused; nothing is doubled.
      if (luck < 0.25)
        expect((await piece(at, Math.max(0, have - 1000), to)).status).toBe(have === 0 ? 204 : 409);
      else if (luck < 0.4) expect((await piece(at, have + 10, to)).status).toBe(409);
      else expect((await piece(at, have, to)).status).toBe(204);
      if (++tries > 200) throw new Error('it never came through');
    }
    const id = randomUUID();
    const first = await whole(at, id);
    expect(first).toMatchObject({ status: 200, body: { id, from: 'student', fileName: 'swing.mp4' } });
    // The answer was lost: asked again it is the same clip.
    expect((await whole(at, id)).body).toEqual(first.body);
    const clip = await server.app.inject({
      url: urlOf(wire.capture.clipFile, { id }),
      headers: { cookie: server.cookie() },
    });
    expect(clip.rawPayload.equals(film)).toBe(true);
    expect(left()).toEqual([]);
  });
  test('taken too early it says so, and goes on afterwards', async () => {
    const at = await begin();
    await piece(at, 0, 5000);
    const id = randomUUID();
    expect(await whole(at, id)).toMatchObject({ status: 409, body: { code: 'pieces_missing' } });
    await piece(at, 5000, film.length);
    expect((await whole(at, id)).status).toBe(200);
  });
  test('asked for several times at once, it is one clip, and the program goes on', async () => {
    for (let round = 0; round < 12; round++) {
      const at = await begin();
      await piece(at, 0, film.length);
      const id = randomUUID();
      const answers = await Promise.all([1, 2, 3, 4].map(() => whole(at, id)));
      expect(answers.map(({ status, body }) => [status, body.id])).toEqual(Array(4).fill([200, id]));
    }
    expect(left()).toEqual([]);
  });
  test('what is let go while somebody opens it is read whole, or not there: never a fall', async () => {
    for (let round = 0; round < 40; round++) {
      const at = await begin();
      await piece(at, 0, film.length);
      const opening = server.ctx.pieces.open(pagePieces(student), idOf(at));
      const [file] = await Promise.all([opening, server.ctx.pieces.drop(pagePieces(student), idOf(at))]);
      // Nobody reads it: what an asker does who was answered already.
      file?.stream.destroy();
    }
    const at = await begin();
    await piece(at, 0, film.length);
    const file = await server.ctx.pieces.open(pagePieces(student), idOf(at));
    await server.ctx.pieces.drop(pagePieces(student), idOf(at));
    expect((await buffer(file?.stream ?? Readable.from([]))).equals(film)).toBe(true);
  });
  test('what arrived of a piece stays when the line breaks in the middle of it', async () => {
    const at = await begin();
    let sent = 0;
    const body = new ReadableStream<Uint8Array>({
      pull: async (line) => {
        if (sent >= 60_000) return line.error(new Error('the line broke'));
        line.enqueue(new Uint8Array(film.subarray(sent, sent + 20_000)));
        sent += 20_000;
        await new Promise((done) => setTimeout(done, 20));
      },
    });
    const headers = { ...TUS, 'upload-offset': '0', 'content-type': 'application/offset+octet-stream' };
    const half = { method: 'PATCH', headers, body, duplex: 'half' } as RequestInit;
    await expect(fetch(base + at, half)).rejects.toThrow();
    await new Promise((done) => setTimeout(done, 300));
    const have = await offset(at);
    expect(have).toBeGreaterThan(0);
    expect(have).toBeLessThanOrEqual(60_000);
    expect((await piece(at, have, film.length)).status).toBe(204);
    expect((await whole(at, randomUUID())).status).toBe(200);
  });
  test('what is no clip is refused, and its pieces are let go', async () => {
    const at = await begin(page(), 3000);
    await piece(at, 100_000, 103_000).catch(() => undefined);
    await send(
      'PATCH',
      at,
      { 'upload-offset': '0', 'content-type': 'application/offset+octet-stream' },
      new Uint8Array(3000),
    );
    expect((await whole(at, randomUUID())).code).toMatch(/^clip_/);
    expect(left()).toEqual([]);
    expect(await whole(at, randomUUID())).toMatchObject({ status: 410, body: { code: 'pieces_gone' } });
  });
  test('is nobody else’s: another student, a stranger and the coach’s own way find nothing', async () => {
    const at = await begin();
    const other = await addStudent(server, { firstName: 'Gus' });
    const made = await server.ask(wire.checkins.makeLink, { id: other, body: { days: 9 } });
    const theirs = at.replace(token, made.body.token);
    expect((await send('HEAD', theirs)).status).toBe(404);
    expect((await send('DELETE', theirs)).status).toBe(404);
    expect((await send('HEAD', at.replace(token, 'x'.repeat(43)))).status).toBeGreaterThanOrEqual(401);
    const coachs = urlOf(wire.capture.askPieces, { id: student, piece: idOf(at) });
    expect((await send('HEAD', coachs)).status).toBe(401);
    expect((await send('HEAD', coachs, { cookie: server.cookie() })).status).toBe(404);
    expect((await send('HEAD', at)).status).toBe(200);
    expect((await send('HEAD', `${page()}/pieces/..%2f..%2finchstep.db`)).status).toBe(404);
    await send('DELETE', at);
    expect(left()).toEqual([]);
  });
  test('more than the limit, and more than a few at once, are not begun', async () => {
    const big = await send('POST', `${page()}/pieces`, { 'upload-length': String(3 * 1024 * 1024) });
    expect(big.status).toBe(413);
    const begun: string[] = [];
    for (let i = 0; i < 8; i++) begun.push(await begin());
    expect((await send('POST', `${page()}/pieces`, { 'upload-length': '10' })).status).toBe(429);
    await server.ctx.pieces.dropAllAbout(student);
    expect(left()).toEqual([]);
    expect((await send('HEAD', begun[0] ?? '')).status).toBe(404);
  });
  test('many that are begun at once are a few, too', async () => {
    const begun = await Promise.all(
      Array.from({ length: 24 }, () => send('POST', `${page()}/pieces`, { 'upload-length': '10' })),
    );
    expect(begun.filter(({ status }) => status === 201)).toHaveLength(8);
    expect(begun.filter(({ status }) => status === 429)).toHaveLength(16);
    await server.ctx.pieces.dropAllAbout(student);
  });
  test('one student’s word lets nobody else’s pieces go', async () => {
    const at = await begin();
    await piece(at, 0, 5000);
    const other = await addStudent(server, { firstName: 'Gus' });
    const link = await server.ask(wire.checkins.makeLink, { id: other, body: { days: 9 } });
    const clip = (of: string, id: string) =>
      server.refused(wire.page.addWholeClip, {
        token: of,
        body: {
          ...{ pieces: idOf(at), id, kind: 'face_on', recordedOn: '2027-03-01' },
        },
      });
    // Also where the clip's own number is one that is known.
    const own = randomUUID();
    const theirs = await server.upload(wire.page.addClip, { token: link.body.token }, film, {
      ...{ id: own, kind: 'face_on', recordedOn: '2027-03-01' },
    });
    expect(theirs.status).toBe(200);
    for (const id of [own, randomUUID()]) await clip(link.body.token, id);
    await server.ctx.pieces.drop(pagePieces(other), idOf(at));
    expect(await offset(at)).toBe(5000);
    await send('DELETE', at);
  });
  test('a link takes so much film in a week and no more; the coach’s own way stays open', async () => {
    const own = await testServer({ clipLimitMb: 2 });
    const someone = await addStudent(own);
    const link = await own.ask(wire.checkins.makeLink, { id: someone, body: { days: 9 } });
    const upload = (endpoint: Endpoint, args: object) =>
      own.upload(endpoint, args, film, {
        ...{ id: randomUUID(), kind: 'face_on', recordedOn: '2027-03-01' },
      });
    const byLink = () => upload(wire.page.addClip, { token: link.body.token });
    expect((await byLink()).status).toBe(200);
    const facts = JSON.stringify({ from: 'student', bytes: 10 * 2 * 1024 ** 2 - 1.5 * film.length });
    own.ctx.db.$client
      .prepare("INSERT INTO clips (id, student_id, file, facts, created_at) VALUES ('x', ?, 'x.mp4', ?, ?)")
      .run(someone, facts, '2027-02-28T09:00:00.000Z');
    expect(await byLink()).toMatchObject({ status: 413, body: { code: 'clip_quota' } });
    expect((await upload(wire.capture.addClip, { id: someone })).status).toBe(200);
    own.at('2027-03-09T09:00:00');
    expect((await byLink()).status).toBe(200);
    await own.stop();
  });
  test('pages of other sites begin nothing, and no answer may be read there', async () => {
    const strange = { 'upload-length': '10', origin: 'https://elsewhere.example' };
    const answer = await send('POST', `${page()}/pieces`, strange);
    expect(answer.status).toBe(403);
    const own = await send('OPTIONS', `${page()}/pieces`);
    expect(own.headers.get('access-control-allow-origin')).toBeNull();
  });
  test('the coach’s clips come the same way', async () => {
    const cookie = { cookie: server.cookie() };
    const at = await begin(urlOf(wire.intake.readStudent, { id: student }), film.length, cookie);
    const headers = { ...cookie, 'upload-offset': '0', 'content-type': 'application/offset+octet-stream' };
    expect((await send('PATCH', at, headers, new Uint8Array(film))).status).toBe(204);
    const body = { pieces: idOf(at), id: randomUUID(), kind: 'face_on', recordedOn: '2027-03-01' };
    const taken = await server.ask(wire.capture.addWholeClip, { id: student, body });
    expect(taken).toMatchObject({ status: 200, body: { from: 'coach' } });
  });
});
