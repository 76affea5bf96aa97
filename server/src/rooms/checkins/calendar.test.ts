import { randomUUID } from 'node:crypto';
import * as wire from '@inchstep/contract/endpoints';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import ICAL from 'ical.js';
import { addStudent, painfulCheckin, type TestServer, takeDrills, testServer } from '../../testServer.ts';

let server: TestServer;
let student: string;
let token: string;
const at = (when: string) => server.at(when);

beforeAll(async () => {
  server = await testServer();
  at('2027-03-01T09:00:00');
  student = await addStudent(server);
  await takeDrills(server, student, ['knee_swap']);
  const link = await server.ask(wire.checkins.makeLink, { id: student, body: { days: 90 } });
  token = link.body.token;
});
afterAll(() => server.stop());

const plan = (more: object = {}) =>
  server.ask(wire.practice.savePlan, {
    id: student,
    body: {
      id: randomUUID(),
      start: '2027-03-01',
      nextLesson: null,
      days: ['mon', 'wed', 'sun'],
      minutesPerDay: { mon: 30, wed: 30, sun: 40 },
      placeByDay: { sun: 'range' },
      ...more,
    },
  });
/** Read back by a parser that the program does not use. */
async function events() {
  const { body } = await server.ask(wire.page.calendar, { token });
  const calendar = new ICAL.Component(ICAL.parse(body));
  return calendar.getAllSubcomponents('vevent').map((one) => ({
    uid: String(one.getFirstPropertyValue('uid')),
    start: String(one.getFirstPropertyValue('dtstart')),
    isDate: (one.getFirstPropertyValue('dtstart') as ICAL.Time).isDate,
    status: String(one.getFirstPropertyValue('status')),
    sequence: Number(one.getFirstPropertyValue('sequence')),
    summary: String(one.getFirstPropertyValue('summary')),
  }));
}

describe('the dates as a calendar', () => {
  test('whole days that no zone and no change of clocks moves, each with a name of its own', async () => {
    await plan();
    const all = await events();
    expect(all.length).toBeGreaterThan(30);
    expect(all.every(({ isDate }) => isDate)).toBe(true);
    // The clocks change on 28 March: the Sunday stays the Sunday.
    expect(all.map(({ start }) => start)).toContain('2027-03-28');
    expect(new Set(all.map(({ uid }) => uid)).size).toBe(all.length);
    expect(all[0]?.summary).toMatch(/min home: Knee swap/);
    expect(all.some(({ uid }) => uid.includes(student))).toBe(false);
  });
  test('a later reading keeps the names, counts up, and takes away what is gone', async () => {
    const before = await events();
    at('2027-03-02T09:00:00');
    await plan({
      start: '2027-03-02',
      exceptions: [{ kind: 'away', from: '2027-03-03', to: '2027-03-07', minutes: null, place: null }],
    });
    const kept = await events();
    const later = kept.filter(({ start }) => start === '2027-03-10');
    expect(later[0]?.uid).toBe(before.find(({ start }) => start === '2027-03-10')?.uid);
    expect(kept.find(({ start }) => start === '2027-03-03')).toBeUndefined();
    at('2027-03-08T09:00:00');
    const next = await events();
    expect(next[0]?.sequence).toBeGreaterThan(later[0]?.sequence ?? 0);
  });
  test('what the standing plan held and the live one does not is cancelled by its name', async () => {
    await server.ask(wire.page.sendCheckin, { token, body: painfulCheckin('knee') });
    const held = await events();
    const ahead = held.filter(({ start }) => start > '2027-03-08');
    expect(ahead.length).toBeGreaterThan(10);
    expect(new Set(ahead.map(({ status }) => status))).toEqual(new Set(['CANCELLED']));
  });
  test('a lesson stands at its moment on both sides of a change of clocks, moves under its name, and is taken away', async () => {
    const agree = (day: string) =>
      server.ask(wire.intake.agreeLesson, {
        id: student,
        body: {
          id: randomUUID(),
          day,
          time: '09:30',
          minutes: 45,
        },
      });
    const lessons = async () => (await events()).filter(({ uid }) => uid.startsWith('lesson.'));
    const { id } = (await agree('2027-03-26')).body;
    await agree('2027-03-29');
    const moment = (day: string) => new Date(`${day}T09:30:00`).toISOString().replace(/\.\d+Z$/, 'Z');
    expect((await lessons()).map(({ start }) => start)).toEqual([moment('2027-03-26'), moment('2027-03-29')]);
    const before = (await lessons())[0];
    at('2027-03-08T09:05:00');
    const later = { day: '2027-03-27', time: '09:30', minutes: 45 };
    await server.ask(wire.intake.moveLesson, { id: student, lessonId: id, body: later });
    const moved = (await lessons()).find(({ uid }) => uid === before?.uid);
    expect(moved).toMatchObject({ start: moment('2027-03-27'), status: 'CONFIRMED', isDate: false });
    expect(moved?.sequence).toBeGreaterThan(before?.sequence ?? 0);
    await server.ask(wire.intake.doToLesson, { id: student, lessonId: id, deed: 'cancel' });
    expect((await lessons()).find(({ uid }) => uid === before?.uid)?.status).toBe('CANCELLED');
    expect((await lessons()).some(({ uid }) => uid.includes(id))).toBe(false);
  });
  test('a closed link opens no calendar', async () => {
    await server.ask(wire.checkins.closeLinks, { id: student });
    const { status } = await server.ask(wire.page.calendar, { token });
    expect(status).toBeGreaterThanOrEqual(401);
  });
});
