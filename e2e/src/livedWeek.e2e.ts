import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { press, see, seePart, seriousFindings, story, textOf } from './hands.ts';
import { type Program, startProgram } from './program.ts';
import { studentWithDrill } from './setUp.ts';

const DRILL = 'knee_swap';

/** A plan from Monday to the Wednesday after, on the coach's screen and the student's phone, by a held clock. */
describe('a week that is lived through, in the browser', () => {
  const step = story(it);
  const student = randomUUID();
  let program: Program;
  let coach: Page;
  let phone: Page;
  let card: string;

  beforeAll(async () => {
    program = await startProgram({ at: '2027-03-01T09:00:00' });
    coach = await program.page();
    const token = await studentWithDrill(program, coach, student, DRILL);
    card = `${program.url}/p/${token}`;
    phone = await program.page(390, 844);
  });
  afterAll(() => program.stop());

  const ladder = async () => {
    await coach.bringToFront();
    await coach.goto(`${program.url}/students/${student}/ladder`);
  };
  const openCard = async () => {
    await phone.bringToFront();
    await phone.goto(card);
    await see(phone, 'Priya’s practice');
  };
  /** The days that stand in the calendar that the student’s telephone subscribes to. */
  const dates = async (): Promise<string[]> => {
    const url = card.replace('/p/', '/api/page/');
    const text = await phone.evaluate((of) => fetch(`${of}/calendar.ics`).then((r) => r.text()), url);
    return text
      .split('BEGIN:VEVENT')
      .filter((one) => !one.includes('STATUS:CANCELLED'))
      .flatMap((one) => /DTSTART;VALUE=DATE:(\d+)/.exec(one)?.[1] ?? []);
  };
  const here = (rung: string) =>
    coach.waitForFunction(
      (name) =>
        [...document.querySelectorAll('li[aria-current="step"]')].some((li) =>
          li.textContent?.includes(name),
        ),
      {},
      rung,
    );
  const asked = async () => {
    await seePart(phone, 'article');
    return textOf(phone, 'article');
  };
  const count = async (presses: readonly string[], told = 'Logged.') => {
    for (const one of presses) await press(phone, one);
    await press(phone, 'Log this set');
    await see(phone, told);
  };
  const rail = () =>
    coach.$eval('svg[role="img"][aria-label*="sessions in 84 days"]', (e) => e.textContent ?? '');

  step('Monday morning: the plan is laid out and taken, and nothing has changed yet', async () => {
    await ladder();
    await see(coach, 'Lay out the plan');
    await press(coach, 'Accept this plan');
    await see(coach, 'Plan saved.');
    await here('Still');
    expect(await coach.evaluate(() => document.body.innerText)).not.toContain('What has changed');
    await openCard();
    expect(await asked()).toContain('Still');
    expect(await dates()).toEqual(expect.arrayContaining(['20270303', '20270305', '20270307']));
  });

  step('Monday evening: nine counted open the next rung, on the phone and on the ladder', async () => {
    await program.at('2027-03-01T18:00:00');
    await openCard();
    await count(Array(9).fill('Counted'), 'it opened the next rung of Knee swap: Slow');
    await openCard();
    expect(await asked()).toContain('Slow');
    await ladder();
    await here('Slow');
  });

  step('Thursday: Wednesday was missed; it is noticed by itself, and the difference tells it', async () => {
    await program.at('2027-03-04T09:00:00');
    await ladder();
    await see(coach, 'What has changed since the plan was taken');
    await openCard();
    await see(phone, 'Nothing is planned today; the next day is');
    expect(await phone.evaluate(() => document.body.innerText)).not.toMatch(/missed/i);
  });

  step('Travel: the days away are a gap on the rail, gone from card and calendar', async () => {
    await ladder();
    await press(coach, 'Plan again from today');
    await press(coach, 'Add days');
    const fields = await coach.$$('fieldset input[type="date"]');
    expect(fields).toHaveLength(2);
    await fields[0]?.evaluate(setDay, '2027-03-05');
    await fields[1]?.evaluate(setDay, '2027-03-08');
    await see(coach, 'What this plan would change');
    await coach.waitForFunction(() => /not on Fri 5 Mar|from Fri 5 Mar/.test(document.body.innerText));
    await press(coach, 'Accept this plan');
    await see(coach, 'Plan saved.');
    await see(coach, 'Plan again from today');
    expect(await seriousFindings(coach)).toEqual([]);
    expect(await rail()).toMatch(/away/i);
    const left = await dates();
    for (const gone of ['20270305', '20270307', '20270308']) expect(left).not.toContain(gone);
    await program.at('2027-03-07T10:00:00');
    await openCard();
    await see(phone, 'Nothing is planned today; the next day is');
  });

  step(
    'Wednesday after: back at home, the card asks the rung it was left on, and a set is missed',
    async () => {
      await program.at('2027-03-10T17:00:00');
      await openCard();
      expect(await asked()).toContain('Slow');
      await count(['Counted', 'Missed', 'Counted', 'Not sure', 'Missed', 'Counted']);
      await ladder();
      await here('Slow');
      await see(coach, 'more counted repetitions at your present rate');
    },
  );

  step(
    'Pain: the drill stops on the phone, the day and the weeks are held, the coach is told first',
    async () => {
      await openCard();
      await press(phone, 'It hurts: stop');
      await see(phone, 'Stopped: it hurts');
      await phone.locator('input[aria-label="Where does it hurt?"]').fill('lead knee, inside');
      await press(phone, 'Say it');
      await see(phone, 'Your coach has been told');
      await press(phone, 'Send');
      await see(phone, 'Sent. It is in the coach’s queue.');
      await openCard();
      expect(await phone.$('article')).toBeNull();
      await coach.bringToFront();
      await coach.goto(program.url);
      await see(coach, 'Pain reported');
      await ladder();
      await see(coach, 'What binds, and what would help');
      expect(await dates()).toEqual([]);
      await see(coach, 'pain');
    },
  );
});

/** Puts a day into a date field as a person's typing would. */
function setDay(field: Element, day: string): void {
  const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
  set?.call(field, day);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}
