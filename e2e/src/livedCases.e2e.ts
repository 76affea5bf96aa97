import { randomUUID } from 'node:crypto';
import type { StudentPage } from '@inchstep/contract/checkins';
import type { LessonList } from '@inchstep/contract/intake';
import type { GateState, PlanNow, StoredSet } from '@inchstep/contract/practice';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { beginLesson, press, see, seePart, seriousFindings, story, textOf } from './hands.ts';
import { type Program, startProgram } from './program.ts';
import { send, studentWithDrill } from './setUp.ts';

const DRILL = 'knee_swap';

/** A coach in Berlin and a student in New York, over the weekend on which Berlin's clocks change. */
describe('the week in which the clocks change', () => {
  const step = story(it);
  const student = randomUUID();
  let program: Program;
  let coach: Page;
  let phone: Page;
  let card: string;

  beforeAll(async () => {
    program = await startProgram({ at: '2027-03-26T18:00:00+01:00', env: { TZ: 'Europe/Berlin' } });
    coach = await program.page();
    await coach.emulateTimezone('Europe/Berlin');
    const token = await studentWithDrill(program, coach, student, DRILL);
    await coach.goto(`${program.url}/students/${student}/ladder`);
    await press(coach, 'Accept this plan');
    await see(coach, 'Plan saved.');
    card = `${program.url}/p/${token}`;
    phone = await program.page(390, 844);
    await phone.emulateTimezone('America/New_York');
  });
  afterAll(() => program.stop());

  const openCard = async (on = phone) => {
    await on.bringToFront();
    await on.goto(card);
    await see(on, 'Priya’s practice');
    if ((await textOf(on, 'main')).includes('Practise anyway')) await press(on, 'Practise anyway');
  };
  const count = async (presses: readonly string[], on = phone) => {
    for (const one of presses) await press(on, one);
    await press(on, 'Log this set');
    await see(on, 'Logged.');
  };
  const ask = <T>(path: string): Promise<T> =>
    coach.evaluate((url) => fetch(url).then((r) => r.json()), `/api/students/${student}/${path}`);
  const sets = () => ask<StoredSet[]>('sets');

  step('Friday: the same set, counted on two phones, is two rows and counts once', async () => {
    const second = await program.page(390, 844);
    await second.emulateTimezone('America/New_York');
    for (const one of [phone, second]) await openCard(one);
    for (const one of [phone, second]) {
      await one.bringToFront();
      await count(['Counted', 'Counted', 'Missed'], one);
    }
    await second.close();
    const all = await sets();
    expect(all.map(({ date, reps }) => [date, reps])).toEqual([
      ['2027-03-26', 'PPF'],
      ['2027-03-26', 'PPF'],
    ]);
    expect(new Set(all.map(({ device }) => device)).size).toBe(2);
    expect((await ask<GateState[]>('gates'))[0]?.gate.repsUsed).toBe(3);
  });

  step('Sunday in Berlin is still Saturday in New York: both are said once, both are kept', async () => {
    await program.at('2027-03-28T04:30:00+02:00');
    await openCard();
    await see(phone, 'On this phone it is Sat');
    await see(phone, 'On your coach’s calendar it is Sun');
    expect(await seriousFindings(phone)).toEqual([]);
    await press(phone, 'OK');
    await count(['Counted', 'Missed']);
    const set = (await sets()).find(({ reps }) => reps === 'PF');
    expect(set?.date).toBe('2027-03-28');
    expect(set?.doneAt?.slice(0, 15)).toBe('2027-03-28T02:3');
    await openCard();
    expect(await textOf(phone, 'main')).not.toContain('On this phone it is');
  });

  step('no planned day is doubled or lost, in the plan or in the calendar', async () => {
    const { live } = await ask<PlanNow>('plan');
    const days = (live?.days ?? []).map(({ date }) => date);
    expect(days.length).toBeGreaterThan(8);
    expect([...new Set(days)].sort()).toEqual(days);
    const weekdays = days.map((day) => new Date(`${day}T12:00:00Z`).getUTCDay());
    expect(weekdays.filter((day) => ![0, 1, 3, 5].includes(day))).toEqual([]);
    const calendar = await phone.evaluate(
      (url) => fetch(url).then((r) => r.text()),
      `${card.replace('/p/', '/api/page/')}/calendar.ics`,
    );
    const dates = [...calendar.matchAll(/DTSTART;VALUE=DATE:(\d+)/g)].map(([, day]) => day);
    expect(dates.length).toBeGreaterThan(8);
    expect(new Set(dates).size).toBe(dates.length);
  });

  step('Monday: both calendars agree again, nothing is said, and a set lands on Monday', async () => {
    await program.at('2027-03-29T15:00:00+02:00');
    await openCard();
    expect(await textOf(phone, 'main')).not.toContain('On this phone it is');
    await count(['Counted', 'Not sure']);
    expect((await sets()).find(({ reps }) => reps === 'P?')?.date).toBe('2027-03-29');
  });

  step('more than a day may hold: the student is told to stop, the coach sees the day', async () => {
    const url = `${card.replace('/p/', '/api/page/')}/sets`;
    const set = { date: '2027-03-29', drill: DRILL, stage: 'still', reps: 'PF?'.repeat(60), felt: null };
    await send(phone, url, { id: randomUUID(), ...set });
    await openCard();
    await see(phone, 'enough of this for today');
    const page = await phone.evaluate(
      (of) => fetch(of).then((r) => r.json() as Promise<StudentPage>),
      card.replace('/p/', '/api/page/'),
    );
    expect(page.drills[0]?.room).toBe(0);
    await coach.bringToFront();
    await coach.goto(`${program.url}/students/${student}`);
    await see(coach, 'Practiced more than a day may hold');
  });

  step('a cleared browser: what was waiting still goes, and the page opens again', async () => {
    await openCard();
    await phone.setOfflineMode(true);
    for (const one of ['Looked, go on', 'Missed', 'Missed', 'Counted']) await press(phone, one);
    await press(phone, 'Log this set');
    await see(phone, 'Kept on this phone: one set');
    const session = await phone.createCDPSession();
    await session.send('Storage.clearDataForOrigin', { origin: program.url, storageTypes: 'all' });
    await phone.setOfflineMode(false);
    await coach.bringToFront();
    await coach.waitForFunction(
      (of) =>
        fetch(of)
          .then((r) => r.json())
          .then((all: { reps: string }[]) => all.some(({ reps }) => reps === 'FFP')),
      { polling: 500, timeout: 20_000 },
      `/api/students/${student}/sets`,
    );
    await openCard();
    expect((await sets()).filter(({ reps }) => reps === 'FFP')).toHaveLength(1);
  });

  step('a lesson left open overnight counts as over, says so, and the next one begins', async () => {
    await coach.bringToFront();
    await coach.goto(`${program.url}/students/${student}/lesson`);
    await beginLesson(coach);
    await see(coach, 'Going on for');
    const before = (await ask<LessonList>('lessons')).running?.id;
    await program.at('2027-03-30T09:00:00+02:00');
    await coach.reload();
    await see(coach, 'This lesson was left open');
    expect(await seriousFindings(coach)).toEqual([]);
    await press(coach, 'To the next one');
    await beginLesson(coach);
    await see(coach, 'Going on for');
    const { running, lessons } = await ask<LessonList>('lessons');
    expect(running?.id).not.toBe(before);
    expect(lessons).toHaveLength(2);
    await seePart(coach, 'nav');
    // The browser itself says so of the store that was cleared under the page; nothing else went wrong.
    expect(program.complaints.filter((one) => !one.includes('Force close delete origin'))).toEqual([]);
  });
});
