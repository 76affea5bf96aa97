import { randomUUID } from 'node:crypto';
import { type Swing, viewOf } from '@inchstep/contract/capture';
import * as wire from '@inchstep/contract/endpoints';
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

let server: TestServer;
let student: string;
beforeAll(async () => {
  server = await testServer();
  student = await addStudent(server);
});
afterAll(() => server.stop());

const listed = async () => (await server.ask(wire.capture.listToLook)).body;
const ids = async () => (await listed()).map(({ swing }) => swing.id);
async function take(of = student, recordedOn = '2027-03-01'): Promise<Swing> {
  const fields = { id: randomUUID(), kind: 'face_on', recordedOn };
  const { body: clip } = await server.upload(
    wire.capture.addClip,
    { id: of },
    clipBytes('wren.face_on.mp4'),
    fields,
  );
  const made = {
    id: randomUUID(),
    recordedOn,
    club: 'mid_iron',
    speed: 'full',
    views: [viewOf(clip)],
    marks: [],
  };
  return (await server.ask(wire.capture.addSwing, { id: of, body: made })).body;
}
const edit = ({ id, version, recordedOn, club, speed, views, marks }: Swing, more: object) =>
  server.ask(wire.capture.editSwing, {
    id,
    body: { version, recordedOn, club, speed, views, marks, ...more },
  });

describe('swings whose clips nobody looked through', () => {
  test('a take is listed with what the look needs, the newest first, until it has marks', async () => {
    const [first, second] = [await take(), await take()];
    expect(await ids()).toEqual([second.id, first.id]);
    expect((await listed())[0]).toMatchObject({
      firstName: 'Priya',
      golfer: { heightIn: 65, handedness: 'right' },
    });
    const { marks } = markedSwing('priya-now');
    await edit(second, { marks: marks.filter(({ view }) => view === 'face_on') });
    expect(await ids()).toEqual([first.id]);
    await edit(first, { views: [{ ...first.views[0], looked: 'nobody' }] });
    expect(await ids()).toEqual([]);
  });
  test('put away it leaves the list, brought back it is there again', async () => {
    const { id } = await take();
    await server.ask(wire.capture.discardSwing, { id });
    expect(await ids()).toEqual([]);
    await server.ask(wire.capture.restoreSwing, { id });
    expect(await ids()).toEqual([id]);
    await server.ask(wire.capture.discardSwing, { id });
  });
  test('a child’s is listed only while a guardian agrees, and nobody’s who was put away', async () => {
    const guardianConsent = { guardian: 'Ada Fenn', on: '2027-02-01' };
    const child = await addStudent(server, { bornOn: '2016-05-01', guardianConsent });
    const { id } = await take(child);
    expect(await ids()).toEqual([id]);
    const _of = urlOf(wire.intake.readStudent, { id: child });
    const { version } = (await server.ask(wire.intake.readStudent, { id: child })).body;
    const without = { version, profile: profile({ bornOn: '2016-05-01', guardianConsent: null }) };
    expect((await server.ask(wire.intake.editStudent, { id: child, body: without })).status).toBe(200);
    expect(await ids()).toEqual([]);
  });
  test('after a start the last days are asked, older ones are left alone', async () => {
    const old = await take(student, '2027-02-20');
    const fresh = await take(student, '2027-02-27');
    expect(await ids()).toEqual([fresh.id, old.id]);
    await server.end();
    server = await testServer({ dataDir: server.dataDir, signedIn: false });
    await server.ask(wire.care.signIn, { body: { passphrase: 'a passphrase for tests' } });
    expect(await ids()).toEqual([fresh.id]);
  });
});
