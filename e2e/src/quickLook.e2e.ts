import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { enterDemo } from './demo.ts';
import { focused, press, see, seriousFindings, story, textOf } from './hands.ts';
import { type Program, startProgram } from './program.ts';

/** A diagnosis begun in the bay with no clip, by pointer and by keys alone; sharpened, overruled, undone. */
describe('a quick look', () => {
  const step = story(it);
  let program: Program;
  let page: Page;
  let wren: string;
  let priya: string;

  beforeAll(async () => {
    program = await startProgram({ demo: true });
    page = await program.page();
    const idOf = await enterDemo(page, program.url);
    wren = idOf('Wren');
    priya = idOf('Priya');
  });
  afterAll(() => program.stop());

  const firstRoot = () =>
    page.$eval('[data-testid^="root-"]', (e) => (e as HTMLElement).dataset.testid?.slice('root-'.length));

  step('by keys alone: letters, Enter, Enter', async () => {
    await page.goto(`${program.url}/students/${wren}/diagnosis`);
    await see(page, 'No diagnosis of this yet');
    await page.focus('input[aria-label="Find a look"]');
    await page.keyboard.type('lead knee fell in');
    await page.keyboard.press('Enter');
    await page.keyboard.type('past level');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => document.querySelectorAll('button[aria-label$=": seen"]').length === 2);
    await page.focus('button.btn-lg');
    await page.keyboard.press('Enter');
    await page.waitForSelector('[data-testid^="root-"]');
    expect(await firstRoot()).toBe('lead_knee_collapse');
  });

  step('the odds on the card add up to what it says', async () => {
    const text = await textOf(page, '[data-testid="odds"]');
    const [start, plus, minus, rest, all] = (text.match(/[+−][\d.]+/g) ?? []).map((n) =>
      Number(n.replace('−', '-')),
    ) as [number, number, number, number, number];
    expect(start + plus + minus + rest).toBeCloseTo(all, 0);
    const chance = 1 / (1 + Math.exp(-all));
    const said = Number(/which is (?:over )?(\d+) %/.exec(text)?.[1]) / 100;
    expect(Math.abs(chance - said)).toBeLessThan(0.03);
  });

  step('three next looks at most, each with its cost', async () => {
    const looks = await page.$$eval('section[aria-label="Next look"] li', (all) =>
      all.map((e) => e.textContent ?? ''),
    );
    expect(looks.length).toBeGreaterThan(0);
    expect(looks.length).toBeLessThanOrEqual(3);
    for (const look of looks) expect(look).toMatch(/about \d+ s, \d\.\d\d bits/);
  });

  step('a finding held to be wrong counts for nothing until it is counted again', async () => {
    await press(page, 'Not so: lead knee fell in toward the trail knee');
    await see(page, 'Set aside as wrong');
    await page.waitForFunction(() => !document.querySelector('[data-testid="root-lead_knee_collapse"]'));
    await press(page, 'Count it again');
    await page.waitForSelector('[data-testid="root-lead_knee_collapse"]');
  });

  step('sharpened by a measured swing: what was measured is no longer asked of the eye', async () => {
    await page.goto(`${program.url}/students/${priya}/diagnosis`);
    await see(page, 'What is known');
    await page.waitForFunction(
      () => !document.querySelector('button[aria-label^="lead knee fell in toward"]'),
    );
    await press(page, 'Diagnose again');
    await see(page, 'Since the diagnosis');
  });

  step('overruled with a note, kept through the next diagnosis, and taken back', async () => {
    await press(page, 'Choose instead');
    await press(page, 'Chosen');
    await page
      .locator('input[aria-label="Why you choose differently"]')
      .fill('The turn is what she can feel.');
    await press(page, 'Work on this, find the drill');
    await see(page, 'For “Hips over-turn”');
    await page.goto(`${program.url}/students/${priya}/diagnosis`);
    await press(page, 'Diagnose again');
    await see(page, 'Your choice stands: Hips over-turn.');
    await see(page, 'The turn is what she can feel.');
    await press(page, 'Take the program’s');
    await see(page, 'Work on: Lead knee falls in');
  });

  step('the chain board lights what a root would explain, by keys', async () => {
    await press(page, 'Chain board', 'tab');
    await see(page, 'would explain');
    await page.waitForSelector('g[role="button"]');
    for (let i = 0; i < 60 && !(await focused(page)).startsWith('Hips over-turn'); i++)
      await page.keyboard.press('Tab');
    await page.keyboard.press('Enter');
    await see(page, 'Hips over-turn would explain');
    expect(await seriousFindings(page)).toEqual([]);
  });

  step('threw no error on the way', () => {
    expect(program.complaints).toEqual([]);
  });
});
