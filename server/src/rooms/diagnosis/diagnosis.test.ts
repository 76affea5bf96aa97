import { randomUUID } from 'node:crypto';
import type { DiagnosisRecord } from '@inchstep/contract/diagnosis';
import * as wire from '@inchstep/contract/endpoints';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, markedSwing, type TestServer, testServer } from '../../testServer.ts';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());

type Ask = {
  swingId?: string | null;
  wholeDay?: boolean;
  findings?: object[];
  setAside?: string[];
  id?: string;
};
const diagnose = async (student: string, ask: Ask) =>
  server.ask(wire.diagnosis.diagnose, {
    id: student,
    body: {
      id: randomUUID(),
      swingId: null,
      findings: [],
      ...ask,
    },
  });
const seen = (...ids: string[]) => ids.map((id) => ({ id, seen: 'present' }));
const filmed = async (student: string, key: string, day: string) => {
  server.at(`${day}T11:00:00`);
  const swing = markedSwing(key, { recordedOn: day });
  await server.ask(wire.capture.addSwing, { id: student, body: swing });
  await server.ask(wire.measures.measureSwing, { id: swing.id });
  return swing.id;
};
const named = (d: DiagnosisRecord) => d.result.roots.map((root) => root.fault);

describe('from looks in the bay', () => {
  test('nothing seen is not enough to go on', async () => {
    const { body } = await diagnose(await addStudent(server), {});
    expect(body.result).toMatchObject({ enough: false, roots: [], workOn: [] });
    expect(body.result.nextLook).not.toBeNull();
    expect(body.chosen).toBeNull();
  });
  test('a plain look names its fault, and the same request twice is one diagnosis', async () => {
    const student = await addStudent(server);
    const id = randomUUID();
    const first = await diagnose(student, { id, findings: seen('obs.pushes_aid_away', 'shift_top.low') });
    expect(named(first.body)).toEqual(['sway']);
    await diagnose(student, { id, findings: [] });
    const all = await server.ask(wire.diagnosis.listDiagnoses, { id: student });
    expect(all.body.map((d) => d.id)).toEqual([id]);
    expect(all.body[0]?.findings).toHaveLength(2);
  });
  test('a look that can’t be, and one told both ways, are refused', async () => {
    const student = await addStudent(server);
    const odd = await diagnose(student, { findings: seen('obs.moonwalk') });
    expect(odd.status).toBeGreaterThanOrEqual(400);
    const both = await diagnose(student, {
      findings: [...seen('obs.flip'), { id: 'obs.flip', seen: 'absent' }],
    });
    expect(both.status).toBeGreaterThanOrEqual(400);
    const all = await server.ask(wire.diagnosis.listDiagnoses, { id: student });
    expect(all.body).toEqual([]);
  });
});

describe('from a measured swing', () => {
  test('a measure that is set aside counts for nothing', async () => {
    const student = await addStudent(server);
    const swingId = await filmed(student, 'mei-then', '2027-03-02');
    const { body } = await diagnose(student, { swingId });
    expect(named(body).length).toBeGreaterThan(0);
    const leaning = body.result.roots[0]?.for[0]?.finding.split('.')[0] as string;
    const without = await diagnose(student, { swingId, setAside: [leaning] });
    expect(without.body.result.present.some((f) => f.startsWith(`${leaning}.`))).toBe(false);
    expect(without.body.setAside).toEqual([leaning]);
  });
  test('a whole day is surer than one of its swings; another club is not mixed in', async () => {
    const student = await addStudent(server);
    const swingId = await filmed(student, 'priya-then', '2027-03-02');
    // The habit of a day has the player's wandering in it: it takes a few swings to be surer than of one.
    for (let i = 0; i < 5; i++) await filmed(student, 'priya-then', '2027-03-02');
    const other = markedSwing('mei-then', { recordedOn: '2027-03-02', club: 'driver' });
    await server.ask(wire.capture.addSwing, { id: student, body: other });
    await server.ask(wire.measures.measureSwing, { id: other.id });
    const alone = (await diagnose(student, { swingId })).body;
    const day = (await diagnose(student, { swingId, wholeDay: true })).body;
    expect([alone.wholeDay, day.wholeDay]).toEqual([false, true]);
    // The day may put another measure first: each is held against itself.
    const measuresOf = (d: DiagnosisRecord) =>
      new Map(
        d.result.roots
          .flatMap((root) => root.for)
          .flatMap(({ finding, measure }) => (measure ? [[finding, measure]] : [])),
      );
    const [one, both] = [measuresOf(alone), measuresOf(day)];
    const shared = [...one.keys()].filter((finding) => both.has(finding));
    expect(named(day)[0]).toBe(named(alone)[0]);
    expect(shared.length).toBeGreaterThan(0);
    for (const finding of shared) {
      expect(both.get(finding)?.sd).toBeLessThan(0.95 * (one.get(finding)?.sd as number));
      expect(both.get(finding)?.value).toBeCloseTo(one.get(finding)?.value as number, 6);
    }
  });
  test('another student’s swing can’t be used', async () => {
    const swingId = await filmed(await addStudent(server), 'wren', '2027-03-02');
    expect((await diagnose(await addStudent(server), { swingId })).status).toBe(404);
  });
  test('a newer swing is asked whether it would change what comes first', async () => {
    const student = await addStudent(server);
    const { body } = await diagnose(student, { findings: seen('obs.pushes_aid_away', 'shift_top.low') });
    const now = async () => (await server.ask(wire.diagnosis.diagnosisNow, { id: body.id })).body;
    expect(await now()).toBeNull();
    const swingId = await filmed(student, 'priya-then', '2027-03-05');
    expect(await now()).toMatchObject({ swingId, recordedOn: '2027-03-05' });
  });
});

describe('the coach’s word', () => {
  test('stands with its reason, is carried on, and is taken back', async () => {
    const student = await addStudent(server);
    const { body } = await diagnose(student, { findings: seen('obs.flip') });
    const choose = await server.ask(wire.diagnosis.chooseWork, {
      id: body.id,
      body: {
        workOn: ['hang_back'],
        note: 'felt it in the lesson',
      },
    });
    expect(choose.body.chosen).toMatchObject({ workOn: ['hang_back'], note: 'felt it in the lesson' });
    server.at('2027-03-09T09:00:00');
    const later = await diagnose(student, { findings: seen('obs.flip', 'shift_top.low') });
    expect(later.body.chosen).toMatchObject({ workOn: ['hang_back'], carried: true });
    const other = await server.ask(wire.diagnosis.chooseWork, {
      id: later.body.id,
      body: {
        workOn: ['sway'],
        note: '',
      },
    });
    expect(other.body.chosen).toMatchObject({ workOn: ['sway'], carried: false });
    const again = await server.ask(wire.diagnosis.unchooseWork, { id: later.body.id });
    expect(again.body.chosen).toEqual(later.body.chosen);
    const back = await server.ask(wire.diagnosis.unchooseWork, { id: body.id });
    expect(back.body.chosen).toBeNull();
    expect(back.body.result).toEqual(body.result);
  });
  test('a fault that is not one is refused, and nothing is chosen', async () => {
    const student = await addStudent(server);
    const { body } = await diagnose(student, { findings: seen('obs.flip') });
    const { status, body: said } = await server.refused(wire.diagnosis.chooseWork, {
      id: body.id,
      body: { workOn: ['laziness'], note: '' },
    });
    expect(status).toBeGreaterThanOrEqual(400);
    expect(said.code).toBe('unknown_fault');
    const [kept] = (await server.ask(wire.diagnosis.listDiagnoses, { id: student })).body;
    expect(kept?.chosen).toBeNull();
  });
  test('no more than two at once', async () => {
    const student = await addStudent(server);
    const { body } = await diagnose(student, { findings: seen('obs.flip') });
    const workOn = ['stall', 'sway', 'hang_back'];
    const { status } = await server.ask(wire.diagnosis.chooseWork, {
      id: body.id,
      body: { workOn, note: '' },
    });
    expect(status).toBe(400);
  });
});
