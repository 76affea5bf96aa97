import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { enterDemo } from './demo.ts';
import { focused, press, see, seriousFindings } from './hands.ts';
import { type Program, startProgram } from './program.ts';

/** Each screen with the demo data behind it, as axe and as a keyboard see it. */
describe('screens of the demo', () => {
  const backups = mkdtempSync(join(tmpdir(), 'inchstep-backups-'));
  let program: Program;
  let page: Page;
  let idOf: (name: string) => string;

  beforeAll(async () => {
    program = await startProgram({ demo: true, env: { BACKUP_DIR: backups } });
    page = await program.page();
    idOf = await enterDemo(page, program.url);
  });
  afterAll(async () => {
    await program.stop();
    rmSync(backups, { recursive: true, force: true });
  });

  const SCREENS: readonly [name: string, of: string | null, path: string, shows: string][] = [
    ['today', null, '/', 'Pain reported'],
    ['roster', null, '/students', 'Wren Oyelaran'],
    ['a new student', null, '/students/new', 'Save and go to the bench'],
    ['a student', 'Priya', '', 'Where it stands'],
    ['the lesson', 'Hanne', '/lesson', 'Why we are here'],
    ['intake', 'Odette', '/intake', 'Safety'],
    ['the swings', 'Priya', '/bench', 'New swing'],
    ['reasons', 'Kofi', '/diagnosis', 'Would explain'],
    ['drill', 'Gus', '/drills', 'Not offered'],
    ['ladder', 'Priya', '/ladder', 'Days'],
    ['review', 'Mei', '/checkins', 'What changed'],
    ['progress', 'Hanne', '/progress', 'Where it holds'],
    ['the report', 'Hanne', '/report?for=coach', 'What lasts'],
    ['where everybody stands', null, '/everybody', 'Time to each gate'],
    ['the library', null, '/library', 'Knee swap'],
    ['a drill’s page', null, '/library/kiss_the_post', 'Overdone, makes'],
    ['the drill editor', null, '/library/kiss_the_post/edit', 'Nothing speaks against it'],
    ['a new drill', null, '/library/new/edit', 'Before it can be kept'],
    ['schools and bands', null, '/schools', 'What it teaches'],
    ['data and devices', null, '/data', 'Back up now'],
    ['a place that is not', null, '/nowhere', 'Inch Step'],
  ];

  it.each(SCREENS)(
    '%s has no serious axe finding, light or dark, and fits a phone',
    async (_, of, path, shows) => {
      await page.goto(`${program.url}${of ? `/students/${idOf(of)}` : ''}${path}`);
      await see(page, shows);
      const light = await seriousFindings(page);
      await press(page, 'Dark theme for the studio');
      const dark = await seriousFindings(page);
      // Back before anything is judged: one screen's finding is not the next one's.
      await press(page, 'Light theme for glare');
      await page.setViewport({ width: 390, height: 844 });
      const widthPx = await page.evaluate(
        () => new Promise((done) => requestAnimationFrame(() => done(document.documentElement.scrollWidth))),
      );
      await page.setViewport({ width: 1280, height: 800 });
      expect({ light, dark }).toEqual({ light: [], dark: [] });
      expect(widthPx).toBeLessThanOrEqual(390);
    },
  );

  it('the bench has none either, with a clip, marks and measures on it', async () => {
    await page.goto(`${program.url}/students/${idOf('Priya')}/bench`);
    await see(page, 'Face-on and Down the line');
    await page.locator('li a[href*="/bench/"]').click();
    await see(page, 'Stick ends');
    expect(await seriousFindings(page)).toEqual([]);
    for (const tab of ['Floor', 'Front', 'Side', 'Camera', 'Tapes']) {
      await press(page, tab, 'tab');
      expect(await seriousFindings(page)).toEqual([]);
    }
  });

  it('the student’s page has none at phone size', async () => {
    const link = await page.evaluate(
      (id) =>
        fetch(`/api/students/${id}/links`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', 'x-inchstep': '1' },
          body: '{"days":3}',
        }).then((r) => r.json()),
      idOf('Gus'),
    );
    const phone = await program.page(390, 844);
    await phone.goto(`${program.url}/p/${(link as { token: string }).token}`);
    await see(phone, 'Gus’s practice');
    expect(await seriousFindings(phone)).toEqual([]);
    const wide = await phone.evaluate(() => document.documentElement.scrollWidth);
    expect(wide).toBeLessThanOrEqual(390);
    // Asked for once, and before the script that shows it had come.
    const [asked, ...again] = await phone.evaluate(() =>
      (performance.getEntriesByType('resource') as PerformanceResourceTiming[])
        .filter(({ name }) => /\/api\/page\/[^/]+$/.test(name))
        .map(({ initiatorType }) => initiatorType),
    );
    expect([asked, again.length]).toEqual(['link', 0]);
    await phone.close();
  });

  it('the keyboard alone goes everywhere: palette, rooms, list of keys', async () => {
    await page.bringToFront();
    await page.goto(program.url);
    await see(page, 'Pain reported');
    await page.keyboard.press('Tab');
    expect(await focused(page)).toBe('Skip to the page');
    await page.keyboard.down('Control');
    await page.keyboard.press('k');
    await page.keyboard.up('Control');
    await page.waitForSelector('[cmdk-input]:focus');
    await page.keyboard.type('kofi');
    await page.waitForFunction(() =>
      document.querySelector('[cmdk-item][data-selected="true"]')?.textContent?.includes('Kofi'),
    );
    await page.keyboard.press('Enter');
    await see(page, 'Where it stands');
    expect(page.url()).toContain(idOf('Kofi'));
    await page.keyboard.down('Shift');
    await page.keyboard.press('Slash');
    await page.keyboard.up('Shift');
    await page.waitForSelector('dialog[open]');
    await page.keyboard.press('Escape');
    await page.keyboard.press('g');
    await page.keyboard.press('r');
    await see(page, 'Wren Oyelaran');
  });

  it('threw no error on the way', () => {
    expect(program.complaints).toEqual([]);
  });
});
