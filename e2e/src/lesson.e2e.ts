import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { enterDemo } from './demo.ts';
import { beginKey, beginLesson, focused, press, see, seePart, seriousFindings, type } from './hands.ts';
import { type Program, startProgram } from './program.ts';

/** An hour in the bay: agreed, begun, counted by keys through a reload, noted, summed up, sent. */
describe('a lesson, in the browser', () => {
  let program: Program;
  let page: Page;
  let lesson: string;

  beforeAll(async () => {
    program = await startProgram({ demo: true });
    page = await program.page();
    const idOf = await enterDemo(page, program.url);
    lesson = `${program.url}/students/${idOf('Gus')}/lesson`;
    await page.goto(lesson);
    await see(page, 'Why we are here');
  });
  afterAll(() => program.stop());

  it('is agreed for a day and a time, and stands on Today by it', async () => {
    const day = await page.evaluate(() => {
      const date = new Date(Date.now() + 2 * 86_400_000);
      const field = document.querySelector<HTMLInputElement>('form input[type="date"]');
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
      const text = new Intl.DateTimeFormat('en-CA').format(date);
      set?.call(field, text);
      field?.dispatchEvent(new Event('input', { bubbles: true }));
      const time = document.querySelector<HTMLInputElement>('form input[type="time"]');
      set?.call(time, '07:45');
      time?.dispatchEvent(new Event('input', { bubbles: true }));
      return text;
    });
    expect(day).toMatch(/^\d{4}-\d\d-\d\d$/);
    await press(page, 'Agree it');
    await see(page, 'Agreed.');
    await page.goto(program.url);
    await see(page, '07:45');
    const first = await page.$$eval('ul a[href$="/lesson"]', (all) => all.map((a) => a.textContent ?? ''));
    expect(first.findIndex((text) => text.includes('07:45'))).toBeGreaterThanOrEqual(0);
  });

  it('begins at a press and has no serious axe finding in any of its parts', async () => {
    await page.goto(lesson);
    expect(await seriousFindings(page)).toEqual([]);
    await beginLesson(page);
    await see(page, 'Going on for');
    for (const part of ['1', '2', '3', '4', '5', '6']) {
      await page.keyboard.press(part as '1');
      await new Promise((done) => setTimeout(done, 400));
      expect([part, await seriousFindings(page)]).toEqual([part, []]);
    }
  });

  it('holds on a telephone, too', async () => {
    await page.setViewport({ width: 390, height: 844 });
    for (const part of ['1', '2', '3', '4', '5', '6']) {
      await page.keyboard.press(part as '1');
      await new Promise((done) => setTimeout(done, 400));
      const wide = await page.evaluate(() => document.documentElement.scrollWidth);
      expect([part, wide]).toEqual([part, 390]);
    }
    await page.setViewport({ width: 1280, height: 800 });
  });

  it('counts by keys alone, and goes on at the same repetition after a reload', async () => {
    await page.keyboard.press('5');
    await see(page, 'Repetition 1 of 10');
    for (const key of ['p', 'p', 'f', 'p'] as const) await page.keyboard.press(key);
    await see(page, 'Repetition 5 of 10');
    await page.reload();
    await see(page, 'Going on for');
    await page.keyboard.press('5');
    await see(page, 'Repetition 5 of 10');
    for (let i = 0; i < 6; i++) await page.keyboard.press('PageDown');
    // Every third set is looked at: the next one begins at once.
    await see(page, 'Set 2');
    await page.waitForFunction(
      () =>
        document.querySelector('figure ol')?.textContent?.includes('Delivery freeze, slow: 9 / 10') === true,
      { timeout: 20_000 },
    );
  });

  it('keeps a note, and the student’s felt answer before anything measured', async () => {
    await type(page, 'input[aria-label="Note"]', 'hips wait for the hands');
    await press(page, 'Feels like');
    await see(page, 'Kept.');
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await page.keyboard.press('3');
    await press(page, 'It stayed still');
    await see(page, 'Nothing of today is measured yet');
  });

  it('is summed up from what happened and sent in one press, to the student’s page', async () => {
    await page.keyboard.press('6');
    const field = await seePart(page, 'textarea[aria-label="Summary"]');
    const draft = await field.evaluate((e) => (e as HTMLTextAreaElement).value);
    expect(draft).toContain('Delivery freeze, slow: 9 of 10 counted.');
    expect(draft).toContain('Feels like: hips wait for the hands');
    await press(page, 'Send, and end the lesson');
    await see(page, 'Sent.');
    const link = await page.evaluate(async (url) => {
      const id = url.split('/students/')[1]?.split('/')[0];
      const made = await fetch(`/api/students/${id}/links`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', 'x-inchstep': '1' },
        body: '{"days":9}',
      });
      return ((await made.json()) as { token: string }).token;
    }, lesson);
    const phone = await program.page(390, 844);
    await phone.goto(`${program.url}/p/${link}`);
    await see(phone, 'hips wait for the hands');
    await see(phone, 'Next lesson');
  });

  it('is reached and begun with the keyboard alone', async () => {
    await page.bringToFront();
    await page.goto(lesson);
    await see(page, 'Why we are here');
    const key = await beginKey(page);
    for (let i = 0; i < 60 && (await focused(page)) !== key; i++) await page.keyboard.press('Tab');
    expect(await focused(page)).toBe(key);
    await page.keyboard.press('Enter');
    await see(page, 'Going on for');
  });
});
