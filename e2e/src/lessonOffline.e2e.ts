import type { StoredSet } from '@inchstep/contract/practice';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { enterDemo } from './demo.ts';
import { beginLesson, press, see, seriousFindings, story, textOf } from './hands.ts';
import { type Line, lineTo } from './line.ts';
import { type Program, startProgram } from './program.ts';

/** A bay in which the signal comes and goes: the lesson goes on, and what was counted arrives once. */
describe('a lesson whose signal drops', () => {
  const step = story(it);
  let program: Program;
  let line: Line;
  let page: Page;
  let gus: string;

  beforeAll(async () => {
    program = await startProgram({ demo: true });
    line = await lineTo(program.url);
    page = await program.page();
    gus = (await enterDemo(page, line.url))('Gus');
    await page.goto(`${line.url}/students/${gus}/lesson`);
    await beginLesson(page);
    await see(page, 'Going on for');
  });
  afterAll(async () => {
    await line.close();
    await program.stop();
  });

  const part = (number: number) => page.keyboard.press(`Digit${number}` as 'Digit1');
  const gone = (text: string) =>
    page.waitForFunction((wanted) => !document.body.innerText.includes(wanted), {}, text);
  const sets = () =>
    page.evaluate(
      (id) => fetch(`/api/students/${id}/sets`).then((r) => r.json() as Promise<StoredSet[]>),
      gus,
    );

  step('the browser keeps the screens; a reload stays on the part that was open', async () => {
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await part(5);
    await see(page, 'Start over');
    await page.reload();
    await see(page, 'Start over');
    // What the lesson shows is written down a moment after it was heard.
    await new Promise((done) => setTimeout(done, 2500));
    await part(1);
    await see(page, 'Why we are here');
  });

  step('every part opens without a signal, also those that were never opened', async () => {
    line.cut();
    for (const number of [2, 3, 4, 5, 6, 1]) {
      await part(number);
      await gone('Fetching');
      await new Promise((done) => setTimeout(done, 500));
      const alerts = await page.$$eval('main [role="alert"]', (all) => all.map((one) => one.textContent));
      expect([number, alerts]).toEqual([number, []]);
    }
    await part(5);
    for (let i = 0; i < 3; i++) await press(page, 'Counted');
    await press(page, 'Log this set');
    await see(page, 'One set waits for a signal.');
    await press(page, 'Counted');
  });

  step('a reload without a signal goes on at the same repetition', async () => {
    await page.reload();
    await see(page, 'One set waits for a signal.');
    await see(page, 'epetition 2 of');
    expect(await textOf(page, 'main')).not.toContain('This screen needs a connection');
  });

  step('a screen that needs the program says that it needs a connection', async () => {
    await page.goto(`${line.url}/schools`);
    await see(page, 'connection');
    expect(await seriousFindings(page)).toEqual([]);
  });

  step('with the signal back the set goes from any screen, once', async () => {
    line.mend();
    await page.goto(`${line.url}/students`);
    await page.waitForFunction(
      (id) =>
        fetch(`/api/students/${id}/sets`)
          .then((r) => r.json())
          .then((all: { reps: string; device: string | null }[]) =>
            all.some(({ reps, device }) => reps === 'PPP' && device !== null),
          ),
      { polling: 500 },
      gus,
    );
    await new Promise((done) => setTimeout(done, 1000));
    expect((await sets()).filter(({ reps, device }) => reps === 'PPP' && device !== null)).toHaveLength(1);
    expect(program.complaints).toEqual([]);
  });
});
