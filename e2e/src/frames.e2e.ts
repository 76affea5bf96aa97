import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { enterDemo } from './demo.ts';
import { chooseFile, see, story } from './hands.ts';
import { makePhoneClip } from './phoneClip.ts';
import { type Program, startProgram } from './program.ts';

/** A multiple of what progress is told in: the last share must not be taken for the end. */
const FRAMES = 152;

/** A clip as a phone writes it is stepped frame by frame, and each frame is the right one. */
describe('frames', () => {
  const step = story(it);
  const folder = mkdtempSync(join(tmpdir(), 'inchstep-frames-'));
  let program: Program;
  let page: Page;

  beforeAll(async () => {
    program = await startProgram({ demo: true });
    page = await program.page();
    const idOf = await enterDemo(page, program.url);
    writeFileSync(join(folder, 'phone.mp4'), await makePhoneClip(page, FRAMES));
    await page.goto(`${program.url}/students/${idOf('Wren')}/bench`);
    await chooseFile(page, 'input[type="file"][accept*="mp4"]', join(folder, 'phone.mp4'));
    await page.waitForSelector('[data-testid="frame-face_on"]');
    await see(page, `frame 1 of ${FRAMES}`);
  });
  afterAll(async () => {
    await program.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  /** The number written into the picture that is shown; the clip lies on its side, so the bars go down. */
  const shown = () =>
    page.$eval('[data-testid="pane-face_on"] canvas', (element) => {
      const canvas = element as HTMLCanvasElement;
      const context = canvas.getContext('2d');
      let number = 0;
      for (let bit = 0; bit < 10; bit++) {
        const pixel = context?.getImageData(canvas.width / 2, ((bit + 0.5) * canvas.height) / 10, 1, 1).data;
        if ((pixel?.[0] ?? 0) > 128) number += 2 ** bit;
      }
      return number;
    });
  const go = async (frame: number) => {
    await page.$eval(
      'input[aria-label="Frame"]',
      (element, value) => {
        const input = element as HTMLInputElement;
        Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(input, String(value));
        input.dispatchEvent(new Event('input', { bubbles: true }));
      },
      frame,
    );
    await page.waitForFunction(
      (text) => document.querySelector('[data-testid="frame-face_on"]')?.textContent === text,
      {},
      `frame ${frame + 1} of ${FRAMES}`,
    );
    // The number of the picture follows the number in the words at once, or a decode later.
    for (let i = 0; i < 60 && (await shown()) !== frame; i++)
      await new Promise((done) => setTimeout(done, 50));
  };

  step('it stands upright: taller than wide', async () => {
    const size = await page.$eval('[data-testid="pane-face_on"] canvas', (c) => [
      (c as HTMLCanvasElement).width,
      (c as HTMLCanvasElement).height,
    ]);
    expect(size).toEqual([360, 640]);
  });

  step('on, back and anywhere: the frame that is named is the frame that is shown', async () => {
    for (const frame of [0, 1, 2, 3, 60, 59, 58, 151, 7, 101, 100, 33, 148, 0, 75, 76, 74]) {
      await go(frame);
      expect(await shown()).toBe(frame);
    }
  });

  step('with the arrow keys, too', async () => {
    await go(40);
    await page.focus('[data-testid="pane-face_on"]').catch(() => {});
    for (const [key, frame] of [
      ['ArrowRight', 41],
      ['ArrowRight', 42],
      ['ArrowLeft', 41],
    ] as const) {
      await page.keyboard.press(key);
      for (let i = 0; i < 60 && (await shown()) !== frame; i++)
        await new Promise((done) => setTimeout(done, 50));
      expect(await shown()).toBe(frame);
    }
  });

  step(
    'Tab goes to the frame slider and away from it: no key is caught there but the bench’s own',
    async () => {
      const label = () => page.evaluate(() => document.activeElement?.getAttribute('aria-label'));
      await page.focus('[aria-label="−1 frame"]');
      await page.keyboard.press('Tab');
      const slider = await label();
      expect(await page.evaluate(() => document.activeElement?.getAttribute('type'))).toBe('range');
      await page.keyboard.press('Tab');
      expect(await label()).not.toBe(slider);
      expect(await page.evaluate(() => document.activeElement?.textContent)).toBe('+1');
      await page.keyboard.down('Shift');
      await page.keyboard.press('Tab');
      await page.keyboard.up('Shift');
      expect(await label()).toBe(slider);
    },
  );

  /** Names of the kept copies; null where there is no folder for them, or it is just being taken away. */
  const kept = () =>
    page.evaluate(async () => {
      try {
        const root = await navigator.storage.getDirectory();
        const folder = await root.getDirectoryHandle('working-copies');
        const names: string[] = [];
        for await (const name of folder.keys()) names.push(decodeURIComponent(name));
        return names;
      } catch {
        return null;
      }
    });

  step(
    'opened again it comes from the working copy on the disk, and each frame is still the right one',
    async () => {
      await page.waitForFunction(() => !document.body.innerText.includes('ready,'));
      for (let i = 0; i < 100 && (await kept())?.length !== 1; i++)
        await new Promise((done) => setTimeout(done, 100));
      expect(await kept()).toEqual([expect.stringMatching(/^\/api\/clips\/.*\/file$/)]);
      const fetched: string[] = [];
      page.on('request', (request) => fetched.push(request.url()));
      await page.reload();
      await see(page, `frame 1 of ${FRAMES}`);
      for (const frame of [0, 151, 7, 8, 6, 100]) {
        await go(frame);
        expect(await shown()).toBe(frame);
      }
      expect(fetched.filter((url) => /\/clips\/.*\/file/.test(url))).toEqual([]);
    },
  );

  step('signing out leaves no film on this machine', async () => {
    await page.click('button[aria-label="Sign out"]');
    await see(page, 'The record of your students is behind this door.');
    // The door is shown before the folder is wholly gone; that it goes, and stays away, is what counts.
    for (let i = 0; i < 100 && (await kept()) !== null; i++)
      await new Promise((done) => setTimeout(done, 100));
    expect(await kept()).toBeNull();
  });
});
