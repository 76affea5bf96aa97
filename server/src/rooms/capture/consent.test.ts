import { randomUUID } from 'node:crypto';
import * as wire from '@inchstep/contract/endpoints';
import type { Endpoint } from '@inchstep/contract/wire';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import {
  addStudent,
  clipBytes,
  markedSwing,
  profile,
  type TestServer,
  testServer,
} from '../../testServer.ts';

const CHILD = { bornOn: '2014-06-01', firstName: 'Hanne' };
const agreed = (on: string) => ({ ...CHILD, guardianConsent: { guardian: 'Signe Dahl', on } });

let server: TestServer;
let child: string;
let token: string;
let clip: string;
let swing: string;
beforeAll(async () => {
  server = await testServer();
  child = await addStudent(server, agreed('2027-03-01'));
  token = (await server.ask(wire.checkins.makeLink, { id: child, body: { days: 90 } })).body.token;
  clip = randomUUID();
  await upload(wire.capture.addClip, { id: child }, clip);
  const marked = markedSwing('priya-then');
  swing = marked.id;
  await server.ask(wire.capture.addSwing, { id: child, body: marked });
});
afterAll(() => server.stop());

const upload = (endpoint: Endpoint, args: object, id: string) =>
  server.upload(endpoint, args, clipBytes('wren.face_on.mp4'), {
    id,
    kind: 'face_on',
    recordedOn: '2027-03-01',
  });

async function change(more: object): Promise<number> {
  const { body } = await server.ask(wire.intake.readStudent, { id: child });
  const answer = await server.ask(wire.intake.editStudent, {
    id: child,
    body: {
      version: body.version,
      profile: { ...profile(CHILD), ...more },
    },
  });
  return answer.status;
}

/** Every way to a child's pictures and marks. */
const doors: [name: string, ask: () => Promise<{ status: number; body: unknown }>][] = [
  ['a clip from the coach', () => upload(wire.capture.addClip, { id: child }, randomUUID())],
  ['a clip from the phone', () => upload(wire.page.addClip, { token }, randomUUID())],
  ['the clip shown to the coach', () => server.ask(wire.capture.clipFile, { id: clip })],
  ['the clip shown on the page', () => server.ask(wire.page.clipFile, { token, id: clip })],
  ['new marks', () => server.ask(wire.capture.addSwing, { id: child, body: markedSwing('priya-then') })],
  [
    'changed marks',
    () => {
      const { id: _, ...body } = markedSwing('priya-then');
      return server.ask(wire.capture.editSwing, { id: swing, body: { version: 1, ...body } });
    },
  ],
  ['measuring', () => server.ask(wire.measures.measureSwing, { id: swing })],
  [
    'a motion file',
    () =>
      server.upload(wire.capture.addTrack, { id: child }, Buffer.from('time_s\n1'), {
        id: randomUUID(),
        recordedOn: '2027-03-01',
        club: 'mid_iron',
      }),
  ],
];

describe('a guardian’s consent', () => {
  test('dated to come is refused at intake', async () => {
    expect(await change({ guardianConsent: { guardian: 'Signe Dahl', on: '2099-01-01' } })).toBe(400);
  });
  test('opens the doors while it stands', async () => {
    expect((await server.ask(wire.capture.clipFile, { id: clip })).status).toBe(200);
    expect((await server.ask(wire.measures.measureSwing, { id: swing })).status).toBe(200);
  });
  test('withdrawn closes every one of them, also for what is here already, and browsers let their copies go', async () => {
    const told = async () => (await server.ask(wire.care.me)).body.erased;
    const before = await told();
    expect(await change({ guardianConsent: null })).toBe(200);
    expect(await told()).toBe(before + 1);
    for (const [name, ask] of doors) {
      const { status, body } = await ask();
      expect([name, status, (body as { code: string }).code]).toEqual([name, 403, 'consent_missing']);
    }
  });
  test('dated to come in an old record counts for nothing until its day', async () => {
    const client = server.ctx.db.$client;
    const later = JSON.stringify({ ...profile(CHILD), guardianConsent: { guardian: 'S', on: '2027-03-05' } });
    client.prepare('UPDATE students SET profile = ? WHERE id = ?').run(later, child);
    expect((await server.ask(wire.capture.clipFile, { id: clip })).status).toBe(403);
    server.at('2027-03-05T00:10:00');
    expect((await server.ask(wire.capture.clipFile, { id: clip })).status).toBe(200);
    server.at('2027-03-01T09:00:00');
  });
  test('a clip’s answer is kept nowhere on the way', async () => {
    await change({ guardianConsent: { guardian: 'Signe Dahl', on: '2027-03-01' } });
    const answer = await server.app.inject({ url: urlOf(wire.page.clipFile, { token, id: clip }) });
    expect([answer.statusCode, answer.headers['cache-control']]).toEqual([200, 'no-store']);
    expect(
      (await server.app.inject({ url: urlOf(wire.page.readPage, { token }) })).headers['cache-control'],
    ).toBe('no-store');
  });
});
