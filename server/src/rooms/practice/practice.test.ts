import { randomUUID } from 'node:crypto';
import type { DiagnosisRecord } from '@inchstep/contract/diagnosis';
import * as wire from '@inchstep/contract/endpoints';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, markedSwing, type TestServer, testServer } from '../../testServer.ts';

let server: TestServer;
let student: string;
beforeAll(async () => {
  server = await testServer();
  student = await addStudent(server, { aids: ['stick'] });
});
afterAll(() => server.stop());

const ask = {
  start: '2027-03-01',
  nextLesson: null,
  days: ['mon', 'wed', 'fri', 'sun'],
  minutesPerDay: { sun: 40 },
  placeByDay: { sun: 'range' },
};
const set = (more: object = {}) => ({
  id: randomUUID(),
  date: '2027-03-01',
  drill: 'knee_swap',
  stage: 'still',
  reps: 'PPFP',
  felt: 6,
  ...more,
});

describe('from a marked swing to a plan', () => {
  let swing: ReturnType<typeof markedSwing>;
  let diagnosis: DiagnosisRecord;

  test('a plan without a drill says what is missing', async () => {
    expect((await server.ask(wire.practice.tryPlan, { id: student, body: ask })).body).toMatchObject({
      code: 'no_drills',
    });
  });
  test('the swing is measured, with a band and an sd to each measure', async () => {
    swing = markedSwing('priya-then');
    await server.ask(wire.capture.addSwing, { id: student, body: swing });
    expect((await server.ask(wire.measures.readReading, { id: swing.id })).body).toMatchObject({
      code: 'nothing_measured',
    });
    const { body } = await server.ask(wire.measures.measureSwing, { id: swing.id });
    expect(body.measures.length).toBeGreaterThan(30);
    expect(body.measures.every((m) => m.sd > 0 && m.lo95 < m.hi95)).toBe(true);
    expect(body.measures.find((m) => m.id === 'turn_top')).toMatchObject({ verdict: 'high' });
  });
  test('the diagnosis names the root, and the same id asked twice is one diagnosis', async () => {
    const body = {
      id: randomUUID(),
      swingId: swing.id,
      findings: [{ id: 'obs.overswing', seen: 'present' }],
    };
    const first = await server.ask(wire.diagnosis.diagnose, { id: student, body });
    diagnosis = first.body;
    expect(diagnosis.result.roots[0]?.fault).toBe('lead_knee_collapse');
    expect((await server.ask(wire.diagnosis.diagnose, { id: student, body })).body).toEqual(diagnosis);
    const wrong = { ...body, id: randomUUID(), findings: [{ id: 'obs.nonsense', seen: 'present' }] };
    const refused = await server.ask(wire.diagnosis.diagnose, { id: student, body: wrong });
    expect(refused.status).toBe(400);
  });
  test('the coach may choose another, with a note, and take it back', async () => {
    const choose = (workOn: string[]) =>
      server.ask(wire.diagnosis.chooseWork, {
        id: diagnosis.id,
        body: {
          workOn,
          note: 'seen live',
        },
      });
    expect((await choose(['no_such_fault'])).body).toMatchObject({ code: 'unknown_fault' });
    expect((await choose(['over_turn'])).body.chosen).toMatchObject({
      workOn: ['over_turn'],
      note: 'seen live',
    });
    const taken = await server.ask(wire.diagnosis.unchooseWork, { id: diagnosis.id });
    expect(taken.body.chosen).toBeNull();
  });
  test('drills come with reasons; overruling a rule needs a note', async () => {
    const { body } = await server.ask(wire.prescription.prescribe, { id: diagnosis.id });
    expect(body.workOn).toEqual(diagnosis.result.workOn);
    expect(body.result.drills.length).toBeGreaterThan(0);
    const refused = body.result.rejected[0];
    if (!refused) throw new Error('nothing was rejected');
    const choice = { id: randomUUID(), diagnosisId: diagnosis.id, drills: [refused.id], note: '' };
    expect((await server.ask(wire.prescription.chooseDrills, { body: choice })).status).toBe(400);
    const unknown = { ...choice, drills: ['juggling'] };
    expect((await server.ask(wire.prescription.chooseDrills, { body: unknown })).body).toMatchObject({
      code: 'unknown_drill',
    });
    const good = { ...choice, drills: ['knee_swap'] };
    expect((await server.ask(wire.prescription.chooseDrills, { body: good })).body).toMatchObject({
      forFault: 'lead_knee_collapse',
      endedAt: null,
    });
  });
  test('the plan is dated from the asked days and the same id saves it once', async () => {
    const id = randomUUID();
    const first = await server.ask(wire.practice.savePlan, { id: student, body: { id, ...ask } });
    expect(first.body.plan.days[0]).toMatchObject({ date: '2027-03-01', place: 'home' });
    expect((await server.ask(wire.practice.savePlan, { id: student, body: { id, ...ask } })).body).toEqual(
      first.body,
    );
    const past = { id: randomUUID(), ...ask, start: '2027-02-20' };
    expect((await server.ask(wire.practice.savePlan, { id: student, body: past })).body).toMatchObject({
      code: 'date_in_past',
    });
  });
});

describe('today’s card', () => {
  const card = async () => {
    const link = await server.ask(wire.checkins.makeLink, { id: student, body: { days: 60 } });
    return (await server.ask(wire.page.readPage, { token: link.body.token })).body.day;
  };
  const foreseen = async (date: string) => {
    const { body } = await server.ask(wire.practice.planNow, { id: student });
    return body?.plan.days.find((day) => day.date === date)?.items.map(({ stage }) => stage) ?? [];
  };
  test('shows the rung the drill really stands on, whatever the plan foresaw', async () => {
    expect((await card())?.items.map(({ stage }) => stage)).toEqual(await foreseen('2027-03-01'));
    server.at('2027-03-12T09:00:00');
    expect(await foreseen('2027-03-12')).not.toContain('still');
    const day = await card();
    expect(day?.date).toBe('2027-03-12');
    expect(day?.items.map(({ stage }) => stage)).toEqual(['still']);
    expect(day?.items[0]?.rehearsals).toBeGreaterThan(0);
    server.at('2027-03-01T09:00:00');
  });
});

describe('sets and gates', () => {
  const log = (more: object = {}) => server.ask(wire.practice.logSet, { id: student, body: set(more) });
  const gates = async () => (await server.ask(wire.practice.listGates, { id: student })).body;

  test('a set sent twice counts once; nonsense is refused', async () => {
    const id = randomUUID();
    await log({ id });
    await log({ id });
    expect((await gates())[0]?.gate).toMatchObject({ repsUsed: 4, decision: 'continue' });
    expect((await log({ reps: 'PPX' })).status).toBe(400);
    expect((await log({ drill: 'juggling' })).body).toMatchObject({ code: 'unknown_drill' });
    expect((await log({ date: '2027-03-09' })).body).toMatchObject({ code: 'date_in_future' });
  });
  test('enough passes open a still stage by themselves', async () => {
    server.at('2027-03-02T10:00:00');
    await log({ reps: 'PPPPPPPPPPPP', date: '2027-03-02' });
    const [state] = await gates();
    expect(state).toMatchObject({ stage: 'slow', gate: { repsUsed: 0, decision: 'continue' } });
  });
  test('a word on a rung that is no more is refused, and said twice it counts once', async () => {
    server.at('2027-03-02T10:05:00');
    const say = (stage: string, id: string = randomUUID()) =>
      server.ask(wire.practice.decideGate, {
        id: student,
        body: {
          id,
          drill: 'knee_swap',
          stage,
          decision: 'hold',
          note: '',
        },
      });
    expect((await say('still')).status).toBe(409);
    const id = randomUUID();
    expect((await say('slow', id)).body[0]?.stage).toBe('slow');
    expect((await say('slow', id)).body[0]?.stage).toBe('slow');
  });
  test('a swing stage waits for filmed swings, and says so', async () => {
    for (const stage of ['slow']) {
      server.at('2027-03-03T10:00:00');
      const decision = {
        id: randomUUID(),
        drill: 'knee_swap',
        stage,
        decision: 'advance',
        note: 'seen live',
      };
      await server.ask(wire.practice.decideGate, { id: student, body: decision });
    }
    server.at('2027-03-04T10:00:00');
    await log({ stage: 'half', reps: 'PPPPPPPPPPPPPPPP', date: '2027-03-04' });
    const [state] = await gates();
    expect(state?.gate.decision).toBe('advance');
    expect(state?.held.map((h) => h.code)).toContain('swings');
  });
  test('pain stops the sets and the step up until the coach lifts it', async () => {
    const link = await server.ask(wire.checkins.makeLink, { id: student, body: { days: 7 } });
    const pain = { id: randomUUID(), pain: true, painWhere: 'knee', note: '', felt: null, clipIds: [] };
    await server.ask(wire.page.sendCheckin, { token: link.body.token, body: pain });
    expect((await log({ date: '2027-03-04' })).body).toMatchObject({ code: 'pain_hold' });
    const up = { id: randomUUID(), drill: 'knee_swap', stage: 'half', decision: 'advance', note: '' };
    expect((await server.ask(wire.practice.decideGate, { id: student, body: up })).body).toMatchObject({
      code: 'pain_hold',
    });
    expect((await gates())[0]?.held.map((h) => h.code)).toContain('pain');
    const lift = (note: string) => server.ask(wire.intake.liftHold, { id: student, body: { note } });
    expect((await lift('')).status).toBe(400);
    expect((await lift('seen by a physiotherapist')).status).toBe(200);
    expect((await lift('again')).status).toBe(404);
    expect((await log({ date: '2027-03-04' })).status).toBe(200);
  });
  test('a word that is taken back was never said: rung and evidence are what they were', async () => {
    server.at('2027-03-05T10:00:00');
    const before = await gates();
    expect(before[0]).toMatchObject({ stage: 'half', gate: { decision: 'advance' } });
    const word = (decision: string) => ({
      id: randomUUID(),
      drill: 'knee_swap',
      stage: 'half',
      decision,
      note: 'too soon',
    });
    for (const decision of ['advance', 'back', 'hold']) {
      const said = word(decision);
      const after = await server.ask(wire.practice.decideGate, { id: student, body: said });
      expect(after.body[0]?.gate.repsUsed).toBe(0);
      const undo = () => server.ask(wire.practice.takeBackGate, { id: student, gateId: said.id });
      expect((await undo()).body).toEqual(before);
      expect((await undo()).body).toEqual(before);
      // The same word sent late does not stand up again.
      await server.ask(wire.practice.decideGate, { id: student, body: said });
      expect(await gates()).toEqual(before);
    }
    const [first, second] = [word('back'), { ...word('hold'), stage: 'slow' }];
    for (const said of [first, second])
      await server.ask(wire.practice.decideGate, { id: student, body: said });
    const early = await server.ask(wire.practice.takeBackGate, { id: student, gateId: first.id });
    expect(early).toMatchObject({ status: 409, body: { code: 'changed_meanwhile' } });
    for (const said of [second, first])
      await server.ask(wire.practice.takeBackGate, { id: student, gateId: said.id });
    expect(await gates()).toEqual(before);
    const others = await addStudent(server);
    const theirs = await server.ask(wire.practice.takeBackGate, { id: others, gateId: first.id });
    expect(theirs.status).toBe(404);
  });
  test('a word on a rung that is no more is refused: somebody was quicker', async () => {
    const late = { id: randomUUID(), drill: 'knee_swap', stage: 'slow', decision: 'advance', note: '' };
    const answer = await server.ask(wire.practice.decideGate, { id: student, body: late });
    expect(answer).toMatchObject({ status: 409, body: { code: 'changed_meanwhile' } });
  });
  test('a set for a drill or a rung that was not prescribed is refused in words', async () => {
    const date = '2027-03-05';
    const other = await log({ drill: 'kiss_the_post', date });
    expect(other).toMatchObject({ status: 409, body: { code: 'drill_not_in_use' } });
    const above = await log({ stage: 'clubs', date });
    expect(above).toMatchObject({ status: 409, body: { code: 'rung_not_reached' } });
    expect((await log({ stage: 'slow', date })).status).toBe(200);
  });
  test('the same set on two devices counts once', async () => {
    const one = (device: string, doneAt: string) =>
      log({ stage: 'half', reps: 'FFFF', date: '2027-03-05', device, doneAt });
    const used = async () => (await gates())[0]?.gate.repsUsed ?? 0;
    const [phone, tablet] = [randomUUID(), randomUUID()];
    server.at('2027-03-05T12:00:00');
    await server.ask(wire.practice.decideGate, {
      id: student,
      body: {
        id: randomUUID(),
        drill: 'knee_swap',
        stage: 'half',
        decision: 'hold',
        note: 'anew',
      },
    });
    server.at('2027-03-05T12:30:00');
    await one(phone, new Date('2027-03-05T12:10:00').toISOString());
    const once = await used();
    expect(once).toBeGreaterThan(0);
    await one(tablet, new Date('2027-03-05T12:10:09').toISOString());
    expect(await used()).toBe(once);
  });
  test('the whole way stands in the thread', async () => {
    const { body } = await server.ask(wire.intake.readThread, { id: student });
    const kinds = new Set(body.map((e) => e.kind));
    for (const kind of [
      'measured',
      'diagnosed',
      'work_chosen',
      'undone',
      'drills_chosen',
      'planned',
      'gate',
      'hold',
      'hold_lifted',
    ])
      expect(kinds).toContain(kind);
    expect((await server.ask(wire.intake.readStudent, { id: student })).status).toBe(200);
  });
});
