import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import type { Enclosure, TalkDocument } from '@inchstep/contract/checkins';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { carryOutErasures, finishErasures } from '../../platform/care/erase.ts';
import { addStudent, clipBytes, type TestServer, testServer } from '../../testServer.ts';
import { silentVoice } from '../../testVoice.ts';
import { sweepEnclosures } from './enclosures.ts';

type Told = Enclosure & { code?: string };

const PICTURE = Buffer.concat([Buffer.from('89504e470d0a1a0a', 'hex'), Buffer.alloc(400, 7)]);
const film = clipBytes('wren.face_on.mp4');

let server: TestServer;
let student: string;
let token: string;
let clipId: string;
let voice: Buffer;
const voiceBytes = () => voice;
beforeAll(async () => {
  voice = await silentVoice();
  server = await testServer();
  ({ student, token } = await withLink('Wren'));
  clipId = await addClip(student);
});
afterAll(() => server.stop());

async function withLink(firstName: string) {
  const id = await addStudent(server, { firstName });
  const link = await server.ask(wire.checkins.makeLink, { id, body: { days: 300 } });
  return { student: id, token: link.body.token };
}
async function addClip(of: string): Promise<string> {
  const id = randomUUID();
  await server.upload(wire.capture.addClip, { id: of }, film, {
    id,
    kind: 'face_on',
    recordedOn: '2027-03-01',
  });
  return id;
}
async function newCheckin(of = token, clips = [clipId]): Promise<string> {
  const id = randomUUID();
  const said = { id, pain: false, painWhere: '', note: 'So.', felt: null, clipIds: clips };
  expect((await server.ask(wire.page.sendCheckin, { token: of, body: said })).status).toBe(200);
  return id;
}
const talk = (more: Partial<TalkDocument> = {}): TalkDocument => ({
  ms: 1200,
  now: { clipId, widthPx: 540, heightPx: 960, title: 'Now' },
  before: null,
  laid: null,
  moves: [{ at: 0, do: 'stand', now: 0.5, before: null }],
  captions: [],
  ...more,
});
const put = async (checkin: string, file: Buffer, more: Record<string, string> = {}) => {
  const fields = { id: randomUUID(), kind: 'picture', title: 'At the strike', clipIds: clipId, ...more };
  const answer = await server.upload(wire.checkins.enclose, { id: checkin }, file, fields);
  return { ...answer, id: fields.id };
};
const putTalk = (checkin: string, said = talk(), file = voiceBytes()) =>
  put(checkin, file, { kind: 'talk', talk: JSON.stringify(said) });
const send = (checkin: string) =>
  server.ask(wire.checkins.sendReply, { id: checkin, body: { id: randomUUID(), text: 'Look.' } });
const fileFor = async (id: string, of = token) =>
  (await server.app.inject({ url: urlOf(wire.page.enclosureFile, { token: of, id }) })).statusCode;
const inPage = async () => (await server.ask(wire.page.readPage, { token })).body.word?.enclosures;

describe('what goes along with an answer', () => {
  test('is the student’s when the letter has gone, not before, and nobody else’s', async () => {
    const checkin = await newCheckin();
    const picture = await put(checkin, PICTURE);
    expect(picture).toMatchObject({ status: 200, body: { kind: 'picture', bytes: 408, seconds: null } });
    const spoken = await putTalk(checkin);
    expect(spoken).toMatchObject({ status: 200, body: { kind: 'talk' } });
    expect(spoken.body.seconds).toBeCloseTo(1, 0);
    const clip = await put(checkin, film, { kind: 'clip' });
    expect(clip.status).toBe(200);
    expect((await send(checkin)).body.enclosures.map(({ kind }) => kind)).toEqual([
      'picture',
      'talk',
      'clip',
    ]);
    expect(await fileFor(picture.id)).toBe(404);
    expect(await inPage()).toBeUndefined();
    await server.ask(wire.checkins.sendReplyNow, { id: checkin });
    expect((await inPage())?.map(({ id }) => id)).toEqual([picture.id, spoken.id, clip.id]);
    expect(await fileFor(picture.id)).toBe(200);
    const voice = await server.app.inject({ url: urlOf(wire.page.enclosureFile, { token, id: spoken.id }) });
    expect(voice.rawPayload.equals(voiceBytes())).toBe(true);
    expect(voice.headers['content-type']).toBe('video/webm');
    const said = await server.ask(wire.page.readTalk, { token, id: spoken.id });
    expect(said.body).toEqual(talk());
    const other = await withLink('Gus');
    expect(await fileFor(picture.id, other.token)).toBe(404);
    expect(
      (await server.app.inject({ url: urlOf(wire.checkins.enclosureFile, { id: picture.id }) })).statusCode,
    ).toBe(401);
    const both = await server.ask(wire.checkins.readConversation, { id: student });
    expect(both.body.said.find(({ as }) => as === 'reply')?.enclosures).toHaveLength(3);
    // Gone is gone: nothing is put in, left out or put right behind the student's back.
    expect((await put(checkin, PICTURE)).code).toBe('letter_gone');
    expect((await server.refused(wire.checkins.dropEnclosure, { id: picture.id })).body.code).toBe(
      'letter_gone',
    );
    const late = { captions: [{ at: 0, text: 'Here' }] };
    expect((await server.refused(wire.checkins.captionTalk, { id: spoken.id, body: late })).body.code).toBe(
      'letter_gone',
    );
  });
  test('sent again it is one; under another’s id it is refused', async () => {
    const checkin = await newCheckin();
    const id = randomUUID();
    const both = [await put(checkin, PICTURE, { id }), await put(checkin, PICTURE, { id })];
    expect(both[1]?.body).toEqual(both[0]?.body);
    const now = await server.ask(wire.checkins.readCheckin, { id: checkin });
    expect(now.body.enclosures).toHaveLength(1);
    const strange = { id: clipId };
    expect((await put(checkin, PICTURE, strange)).code).toBe('id_taken');
  });
  test('left out it stays out, put back it goes; forgotten, its file goes too', async () => {
    const checkin = await newCheckin();
    const own = Buffer.concat([PICTURE, Buffer.from('of this test')]);
    const { id } = await put(checkin, own);
    const kept = () => server.ctx.db.$client.prepare('SELECT file FROM enclosures WHERE id = ?').get(id);
    const { file } = kept() as { file: string };
    await server.ask(wire.checkins.dropEnclosure, { id });
    expect((await server.ask(wire.checkins.readCheckin, { id: checkin })).body.enclosures).toEqual([]);
    sweepEnclosures(server.ctx);
    await server.ask(wire.checkins.restoreEnclosure, { id });
    expect((await server.ask(wire.checkins.readCheckin, { id: checkin })).body.enclosures).toHaveLength(1);
    await server.ask(wire.checkins.dropEnclosure, { id });
    server.at('2027-03-02T09:30:00');
    sweepEnclosures(server.ctx);
    expect(kept()).toBeUndefined();
    expect(existsSync(server.ctx.files.pathOf(file))).toBe(false);
    server.at('2027-03-01T09:00:00');
  });
  test('captions are typed afterwards, in order and within the talk', async () => {
    const checkin = await newCheckin();
    const { id } = await putTalk(checkin);
    const write = (captions: object[]) => server.ask(wire.checkins.captionTalk, { id, body: { captions } });
    const captions = [
      { at: 0, text: 'Here' },
      { at: 900, text: 'and there' },
    ];
    expect((await write(captions)).body.captions).toEqual(captions);
    expect((await write([...captions].reverse())).code).toBe('enclosure_wrong');
    expect((await write([{ at: 9000, text: 'too late' }])).code).toBe('enclosure_wrong');
    const said = await server.ask(wire.checkins.readTalk, { id });
    expect(said.body.captions).toEqual(captions);
  });
});

describe('what is not what it says', () => {
  let checkin: string;
  beforeAll(async () => {
    checkin = await newCheckin();
  });
  const page = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>');
  test.each<[string, () => Promise<{ body: Told }>, string]>([
    ['a drawing with a program in it', () => put(checkin, page), 'enclosure_wrong'],
    ['a film as a picture', () => put(checkin, film), 'enclosure_wrong'],
    ['a picture as a film', () => put(checkin, PICTURE, { kind: 'clip' }), 'clip_not_video'],
    ['a film as a voice', () => putTalk(checkin, talk(), film), 'enclosure_wrong'],
    ['a picture as a voice', () => putTalk(checkin, talk(), PICTURE), 'enclosure_wrong'],
    [
      'a voice that breaks off',
      () => putTalk(checkin, talk(), voiceBytes().subarray(0, 500)),
      'clip_cut_off',
    ],
    ['nothing', () => put(checkin, Buffer.alloc(0)), 'enclosure_wrong'],
    ['a talk without moves', () => put(checkin, voiceBytes(), { kind: 'talk' }), 'enclosure_wrong'],
    [
      'a picture with moves',
      () => put(checkin, PICTURE, { talk: JSON.stringify(talk()) }),
      'enclosure_wrong',
    ],
    ['moves that are none', () => put(checkin, voiceBytes(), { kind: 'talk', talk: '{' }), 'bad_input'],
    [
      'a move after the end',
      () => putTalk(checkin, talk({ moves: [{ at: 90_000, do: 'wipe' }] })),
      'enclosure_wrong',
    ],
    [
      'a clip that it hides',
      () => put(checkin, voiceBytes(), { kind: 'talk', talk: JSON.stringify(talk()), clipIds: randomUUID() }),
      'not_found',
    ],
    ['no clip at all', () => put(checkin, PICTURE, { clipIds: '' }), 'bad_input'],
  ])('%s', async (_, sending, code) => expect((await sending()).body.code).toBe(code));
  test('somebody else’s clip, or a check-in that is none', async () => {
    const other = await withLink('Ola');
    const theirs = await addClip(other.student);
    expect((await put(checkin, PICTURE, { clipIds: theirs })).code).toBe('not_found');
    expect((await put(randomUUID(), PICTURE)).code).toBe('not_found');
  });
  test('leaves nothing behind', async () => {
    expect((await server.ask(wire.checkins.readCheckin, { id: checkin })).body.enclosures).toEqual([]);
  });
  test('nor more than goes along with a letter', async () => {
    for (let i = 0; i < 8; i++) expect((await put(checkin, PICTURE)).status).toBe(200);
    expect((await put(checkin, PICTURE)).code).toBe('too_many_enclosed');
  });
});

test('erased with the clip that it shows, and with the student', async () => {
  const own = await withLink('Esme');
  const clip = await addClip(own.student);
  const checkin = await newCheckin(own.token, [clip]);
  const bytes = Buffer.concat([PICTURE, Buffer.from('hers')]);
  const { id } = await put(checkin, bytes, { clipIds: clip });
  const { file } = server.ctx.db.$client.prepare('SELECT file FROM enclosures WHERE id = ?').get(id) as {
    file: string;
  };
  const what = { id: randomUUID(), what: 'clip', subjectId: clip };
  expect((await server.ask(wire.care.askErasure, { body: what })).status).toBe(200);
  server.at('2027-03-01T09:20:00');
  expect(carryOutErasures(server.ctx)).toBe(1);
  await finishErasures(server.ctx);
  expect((await server.ask(wire.checkins.readCheckin, { id: checkin })).body.enclosures).toEqual([]);
  expect(existsSync(server.ctx.files.pathOf(file))).toBe(false);
  server.at('2027-03-01T09:00:00');
});
