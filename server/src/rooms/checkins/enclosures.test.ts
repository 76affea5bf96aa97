import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import type {
  Checkin,
  Conversation,
  Enclosure,
  StudentPage,
  TalkDocument,
} from '@inchstep/contract/checkins';
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
  const link = await server.ask<{ token: string }>('POST', `/api/students/${id}/links`, { days: 300 });
  return { student: id, token: link.body.token };
}
async function addClip(of: string): Promise<string> {
  const id = randomUUID();
  await server.upload(`/api/students/${of}/clips`, film, { id, kind: 'face_on', recordedOn: '2027-03-01' });
  return id;
}
async function newCheckin(of = token, clips = [clipId]): Promise<string> {
  const id = randomUUID();
  const said = { id, pain: false, painWhere: '', note: 'So.', felt: null, clipIds: clips };
  expect((await server.ask('POST', `/api/page/${of}/checkins`, said)).status).toBe(200);
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
  const answer = await server.upload<Told>(`/api/checkins/${checkin}/enclosures`, file, fields);
  return { ...answer, id: fields.id };
};
const putTalk = (checkin: string, said = talk(), file = voiceBytes()) =>
  put(checkin, file, { kind: 'talk', talk: JSON.stringify(said) });
const send = (checkin: string) =>
  server.ask<Checkin>('POST', `/api/checkins/${checkin}/reply`, { id: randomUUID(), text: 'Look.' });
const fileFor = async (id: string, of = token) =>
  (await server.app.inject({ url: `/api/page/${of}/enclosures/${id}/file` })).statusCode;
const inPage = async () => (await server.ask<StudentPage>('GET', `/api/page/${token}`)).body.word?.enclosures;

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
    await server.ask('POST', `/api/checkins/${checkin}/reply/now`);
    expect((await inPage())?.map(({ id }) => id)).toEqual([picture.id, spoken.id, clip.id]);
    expect(await fileFor(picture.id)).toBe(200);
    const voice = await server.app.inject({ url: `/api/page/${token}/enclosures/${spoken.id}/file` });
    expect(voice.rawPayload.equals(voiceBytes())).toBe(true);
    expect(voice.headers['content-type']).toBe('video/webm');
    const said = await server.ask<TalkDocument>('GET', `/api/page/${token}/enclosures/${spoken.id}/talk`);
    expect(said.body).toEqual(talk());
    const other = await withLink('Gus');
    expect(await fileFor(picture.id, other.token)).toBe(404);
    expect((await server.app.inject({ url: `/api/enclosures/${picture.id}/file` })).statusCode).toBe(401);
    const both = await server.ask<Conversation>('GET', `/api/students/${student}/conversation`);
    expect(both.body.said.find(({ as }) => as === 'reply')?.enclosures).toHaveLength(3);
    // Gone is gone: nothing is put in, left out or put right behind the student's back.
    expect((await put(checkin, PICTURE)).body.code).toBe('letter_gone');
    expect((await server.ask<Told>('POST', `/api/enclosures/${picture.id}/drop`)).body.code).toBe(
      'letter_gone',
    );
    const late = { captions: [{ at: 0, text: 'Here' }] };
    expect((await server.ask<Told>('PUT', `/api/enclosures/${spoken.id}/captions`, late)).body.code).toBe(
      'letter_gone',
    );
  });
  test('sent again it is one; under another’s id it is refused', async () => {
    const checkin = await newCheckin();
    const id = randomUUID();
    const both = [await put(checkin, PICTURE, { id }), await put(checkin, PICTURE, { id })];
    expect(both[1]?.body).toEqual(both[0]?.body);
    const now = await server.ask<Checkin>('GET', `/api/checkins/${checkin}`);
    expect(now.body.enclosures).toHaveLength(1);
    const strange = { id: clipId };
    expect((await put(checkin, PICTURE, strange)).body.code).toBe('id_taken');
  });
  test('left out it stays out, put back it goes; forgotten, its file goes too', async () => {
    const checkin = await newCheckin();
    const own = Buffer.concat([PICTURE, Buffer.from('of this test')]);
    const { id } = await put(checkin, own);
    const kept = () => server.ctx.db.$client.prepare('SELECT file FROM enclosures WHERE id = ?').get(id);
    const { file } = kept() as { file: string };
    await server.ask('POST', `/api/enclosures/${id}/drop`);
    expect((await server.ask<Checkin>('GET', `/api/checkins/${checkin}`)).body.enclosures).toEqual([]);
    sweepEnclosures(server.ctx);
    await server.ask('POST', `/api/enclosures/${id}/restore`);
    expect((await server.ask<Checkin>('GET', `/api/checkins/${checkin}`)).body.enclosures).toHaveLength(1);
    await server.ask('POST', `/api/enclosures/${id}/drop`);
    server.at('2027-03-02T09:30:00');
    sweepEnclosures(server.ctx);
    expect(kept()).toBeUndefined();
    expect(existsSync(server.ctx.files.pathOf(file))).toBe(false);
    server.at('2027-03-01T09:00:00');
  });
  test('captions are typed afterwards, in order and within the talk', async () => {
    const checkin = await newCheckin();
    const { id } = await putTalk(checkin);
    const write = (captions: object[]) =>
      server.ask<Told & TalkDocument>('PUT', `/api/enclosures/${id}/captions`, { captions });
    const captions = [
      { at: 0, text: 'Here' },
      { at: 900, text: 'and there' },
    ];
    expect((await write(captions)).body.captions).toEqual(captions);
    expect((await write([...captions].reverse())).body.code).toBe('enclosure_wrong');
    expect((await write([{ at: 9000, text: 'too late' }])).body.code).toBe('enclosure_wrong');
    const said = await server.ask<TalkDocument>('GET', `/api/enclosures/${id}/talk`);
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
    expect((await put(checkin, PICTURE, { clipIds: theirs })).body.code).toBe('not_found');
    expect((await put(randomUUID(), PICTURE)).body.code).toBe('not_found');
  });
  test('leaves nothing behind', async () => {
    expect((await server.ask<Checkin>('GET', `/api/checkins/${checkin}`)).body.enclosures).toEqual([]);
  });
  test('nor more than goes along with a letter', async () => {
    for (let i = 0; i < 8; i++) expect((await put(checkin, PICTURE)).status).toBe(200);
    expect((await put(checkin, PICTURE)).body.code).toBe('too_many_enclosed');
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
  expect((await server.ask('POST', '/api/care/erasures', what)).status).toBe(200);
  server.at('2027-03-01T09:20:00');
  expect(carryOutErasures(server.ctx)).toBe(1);
  await finishErasures(server.ctx);
  expect((await server.ask<Checkin>('GET', `/api/checkins/${checkin}`)).body.enclosures).toEqual([]);
  expect(existsSync(server.ctx.files.pathOf(file))).toBe(false);
  server.at('2027-03-01T09:00:00');
});
