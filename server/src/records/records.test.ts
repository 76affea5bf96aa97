import { randomUUID } from 'node:crypto';
import * as wire from '@inchstep/contract/endpoints';
import type { Endpoint } from '@inchstep/contract/wire';
import { urlOf } from '@inchstep/contract/wire/address';
import { pick, type Random, seededRandom } from '@inchstep/core/foundation';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { SummaryCheck } from '../platform/care/summaryCheck.ts';
import { programFact } from '../platform/programFacts.ts';
import {
  addStudent,
  markedSwing,
  profile,
  type TestServer,
  takeDrills,
  testServer,
  whole,
} from '../testServer.ts';
import { StudentRecords } from './index.ts';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());

/** Students whose summary is not what their file says. */
const differing = (): number => [...server.ctx.records.check()].filter(Boolean).length;

const day = (n: number) => new Date(Date.UTC(2027, 2, 1 + n, 17)).toISOString();

/** Things that happen to a student, whatever stands; a refusal is one of them. */
const DEEDS: Record<string, (student: string, random: Random, n: number) => Promise<unknown>> = {
  set: (student, random, n) =>
    server.ask(wire.practice.logSet, {
      id: student,
      body: {
        id: randomUUID(),
        date: day(n).slice(0, 10),
        drill: 'knee_swap',
        stage: pick(random, ['still', 'slow', 'half']),
        reps: pick(random, ['PPPPPPPP', 'PFPF', 'FFF?', 'P']),
        felt: null,
      },
    }),
  word: async (student, random) => {
    const gates = await server.ask(wire.practice.listGates, { id: student });
    const [gate] = gates.body;
    if (!gate) return;
    const word = { id: randomUUID(), drill: gate.drill, stage: gate.stage, note: 'by the seed' };
    await server.ask(wire.practice.decideGate, {
      id: student,
      body: {
        ...word,
        decision: pick(random, ['advance', 'hold', 'back']),
      },
    });
    if (random() < 0.4) await server.ask(wire.practice.takeBackGate, { id: student, gateId: word.id });
  },
  drills: (student) => takeDrills(server, student, ['knee_swap']).catch(() => 'on hold'),
  plan: (student, _, n) =>
    server.ask(wire.practice.savePlan, {
      id: student,
      body: {
        id: randomUUID(),
        start: day(n).slice(0, 10),
        nextLesson: null,
        days: ['mon', 'thu'],
        minutesPerDay: {},
        placeByDay: {},
      },
    }),
  checkin: async (student, random) => {
    const link = await server.ask(wire.checkins.makeLink, { id: student, body: { days: 9 } });
    await server.ask(wire.page.sendCheckin, {
      token: link.body.token,
      body: {
        id: randomUUID(),
        pain: random() < 0.4,
        painWhere: 'knee',
        note: 'a word',
        felt: 4,
        clipIds: [],
      },
    });
  },
  reply: async (student) => {
    const all = await server.ask(wire.checkins.listCheckins, { id: student });
    if (all.body[0])
      await server.ask(wire.checkins.sendReply, {
        id: all.body[0].id,
        body: { id: randomUUID(), text: 'Yes.' },
      });
  },
  lift: (student) => server.ask(wire.intake.liftHold, { id: student, body: { note: 'seen' } }),
  archive: (student, random) =>
    server.ask(random() < 0.5 ? wire.intake.archiveStudent : wire.intake.restoreStudent, { id: student }),
  edit: async (student, random) => {
    const { body } = await server.ask(wire.intake.readStudent, { id: student });
    const changed = profile({
      firstName: pick(random, ['Ana', 'Bea', 'Cleo']),
      heightIn: 60 + 10 * random(),
    });
    await server.ask(wire.intake.editStudent, {
      id: student,
      body: { version: body.version, profile: changed },
    });
  },
  swing: async (student) => {
    const swing = markedSwing('priya-then');
    await server.ask(wire.capture.addSwing, { id: student, body: swing });
    await server.ask(wire.measures.measureSwing, { id: swing.id });
  },
  discard: async (student) => {
    const all = await server.ask(wire.capture.listSwings, { id: student });
    if (all.body[0]) await server.ask(wire.capture.discardSwing, { id: all.body[0].id });
  },
};

describe('summaries', () => {
  test.each([11, 12, 13])('equal a recomputation after whatever was done (seed %i)', async (seed) => {
    const random = seededRandom(seed);
    const students = [await addStudent(server), await addStudent(server)];
    for (let n = 0; n < 60; n++) {
      server.at(day(n / 4).slice(0, 19));
      await DEEDS[pick(random, Object.keys(DEEDS))]?.(pick(random, students), random, Math.floor(n / 4));
      if (n % 10 === 9) expect(differing()).toBe(0);
    }
    expect(differing()).toBe(0);
  });

  test('a write that was taken back leaves file and summary as they were', async () => {
    const student = await addStudent(server, { firstName: 'Before' });
    const { records, db } = server.ctx;
    const before = records.of(student);
    expect(() =>
      records.write(student, () => {
        db.$client.prepare('UPDATE students SET archived_at = ? WHERE id = ?').run(day(0), student);
        throw new Error('no');
      }),
    ).toThrow('no');
    expect(records.of(student)).toEqual(before);
    expect(differing()).toBe(0);
  });

  test('a band that was moved reaches everybody, little by little', async () => {
    await server.ask(wire.intake.editBand, {
      preset: 'centre_and_turn',
      measure: 'turn_top',
      body: {
        lo: 10,
        hi: 20,
        reason: 'for the test',
      },
    });
    expect(server.ctx.records.catchUp(10_000)).toBe(0);
    expect(differing()).toBe(0);
  });

  test('the night finds a summary that is not right, says so, and mends it', async () => {
    const student = await addStudent(server);
    const spoil = () =>
      server.ctx.db.$client.prepare("UPDATE summaries SET body = '{}' WHERE student_id = ?").run(student);
    spoil();
    expect(differing()).toBe(1);
    expect(differing()).toBe(0);
    spoil();
    const told: number[] = [];
    const check = new SummaryCheck(server.ctx, (count) => told.push(count));
    server.at('2027-03-20T02:00:00');
    check.nightly();
    expect(check.running).toBe(false);
    server.at('2027-03-20T04:00:00');
    check.nightly();
    while (check.running) await new Promise((turn) => setTimeout(turn, 5));
    expect(told).toEqual([1]);
    check.nightly();
    expect(check.running).toBe(false);
  });

  test('one that was erased is on no list any more', async () => {
    const student = await addStudent(server, { firstName: 'Gone' });
    const listed = async () =>
      whole((await server.ask(wire.progress.listRoster)).body).rows.some((row) => row.studentId === student);
    expect(await listed()).toBe(true);
    server.ctx.db.$client.prepare('DELETE FROM students WHERE id = ?').run(student);
    server.ctx.records.forget(student);
    expect(await listed()).toBe(false);
  });
});

describe('statements a request', () => {
  /** Every statement that is run goes through one of these, whoever prepared it. */
  const counted = async <E extends Endpoint>(endpoint: E, args: object = {}): Promise<number> => {
    const statement = Object.getPrototypeOf(server.ctx.db.$client.prepare('SELECT 1'));
    const whole = { get: statement.get, all: statement.all, run: statement.run };
    let count = 0;
    for (const [name, act] of Object.entries(whole))
      statement[name] = function (this: unknown, ...given: unknown[]) {
        count++;
        return act.apply(this, given);
      };
    try {
      expect((await server.ask<Endpoint>(endpoint, args)).status).toBe(200);
    } finally {
      Object.assign(statement, whole);
    }
    return count;
  };
  let student: string;
  let token: string;
  beforeAll(async () => {
    student = await addStudent(server, { firstName: 'Long' });
    await takeDrills(server, student, ['knee_swap']);
    for (let n = 0; n < 12; n++) {
      const link = await server.ask(wire.checkins.makeLink, { id: student, body: { days: 9 } });
      token = link.body.token;
      await DEEDS.set?.(student, seededRandom(n), 20);
      await server.ask(wire.page.sendCheckin, {
        token,
        body: {
          id: randomUUID(),
          pain: false,
          painWhere: '',
          note: 'a word',
          felt: 4,
          clipIds: [],
        },
      });
    }
  });
  test.each([
    ['brief', wire.progress.readBrief],
    ['progress', wire.progress.readProgress],
    ['gates', wire.practice.listGates],
  ])('%s asks each table once at most, file read or not', async (_, endpoint) => {
    server.ctx.records.forget(student);
    expect(await counted(endpoint, { id: student })).toBeLessThanOrEqual(15);
    expect(await counted(endpoint, { id: student })).toBeLessThanOrEqual(3);
  });
  test('the student’s page, and a check-in with its draft', async () => {
    server.ctx.records.forget(student);
    expect(await counted(wire.page.readPage, { token })).toBeLessThanOrEqual(15);
    const all = await server.ask(wire.checkins.listCheckins, { id: student });
    server.ctx.records.forget(student);
    expect(await counted(wire.checkins.reviewCheckin, { id: all.body[0]?.id })).toBeLessThanOrEqual(30);
    expect(await counted(wire.checkins.listCheckins, { id: student })).toBeLessThanOrEqual(8);
  });
  test.each([
    ['the queue', wire.progress.listQueue],
    ['the lessons', wire.progress.listComing],
    ['the roster', wire.progress.listRoster],
  ])('%s: however many students', async (_, list) => {
    const few = await counted(list);
    for (let i = 0; i < 5; i++) await addStudent(server);
    expect(await counted(list)).toBe(few);
    expect(few).toBeLessThanOrEqual(6);
  });
});

describe('a poll', () => {
  test.each([
    ['the queue', wire.progress.listQueue],
    ['the lessons', wire.progress.listComing],
    ['the roster', wire.progress.listRoster],
  ])('%s answers what its schema says, and nothing beside it', async (_, list) => {
    const { body } = await server.askAt<object>('GET', urlOf(list));
    expect(list.answer.parse(body)).toEqual(body);
  });
  test('that names what it has seen is answered with nothing, until something changes', async () => {
    const student = await addStudent(server);
    const poll = async (since?: string) =>
      (await server.ask(wire.progress.listRoster, { query: { since } })).body;
    const first = whole(await poll());
    expect(first.rows.length).toBeGreaterThan(0);
    const again = await poll(first.version);
    expect(again).toEqual({ version: first.version, unchanged: true });
    await server.ask(wire.intake.archiveStudent, { id: student });
    const after = whole(await poll(first.version));
    expect(after.version).not.toBe(first.version);
    expect(after.rows.length).toBe(first.rows.length);
  });
});

test('how far students stray is learnt from all of them, kept, and told by from then on', async () => {
  const own = await testServer();
  const { db, now, records: first } = own.ctx;
  expect(first.learnSpreads()).toBe(false);
  const student = await addStudent(own);
  for (let n = 0; n < 8; n++) await addStudent(own);
  expect(first.of(student).measures.spreads).toBeUndefined();
  // Whoever is there is made to look as if his days strayed by a whole step.
  const wild = JSON.stringify([-9, -6, -6, -2, 0]);
  db.$client.prepare("UPDATE summaries SET body = json_set(body, '$.spreads', json(?))").run(wild);
  const records = new StudentRecords(db, now);
  expect(records.learnSpreads()).toBe(true);
  const learnt = records.of(student).measures.spreads as readonly number[];
  expect(learnt.at(-1)).toBeGreaterThan(0.5);
  expect(programFact(db, 'usual_spreads')).toEqual(learnt);
  // It reaches every summary; their own films say nothing, and bring the house's guess back.
  expect(records.catchUp(10_000)).toBe(0);
  expect([...records.check()].filter(Boolean)).toEqual([]);
  expect(records.learnSpreads()).toBe(true);
  records.close();
  await own.stop();
});
