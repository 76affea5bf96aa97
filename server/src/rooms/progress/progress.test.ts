import { randomUUID } from 'node:crypto';
import * as wire from '@inchstep/contract/endpoints';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { addStudent, markedSwing, type TestServer, testServer, whole } from '../../testServer.ts';
import { toldForecasts } from './forecastRepo.ts';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());

const progress = async (id: string) => (await server.ask(wire.progress.readProgress, { id })).body;
const brief = async (id: string) => (await server.ask(wire.progress.readBrief, { id })).body;

async function filmed(student: string, key: string, day: string): Promise<string> {
  server.at(`${day}T11:00:00`);
  const swing = markedSwing(key, { recordedOn: day });
  await server.ask(wire.capture.addSwing, { id: student, body: swing });
  await server.ask(wire.measures.measureSwing, { id: swing.id });
  return swing.id;
}

async function prescribed(student: string, swingId: string, drill: string): Promise<void> {
  const { body } = await server.ask(wire.diagnosis.diagnose, {
    id: student,
    body: {
      id: randomUUID(),
      swingId,
      findings: [],
    },
  });
  await server.ask(wire.diagnosis.chooseWork, { id: body.id, body: { workOn: ['over_turn'], note: '' } });
  await server.ask(wire.prescription.chooseDrills, {
    body: {
      id: randomUUID(),
      diagnosisId: body.id,
      drills: [drill],
      note: 'for the test',
    },
  });
}

describe('a line of progress', () => {
  test('one day shows no change; the second, in between, is judged', async () => {
    const student = await addStudent(server);
    expect(await progress(student)).toMatchObject({ series: [], focus: [] });
    expect((await brief(student)).state).toBe('new');
    const first = await filmed(student, 'priya-then', '2027-03-01');
    const one = (await progress(student)).series.find((s) => s.measure === 'turn_top');
    expect(one?.sessions).toHaveLength(1);
    expect(one?.change.verdict).toBe('cant_tell');
    await prescribed(student, first, 'knee_swap');
    await filmed(student, 'priya-now', '2027-03-20');
    const both = await progress(student);
    expect(both.series[0]?.measure).toBe(both.focus[0]);
    const turn = both.series.find((s) => s.measure === 'turn_top');
    expect(turn?.sessions.map((s) => s.date)).toEqual(['2027-03-01', '2027-03-20']);
    expect(turn?.direction).toBe('better');
    expect(turn?.change.delta).toBeLessThan(-5);
    // A diagnosis is no lesson: only one that was held is.
    expect(both.lessons).toEqual([]);
    const lesson = { id: randomUUID(), day: '2027-03-01', begin: true };
    const held = await server.ask(wire.intake.agreeLesson, { id: student, body: lesson });
    expect((await progress(student)).lessons).toEqual([held.body.day]);
  });
  test('the brief says the focus, the rung and what moved', async () => {
    const student = await addStudent(server, { nextLesson: '2027-04-01' });
    const swing = await filmed(student, 'priya-then', '2027-03-21');
    await prescribed(student, swing, 'knee_swap');
    expect(await brief(student)).toMatchObject({
      focus: ['over_turn'],
      drills: ['knee_swap'],
      stage: 'still',
      nextLesson: '2027-04-01',
      state: 'working',
    });
    const plan = {
      id: randomUUID(),
      start: '2027-03-21',
      nextLesson: null,
      days: ['mon', 'thu'],
      minutesPerDay: {},
      placeByDay: {},
    };
    await server.ask(wire.practice.savePlan, { id: student, body: plan });
    server.at('2027-03-30T11:00:00');
    expect(await brief(student)).toMatchObject({ state: 'silent', repsDone: 0 });
    expect((await brief(student)).repsPlanned).toBeGreaterThan(0);
  });
  test('an archived student is on no list but the roster, and named as such there', async () => {
    const gone = await addStudent(server, { firstName: 'Gone' });
    await server.ask(wire.intake.archiveStudent, { id: gone });
    const body = whole((await server.ask(wire.progress.listRoster)).body);
    expect(body.rows.find((row) => row.studentId === gone)).toMatchObject({ archived: true });
    expect(body.rows.filter((row) => !row.archived).length).toBeGreaterThan(1);
    const lessons = await server.ask(wire.progress.listComing);
    expect(whole(lessons.body).students).toBe(body.rows.length - 1);
  });
});

describe('one measure, and everybody', () => {
  test('a measure’s story has its looks, its line, where it holds and what to film next; an unseen one is not found', async () => {
    const student = await addStudent(server);
    const first = await filmed(student, 'priya-then', '2027-03-22');
    await prescribed(student, first, 'knee_swap');
    await filmed(student, 'priya-now', '2027-03-29');
    const of = (measure: string) => server.ask(wire.progress.readMeasure, { id: student, measure });
    const { body } = await of('turn_top');
    expect(body.occasions.map(({ date }) => date)).toEqual(['2027-03-22', '2027-03-29']);
    expect(body.looks.map(({ delta }) => delta === null)).toEqual([true, false]);
    expect(body.looks.at(-1)).toMatchObject(
      (await progress(student)).series.find((s) => s.measure === 'turn_top')?.change as object,
    );
    expect(body.line).toHaveLength(2);
    expect(body.baseline).toBe(1);
    expect(body.transfer.cells.some(({ club, place }) => club === 'driver' && place === 'course')).toBe(true);
    expect(body.transfer.next).not.toBeNull();
    expect((await of('nothing_such')).code).toBe('not_found');
    expect((await of(`${'x'.repeat(61)}`)).status).toBe(400);
  });
  test('goes out as CSV and JSON, the same figures', async () => {
    const roster = whole((await server.ask(wire.progress.listRoster)).body);
    let rows: string[] = [];
    for (const { studentId } of roster.rows) {
      const csv = (await server.ask(wire.progress.progressCsv, { id: studentId })).body;
      const json = (await server.ask(wire.progress.progressJson, { id: studentId })).body;
      expect(json.format).toBe('inchstep.progress/1');
      const lines = String(csv).trim().split('\n');
      expect(lines[0]).toMatch(/^measure,unit,band_lo/);
      expect(lines.length - 1).toBe(json.measures.reduce((n, { occasions }) => n + occasions.length, 0));
      rows = [...rows, ...lines.slice(1)];
    }
    expect(rows.length).toBeGreaterThan(0);
  });
  test('everybody goes out as CSV and JSON, a row a student', async () => {
    const csv = String((await server.ask(wire.progress.everybodyCsv)).body)
      .trim()
      .split('\n');
    const { body } = await server.ask(wire.progress.everybodyJson);
    expect(body.format).toBe('inchstep.everybody/1');
    expect(csv[0]).toMatch(/^student,archived,state,fault/);
    expect(csv.slice(1).map((row) => row.split(',')[0])).toEqual(body.students.map(({ student }) => student));
    expect(csv.some((row) => row.includes('turn_top') || row.includes('lead_knee'))).toBe(true);
  });
  test('everybody: where each stands, and rungs that wait count as not yet', async () => {
    const { body } = await server.ask(wire.progress.readEverybody);
    const roster = whole((await server.ask(wire.progress.listRoster)).body);
    const active = roster.rows.filter(({ archived }) => !archived);
    expect(body.students).toBe(active.length);
    expect(body.standings.flatMap(({ names }) => names).sort()).toEqual(
      active.map(({ name }) => name).sort(),
    );
    expect(body.gates.find(({ stage }) => stage === 'still')).toMatchObject({ passed: 0, medianWeeks: null });
  });
});

describe('a report', () => {
  test('is read on the screen and on paper, by whom it is for', async () => {
    const student = await addStudent(server, { firstName: 'Nadia', familyName: 'Holm' });
    const first = await filmed(student, 'priya-then', '2027-03-23');
    await prescribed(student, first, 'knee_swap');
    await filmed(student, 'priya-now', '2027-03-30');
    const of = (query: object) => server.ask(wire.progress.readReport, { id: student, query: { ...query } });
    const own = (await of({})).body;
    expect(own.title).toBe('Where you stand');
    expect(own.sections.find(({ tapes }) => tapes.length > 0)?.tapes[0]).toMatchObject({
      band: { unit: expect.any(String) },
    });
    expect((await of({ for: 'parent' })).body.title).toBe('Where Nadia Holm stands');
    const coach = (await of({ for: 'coach' })).body;
    expect(coach.sections.map(({ heading }) => heading)).toContain('Worked on so far');
    expect((await of({ for: 'anybody' })).status).toBe(400);
    for (const paper of ['A4', 'LETTER']) {
      const pdf = await server.ask(wire.progress.printReport, {
        id: student,
        query: { for: 'coach', paper },
      });
      expect(pdf.body.slice(0, 5)).toBe('%PDF-');
      expect(pdf.body.length).toBeGreaterThan(2000);
    }
  });
});

test('a told date is kept until a newer film, and then stands as it was', async () => {
  const student = await addStudent(server);
  const first = await filmed(student, 'priya-then', '2027-03-02');
  await prescribed(student, first, 'knee_swap');
  // Two swings a day: one alone hardly tells a change from a good day.
  await filmed(student, 'priya-then', '2027-03-02');
  for (const day of ['2027-03-28', '2027-03-28']) await filmed(student, 'priya-now', day);
  const told = () => toldForecasts(server.ctx.db, student);
  const [one] = told();
  if (!one) throw new Error('nothing was told');
  expect(one.askedOn).toBe('2027-03-28');
  await filmed(student, 'priya-now', '2027-03-30');
  expect(told().filter(({ askedOn }) => askedOn === '2027-03-28')).toContainEqual(one);
  const story = await server.ask(wire.progress.readMeasure, { id: student, measure: one.measure });
  expect(story.body.dates.told).toContainEqual(expect.objectContaining(one));
});
