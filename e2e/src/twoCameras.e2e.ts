import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Browser, Page } from 'puppeteer-core';
import { openBrowser } from '../../tools/browser.mjs';
import { enterDemo } from './demo.ts';
import { beginLesson, press, see, seePart, seriousFindings } from './hands.ts';
import { type Program, startProgram } from './program.ts';

/** A desk with two cameras: one key, one swing. */
describe('two cameras of one device', () => {
  let program: Program;
  let browser: Browser;
  let close: () => Promise<void>;
  let page: Page;
  let wren: string;

  beforeAll(async () => {
    program = await startProgram({ demo: true });
    const opened = await openBrowser([
      '--use-fake-ui-for-media-stream',
      // Two films drawn and packed without a graphics card: few pictures a second leave time for keys.
      '--use-fake-device-for-media-stream=device-count=3,fps=10',
    ]);
    browser = opened.browser as Browser;
    close = opened.close;
    page = await browser.newPage();
    page.setDefaultTimeout(90_000);
    await page.evaluateOnNewDocument(() => localStorage.setItem('inchstep.settings', '{"readsClips":false}'));
    wren = (await enterDemo(page, program.url))('Wren');
  });
  afterAll(async () => {
    await close?.();
    await program.stop();
  });

  it('film one swing, at the key, with both views', async () => {
    await page.goto(`${program.url}/students/${wren}/lesson`);
    await beginLesson(page);
    await see(page, 'Going on for');
    await page.keyboard.press('2');
    await press(page, 'Camera on');
    const second = await seePart(page, '::-p-aria([name="Second camera, down the line"][role="combobox"])');
    // Of the stand-in cameras the second sees depth alone, which nobody records; the third is a camera.
    const other = await second.evaluate((e) => (e as HTMLSelectElement).options[2]?.value ?? '');
    await second.evaluate((e, id) => {
      const set = Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value')?.set;
      set?.call(e, id);
      e.dispatchEvent(new Event('change', { bubbles: true }));
    }, other);
    await page.waitForFunction(
      () => [...document.querySelectorAll('video')].filter((video) => video.videoWidth > 0).length === 2,
    );
    expect(await seriousFindings(page)).toEqual([]);
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await page.keyboard.press('r');
    await see(page, 'End the take');
    await new Promise((done) => setTimeout(done, 2500));
    await page.keyboard.press('r');
    // Two films at once are much for a machine without a graphics card: it is let rest before it sends them.
    await press(page, 'Camera off');
    await page.waitForFunction(() => document.body.innerText.includes('The take is on the bench.'), {
      timeout: 120_000,
    });
    const swings = (await page.evaluate(
      (id) => fetch(`/api/students/${id}/swings`).then((r) => r.json()),
      wren,
    )) as { views: { kind: string }[] }[];
    expect(swings[0]?.views.map(({ kind }) => kind).sort()).toEqual(['down_the_line', 'face_on']);
    await press(page, 'End the lesson');
    await see(page, 'The lesson is over.');
  });
});
