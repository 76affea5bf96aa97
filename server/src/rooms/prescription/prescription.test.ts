import { randomUUID } from 'node:crypto';
import * as wire from '@inchstep/contract/endpoints';
import type { AnswerOf } from '@inchstep/contract/wire';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, OWN_PAGE, type TestServer, testServer } from '../../testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());

const look = [
  { id: 'lead_knee_in_top.high', seen: 'present' },
  { id: 'obs.overswing', seen: 'present' },
];
async function diagnosed(student: string): Promise<string> {
  const { body } = await server.ask(wire.diagnosis.diagnose, {
    id: student,
    body: {
      id: randomUUID(),
      swingId: null,
      findings: look,
    },
  });
  return body.id;
}
const take = (diagnosisId: string, drill: string) =>
  server.ask(wire.prescription.chooseDrills, {
    body: {
      id: randomUUID(),
      diagnosisId,
      drills: [drill],
      note: 'for the test',
    },
  });
const up = (student: string, drill: string, stage: string) =>
  server.ask(wire.practice.decideGate, {
    id: student,
    body: {
      id: randomUUID(),
      drill,
      stage,
      decision: 'advance',
      note: 'seen live',
    },
  });
async function partOf(diagnosisId: string, drill: string, code: string) {
  const { body } = await server.ask(wire.prescription.prescribe, { id: diagnosisId });
  const found = [...body.result.drills, ...body.result.alternatives].find((d) => d.id === drill);
  return found?.parts.find((part) => part.code === code);
}

describe('what a drill came to', () => {
  test('three quarters reached is “worked”: with this student, and in the record for the next', async () => {
    const first = await addStudent(server);
    const id = await diagnosed(first);
    expect(await partOf(id, 'knee_swap', 'worked')).toBeUndefined();
    await take(id, 'knee_swap');
    for (const stage of ['still', 'slow', 'half']) await up(first, 'knee_swap', stage);
    expect(await partOf(id, 'knee_swap', 'worked')).toMatchObject({ points: 1.2 });
    const second = await addStudent(server);
    const other = await diagnosed(second);
    expect(await partOf(other, 'knee_swap', 'worked')).toBeUndefined();
    expect(await partOf(other, 'knee_swap', 'record')).toMatchObject({ about: '1/1' });
  });
  test('three weeks without getting there is “stalled” once it is put aside; a few days say nothing', async () => {
    const student = await addStudent(server);
    const id = await diagnosed(student);
    await take(id, 'palms_coil');
    server.at('2027-03-05T09:00:00');
    await take(id, 'knee_to_far_ball');
    server.at('2027-03-26T09:00:00');
    await take(id, 'palms_coil');
    expect(await partOf(id, 'knee_to_far_ball', 'stalled')).toMatchObject({ points: -2.5 });
    expect(await partOf(id, 'palms_coil', 'stalled')).toBeUndefined();
  });
});

describe('the printed card', () => {
  test('is one page of PDF on the asked paper, for the asked drill', async () => {
    const student = await addStudent(server, { handedness: 'left', firstName: 'Gus' });
    for (const [paper, size] of [
      ['A4', '595.28 841.89'],
      ['LETTER', '612 792'],
    ] as const) {
      const response = await server.app.inject({
        url: urlOf(wire.prescription.studentCard, {
          id: student,
          query: { drill: 'kiss_the_post', units: 'cm', paper },
        }),
        headers: { cookie: await signedIn() },
      });
      expect(response.headers['content-type']).toBe('application/pdf');
      const text = response.rawPayload.toString('latin1');
      expect(text.startsWith('%PDF-')).toBe(true);
      expect(text.match(/\/Type \/Page\b(?!s)/g)).toHaveLength(1);
      expect(text).toContain(size);
    }
  });
  test('opens by the student’s own link, and by nobody’s else', async () => {
    const student = await addStudent(server);
    const link = await server.ask(wire.checkins.makeLink, { id: student, body: { days: 3 } });
    const own = await server.app.inject({
      url: urlOf(wire.page.printCard, { token: link.body.token, query: { drill: 'knee_swap' } }),
    });
    expect(own.statusCode).toBe(200);
    expect(
      (
        await server.app.inject({
          url: urlOf(wire.page.printCard, { token: 'wrong', query: { drill: 'knee_swap' } }),
        })
      ).statusCode,
    ).toBe(404);
    expect(
      (
        await server.app.inject({
          url: urlOf(wire.prescription.studentCard, { id: student, query: { drill: 'knee_swap' } }),
        })
      ).statusCode,
    ).toBe(401);
  });
  test('a drill nobody knows is named', async () => {
    const student = await addStudent(server);
    expect(
      (await server.ask(wire.prescription.studentCard, { id: student, query: { drill: 'juggling' } })).body,
    ).toMatchObject({
      code: 'unknown_drill',
    });
  });
});

describe('the figure of a drill', () => {
  test('is posed on the student’s own body, and the library’s on the size asked for', async () => {
    const student = await addStudent(server, { heightIn: 62 });
    const { body } = await server.ask(wire.prescription.studentFigure, {
      id: student,
      drill: 'kiss_the_post',
    });
    expect(body.heightIn).toBe(62);
    expect(body.frames.every((frame) => frame.length === 3 * body.points.length)).toBe(true);
    expect(body.looks).toEqual(['trail_hip', 'trail_hip', 'pelvis']);
    const tall = await server.ask(wire.prescription.libraryFigure, {
      id: 'kiss_the_post',
      query: { heightIn: '78' },
    });
    const headOf = ({ points, frames }: AnswerOf<typeof wire.prescription.studentFigure>) =>
      frames[0]?.[3 * points.indexOf('head') + 2] as number;
    expect(headOf(tall.body) / headOf(body)).toBeCloseTo(78 / 62, 1);
    expect(
      (await server.ask(wire.prescription.libraryFigure, { id: 'kiss_the_post', query: { heightIn: '780' } }))
        .status,
    ).toBe(400);
    expect((await server.ask(wire.prescription.libraryFigure, { id: 'juggling' })).body).toMatchObject({
      code: 'unknown_drill',
    });
  });
  test('a student’s link poses the drills in use and no others', async () => {
    const student = await addStudent(server);
    await take(await diagnosed(student), 'knee_to_far_ball');
    const link = await server.ask(wire.checkins.makeLink, { id: student, body: { days: 3 } });
    const asked = (drill: string, token = link.body.token) =>
      server.app.inject({ url: urlOf(wire.page.readFigure, { token, drill }) });
    expect((await asked('knee_to_far_ball')).statusCode).toBe(200);
    expect((await asked('kiss_the_post')).statusCode).toBe(404);
    expect((await asked('knee_to_far_ball', 'wrong')).statusCode).toBe(404);
  });
});

async function signedIn(): Promise<string> {
  const response = await server.app.inject({
    method: 'POST',
    url: urlOf(wire.care.signIn),
    headers: OWN_PAGE,
    payload: { passphrase: 'a passphrase for tests' },
  });
  return String(response.headers['set-cookie']).split(';')[0] ?? '';
}

describe('checkpoints and the coach’s own task', () => {
  test('a drill in use goes from checkpoint to checkpoint, told again is the same, and stays where it is kept', async () => {
    const student = await addStudent(server);
    const id = await diagnosed(student);
    const choose = (drills: string[], ownTask = '') =>
      server.ask(wire.prescription.chooseDrills, {
        body: {
          id: randomUUID(),
          diagnosisId: id,
          drills,
          note: 'for the test',
          ownTask,
        },
      });
    const layer = (drill: string, at: number) =>
      server.ask(wire.prescription.setLayer, { id: student, drill, body: { layer: at } });
    expect((await choose(['knee_swap'], ' Square the face first. ')).body).toMatchObject({
      layers: { knee_swap: 1 },
      ownTask: 'Square the face first.',
    });
    expect((await layer('knee_swap', 2)).body.layers).toEqual({ knee_swap: 2 });
    expect((await layer('knee_swap', 2)).status).toBe(200);
    const { token } = (await server.ask(wire.checkins.makeLink, { id: student, body: { days: 9 } })).body;
    const page = await server.ask(wire.page.readPage, { token });
    expect(page.body).toMatchObject({ ownTask: 'Square the face first.', drills: [{ layer: 2 }] });
    expect((await layer('kiss_the_post', 2)).body).toMatchObject({ code: 'drill_not_in_use' });
    expect((await layer('knee_swap', 4)).status).toBe(400);
    // Kept beside another, it keeps its checkpoint; the one that is new begins at its first.
    expect((await choose(['knee_swap', 'knee_gate'])).body.layers).toEqual({ knee_swap: 2, knee_gate: 1 });
    expect((await choose(['knee_gate'])).body.layers).toEqual({ knee_gate: 1 });
    const events = await server.ask(wire.intake.readThread, { id: student });
    expect(events.body.filter(({ kind }) => kind === 'layer')).toHaveLength(1);
  });
});
