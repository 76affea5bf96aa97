import { randomUUID } from 'node:crypto';
import type { Swing } from '@inchstep/contract/capture';
import * as wire from '@inchstep/contract/endpoints';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { addStudent, clipBytes, markedSwing, type TestServer, testServer } from '../../testServer.ts';

let server: TestServer;
let student: string;
let token: string;
beforeAll(async () => {
  server = await testServer();
  student = await addStudent(server, { firstName: 'Priya' });
  token = (await server.ask(wire.checkins.makeLink, { id: student, body: { days: 9 } })).body.token;
});
afterAll(() => server.stop());

const page = async () => (await server.ask(wire.page.readPage, { token })).body;
const feels = async () => (await server.ask(wire.prescription.listFeels, { id: student })).body.records;

async function prescribe(drill: string): Promise<void> {
  const swing = { ...markedSwing('priya-then'), recordedOn: '2027-02-20' };
  await server.ask(wire.capture.addSwing, { id: student, body: swing });
  await server.ask(wire.measures.measureSwing, { id: swing.id });
  const diagnosis = { id: randomUUID(), swingId: swing.id, findings: [] };
  await server.ask(wire.diagnosis.diagnose, { id: student, body: diagnosis });
  await server.ask(wire.diagnosis.chooseWork, {
    id: diagnosis.id,
    body: { workOn: ['over_turn'], note: '' },
  });
  const choice = { id: randomUUID(), diagnosisId: diagnosis.id, drills: [drill], note: 'so' };
  expect((await server.ask(wire.prescription.chooseDrills, { body: choice })).status).toBe(200);
}

async function sendFelt(measure: string, felt: number) {
  const clip = { id: randomUUID(), kind: 'face_on', recordedOn: '2027-03-01' };
  await server.upload(wire.page.addClip, { token }, clipBytes('wren.face_on.mp4'), clip);
  const id = randomUUID();
  const said = { id, pain: false, painWhere: '', note: '', felt: null, clipIds: [clip.id] };
  const answer = await server.ask(wire.page.sendCheckin, {
    token,
    body: {
      ...said,
      feltOf: { measure, felt },
    },
  });
  return { answer, id, clipId: clip.id };
}

/** Somebody marks the swing that the clip became, and it is measured. */
async function measure(clipId: string): Promise<void> {
  const swings = (await server.ask(wire.capture.listSwings, { id: student })).body;
  const made = swings.find(({ views }) => views.some((view) => view.clipId === clipId)) as Swing;
  const { marks, views } = markedSwing('priya-then');
  const { version, recordedOn, club, speed, aid, place, cue } = made;
  const own = views.map((view) => (view.kind === 'face_on' ? { ...view, clipId } : view));
  const edit = { version, recordedOn, club, speed, aid, place, cue, views: own, marks };
  expect((await server.ask(wire.capture.editSwing, { id: made.id, body: edit })).status).toBe(200);
  expect((await server.ask(wire.measures.measureSwing, { id: made.id })).status).toBe(200);
}

test('is asked of what the drill moves, held against its own clips, told in the draft, and kept with the answer', async () => {
  expect((await page()).feel).toBeNull();
  await prescribe('knee_swap');
  const asked = (await page()).feel;
  expect(asked).toEqual({ measure: expect.any(String), name: expect.any(String), unit: expect.any(String) });
  const { id, clipId, answer } = await sendFelt(asked?.measure ?? '', 0);
  expect(answer.body.feltOf).toEqual({ measure: asked?.measure, felt: 0 });
  const review = async () => (await server.ask(wire.checkins.reviewCheckin, { id })).body;
  expect((await review()).facts.felt).toMatchObject({ felt: 0, measured: null });
  expect((await review()).draft).not.toContain('You felt');
  await measure(clipId);
  const { facts, draft } = await review();
  expect(facts.felt?.measured?.value).toEqual(expect.any(Number));
  expect(draft).toContain('You felt nothing move there');
  expect(await feels()).toEqual([]);
  const reply = { id: randomUUID(), text: draft, draft };
  await server.ask(wire.checkins.sendReply, { id, body: reply });
  expect(await feels()).toMatchObject([{ measure: asked?.measure, felt: 0 }]);
  // Sent twice it is one; taken back it never was.
  await server.ask(wire.checkins.sendReply, { id, body: reply });
  expect(await feels()).toHaveLength(1);
  await server.ask(wire.checkins.takeBackReply, { id });
  expect(await feels()).toEqual([]);
});

test('of something that is no measure is refused, and nothing is kept', async () => {
  const { answer, id } = await sendFelt('hole_in_one', 3);
  expect(answer.code).toBe('unknown_measure');
  expect((await server.ask(wire.checkins.readCheckin, { id })).status).toBe(404);
});
