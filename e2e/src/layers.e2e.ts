import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { ElementHandle, Page } from 'puppeteer-core';
import { enterDemo } from './demo.ts';
import { press, see, seriousFindings, story, textOf, type } from './hands.ts';
import { type Program, startProgram } from './program.ts';

/** From a look to a drill with its guard beside it, through two checkpoints, as coach and student see them. */
describe('one thing at a time, with a guard', () => {
  const step = story(it);
  let program: Program;
  let page: Page;
  let wren: string;

  beforeAll(async () => {
    program = await startProgram({ demo: true });
    page = await program.page();
    wren = (await enterDemo(page, program.url))('Wren');
  });
  afterAll(() => program.stop());

  step('a lead hip that pops up is seen, and found', async () => {
    await page.goto(`${program.url}/students/${wren}/diagnosis`);
    await see(page, 'No diagnosis of this yet');
    await page.focus('input[aria-label="Find a look"]');
    await page.keyboard.type('lead hip not lower');
    await page.keyboard.press('Enter');
    await page.focus('button.btn-lg');
    await page.keyboard.press('Enter');
    await page.waitForSelector('[data-testid="root-lead_hip_pop"]');
    await press(page, 'Work on this, find the drill');
  });

  step('the stick round the belt comes with the chair that keeps it from being overdone', async () => {
    await see(page, 'Tail down and round');
    expect(await textOf(page, '.sticky')).toContain('Tail down and round and Two-cheek chair');
    const card = await textOf(page, '[data-testid="drill-tail_down_around"]');
    expect(card).toContain('The stick keeps falling until the shaft is level.');
    expect(card).toContain('Beside it, so that it is not overdone: Two-cheek chair.');
    await type(
      page,
      'textarea[aria-label="Your own task, on card and plan"]',
      'Grip the club in the fingers.',
    );
    await press(page, 'Take into use, lay out the plan');
    await see(page, 'Accept this plan');
    await press(page, 'Accept this plan');
    // Its word comes once everything is laid anew; later it would lie over the next one's.
    await see(page, 'Plan saved.');
    await see(page, 'Checkpoint 1 of 3');
  });

  step('the first checkpoint holds: the next is added, and can be taken back', async () => {
    const current = () => textOf(page, 'section[aria-label="One thing at a time"]');
    expect(await current()).toContain('The stick keeps falling');
    await press(page, 'It holds: add the next');
    await see(page, 'Checkpoint 2 of 3');
    expect(await current()).toContain('It rises only as the lead leg straightens.');
    // The choice's own word may still stand there with its Undo: this one's is meant.
    const undo = await page.waitForFunction(() => {
      const said = [...document.querySelectorAll('[data-sonner-toast]')];
      return said.find((one) => one.textContent?.includes('heckpoint'))?.querySelector('button');
    });
    await (undo as ElementHandle<HTMLButtonElement>).evaluate((button) => button.click());
    await page.waitForFunction(() =>
      document
        .querySelector('section[aria-label="One thing at a time"]')
        ?.textContent?.includes('The stick keeps falling'),
    );
    await press(page, 'It holds: add the next');
    await see(page, 'Checkpoint 2 of 3');
    expect(await seriousFindings(page)).toEqual([]);
  });

  step('the student’s page tells the checkpoint, the guard and the coach’s own task', async () => {
    const token = (await page.evaluate(
      (id) =>
        fetch(`/api/students/${id}/links`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', 'x-inchstep': '1' },
          body: JSON.stringify({ days: 9 }),
        }).then(async (r) => ((await r.json()) as { token: string }).token),
      wren,
    )) as string;
    await page.goto(`${program.url}/p/${token}`);
    await see(page, 'Grip the club in the fingers.');
    const text = await textOf(page, 'main');
    if (text.includes('Practise anyway')) await press(page, 'Practise anyway');
    await see(page, 'It rises only as the lead leg straightens.');
  });

  step('their card shows the move on their own body, held with the keys', async () => {
    await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
    await page.locator('summary ::-p-text(How to set it up)').click();
    await page.waitForSelector('.tape-slider');
    const drawn = () => page.$eval('article svg[role="img"]', (svg) => svg.innerHTML);
    const last = await drawn();
    await page.focus('.tape-slider');
    await page.keyboard.press('Home');
    const first = await drawn();
    expect(first).not.toBe(last);
    await page.keyboard.press('End');
    expect(await drawn()).toBe(last);
    expect(await seriousFindings(page)).toEqual([]);
  });
});
