import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { enterDemo } from './demo.ts';
import { chooseFile, press, see, seriousFindings, story } from './hands.ts';
import { type Program, startProgram } from './program.ts';
import { filesOf, grown, packed } from './siege/archives.ts';

/** The coach keeps, moves and forgets a record on the screen, with the program behind it. */
describe('data and devices', () => {
  const step = story(it);
  const folder = mkdtempSync(join(tmpdir(), 'inchstep-data-'));
  let program: Program;
  let page: Page;
  let wren: string;

  beforeAll(async () => {
    program = await startProgram({ demo: true, env: { BACKUP_DIR: join(folder, 'backups') } });
    page = await program.page();
    wren = (await enterDemo(page, program.url))('Wren');
  });
  afterAll(async () => {
    await program.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  step(
    'by keys to the screen; a backup is made, read back whole, and everything is found whole',
    async () => {
      await page.goto(program.url);
      await see(page, 'Pain reported');
      await page.keyboard.press('g');
      await page.keyboard.press('d');
      await see(page, 'What is kept here');
      await see(page, 'Back up now');
      await page.waitForFunction(() => !document.querySelector('progress'));
      await press(page, 'Back up now');
      await see(page, 'read back whole');
      await page.waitForFunction(() => !document.querySelector('progress'));
      await press(page, 'Look through everything');
      await see(page, 'all whole');
      expect(
        readdirSync(join(folder, 'backups')).filter((name) => name.endsWith('.zip')).length,
      ).toBeGreaterThan(0);
    },
  );

  step('one student’s ZIP comes out; taken in where the student is, it is refused in words', async () => {
    await page.goto(`${program.url}/data?student=${wren}`);
    await see(page, 'Export as ZIP');
    const bytes = await page.evaluate(async () => {
      const link = document.querySelector('a[href$="/export.zip"]') as HTMLAnchorElement;
      const answer = await fetch(link.href);
      return [...new Uint8Array(await answer.arrayBuffer())];
    });
    expect(String.fromCharCode(...bytes.slice(0, 2))).toBe('PK');
    writeFileSync(join(folder, 'wren.zip'), Buffer.from(bytes));
    await chooseFile(page, 'input[type="file"][accept*="zip"]', join(folder, 'wren.zip'));
    await see(page, 'This student is here already.');
  });

  step('a record from elsewhere is shown first, and is here on the coach’s word', async () => {
    const other = join(folder, 'other.zip');
    writeFileSync(other, await packed(grown(await filesOf(join(folder, 'wren.zip')), 2)));
    const students = () =>
      page.evaluate(async () => ((await (await fetch('/api/students')).json()) as unknown[]).length);
    const before = await students();
    await chooseFile(page, 'input[type="file"][accept*="zip"]', other);
    await see(page, 'This file is complete');
    expect(await students()).toBe(before);
    expect(await seriousFindings(page)).toEqual([]);
    await press(page, 'Cancel import');
    await chooseFile(page, 'input[type="file"][accept*="zip"]', other);
    await see(page, 'Nothing has been imported yet.');
    await page.locator('::-p-text(Import Wren)').click();
    await see(page, 'was imported.');
    expect(await students()).toBe(before + 1);
  });

  step('erasing is asked for, counts down, and is taken back', async () => {
    await press(page, 'Erase this student …');
    await see(page, 'Wren Oyelaran goes from this program');
    await press(page, 'Erase in 10 minutes');
    await see(page, 'To be erased');
    await see(page, '9:5');
    await press(page, 'Take back');
    await page.waitForFunction(() => !document.body.innerText.includes('To be erased'));
    await page.goto(`${program.url}/students`);
    await see(page, 'Wren Oyelaran');
  });

  step('every other session is ended with one press', async () => {
    const other = await program.page();
    await enterDemo(other, program.url);
    await page.goto(`${program.url}/data`);
    await press(page, 'End all others');
    await page.waitForFunction(() => !document.body.innerText.includes('End all others'));
    await other.goto(program.url);
    await see(other, 'The record of your students is behind this door.');
    await other.close();
    await page.bringToFront();
    await see(page, 'this one');
  });

  it('threw no error on the way', () => {
    expect(program.complaints).toEqual([]);
  });
});
