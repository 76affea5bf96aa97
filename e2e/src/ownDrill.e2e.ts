import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { enterDemo } from './demo.ts';
import { press, see, story, textOf, type } from './hands.ts';
import { type Program, startProgram } from './program.ts';

/** From a diagnosis to a printed card with an edited drill on it, and a rule overruled with a reason. */
describe('a drill of the coach’s own', () => {
  const step = story(it);
  let program: Program;
  let page: Page;
  let gus: string;

  beforeAll(async () => {
    program = await startProgram({ demo: true });
    page = await program.page();
    gus = (await enterDemo(page, program.url))('Gus');
  });
  afterAll(() => program.stop());

  step('a built-in drill is copied, changed with the card drawn beside it, and kept', async () => {
    await page.goto(`${program.url}/library/fist_from_wall`);
    await press(page, 'Copy and change', 'link');
    await see(page, 'As the student sees it');
    await type(page, '#name', 'Two fists from the wall');
    await type(page, '#distance-1', '-2');
    await see(page, 'would come to');
    await type(page, '#distance-1', '8');
    await see(page, 'Nothing speaks against it');
    await page.locator('input[name="replaces"]').click();
    await press(page, 'Keep this drill');
    await see(page, 'your own, after “A fist from the wall”, in its place');
  });

  step('the match offers it to the next student in place of the old one', async () => {
    await page.goto(`${program.url}/students/${gus}/drills`);
    await see(page, 'Two fists from the wall');
    expect(await textOf(page, 'main')).not.toContain('A fist from the wall');
  });

  step('a rule is overruled only with a reason; the plan and the thread keep both', async () => {
    // His own drill stays; whatever was proposed beside it makes room.
    const others = await page.$$(
      '[data-testid^="drill-"]:not([data-testid="drill-own_two_fists_from_the_wall"]) > header button[aria-pressed="true"]',
    );
    for (const other of others) await other.click();
    const own = await page.$(
      '[data-testid="drill-own_two_fists_from_the_wall"] > header button[aria-pressed="false"]',
    );
    await own?.click();
    await press(page, 'Use all the same');
    await see(page, 'Overruled');
    const taken = () => page.$eval('.sticky button.btn-primary', (b) => (b as HTMLButtonElement).disabled);
    const chosen = await textOf(page, '.sticky');
    expect(chosen).toContain(' and ');
    expect(await taken()).toBe(true);
    await type(page, 'input[aria-label="Why you overrule the rule"]', 'he has borrowed one');
    expect(await taken()).toBe(false);
    await press(page, 'Take into use, lay out the plan');
    await see(page, 'Gate out of');
    await page.goto(`${program.url}/students/${gus}`);
    await see(page, 'Two fists from the wall');
  });

  step('the printed card is a page of PDF with the drill’s own name and distance', async () => {
    const url = `/api/students/${gus}/card.pdf?drill=own_two_fists_from_the_wall&units=in`;
    const head = await page.evaluate(
      (u) => fetch(u).then(async (r) => [r.headers.get('content-type'), (await r.text()).slice(0, 5)]),
      url,
    );
    expect(head).toEqual(['application/pdf', '%PDF-']);
  });

  step('the file of own drills holds it, as the open format says', async () => {
    const file = (await page.evaluate(() => fetch('/api/library/export.json').then((r) => r.json()))) as {
      format: string;
      drills: { words: { name: string } }[];
    };
    expect(file.format).toBe('inchstep.drills/1');
    expect(file.drills.map((d) => d.words.name)).toEqual(['Two fists from the wall']);
  });
});
