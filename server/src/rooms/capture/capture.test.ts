import { randomUUID } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import {
  addStudent,
  clipBytes,
  markedSwing,
  OWN_PAGE,
  type TestServer,
  testServer,
} from '../../testServer.ts';

let server: TestServer;
let student: string;
beforeAll(async () => {
  server = await testServer({ clipLimitMb: 1 });
  student = await addStudent(server);
});
afterAll(() => server.stop());

const good = clipBytes('wren.face_on.mp4');
const fields = (more: Record<string, string> = {}) => ({
  id: randomUUID(),
  kind: 'face_on',
  recordedOn: '2027-02-27',
  ...more,
});
const send = (file: Buffer, more = {}, name?: string) =>
  server.upload(wire.capture.addClip, { id: student }, file, fields(more), name);
const kept = (): string[] => {
  try {
    return readdirSync(join(server.dataDir, 'clips'));
  } catch {
    return [];
  }
};

/** A box of an ISO media file: length, name, content. */
const box = (name: string, content: Buffer): Buffer => {
  const head = Buffer.alloc(8);
  head.writeUInt32BE(8 + content.length, 0);
  head.write(name, 4, 'latin1');
  return Buffer.concat([head, content]);
};
/** The same clip, whose sample description claims to be coded as phones do by default. */
const asHevc = (): Buffer => {
  const bytes = Buffer.from(good);
  for (const [from, to] of [
    ['avc1', 'hvc1'],
    ['avcC', 'hvcC'],
  ] as const)
    bytes.write(to, bytes.lastIndexOf(from, undefined, 'latin1'), 'latin1');
  return bytes;
};

describe('refused clips leave nothing behind', () => {
  test.each([
    ['0 bytes', Buffer.alloc(0), 'clip_empty'],
    ['text', Buffer.from('not a film at all '.repeat(50)), 'clip_not_video'],
    ['cut off in the middle', good.subarray(0, Math.floor(good.length / 2)), 'clip_cut_off'],
    ['over the limit', Buffer.concat([good, box('free', Buffer.alloc(1_200_000))]), 'clip_too_large'],
    ['an index without a film', box('ftyp', Buffer.from('isom0000')), 'clip_cut_off'],
  ])('%s', async (_, file, code) => {
    const before = kept();
    const { status, body } = await send(file);
    expect(status).toBeGreaterThanOrEqual(400);
    expect(body).toMatchObject({ code });
    expect(kept()).toEqual(before);
    expect((await server.ask(wire.capture.listClips, { id: student })).body).toEqual([]);
  });
  test('a codec that browsers can’t read frame by frame is named, with the way out', async () => {
    const { body } = await send(asHevc());
    expect(body).toMatchObject({
      code: 'clip_codec',
      message: expect.stringMatching(/HEVC.*most compatible/),
    });
    expect(kept()).toEqual([]);
  });
  test.each([
    ['no such day', { recordedOn: '2027-02-31' }],
    ['no such view', { kind: 'from_above' }],
    ['an id that could be guessed', { id: '17' }],
  ])('%s', async (_, more) => {
    expect((await send(good, more)).status).toBe(400);
    expect(kept()).toEqual([]);
  });
  test('no file at all', async () => {
    expect((await server.ask(wire.capture.addClip, { id: student, body: {} })).body).toMatchObject({
      code: 'no_file',
    });
  });
  test('a child’s clip waits for a guardian', async () => {
    const child = await addStudent(server, { bornOn: '2014-06-01' });
    const { body } = await server.upload(wire.capture.addClip, { id: child }, good, fields());
    expect(body).toMatchObject({ code: 'consent_missing' });
    const agreed = await addStudent(server, {
      bornOn: '2014-06-01',
      guardianConsent: { guardian: 'Signe Dahl', on: '2027-02-01' },
    });
    expect((await server.upload(wire.capture.addClip, { id: agreed }, good, fields())).status).toBe(200);
  });
});

describe('a good clip', () => {
  test('is read, kept as it came, and served in ranges; sent twice it is one clip', async () => {
    const id = randomUUID();
    const first = await send(good, { id }, 'IMG 0041.MOV');
    expect(first.body).toMatchObject({ id, container: 'mp4', widthPx: 540, heightPx: 960, frames: 135 });
    expect(first.body.framesPerSecond).toBeCloseTo(60, 1);
    expect((await send(good, { id })).body).toEqual(first.body);
    const whole = await server.app.inject({
      url: urlOf(wire.capture.clipFile, { id }),
      headers: await signedIn(),
    });
    expect(whole.rawPayload.equals(good)).toBe(true);
    const part = await server.app.inject({
      url: urlOf(wire.capture.clipFile, { id }),
      headers: { ...(await signedIn()), range: 'bytes=10-19' },
    });
    expect(part.statusCode).toBe(206);
    expect(part.headers['content-range']).toBe(`bytes 10-19/${good.length}`);
    expect(part.rawPayload.equals(good.subarray(10, 20))).toBe(true);
    const past = await server.app.inject({
      url: urlOf(wire.capture.clipFile, { id }),
      headers: { ...(await signedIn()), range: `bytes=${good.length}-` },
    });
    expect(past.statusCode).toBe(416);
    expect((await server.app.inject({ url: urlOf(wire.capture.clipFile, { id }) })).statusCode).toBe(401);
  });
});

async function signedIn(): Promise<{ cookie: string }> {
  const response = await server.app.inject({
    method: 'POST',
    url: urlOf(wire.care.signIn),
    headers: OWN_PAGE,
    payload: { passphrase: 'a passphrase for tests' },
  });
  return { cookie: String(response.headers['set-cookie']).split(';')[0] ?? '' };
}

describe('swings', () => {
  const add = (swing: object) => server.ask(wire.capture.addSwing, { id: student, body: swing });
  test('marks survive as they were put down; an old version overwrites nothing', async () => {
    const swing = markedSwing('wren');
    const { body } = await add(swing);
    expect(body.marks).toHaveLength(swing.marks.length);
    const { id: _, ...rest } = swing;
    const edit = { ...rest, version: 1, marks: swing.marks.slice(0, 20) };
    expect((await server.ask(wire.capture.editSwing, { id: swing.id, body: edit })).body.version).toBe(2);
    expect((await server.ask(wire.capture.editSwing, { id: swing.id, body: edit })).body).toMatchObject({
      code: 'changed_meanwhile',
    });
    expect((await server.ask(wire.capture.readSwing, { id: swing.id })).body.marks).toHaveLength(20);
  });
  test('stations out of order are named', async () => {
    const swing = markedSwing('wren');
    const views = swing.views.map((v) => ({ ...v, stationTimes: { address: 1.4, top: 0.9 } }));
    const { body } = await add({ ...swing, views });
    expect(body).toMatchObject({
      code: 'stations_out_of_order',
      problems: [{ path: 'views[0].stationTimes', detail: { earlier: 'address', later: 'top' } }],
    });
  });
  test.each([
    ['a mark outside the picture', { u: 600 }, 'mark_outside_picture'],
    ['a landmark that view can’t show', { view: 'face_on', landmark: 'seat' }, 'landmark_not_in_view'],
  ])('%s is named and the swing is not kept', async (_, wrong, code) => {
    const swing = markedSwing('wren');
    const marks = swing.marks.map((m, i) => (i === 3 ? { ...m, ...wrong } : m));
    const { status, body } = await add({ ...swing, marks });
    expect(status).toBe(400);
    expect(body).toMatchObject({ code, problems: [{ path: 'marks[3]' }] });
    expect((await server.ask(wire.capture.readSwing, { id: swing.id })).status).toBe(404);
  });
  test('filmed tomorrow is refused; put away and brought back works', async () => {
    expect((await add(markedSwing('wren', { recordedOn: '2027-03-02' }))).body).toMatchObject({
      code: 'date_in_future',
    });
    const swing = markedSwing('wren');
    await add(swing);
    const ids = async () =>
      (await server.ask(wire.capture.listSwings, { id: student })).body.map((s) => s.id);
    await server.ask(wire.capture.discardSwing, { id: swing.id });
    expect(await ids()).not.toContain(swing.id);
    await server.ask(wire.capture.restoreSwing, { id: swing.id });
    expect(await ids()).toContain(swing.id);
  });
  test('an id that is another student’s clip tells nothing of it and takes nothing in', async () => {
    const theirs = (await send(good)).body;
    const other = await addStudent(server);
    const before = kept().length;
    const { status, body } = await server.upload(
      wire.capture.addClip,
      { id: other },
      good,
      fields({ id: theirs.id }),
    );
    expect(status).toBe(409);
    expect(body.fileName).toBeUndefined();
    expect(kept()).toHaveLength(before);
  });
  test('another student’s clip can’t be put on this swing', async () => {
    const other = await addStudent(server);
    const clip = await server.upload(wire.capture.addClip, { id: other }, good, fields());
    const swing = markedSwing('wren');
    const views = swing.views.map((v, i) => (i === 0 ? { ...v, clipId: clip.body.id } : v));
    expect((await add({ ...swing, views })).status).toBe(404);
  });
  test('the open capture of a swing can be taken out', async () => {
    const swing = markedSwing('wren');
    await add(swing);
    const { body } = await server.ask(wire.capture.swingDocument, { id: swing.id });
    expect(body).toMatchObject({ format: 'inchstep.capture/1', golfer: { heightIn: 65 } });
  });
});
