import { randomUUID } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { ShotSet, Swing } from '@inchstep/contract/capture';
import * as wire from '@inchstep/contract/endpoints';
import { motionCsv, pressureCsv, shotsCsv } from '@inchstep/contract/formats';
import { urlOf } from '@inchstep/contract/wire/address';
import { guessColumns } from '@inchstep/core/capture';
import { seededRandom } from '@inchstep/core/foundation';
import { hitShots, makeGolfer, standOnMat, trackGolfer, trueMeasures } from '@inchstep/standins';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, markedSwing, type TestServer, testServer } from '../../testServer.ts';

// A track is measured over and over with fresh noise: seconds inside the test runner's sandbox.

let server: TestServer;
let student: string;
beforeAll(async () => {
  server = await testServer();
  student = await addStudent(server);
});
afterAll(() => server.stop());

const golfer = makeGolfer({ handedness: 'right', heightIn: 70 }, { sway: 2 }, seededRandom(4));
const motion = motionCsv(trackGolfer(golfer, { rateHz: 100 }, seededRandom(4)));
const fields = () => ({ id: randomUUID(), recordedOn: '2027-02-27', club: 'mid_iron' });
const send = <_T = { code: string }>(text: string, name = 'swing.csv') =>
  server.upload(wire.capture.addTrack, { id: student }, Buffer.from(text), fields(), name);
const kept = (): string[] => {
  try {
    return readdirSync(join(server.dataDir, 'clips'));
  } catch {
    return [];
  }
};

const newSwing = async (owner: string) => {
  const body = markedSwing('wren');
  return (await server.ask(wire.capture.addSwing, { id: owner, body })).body;
};

describe('motion', () => {
  test('becomes a swing, is measured with its time measures, and comes out as CSV again', async () => {
    const { status, body } = await send<Swing>(motion);
    expect(status).toBe(200);
    expect(body.track).toMatchObject({ kind: 'csv', unit: 'in', unitGuessed: false, aligned: 'as_written' });
    const reading = (await server.ask(wire.measures.measureSwing, { id: body.id })).body;
    const shift = reading.measures.find((m) => m.id === 'shift_top');
    expect(Math.abs((shift?.value ?? 99) - (trueMeasures(golfer).shift_top as number))).toBeLessThan(0.5);
    expect(reading.measures.map((m) => m.id)).toEqual(
      expect.arrayContaining(['transition_lead_ms', 'turn_rate_hold']),
    );
    expect(reading.track?.stations.top).toBeCloseTo(golfer.shape.top.at, 1);
    expect(reading.track?.tempo).toBeGreaterThan(1.5);
    const again = await server.ask(wire.measures.measureSwing, { id: body.id });
    expect(again.body.measures).toEqual(reading.measures);
    const out = await server.ask(wire.capture.trackCsv, { id: body.id });
    expect(String(out.body).split('\n').slice(0, 3)).toEqual(motion.split('\n').slice(0, 3));
  });
  test('dated to come it is refused, and its file is not kept', async () => {
    const before = kept();
    const later = { ...fields(), recordedOn: '2027-03-09' };
    const other = motion.replace('\n', '\n\n');
    const { code } = await server.upload(
      wire.capture.addTrack,
      { id: student },
      Buffer.from(other),
      later,
      'swing.csv',
    );
    expect(code).toBe('date_in_future');
    expect(kept()).toEqual(before);
  });
  test('a table whose second letter is that of another kind of file is read as it is named', async () => {
    const [head, ...rows] = motion.trim().split('\n');
    const text = [`aP,${head}`, ...rows.map((row) => `1,${row}`)].join('\n');
    expect((await send<Swing>(text)).body.track).toMatchObject({ kind: 'csv' });
    expect((await send(text, 'swing.dat')).code).toBe('motion_unreadable');
  });
  test.each([
    ['not a table', 'hello', 'motion_unreadable'],
    ['no hips', motion.replaceAll('lead_hip', 'elbow'), 'motion_missing_landmarks'],
    ['ten frames', motion.split('\n').slice(0, 11).join('\n'), 'motion_too_short'],
    ['nobody swings', `${motion.split('\n').slice(0, 30).join('\n')}\n`, 'track_no_swing'],
    ['a C3D that breaks off', 'xP', 'motion_unreadable'],
  ])('refused, nothing kept: %s', async (_, text, code) => {
    const before = kept();
    const told = await send(text);
    expect(told.status).toBeGreaterThanOrEqual(400);
    expect(told.code).toBe(code);
    expect(kept()).toEqual(before);
  });
  test('a swing of marks has no motion to give', async () => {
    const swing = await newSwing(student);
    expect((await server.ask(wire.capture.trackCsv, { id: swing.id })).status).toBe(404);
  });
});

describe('shots', () => {
  const csv = shotsCsv(hitShots({ sway: 2 }, 9, seededRandom(2)), false);
  const matches = guessColumns(
    csv
      .trim()
      .split('\n')
      .map((line) => line.split(',')),
  ).map(({ unitTold: _, ...match }) => match);
  const ask = (more: object = {}) => ({
    id: randomUUID(),
    recordedOn: '2027-02-27',
    swingId: null,
    fileName: 'bay.csv',
    csv,
    matches,
    ...more,
  });
  const add = <_T = ShotSet>(body: object) => server.ask(wire.capture.addShots, { id: student, body });
  const list = async () => (await server.ask(wire.capture.listShots, { id: student })).body;

  test('are kept once, tied to a swing, put away and back; the match is remembered', async () => {
    const swing = await newSwing(student);
    const set = ask();
    await add(set);
    await add(set);
    expect((await list()).filter((s) => s.id === set.id)).toHaveLength(1);
    const tied = await server.ask(wire.capture.tieShots, { id: set.id, body: { swingId: swing.id } });
    expect(tied.body.swingId).toBe(swing.id);
    expect(tied.body.shots).toHaveLength(9);
    await server.ask(wire.capture.discardShots, { id: set.id });
    expect(await list()).toEqual([]);
    await server.ask(wire.capture.restoreShots, { id: set.id });
    expect(await list()).toHaveLength(1);
    const remembered = (await server.ask(wire.capture.listMatches)).body;
    expect(remembered).toEqual([{ headings: csv.split('\n')[0]?.split(','), matches }]);
    const out = await server.ask(wire.capture.shotsCsv, { id: set.id });
    expect(out.body).toBe(csv);
  });
  test('refused whole, with the row', async () => {
    const before = await list();
    const bad = csv.replace(/\n2,[^\n]*/, '\n2,far,,,,,,,,');
    const { status, body } = await server.refused(wire.capture.addShots, {
      id: student,
      body: ask({ csv: bad }),
    });
    expect([status, body.code]).toEqual([400, 'shots_not_a_number']);
    expect(body.message).toContain('Row 3');
    expect((await add<{ code: string }>(ask({ recordedOn: '2027-05-01' }))).code).toBe('date_in_future');
    expect((await add<{ code: string }>(ask({ swingId: randomUUID() }))).code).toBe('not_found');
    expect(await list()).toEqual(before);
  });
  test('are no other student’s', async () => {
    const other = await addStudent(server);
    const swing = await newSwing(other);
    expect((await add<{ code: string }>(ask({ swingId: swing.id }))).code).toBe('not_found');
  });
});

describe('pressure', () => {
  const trace = standOnMat(golfer, { lateSeconds: 0.3 }, seededRandom(1));
  test('is laid over the swing, moved, taken away', async () => {
    const swing = await newSwing(student);
    const _url = urlOf(wire.capture.readPressure, { id: swing.id });
    expect((await server.ask(wire.capture.readPressure, { id: swing.id })).body).toBeNull();
    expect(
      (await server.ask(wire.capture.putPressure, { id: swing.id, body: { offsetSeconds: 0 } })).status,
    ).toBe(404);
    const put = await server.ask(wire.capture.putPressure, {
      id: swing.id,
      body: {
        fileName: 'mat.csv',
        csv: pressureCsv(trace),
        offsetSeconds: null,
      },
    });
    expect(put.body?.times).toHaveLength(trace.times.length);
    await server.ask(wire.capture.putPressure, { id: swing.id, body: { offsetSeconds: 0.25 } });
    expect((await server.ask(wire.capture.readPressure, { id: swing.id })).body?.offsetSeconds).toBe(0.25);
    expect(String((await server.ask(wire.capture.pressureCsv, { id: swing.id })).body)).toBe(
      pressureCsv(trace),
    );
    await server.ask(wire.capture.removePressure, { id: swing.id });
    expect((await server.ask(wire.capture.readPressure, { id: swing.id })).body).toBeNull();
  });
  test('a file without a lead share is refused and leaves what was there', async () => {
    const swing = await newSwing(student);
    const _url = urlOf(wire.capture.readPressure, { id: swing.id });
    const bad = { fileName: 'mat.csv', csv: 'time_s,weight\n0,1\n', offsetSeconds: null };
    expect((await server.refused(wire.capture.putPressure, { id: swing.id, body: bad })).body.code).toBe(
      'pressure_no_columns',
    );
    expect((await server.ask(wire.capture.readPressure, { id: swing.id })).body).toBeNull();
  });
});
