import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { enterDemo } from './demo.ts';
import { chooseFile, press, see, seriousFindings, story, textOf } from './hands.ts';
import { type Program, ROOT, startProgram } from './program.ts';

/** What other devices saw, the network's proposals, and two swings beside each other: on the built program. */
describe('more eyes than the coach’s', () => {
  const step = story(it);
  let program: Program;
  let page: Page;
  let wren: string;
  let priya: string;
  const folder = mkdtempSync(join(tmpdir(), 'inchstep-devices-'));
  const file = (name: string) => join(folder, name);

  beforeAll(async () => {
    const ask = '{"seed":11,"faults":{"sway":2},"track":true,"pressure":true,"shots":15}';
    const { stdout } = spawnSync('node', ['dist/cli.js', 'simulate', '-'], {
      cwd: ROOT,
      input: ask,
      encoding: 'utf8',
      maxBuffer: 1e8,
      env: { ...process.env, NODE_OPTIONS: '' },
    });
    const made = JSON.parse(stdout) as { shots: string; swings: { track: string; pressure: string }[] };
    writeFileSync(file('motion.csv'), made.swings[0]?.track ?? '');
    writeFileSync(file('mat.csv'), made.swings[0]?.pressure ?? '');
    writeFileSync(file('bay.csv'), made.shots);
    writeFileSync(file('broken.csv'), made.shots.replace(/\n3,[^\n]*/, '\n3,far,,,,,,,,'));
    program = await startProgram({ demo: true });
    page = await program.page();
    const idOf = await enterDemo(page, program.url);
    [wren, priya] = [idOf('Wren'), idOf('Priya')];
  });
  afterAll(async () => {
    await program.stop();
    rmSync(folder, { recursive: true, force: true });
  });
  const openClip = async (student: string) => {
    await page.goto(`${program.url}/students/${student}/bench`);
    await page.locator('li a[href*="/bench/"]::-p-text(Face-on)').click();
    await page.waitForSelector('[data-testid="pane-face_on"]');
  };

  step('shots with a bad row are refused by row and column, nothing is kept', async () => {
    await page.goto(`${program.url}/students/${wren}/bench`);
    await chooseFile(page, '[data-testid="bring-in"]', file('broken.csv'));
    await press(page, 'Bring in 15 shots');
    await see(page, 'Row 4 holds “far” under low point (in)');
    expect(await textOf(page, 'main')).not.toContain('the shots show it');
    await press(page, 'Leave it');
  });

  step('good shots are brought in, and say what they show', async () => {
    await chooseFile(page, '[data-testid="bring-in"]', file('bay.csv'));
    await press(page, 'Bring in 15 shots');
    await see(page, '15 shots from bay.csv');
    await see(page, 'low point behind the ball: the shots show it');
    expect(await seriousFindings(page)).toEqual([]);
  });

  step('the diagnosis takes over what the shots say', async () => {
    await page.goto(`${program.url}/students/${wren}/diagnosis`);
    await press(page, 'Take over what the shots say');
    await see(page, 'Taken over');
  });

  step('motion becomes a swing that is scrubbed in time and measured', async () => {
    await page.goto(`${program.url}/students/${wren}/bench`);
    await chooseFile(page, '[data-testid="bring-in"]', file('motion.csv'));
    await see(page, 'Tempo');
    await see(page, 'Shift at the top');
    expect(await seriousFindings(page)).toEqual([]);
    const before = await page.$eval('figure svg', (svg) => svg.getAttribute('aria-label'));
    await page.focus('input[aria-label="Time in the swing"]');
    for (let i = 0; i < 30; i++) await page.keyboard.press('ArrowRight');
    expect(await page.$eval('figure svg', (svg) => svg.getAttribute('aria-label'))).not.toBe(before);
  });

  step('pressure is laid over the stations of a clip', async () => {
    await openClip(priya);
    const pressed = () => page.$('[data-testid="pressure-stations"]');
    if (!(await pressed())) await chooseFile(page, '[data-testid="pressure-file"]', file('mat.csv'));
    await page.waitForSelector('[data-testid="pressure-stations"]');
    expect(await textOf(page, '[data-testid="pressure-stations"]')).toMatch(/Top \(T\) \d+ % lead/);
  });

  step('the body inside its bands lies over clip and strips, by one key', async () => {
    await press(page, 'Front', 'tab');
    await page.keyboard.press('h');
    await page.waitForSelector('[data-look="target"]');
    await page.waitForFunction(() => document.querySelectorAll('[data-testid="ghost"] line').length > 10);
    for (const tab of ['Side', 'Floor']) {
      await press(page, tab, 'tab');
      await page.waitForSelector('[data-look="target"]');
      expect(await seriousFindings(page)).toEqual([]);
    }
  });

  step('the network proposes, is stopped, proposes again, and is refused in one step', async () => {
    await openClip(wren);
    await press(page, 'Propose stations and marks, face-on');
    await page.waitForSelector('progress');
    await press(page, 'Stop');
    await page.waitForFunction(() => !document.querySelector('progress'), { timeout: 60_000 });
    expect(await page.$('[data-testid="proposed-count"]')).toBeNull();
    await press(page, 'Propose stations and marks, face-on');
    await page.waitForSelector('[data-testid="proposed-count"]', { timeout: 120_000 });
    const count = Number.parseInt(await textOf(page, '[data-testid="proposed-count"]'), 10);
    expect(count).toBeGreaterThan(40);
    expect(await seriousFindings(page)).toEqual([]);
    await press(page, 'Refuse them');
    await page.waitForFunction(() => !document.querySelector('[data-testid="proposed-count"]'));
  });

  step('two swings are compared, laid over each other, and saved as picture and clip', async () => {
    const down = await page.createCDPSession();
    await down.send('Page.setDownloadBehavior', { behavior: 'allow', downloadPath: folder });
    await page.goto(`${program.url}/students/${priya}/compare`);
    await see(page, 'What differs');
    await page.waitForSelector('#pair[aria-label^="Then"]');
    expect(await seriousFindings(page)).toEqual([]);
    await press(page, 'Top');
    await see(page, 'What differs at top');
    await page.keyboard.press('o');
    await press(page, 'Picture (PNG)');
    await press(page, 'Clip (WebM)');
    await page.waitForSelector('progress');
    await page.waitForFunction(() => !document.querySelector('progress'), { timeout: 90_000 });
    const saved = () => readdirSync(folder).filter((name) => /\.(png|webm)$/.test(name));
    for (let i = 0; i < 40 && saved().length < 2; i++) await new Promise((done) => setTimeout(done, 250));
    const bytes = (ending: string) => readFileSync(file(saved().find((n) => n.endsWith(ending)) ?? ''));
    expect(bytes('.png').subarray(1, 4).toString()).toBe('PNG');
    expect(bytes('.webm').readUInt32BE(0)).toBe(0x1a45dfa3);
    expect(bytes('.webm').length).toBeGreaterThan(100_000);
  });

  step('threw no error on the way', async () => {
    expect(program.complaints.filter((c) => !c.includes('/shots'))).toEqual([]);
  });
});
