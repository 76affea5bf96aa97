import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { enterDemo } from './demo.ts';
import { press, see, seePart, seriousFindings } from './hands.ts';
import { type Program, startProgram } from './program.ts';

/** A plan in the browser: its season, a session moved by keys alone, another week tried, a reason given. */
describe('a plan that lives, in the browser', () => {
  let program: Program;
  let page: Page;

  beforeAll(async () => {
    program = await startProgram({ demo: true });
    page = await program.page();
    const idOf = await enterDemo(page, program.url);
    await page.goto(`${program.url}/students/${idOf('Priya')}/ladder`);
    await see(page, 'The weeks ahead');
  });
  afterAll(() => program.stop());

  it('shows the season with its gates, what binds and what has changed', async () => {
    await see(page, 'What binds, and what would help');
    await see(page, 'What has changed since the plan was taken');
    const told = await page.$eval('svg[role="img"][aria-label*="sessions in 84 days"]', (e) => e.textContent);
    expect(told).toContain('Clubs');
  });

  /** The package listens to keys a moment after it has said that it holds: one that comes before is nobody's. */
  async function arrowUntilTold(): Promise<void> {
    const told = () =>
      page.evaluate(() => /: (Every rule holds there|Not as it is)/.test(document.body.innerText));
    for (let tries = 0; tries < 8 && !(await told()); tries++) {
      await page.keyboard.press('ArrowRight');
      await new Promise((done) => setTimeout(done, 2500));
    }
    expect(await told()).toBe(true);
  }

  it('tries a week with one day more, and keeps nothing of it', async () => {
    await press(page, 'One more day');
    await page.waitForFunction(() => /\((no day|\d+ days?) (sooner|later)\)/.test(document.body.innerText));
    await press(page, 'One more day');
  });

  it('puts a session on the next day by keys alone, naming the rule where it would break one', async () => {
    await press(page, 'One week');
    await seePart(page, 'ol[aria-label="The week, day by day"]');
    const before = await sessions();
    await page.focus('ol[aria-label="The week, day by day"] button');
    await page.keyboard.press('Space');
    // Held once it is told so; a key that comes before is nobody's.
    await page.waitForFunction(() =>
      [...document.querySelectorAll('[id^="DndLiveRegion"]')].some((one) => one.textContent !== ''),
    );
    await arrowUntilTold();
    expect(await seriousFindings(page)).toEqual([]);
    await page.keyboard.press('Space');
    await see(page, 'Moved.');
    await press(page, 'One week');
    await page.waitForFunction(
      (was) =>
        [...document.querySelectorAll('ol[aria-label="The week, day by day"] button')]
          .map((e) => e.textContent)
          .join() !== was,
      {},
      before.join(),
    );
  });

  it('keeps a stage where it is on the coach’s word', async () => {
    await press(page, 'Stay');
    await see(page, 'Noted: stay.');
  });

  it('goes back a rung and on again ahead of the gate, with a reason that is kept', async () => {
    await press(page, 'Step back');
    await see(page, 'One stage back.');
    await press(page, 'Skip this stage');
    await press(page, 'holds it already');
    await see(page, 'One stage up.');
  });

  const sessions = (): Promise<(string | null)[]> =>
    page.$$eval('ol[aria-label="The week, day by day"] button', (all) => all.map((e) => e.textContent));
});
