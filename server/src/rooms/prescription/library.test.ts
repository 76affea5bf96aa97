import { randomUUID } from 'node:crypto';
import * as wire from '@inchstep/contract/endpoints';
import type { DrillForm } from '@inchstep/contract/formats';
import { urlOf } from '@inchstep/contract/wire/address';
import { feelSizingFor } from '@inchstep/core/prescription';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, type TestServer, testServer } from '../../testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());

const form = (id: string, more: Partial<DrillForm['drill']> = {}): Omit<DrillForm, 'retired'> => ({
  drill: {
    id,
    phase: 'back',
    fixes: [{ fault: 'lead_knee_collapse', strength: 3 }],
    aids: [],
    places: ['home', 'range'],
    ball: 'no',
    loads: {},
    cue: { kind: 'external', side: 'lead' },
    overdo: null,
    moves: ['lead_knee_in_top'],
    setup: [{ id: 'coin_gap', valueIn: 1, scales: false, plus: { share: 0.1, of: 'heightIn' } }],
    ...more,
  },
  words: {
    name: 'Coin under the knee',
    purpose: 'Keeps the lead knee over its own foot.',
    steps: ['Lay a coin on the floor.', 'Turn back with the knee over it.'],
    cue: 'Knee over the coin.',
    counts: 'The knee stayed over the coin.',
    fake: 'Turning less.',
    tooMuch: 'Hips that stop.',
    distances: { coin_gap: 'Coin to the other foot' },
  },
});
const put = (id: string, body: object) => server.ask(wire.prescription.keepDrill, { id, body });
const list = async () => (await server.ask(wire.prescription.listLibrary)).body;

async function diagnosed(student: string): Promise<string> {
  const { body } = await server.ask(wire.diagnosis.diagnose, {
    id: student,
    body: {
      id: randomUUID(),
      swingId: null,
      findings: [
        { id: 'lead_knee_in_top.high', seen: 'present' },
        { id: 'obs.overswing', seen: 'present' },
      ],
    },
  });
  return body.id;
}
async function offered(diagnosis: string): Promise<string[]> {
  const { body } = await server.ask(wire.prescription.prescribe, { id: diagnosis });
  return [...body.result.drills, ...body.result.alternatives].map((d) => d.id);
}

describe('a drill of the coach’s own', () => {
  test('is kept, offered, taken into use, planned, and on the card with its own distance', async () => {
    expect((await put('own_coin', form('own_coin'))).status).toBe(200);
    const student = await addStudent(server);
    const diagnosis = await diagnosed(student);
    expect(await offered(diagnosis)).toContain('own_coin');
    const choice = { id: randomUUID(), diagnosisId: diagnosis, drills: ['own_coin'], note: '' };
    expect((await server.ask(wire.prescription.chooseDrills, { body: choice })).status).toBe(200);
    const ask = {
      start: '2027-03-01',
      nextLesson: '2027-03-15',
      days: ['mon', 'wed'],
      minutesPerDay: {},
      placeByDay: {},
    };
    const plan = await server.ask(wire.practice.savePlan, {
      id: student,
      body: {
        id: randomUUID(),
        ...ask,
      },
    });
    expect(plan.body.drills).toEqual(['own_coin']);
    const pdf = await server.ask(wire.prescription.studentCard, {
      id: student,
      query: { drill: 'own_coin' },
    });
    expect(pdf.status).toBe(200);
  });
  test('put aside it stays in the plan and is named with whose; nobody else is offered it', async () => {
    const other = await diagnosed(await addStudent(server));
    const { body } = await server.ask(wire.prescription.retireDrill, {
      id: 'own_coin',
      body: {
        retired: true,
      },
    });
    expect(body.usedBy).toHaveLength(1);
    expect(await offered(other)).not.toContain('own_coin');
    await server.ask(wire.prescription.retireDrill, { id: 'own_coin', body: { retired: false } });
    expect(await offered(other)).toContain('own_coin');
  });
  test('a copy may stand in for the built-in drill', async () => {
    const diagnosis = await diagnosed(await addStudent(server));
    expect(await offered(diagnosis)).toContain('knee_swap');
    await put('own_swap', { ...form('own_swap'), basedOn: 'knee_swap', replaces: true });
    const now = await offered(diagnosis);
    expect(now).toContain('own_swap');
    expect(now).not.toContain('knee_swap');
    await server.ask(wire.prescription.retireDrill, { id: 'own_swap', body: { retired: true } });
  });
});

describe('a drill that is not fit', () => {
  test.each([
    [
      'a negative distance',
      { setup: [{ id: 'gap', valueIn: -20, scales: true }] },
      'distance_negative',
      'drill.setup[0]',
    ],
    ['an unknown neighbour', { notWith: ['own_nobody'] }, 'unknown_drill', 'drill.notWith[0]'],
    [
      'a fault that does not exist',
      { fixes: [{ fault: 'slouch', strength: 2 as const }] },
      'bad_input',
      'drill.fixes[0].fault',
    ],
  ])('%s is refused with its path, and nothing is kept', async (_, more, code, path) => {
    const { status, body } = await server.refused(wire.prescription.keepDrill, {
      id: 'own_bad',
      body: form('own_bad', more),
    });
    expect(status).toBe(400);
    expect(body.problems[0]).toMatchObject({ code, path });
    expect((await list()).map((e) => e.drill.id)).not.toContain('own_bad');
  });
  test('a built-in drill is not written over', async () => {
    const told = await put('knee_swap', form('own_coin'));
    expect(told.code).toBe('built_in_drill');
    const away = await server.refused(wire.prescription.retireDrill, {
      id: 'knee_swap',
      body: { retired: true },
    });
    expect(away.body.code).toBe('built_in_drill');
  });
});

describe('a file of drills', () => {
  test('comes out and goes in again unchanged', async () => {
    const { body } = await server.ask(wire.prescription.exportDrills);
    expect(body.drills.length).toBeGreaterThan(0);
    const second = await testServer();
    const added = await second.ask(wire.prescription.importDrills, { body });
    expect(added.body).toEqual({ added: body.drills.length, changed: 0 });
    expect((await second.ask(wire.prescription.exportDrills)).body).toEqual(body);
    await second.stop();
  });
  test('two that lean on each other go in together; one bad among them keeps all out', async () => {
    const pair = [form('own_first', { notWith: ['own_second'] }), form('own_second', { after: 'own_first' })];
    const doc = (drills: object[]) => ({ format: 'inchstep.drills/1', drills });
    const bad = await server.refused(wire.prescription.importDrills, {
      body: doc([...pair, form('own_third', { after: 'own_zz' })]),
    });
    expect(bad.body.problems[0]).toMatchObject({ code: 'unknown_drill', path: 'drills[2].drill.after' });
    expect((await list()).map((e) => e.drill.id)).not.toContain('own_first');
    expect((await server.ask(wire.prescription.importDrills, { body: doc(pair) })).body).toEqual({
      added: 2,
      changed: 0,
    });
  });
});

test('felt against measured is kept once, sizes the cue when it is clear, and can be taken back', async () => {
  const student = await addStudent(server);
  const _url = urlOf(wire.prescription.listFeels, { id: student });
  const note = (measured: number) => ({
    id: randomUUID(),
    measure: 'shift_delivery',
    felt: 4,
    measured,
    side: 'less',
  });
  const first = note(2);
  await server.ask(wire.prescription.noteFeel, { id: student, body: first });
  const again = await server.ask(wire.prescription.noteFeel, { id: student, body: first });
  expect(again.body.records).toHaveLength(1);
  await server.ask(wire.prescription.noteFeel, { id: student, body: note(1.9) });
  const third = await server.ask(wire.prescription.noteFeel, { id: student, body: note(2.1) });
  expect(feelSizingFor(third.body.records, ['shift_delivery'], null).factor).toBe(2);
  // Learnt of less: it says nothing of a student who must go further.
  expect(feelSizingFor(third.body.records, ['shift_delivery'], 'over_slide').factor).toBe(2);
  expect(feelSizingFor(third.body.records, ['shift_delivery'], 'hang_back')).toMatchObject({
    factor: null,
    records: 0,
  });
  const still = { id: randomUUID(), measure: 'head_shift_top', felt: 0, measured: 3 };
  const kept = await server.ask(wire.prescription.noteFeel, { id: student, body: still });
  expect(kept.body.records.find(({ id }) => id === still.id)).toMatchObject({ felt: 0, measured: 3 });
  for (const { id } of kept.body.records)
    await server.ask(wire.prescription.forgetFeel, { id: student, feelId: id });
  expect((await server.ask(wire.prescription.listFeels, { id: student })).body.records).toEqual([]);
  const unknown = await server.refused(wire.prescription.noteFeel, {
    id: student,
    body: {
      ...note(2),
      id: randomUUID(),
      measure: 'shift_delivry',
    },
  });
  expect(unknown.body.code).toBe('unknown_measure');
});
