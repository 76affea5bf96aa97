import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { enterDemo } from './demo.ts';
import { beginLesson, press, see, seePart, seriousFindings, story } from './hands.ts';
import { type Program, startProgram } from './program.ts';
import { bringIn } from './takes.ts';

/** A take is read while the coach does something else; what was felt is asked before anybody sees it. */
describe('clips that are read in the background', () => {
  const step = story(it);
  let program: Program;
  let page: Page;
  let priya: string;
  let swing: string;

  beforeAll(async () => {
    program = await startProgram({ demo: true, reads: true });
    page = await program.page();
    priya = (await enterDemo(page, program.url))('Priya');
    await page.goto(`${program.url}/students/${priya}/lesson`);
    await beginLesson(page);
    await see(page, 'Going on for');
  });
  afterAll(() => program.stop());

  step('a take that comes in waits, is looked through with progress, and is measured', async () => {
    await page.keyboard.press('2');
    swing = await bringIn(page, priya, 'priya-now.face_on.mp4');
    await see(page, 'Today’s takes');
    await see(page, 'Being looked through, face-on');
    // The coach counts on meanwhile, in another part of the lesson.
    await page.keyboard.press('5');
    await see(page, 'Rehearse, 1 of');
    await page.keyboard.press('2');
    await page.waitForFunction(
      () => /\d+ measures?, .*proposed marks, not checked/.test(document.body.innerText),
      {
        timeout: 150_000,
      },
    );
    await see(page, 'Ask what it felt like before the tapes are seen.');
    expect(await page.$('[data-testid^="measure-"]')).toBeNull();
    expect(await seriousFindings(page)).toEqual([]);
  });

  step(
    'asked first, the answer stands against the measure, and today’s picture against the last',
    async () => {
      await page.keyboard.press('3');
      await press(page, 'It stayed still');
      await see(page, 'Felt it stayed still, measured');
      await seePart(page, 'fieldset[aria-label="Station"]');
      await seePart(page, '[data-testid^="measure-"]');
      expect(await seriousFindings(page)).toEqual([]);
      await page.keyboard.press('2');
      await see(page, 'One swing');
    },
  );

  step('a swing on the bench is nobody else’s to read', async () => {
    await page.goto(`${program.url}/students/${priya}/bench/${swing}`);
    await see(page, 'proposed, not checked');
    const other = await bringIn(page, priya, 'priya-then.face_on.mp4');
    await page.goto(`${program.url}/students/${priya}/bench/${other}`);
    await see(page, 'frame 1 of');
    await new Promise((done) => setTimeout(done, 9000));
    const marks = await page.evaluate(
      (id) => fetch(`/api/swings/${id}`).then(async (r) => (await r.json()).marks.length),
      other,
    );
    expect(marks).toBe(0);
  });
});
