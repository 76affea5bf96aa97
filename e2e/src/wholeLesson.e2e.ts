import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { enterDemo } from './demo.ts';
import { beginKey, focused, press, see, seePart, seriousFindings, story, textOf } from './hands.ts';
import { type Program, startProgram } from './program.ts';
import { bringIn } from './takes.ts';

/** How the coach works the screen. */
interface Hand {
  readonly name: string;
  readonly size: readonly [number, number];
  press(page: Page, name: string): Promise<void>;
  part(page: Page, number: string, name: string): Promise<void>;
  count(page: Page, times: number): Promise<void>;
  choose(page: Page, label: string, value: string): Promise<void>;
}

const selectOf = (page: Page, label: string) =>
  seePart(page, `::-p-aria([name="${label}"][role="combobox"])`);

/** Nothing but the keyboard: what is to be pressed is reached by Tab. */
const KEYS: Hand = {
  name: 'by keys alone at 1280 x 800',
  size: [1280, 800],
  press: async (page, name) => {
    await page.waitForFunction(
      (wanted) =>
        [...document.querySelectorAll('button, a')].some(
          (e) =>
            (e.getAttribute('aria-label') ?? (e as HTMLElement).innerText).trim() === wanted &&
            !(e as HTMLButtonElement).disabled,
        ),
      {},
      name,
    );
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    for (let i = 0; i < 150 && (await focused(page)).trim() !== name; i++) await page.keyboard.press('Tab');
    expect((await focused(page)).trim()).toBe(name);
    await page.keyboard.press('Enter');
  },
  part: async (page, number) => {
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await page.keyboard.press(number as '1');
  },
  count: async (page, times) => {
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    for (let i = 0; i < times; i++) await page.keyboard.press('p');
  },
  choose: async (page, label, value) => {
    const now = async () => (await selectOf(page, label)).evaluate((e) => (e as HTMLSelectElement).value);
    const select = await selectOf(page, label);
    const down = await select.evaluate((e, wanted) => {
      const list = e as HTMLSelectElement;
      return [...list.options].findIndex((option) => option.value === wanted) - list.selectedIndex;
    }, value);
    await select.focus();
    // Opened, gone down in, and taken.
    await page.keyboard.press('Space');
    for (let i = 0; i < down; i++) await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    expect(await now()).toBe(value);
  },
};

/** A tablet held upright, and a finger. */
const FINGER: Hand = {
  name: 'on a tablet held upright',
  size: [820, 1180],
  press,
  part: (page, _, name) => press(page, name),
  count: async (page, times) => {
    for (let i = 0; i < times; i++) await press(page, 'Counted');
  },
  choose: async (page, label, value) => {
    const select = await selectOf(page, label);
    await select.evaluate((e, wanted) => {
      const set = Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value')?.set;
      set?.call(e, wanted);
      e.dispatchEvent(new Event('change', { bubbles: true }));
    }, value);
  },
};

/** The hour from the brief to the dated plan; the camera is a stand-in that brings its clips in. */
describe.each([KEYS, FINGER])('a whole lesson, $name', (hand) => {
  const step = story(it);
  let program: Program;
  let page: Page;
  let priya: string;

  beforeAll(async () => {
    program = await startProgram({ demo: true });
    page = await program.page(...hand.size);
    priya = (await enterDemo(page, program.url))('Priya');
    await page.goto(`${program.url}/students/${priya}/lesson`);
  });
  afterAll(() => program.stop());

  const wide = () => page.evaluate(() => document.documentElement.scrollWidth);

  step('the brief, and the beginning', async () => {
    await see(page, 'Why we are here');
    await see(page, 'First three swings before any word');
    expect(await wide()).toBe(hand.size[0]);
    await hand.press(page, await beginKey(page));
    await see(page, 'Going on for');
  });

  step('three swings before any cue', async () => {
    await hand.part(page, '2', 'Film');
    const ids: string[] = [];
    for (let i = 0; i < 3; i++) ids.push(await bringIn(page, priya, 'priya-then.face_on.mp4'));
    await see(page, 'Take 3');
    const swings = (await page.evaluate(
      (id) => fetch(`/api/students/${id}/swings`).then((r) => r.json()),
      priya,
    )) as { id: string; cue: string | null }[];
    const cues = swings.filter(({ id }) => ids.includes(id)).map(({ cue }) => cue);
    expect(cues).toEqual(['before', 'before', 'before']);
    // Reading them has a story of its own; this device leaves them to another.
    await see(page, 'this device doesn’t read by itself');
    expect(await wide()).toBe(hand.size[0]);
  });

  step('what it felt like, before anybody sees the tape', async () => {
    await hand.part(page, '3', 'Felt');
    await see(page, 'Asked before the tape is shown');
    expect(await page.$('[data-testid^="measure-"]')).toBeNull();
    await hand.press(page, 'It stayed still');
    await see(page, 'the answer waits for it');
    expect(await seriousFindings(page)).toEqual([]);
  });

  step('a decision in one press', async () => {
    await hand.part(page, '4', 'Decide');
    await see(page, 'Drills that fit');
    await hand.press(page, 'Take into use');
    await see(page, 'In use. The ladder lays its plan.');
  });

  step('two checkpoints of the drill: the next is offered when the first holds', async () => {
    await hand.part(page, '5', 'Count');
    const asks = () => textOf(page, 'section[aria-label^="Counting"] p:nth-of-type(2)');
    await seePart(page, 'section[aria-label^="Counting"]');
    const first = await asks();
    await hand.count(page, 8);
    await hand.press(page, 'This checkpoint holds. Add the next one');
    await page.waitForFunction(
      (was) =>
        document.querySelector('section[aria-label^="Counting"] p:nth-of-type(2)')?.textContent !== was,
      {},
      first,
    );
    expect(await asks()).not.toBe(first);
    await hand.count(page, 1);
  });

  step('a test at full speed, seen live, takes the rungs below as passed', async () => {
    await hand.choose(page, 'On', 'full');
    await see(page, 'Test at full speed');
    await hand.count(page, 7);
    await hand.press(page, 'Log this set');
    await hand.press(page, 'Count them as passed anyway');
    await hand.press(page, 'seen it live');
    await see(page, 'The stages below count as passed');
  });

  step('the summary of what happened goes out, and the plan that follows stands', async () => {
    await hand.part(page, '6', 'After');
    const field = await seePart(page, 'textarea[aria-label="Summary"]');
    const draft = await field.evaluate((e) => (e as HTMLTextAreaElement).value);
    expect(draft).toMatch(/full.*7 of 7|7 of 7.*full/i);
    await hand.press(page, 'Send, and end the lesson');
    await see(page, 'Sent.');
    expect(await wide()).toBe(hand.size[0]);
    await page.goto(`${program.url}/students/${priya}/ladder`);
    await see(page, 'The weeks ahead');
    const here = await page.$$eval('li[aria-current="step"]', (all) => all.map((li) => li.textContent));
    expect(here.join()).toContain('Clubs');
    expect(program.complaints).toEqual([]);
  });
});
