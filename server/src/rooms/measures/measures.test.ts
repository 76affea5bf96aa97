import { randomUUID } from 'node:crypto';
import * as wire from '@inchstep/contract/endpoints';
import type { NetworkErrors, Reading } from '@inchstep/contract/measures';
import { plusDays } from '@inchstep/core/foundation';
import { UNTAUGHT } from '@inchstep/core/measures';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { putProgramFact } from '../../platform/programFacts.ts';
import { addStudent, markedSwing, type TestServer, testServer } from '../../testServer.ts';
import { NOT_OURS } from './repo.ts';
import { listReadings } from './service.ts';
import { measuresSlice } from './sliceRepo.ts';

let server: TestServer;
let student: string;
beforeAll(async () => {
  server = await testServer();
  student = await addStudent(server);
});
afterAll(() => server.stop());

const keep = async (swing: ReturnType<typeof markedSwing>) => {
  await server.ask(wire.capture.addSwing, { id: student, body: swing });
  return swing.id;
};
const measure = async (id: string) => (await server.ask(wire.measures.measureSwing, { id })).body;
const readAt = (reading: Reading, id: string) => reading.measures.find((m) => m.id === id)?.value as number;

describe('a swing that is measured', () => {
  test('under another player’s hand tells nothing, says so, and keeps its marks', async () => {
    const left = await addStudent(server, { handedness: 'left', heightIn: 72 });
    const swing = markedSwing('kofi');
    await server.ask(wire.capture.addSwing, { id: left, body: swing });
    const answer = await server.refused(wire.measures.measureSwing, { id: swing.id });
    expect(answer).toMatchObject({ status: 422, body: { code: 'not_one_body' } });
    const kept = (await server.ask(wire.capture.readSwing, { id: swing.id })).body;
    expect(kept.marks).toHaveLength(swing.marks.length);
  });
  test('gives each measure with its interval, verdict and band, and keeps them', async () => {
    const id = await keep(markedSwing('priya-then'));
    const reading = await measure(id);
    expect(reading.measures.length).toBeGreaterThan(25);
    for (const { value, sd, lo95, hi95, band } of reading.measures) {
      expect(sd).toBeGreaterThan(0);
      expect((lo95 + hi95) / 2).toBeCloseTo(value, 6);
      expect(hi95 - lo95).toBeCloseTo(2 * 1.959964 * sd, 4);
      expect(band.origin.length).toBeGreaterThan(0);
    }
    const kept = await server.ask(wire.measures.readReading, { id });
    expect(kept.body).toEqual(reading);
    expect((await measure(id)).measures).toEqual(reading.measures);
  });
  test('measured anew after a mark was moved, the reading is replaced', async () => {
    const swing = markedSwing('priya-then');
    const id = await keep(swing);
    const before = await measure(id);
    const marks = swing.marks.map((m) =>
      m.station === 'top' && m.view === 'face_on' && m.landmark.endsWith('_hip') ? { ...m, u: m.u + 12 } : m,
    );
    const { version } = (await server.ask(wire.capture.readSwing, { id })).body;
    const { id: _, ...body } = swing;
    const put = () => server.ask(wire.capture.editSwing, { id, body: { ...body, marks, version } });
    expect((await put()).status).toBe(200);
    // The same edit again is of a swing that has changed meanwhile.
    expect((await put()).status).toBe(409);
    const after = await measure(id);
    expect(Math.abs(readAt(after, 'shift_top') - readAt(before, 'shift_top'))).toBeGreaterThan(0.4);
    const all = await server.ask(wire.measures.listReadings, { id: student });
    expect(all.body.filter((r) => r.swingId === id)).toHaveLength(1);
  });
  test('marks that were saved are read anew in the background; until then the reading is named as old', async () => {
    const swing = markedSwing('priya-then');
    const id = await keep(swing);
    const before = await measure(id);
    const { id: _, ...body } = swing;
    const change = async (marks: typeof swing.marks) => {
      const { version } = (await server.ask(wire.capture.readSwing, { id })).body;
      await server.ask(wire.capture.editSwing, { id, body: { ...body, marks, version } });
    };
    const listed = async () =>
      (await server.ask(wire.measures.listReadings, { id: student })).body.find((r) => r.swingId === id);
    const until = async (test: (reading: Reading | undefined) => boolean) => {
      for (;;) {
        const reading = await listed();
        if (test(reading)) return reading as Reading;
        await new Promise((go) => setTimeout(go, 100));
      }
    };
    await change(
      swing.marks.map((m) =>
        m.station === 'top' && m.view === 'face_on' && m.landmark.endsWith('_hip')
          ? { ...m, u: m.u + 12 }
          : m,
      ),
    );
    // Asking makes nothing: what was kept is shown as what it is.
    expect(await listed()).toEqual({ ...before, stale: true });
    const after = await until((reading) => reading?.stale === false);
    expect(Math.abs(readAt(after, 'shift_top') - readAt(before, 'shift_top'))).toBeGreaterThan(0.4);
    expect((await measure(id)).measures).toEqual(after.measures);
    await change([]);
    await until((reading) => reading === undefined);
  });
  test('a swing that was saved and never measured is read by itself, also after a restart', async () => {
    const id = await keep(markedSwing('priya-then'));
    await server.end();
    server = await testServer({ dataDir: server.dataDir, signedIn: false });
    await server.ask(wire.care.signIn, { body: { passphrase: 'a passphrase for tests' } });
    const read = () => server.ask(wire.measures.readReading, { id });
    while ((await read()).status !== 200) await new Promise((go) => setTimeout(go, 100));
    expect((await read()).body).toMatchObject({ stale: false, version: 1 });
  });
  test('the bands are the student’s own: a stiff back is asked for less turn', async () => {
    const usual = await measure(await keep(markedSwing('priya-then')));
    const stiff = await addStudent(server, { flexibility: 'stiff' });
    const swing = markedSwing('priya-then');
    await server.ask(wire.capture.addSwing, { id: stiff, body: swing });
    const other = await measure(swing.id);
    const band = (reading: Reading) => reading.measures.find((m) => m.id === 'turn_top')?.band;
    expect(band(usual)).toMatchObject({ lo: 35, hi: 55 });
    expect(band(other)).toMatchObject({ lo: 28, hi: 45 });
    expect(readAt(other, 'turn_top')).toBeCloseTo(readAt(usual, 'turn_top'), 6);
  });
});

describe('what can’t be measured', () => {
  test('a swing without marks says so and keeps nothing', async () => {
    const id = await keep(markedSwing('wren', { marks: [] }));
    const { status, body } = await server.refused(wire.measures.measureSwing, { id });
    expect(status).toBeGreaterThanOrEqual(400);
    expect(body.code).toBe('nothing_measured');
    expect((await server.ask(wire.measures.readReading, { id })).status).toBeGreaterThanOrEqual(400);
  });
  test('a swing that is not there', async () => {
    expect((await server.ask(wire.measures.measureSwing, { id: randomUUID() })).status).toBe(404);
  });
  test('nobody reads without signing in', async () => {
    const own = await testServer({ signedIn: false });
    const { status } = await own.ask(wire.measures.listReadings, { id: student });
    expect(status).toBe(401);
    await own.stop();
  });
  test('a mark outside its picture is refused by its place', async () => {
    const swing = markedSwing('wren');
    const marks = [{ ...swing.marks[0], u: 99_999 }, ...swing.marks.slice(1)];
    const { status, body } = await server.refused(wire.capture.addSwing, {
      id: student,
      body: { ...swing, marks },
    });
    expect(status).toBe(400);
    expect(body.problems[0]?.path).toMatch(/^marks\[0\]/);
    const all = await server.ask(wire.capture.listSwings, { id: student });
    expect(all.body.some((s) => s.id === swing.id)).toBe(false);
  });
});

test('what older measures said is named as old, and read anew in the background', async () => {
  const first = await testServer();
  const someone = await addStudent(first);
  const swing = markedSwing('priya-then');
  await first.ask(wire.capture.addSwing, { id: someone, body: swing });
  await first.ask(wire.measures.measureSwing, { id: swing.id });
  putProgramFact(first.ctx.db, 'measures_version', 1);
  await first.end();
  // A program that gets nothing measured shows what there is, and that it is old.
  const hurried = await testServer({ dataDir: first.dataDir, signedIn: false, jobs: { deadlineMs: 0 } });
  expect(listReadings(hurried.ctx, someone)).toMatchObject([{ swingId: swing.id, stale: true }]);
  await hurried.end();
  const again = await testServer({ dataDir: first.dataDir, signedIn: false });
  while (listReadings(again.ctx, someone).some(({ stale }) => stale))
    await new Promise((turn) => setTimeout(turn, 50));
  expect(listReadings(again.ctx, someone)[0]?.measures.length).toBeGreaterThan(40);
  await again.stop();
});

test('what an older definition said is never thrown together with what today’s says', async () => {
  const own = await testServer();
  const someone = await addStudent(own);
  const ids: string[] = [];
  for (const key of ['priya-then', 'priya-now']) {
    const swing = markedSwing(key);
    await own.ask(wire.capture.addSwing, { id: someone, body: swing });
    await own.ask(wire.measures.measureSwing, { id: swing.id });
    ids.push(swing.id);
  }
  const told = () => measuresSlice(own.ctx.db, someone).readings.map(({ swingId }) => swingId);
  const older = (id: string) =>
    own.ctx.db.$client.prepare('UPDATE readings SET swing_version = ? WHERE swing_id = ?').run(NOT_OURS, id);
  expect(told().sort()).toEqual([...ids].sort());
  older(ids[0] as string);
  expect(told()).toEqual([ids[1]]);
  // Where all of it is old there is nothing to mix it with: it is shown until it was read anew.
  older(ids[1] as string);
  expect(told().sort()).toEqual([...ids].sort());
  await own.stop();
});

test('what was checked on a coach’s students says how the network errs on the next one', async () => {
  const own = await testServer();
  const ids = [await addStudent(own), await addStudent(own), await addStudent(own)] as const;
  const [first, second, next] = ids;
  const errors = async (id: string) => (await own.ask(wire.measures.readNetwork, { id })).body;
  const hip = async (id: string) =>
    (await errors(id)).table.find(
      ({ view, station, landmark }) => view === 'face_on' && station === 'address' && landmark === 'lead_hip',
    );
  const untaught = await hip(next);
  const check = async (id: string, offPx: number) => {
    const swing = { ...markedSwing('priya-then'), id: randomUUID() };
    const marks = swing.marks.map((mark) => ({
      ...mark,
      net: { u: mark.u + offPx, v: mark.v, heightPx: 800 },
    }));
    await own.ask(wire.capture.addSwing, { id, body: { ...swing, marks } });
    await own.ask(wire.measures.measureSwing, { id: swing.id });
    return swing.id;
  };
  await check(first, 12);
  expect(await errors(first)).toMatchObject({ students: 0 });
  expect(await errors(next)).toMatchObject({ students: 1, places: 0, hipsSdIn: null });
  const once = await hip(next);
  const swingId = await check(second, 12);
  const twice = await hip(next);
  const beyond = (one: typeof once) => (one?.across ?? 0) - (untaught?.across ?? 0);
  expect(beyond(once)).toBeGreaterThan(0.0005);
  expect(beyond(twice)).toBeGreaterThan(beyond(once));
  expect(twice?.ownSd).toBeLessThan(untaught?.ownSd as number);
  // Measured again it is the same student still; forgotten, he says nothing to anybody, and taken back he does.
  await own.ask(wire.measures.measureSwing, { id: swingId });
  expect(await errors(next)).toMatchObject({ students: 2 });
  const id = randomUUID();
  own.at('2027-03-02T10:00:00');
  await own.ask(wire.measures.forgetTeaching, { id: second, body: { id } });
  expect(await errors(next)).toMatchObject({ students: 1 });
  expect(beyond(await hip(next))).toBeCloseTo(beyond(once), 12);
  await own.ask(wire.measures.rememberTeaching, { id: second, resetId: id });
  expect(beyond(await hip(next))).toBeCloseTo(beyond(twice), 12);
  await own.stop();
});

test('what was checked tells most of clips of the same day, as cameras and light stay; a day that is none is refused', async () => {
  const own = await testServer();
  const id = await addStudent(own);
  const swing = markedSwing('priya-then');
  const marks = swing.marks.map((mark) => ({ ...mark, net: { u: mark.u + 8, v: mark.v, heightPx: 800 } }));
  await own.ask(wire.capture.addSwing, { id, body: { ...swing, marks } });
  const openOn = async (on: string) => {
    const { body } = await own.ask(wire.measures.readNetwork, { id, query: { on } });
    const hip = body.table.find(
      ({ view, station, landmark }) => view === 'face_on' && station === 'top' && landmark === 'lead_hip',
    );
    return Math.hypot(hip?.sharedSd ?? Number.NaN, hip?.ownSd ?? Number.NaN);
  };
  const sameDay = await openOn(swing.recordedOn);
  const nextDay = await openOn(plusDays(swing.recordedOn, 1));
  expect(sameDay).toBeLessThan(0.85 * nextDay);
  expect(nextDay).toBeLessThan(await openOn(plusDays(swing.recordedOn, 300)));
  expect(nextDay).toBeCloseTo(await openOn(plusDays(swing.recordedOn, -1)), 9);
  for (const no of ['yesterday', '2027-02-30', ''])
    expect((await own.ask(wire.measures.readNetwork, { id, query: { on: no } })).status).toBe(400);
  await own.stop();
});

test('a hand on proposed marks teaches how the network errs on this student', async () => {
  const own = await testServer();
  const [taught, other] = [await addStudent(own), await addStudent(own)];
  const errors = async (id: string) => (await own.ask(wire.measures.readNetwork, { id })).body;
  const hip = (all: NetworkErrors) =>
    all.table.find(
      ({ view, station, landmark }) => view === 'face_on' && station === 'address' && landmark === 'lead_hip',
    );
  expect(await errors(taught)).toMatchObject({ swings: 0, places: 0, hipsSdIn: null });
  const swing = markedSwing('priya-then');
  const marks = swing.marks.map((mark) => ({
    ...mark,
    net: { u: mark.u + 8, v: mark.v, heightPx: 800 },
  }));
  const kept = await own.ask(wire.capture.addSwing, { id: taught, body: { ...swing, marks } });
  expect(kept.body.marks[0]?.net).toEqual(marks[0]?.net);
  const known = await errors(taught);
  expect(known.swings).toBe(1);
  const before = hip(await errors(other))?.across as number;
  expect((hip(known)?.across as number) - before).toBeGreaterThan(0.004 - before);
  expect(known.hipsSdIn).toBeGreaterThan(0.1);
  expect(hip(await errors(other))?.across).toBe(
    hip({ ...known, table: UNTAUGHT.map((one) => ({ ...one })) })?.across,
  );
  // Forgotten, and not.
  const id = randomUUID();
  const forget = () => own.ask(wire.measures.forgetTeaching, { id: taught, body: { id } });
  own.at('2027-03-02T10:00:00');
  expect((await forget()).body).toMatchObject({ places: 0, hipsSdIn: null, forgotten: id });
  expect((await forget()).body.forgotten).toBe(id);
  const undo = (of: string) => own.ask(wire.measures.rememberTeaching, { id: of, resetId: id });
  expect((await undo(other)).status).toBe(404);
  expect((await undo(taught)).body).toMatchObject({ places: known.places, forgotten: null });
  expect((await undo(taught)).status).toBe(404);
  // A swing that was put away teaches nothing; the marks are measured as they lie.
  await own.ask(wire.capture.discardSwing, { id: swing.id });
  expect(await errors(taught)).toMatchObject({ places: 0, hipsSdIn: null });
  await own.stop();
});
