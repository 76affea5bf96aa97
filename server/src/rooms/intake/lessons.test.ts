import { randomUUID } from 'node:crypto';
import * as wire from '@inchstep/contract/endpoints';
import type { Lesson, NewLesson } from '@inchstep/contract/intake';
import { urlOf } from '@inchstep/contract/wire/address';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { addStudent, profile, type TestServer, takeDrills, testServer, whole } from '../../testServer.ts';

let server: TestServer;
let student: string;
beforeAll(async () => {
  server = await testServer();
});
beforeEach(async () => {
  server.at('2027-03-01T09:00:00');
  student = await addStudent(server);
});
afterAll(() => server.stop());

const _at = (path: string) => urlOf(wire.intake.readStudent, { id: `${student}${path}` });
const agree = (more: Partial<NewLesson> = {}) =>
  server.ask(wire.intake.agreeLesson, {
    id: student,
    body: {
      id: randomUUID(),
      day: '2027-03-08',
      time: '10:30',
      minutes: 45,
      ...more,
    },
  });
const deed = (id: string, what: string) =>
  server.ask(wire.intake.doToLesson, { id: student, lessonId: id, deed: what });
const lessons = async () => (await server.ask(wire.intake.listLessons, { id: student })).body;
const toCome = async () =>
  whole((await server.ask(wire.progress.listComing)).body).lessons.filter(
    ({ studentId }) => studentId === student,
  );
const seen = async () => (await server.ask(wire.intake.readStudent, { id: student })).body;

describe('a lesson that is agreed', () => {
  test('several a day stand on Today by their time, and the first is the student’s next one', async () => {
    await agree({ time: '16:00' });
    await agree();
    await agree({ day: '2027-03-20', time: null });
    expect((await toCome()).map(({ lesson }) => [lesson.day, lesson.time])).toEqual([
      ['2027-03-08', '10:30'],
      ['2027-03-08', '16:00'],
      ['2027-03-20', null],
    ]);
    expect((await seen()).profile.nextLesson).toBe('2027-03-08');
  });
  test('the same one sent twice is one; one in the past, or at no time, is refused in words', async () => {
    const lesson = { id: randomUUID() };
    await agree(lesson);
    await agree(lesson);
    expect((await lessons()).lessons).toHaveLength(1);
    expect((await agree({ day: '2027-02-28' })).body).toMatchObject({ code: 'date_in_past' });
    expect((await agree({ time: '25:00' })).status).toBe(400);
    expect((await agree({ minutes: 5 })).status).toBe(400);
    expect((await lessons()).lessons).toHaveLength(1);
  });
  test('moved and called off, it changes the plan that stands; taken back, it is there again', async () => {
    await takeDrills(server, student, ['knee_swap']);
    const ask = { start: '2027-03-01', nextLesson: null, days: ['mon', 'wed', 'fri', 'sun'] };
    await server.ask(wire.practice.savePlan, {
      id: student,
      body: { id: randomUUID(), ...ask, minutesPerDay: {}, placeByDay: {} },
    });
    const reviews = async () =>
      (await server.ask(wire.practice.planNow, { id: student })).body?.live?.reviewDates ?? [];
    const { id } = (await agree({ day: '2027-03-09' })).body;
    expect(await reviews()).toContain('2027-03-09');
    await server.ask(wire.intake.moveLesson, {
      id: student,
      lessonId: id,
      body: { day: '2027-03-11', time: '08:00' },
    });
    expect([(await reviews()).includes('2027-03-09'), (await reviews()).includes('2027-03-11')]).toEqual([
      false,
      true,
    ]);
    await deed(id, 'cancel');
    expect(await reviews()).not.toContain('2027-03-11');
    await deed(id, 'cancel');
    await deed(id, 'restore');
    expect(await reviews()).toContain('2027-03-11');
  });
  test('another student’s lesson can’t be reached', async () => {
    const { id } = (await agree()).body;
    const other = await addStudent(server);
    for (const read of [wire.checkins.readLessonFile, wire.checkins.draftSummary])
      expect((await server.ask(read, { id: other, lessonId: id })).status).toBe(404);
    expect(
      (await server.ask(wire.intake.doToLesson, { id: other, lessonId: id, deed: 'begin' })).status,
    ).toBe(404);
  });
});

describe('the day of the next lesson in the intake form', () => {
  const save = async (nextLesson: string | null) => {
    const { version } = await seen();
    return server.ask(wire.intake.editStudent, {
      id: student,
      body: { version, profile: profile({ nextLesson }) },
    });
  };
  test('is agreed, moved with its time, and called off', async () => {
    await save('2027-03-05');
    expect((await lessons()).lessons).toMatchObject([{ day: '2027-03-05', time: null }]);
    const { id } = (await lessons()).lessons[0] as Lesson;
    await server.ask(wire.intake.moveLesson, {
      id: student,
      lessonId: id,
      body: { day: '2027-03-05', time: '09:15' },
    });
    await save('2027-03-06');
    expect((await lessons()).lessons).toMatchObject([{ id, day: '2027-03-06', time: '09:15' }]);
    await save(null);
    expect((await lessons()).lessons[0]?.cancelledAt).not.toBeNull();
  });
  test('a form that was opened before the lesson was moved does not move it back', async () => {
    const { id } = (await agree()).body;
    const { version } = await seen();
    await server.ask(wire.intake.moveLesson, {
      id: student,
      lessonId: id,
      body: { day: '2027-03-10', time: '10:30' },
    });
    const late = await server.ask(wire.intake.editStudent, {
      id: student,
      body: { version, profile: profile({ nextLesson: '2027-03-08' }) },
    });
    expect(late.body).toMatchObject({ code: 'changed_meanwhile' });
    expect((await lessons()).lessons[0]?.day).toBe('2027-03-10');
  });
});

describe('a lesson that goes on', () => {
  test('holds what is done in it, and nothing of before and after', async () => {
    await takeDrills(server, student, ['knee_swap']);
    const { id } = (await agree({ day: '2027-03-01' })).body;
    await deed(id, 'begin');
    await deed(id, 'begin');
    expect((await lessons()).running?.id).toBe(id);
    expect((await toCome())[0]).toMatchObject({ running: true, lesson: { id } });
    const set = { drill: 'knee_swap', stage: 'still', reps: 'PPFP', felt: null, date: '2027-03-01' };
    server.at('2027-03-01T09:20:00');
    await server.ask(wire.practice.logSet, { id: student, body: { id: randomUUID(), ...set } });
    server.at('2027-03-01T09:22:00');
    const note = { id: randomUUID(), tag: 'feels_like', text: 'the seat leads' };
    await server.ask(wire.practice.addNote, { id: student, lessonId: id, body: note });
    await server.ask(wire.practice.addNote, { id: student, lessonId: id, body: note });
    const wrong = { id: randomUUID(), tag: 'said', text: 'no' };
    await server.ask(wire.practice.addNote, { id: student, lessonId: id, body: wrong });
    await server.ask(wire.practice.takeBackNote, { id: student, noteId: wrong.id, deed: 'undo' });
    server.at('2027-03-01T09:25:00');
    const word = { drill: 'knee_swap', stage: 'still', decision: 'hold', note: '' };
    await server.ask(wire.practice.decideGate, { id: student, body: { id: randomUUID(), ...word } });
    server.at('2027-03-01T10:00:00');
    await deed(id, 'end');
    server.at('2027-03-01T11:00:00');
    await server.ask(wire.practice.logSet, { id: student, body: { id: randomUUID(), ...set } });
    const { body } = await server.ask(wire.checkins.readLessonFile, { id: student, lessonId: id });
    expect(body.moments.map((moment) => (moment.what === 'event' ? moment.kind : moment.what))).toEqual([
      'lesson_began',
      'set',
      'note',
      'gate',
      'lesson_ended',
    ]);
    expect((await lessons()).running).toBeNull();
  });
  test('a set that arrives late lies where it was done', async () => {
    await takeDrills(server, student, ['knee_swap']);
    const { id } = (await agree({ begin: true, day: '2027-03-01' })).body;
    server.at('2027-03-01T10:00:00');
    await deed(id, 'end');
    server.at('2027-03-01T18:00:00');
    const doneAt = new Date('2027-03-01T09:30:00').toISOString();
    const set = { drill: 'knee_swap', stage: 'still', reps: 'PP', felt: null, date: '2027-03-01', doneAt };
    await server.ask(wire.practice.logSet, { id: student, body: { id: randomUUID(), ...set } });
    const { body } = await server.ask(wire.checkins.readLessonFile, { id: student, lessonId: id });
    expect(body.moments.filter(({ what }) => what === 'set')).toHaveLength(1);
  });
  test('one at a time; it can’t be moved or called off; forgotten, it is over by itself', async () => {
    const first = (await agree({ begin: true, day: '2027-03-01' })).body;
    expect((await agree({ begin: true, day: '2027-03-01' })).body).toMatchObject({ code: 'lesson_running' });
    expect((await deed(first.id, 'cancel')).body).toMatchObject({ code: 'lesson_begun' });
    const move = await server.ask(wire.intake.moveLesson, {
      id: student,
      lessonId: first.id,
      body: { day: '2027-03-09' },
    });
    expect(move.body).toMatchObject({ code: 'lesson_begun' });
    expect((await deed((await agree()).body.id, 'end')).body).toMatchObject({ code: 'lesson_not_begun' });
    server.at('2027-03-01T14:00:00');
    expect((await lessons()).running).toBeNull();
  });
  test('ended by mistake, it goes on', async () => {
    const { id } = (await agree({ begin: true, day: '2027-03-01' })).body;
    await deed(id, 'end');
    await deed(id, 'resume');
    expect((await lessons()).running?.id).toBe(id);
  });
});

describe('after the lesson', () => {
  test('a summary is drafted from what was done, sent once to page and mail, and ends the lesson', async () => {
    await takeDrills(server, student, ['knee_swap']);
    const { id } = (await agree({ begin: true, day: '2027-03-01' })).body;
    await agree({ day: '2027-03-15', time: '09:00' });
    const set = { drill: 'knee_swap', stage: 'still', reps: 'PPFP?', felt: null, date: '2027-03-01' };
    await server.ask(wire.practice.logSet, { id: student, body: { id: randomUUID(), ...set } });
    const note = { tag: 'try_next', text: 'half swings only' };
    await server.ask(wire.practice.addNote, {
      id: student,
      lessonId: id,
      body: { id: randomUUID(), ...note },
    });
    await server.ask(wire.practice.addNote, {
      id: student,
      lessonId: id,
      body: {
        id: randomUUID(),
        tag: 'note',
        text: 'late again',
      },
    });
    const { text } = (await server.ask(wire.checkins.draftSummary, { id: student, lessonId: id })).body;
    expect(text).toContain('Knee swap, still: 3 of 4 counted.');
    expect(text).toContain('Try next: half swings only');
    expect(text).toContain('Monday 15 March at 09:00');
    // What the coach noted for himself stays with him.
    expect(text).not.toContain('late again');
    const letter = {
      id: randomUUID(),
      text: `${text}

Well swung.`,
      draft: text,
    };
    const send = () => server.ask(wire.checkins.sendSummary, { id: student, lessonId: id, body: letter });
    await send();
    expect((await send()).body).toMatchObject({ summary: letter.text });
    expect((await lessons()).running).toBeNull();
    const again = { id: randomUUID(), text: 'twice', draft: '' };
    expect(
      (await server.ask(wire.checkins.sendSummary, { id: student, lessonId: id, body: again })).body,
    ).toMatchObject({
      code: 'changed_meanwhile',
    });
    const { token } = (await server.ask(wire.checkins.makeLink, { id: student, body: { days: 9 } })).body;
    const page = (await server.ask(wire.page.readPage, { token })).body;
    expect(page.lessons).toEqual([{ id, day: '2027-03-01', summary: letter.text }]);
    expect(page.nextLesson).toMatchObject({ day: '2027-03-15', time: '09:00' });
    expect(server.ctx.outbox.has(letter.id)).toBe(true);
    const paper = await server.app.inject(urlOf(wire.page.printSummary, { token, lessonId: id }));
    expect([paper.statusCode, paper.rawPayload.subarray(0, 5).toString()]).toEqual([200, '%PDF-']);
    // Another student's link opens none of it.
    const other = await addStudent(server);
    const theirs = await server.ask(wire.checkins.makeLink, { id: other, body: { days: 9 } });
    const strange = await server.ask(wire.page.printSummary, { token: theirs.body.token, lessonId: id });
    expect(strange.status).toBe(404);
  });
});

describe('a lesson that was agreed for today', () => {
  const begin = (id = randomUUID(), mode: NewLesson['mode'] = 'in_person') =>
    agree({ id, day: '2027-03-01', time: null, mode, begin: true });
  test('is the one that begins, once, however it is held and however often it is pressed', async () => {
    const { id } = (await agree({ day: '2027-03-01', time: '15:00', place: 'Bay 2' })).body;
    const press = randomUUID();
    const began = await begin(press, 'video');
    expect(began.body).toMatchObject({ id, time: '15:00', place: 'Bay 2', minutes: 45, mode: 'video' });
    expect((await begin(press, 'video')).body).toMatchObject({ id });
    expect((await begin()).body).toMatchObject({ code: 'lesson_running' });
    const { lessons: all, running } = await lessons();
    expect(all.map((lesson) => lesson.id)).toEqual([id]);
    expect(running).toMatchObject({ id });
  });
  test('of two, the earlier one; one of another day, called off or held already is none', async () => {
    const later = (await agree({ day: '2027-03-01', time: '16:00' })).body.id;
    const early = (await agree({ day: '2027-03-01', time: '10:00' })).body.id;
    await agree({ day: '2027-03-02' });
    expect((await begin()).body.id).toBe(early);
    await deed(early, 'end');
    await deed(later, 'cancel');
    const unplanned = randomUUID();
    expect((await begin(unplanned)).body).toMatchObject({ id: unplanned, time: null });
    expect((await lessons()).lessons).toHaveLength(4);
  });
});
