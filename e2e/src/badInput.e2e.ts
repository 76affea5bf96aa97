import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { chooseFile, press, see, type } from './hands.ts';
import { CLIPS, type Program, startProgram } from './program.ts';

/** What goes wrong at the door, as the person at the screen sees it. */
describe('bad input', () => {
  let program: Program;
  let page: Page;
  let folder: string;
  const good = readFileSync(join(CLIPS, 'wren.face_on.mp4'));
  const file = (name: string, content: Buffer): string => {
    const path = join(folder, name);
    writeFileSync(path, content);
    return path;
  };

  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'inchstep-bad-'));
    program = await startProgram({ env: { MAX_CLIP_MB: '1' } });
    page = await program.page();
    await page.goto(program.url);
    await type(page, 'input[autocomplete="name"]', 'Tomasz Brandl');
    await type(page, 'input[type="password"]', 'short');
    await press(page, 'Begin');
    expect(await page.$eval('input[type="password"]', (i) => (i as HTMLInputElement).validity.valid)).toBe(
      false,
    );
    await type(page, 'input[type="password"]', 'long enough now');
    await press(page, 'Begin');
    await press(page, 'Add the first student', 'link');
    await type(page, '#firstName', 'Wren');
    await type(page, '#familyName', 'Oyelaran');
    await type(page, '#bornOn', '1999-01-20');
    await type(page, '#heightIn', '68');
    await press(page, 'Save and go to the bench');
    await see(page, 'No swing yet');
  });
  afterAll(async () => {
    await program.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  const CLIPS_REFUSED: readonly [what: string, name: string, make: () => Buffer, says: string][] = [
    ['text with a video’s name', 'notes.mp4', () => Buffer.from('hello '.repeat(400)), 'not a video'],
    ['an empty file', 'empty.mp4', () => Buffer.alloc(0), 'empty'],
    ['a clip cut off', 'cut.mp4', () => good.subarray(0, good.length * 0.6), 'breaks off'],
    ['a clip over the limit', 'big.mp4', () => Buffer.concat([good, Buffer.alloc(2_000_000)]), '1 MB'],
  ];

  it.each(CLIPS_REFUSED)(
    '%s is refused with what to do, and nothing is kept',
    async (_, name, make, says) => {
      await page.reload();
      await chooseFile(page, '[data-testid="file-face_on"]', file(name, make()));
      await page.waitForSelector('[role="alert"]');
      const said = await page.$eval('[role="alert"]', (e) => (e as HTMLElement).innerText);
      expect(said.toLowerCase()).toContain(says.toLowerCase());
      expect(said.length).toBeGreaterThan(30);
      const kept = readdirSync(join(program.dataDir, 'clips'), { recursive: true }).filter((f) =>
        /\.(mp4|mov|webm|part)$/.test(String(f)),
      );
      expect(kept).toEqual([]);
    },
  );

  it('a good clip is still taken after all that', async () => {
    await page.reload();
    await chooseFile(page, '[data-testid="file-face_on"]', join(CLIPS, 'wren.face_on.mp4'));
    await see(page, 'Stick ends');
  });

  it('a lesson in the past is named as such', async () => {
    await page.goto(page.url().replace(/\/bench.*$/, '/intake'));
    await type(page, '#nextLesson', '2020-01-05');
    await press(page, 'Save');
    await page.waitForFunction(() => document.querySelector('[role="alert"]'));
    expect(await page.$eval('[role="alert"]', (e) => (e as HTMLElement).innerText)).toMatch(/gone by/);
  });

  it('a private link that is wrong or closed says what to do', async () => {
    const student = /students\/([0-9a-f-]+)/.exec(page.url())?.[1];
    await page.goto(`${program.url}/p/not-a-link`);
    await see(page, 'link');
    expect(await page.$eval('[role="alert"]', (e) => (e as HTMLElement).innerText)).toMatch(/coach/);
    await page.goto(`${program.url}/students/${student}/checkins`);
    await press(page, 'Make a private link');
    const input = await page.waitForSelector('[data-testid="private-link"]');
    const address = await input?.evaluate((e) => (e as HTMLInputElement).value);
    await see(page, 'Close it');
    await press(page, 'Close it');
    await see(page, 'No link is open.');
    const phone = await program.page(390, 844);
    await phone.goto(String(address));
    await phone.waitForSelector('[role="alert"]');
    expect(await phone.$eval('[role="alert"]', (e) => (e as HTMLElement).innerText)).toMatch(/closed/);
  });
});
