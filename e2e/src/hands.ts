import { deepStrictEqual } from 'node:assert';
import { isDeepStrictEqual } from 'node:util';
import axe from 'axe-core';
import type { ElementHandle, Page } from 'puppeteer-core';

/** So long a hand stays on one thing before it looks again for what is to be pressed. */
const LOOK_AGAIN_MS = 10_000;

/**
 * What a person does: presses what is named, types into what is labelled, reads what stands there. A thing that was drawn
 * anew while the hand waited for it is looked for again: the one that was found never comes to be pressed.
 */
export async function press(page: Page, name: string, role = 'button'): Promise<void> {
  const until = Date.now() + page.getDefaultTimeout();
  const selector = `::-p-aria([name="${name}"][role="${role}"])`;
  let reached = false;
  for (;;) {
    try {
      const locator = page.locator(selector).setTimeout(LOOK_AGAIN_MS);
      await locator.map(uncovered).setTimeout(LOOK_AGAIN_MS).wait();
      reached = true;
      await locator.click();
      return;
    } catch {
      // Pressed while the page was too busy to say so: what it did has taken it away.
      if (reached && (await page.$(selector)) === null) return;
      if (Date.now() >= until) throw await withPicture(page, `nothing to press is called “${name}”`);
    }
  }
}

/** Begins a lesson in the bay, whether one was agreed for today or not. */
export async function beginLesson(page: Page): Promise<void> {
  await press(page, await beginKey(page));
}

/** What the key that begins a lesson says: it names the lesson that was agreed for today. */
export async function beginKey(page: Page): Promise<string> {
  const found = await page.waitForFunction(() =>
    [...document.querySelectorAll('button')]
      .map((button) => button.textContent?.trim() ?? '')
      .find((text) => text.startsWith('Start today’s') || text === 'Begin, in the bay'),
  );
  return (await found.jsonValue()) as string;
}

/** Runs in the page: scrolls what a bar lies over into the open, where a finger could reach it. */
function uncovered(element: Element): boolean {
  const { x, y, width, height } = element.getBoundingClientRect();
  const there = document.elementFromPoint(x + width / 2, y + height / 2);
  if (!there || (there !== element && !element.contains(there))) element.scrollIntoView({ block: 'center' });
  return true;
}

/** Presses the first thing whose text contains these words. */
export const pressText = (page: Page, text: string): Promise<void> =>
  page.locator(`::-p-text(${text})`).click();

export const type = (page: Page, selector: string, text: string): Promise<void> =>
  page.locator(selector).fill(text);

/** Waits for words on the page; where they don't come, the error says what stood there instead. */
export async function see(page: Page, text: string): Promise<void> {
  try {
    await page.waitForFunction((wanted) => document.body.innerText.includes(wanted), {}, text);
  } catch {
    throw await withPicture(page, `“${text}” did not show`);
  }
}

/** Waits for a part of the page; where it doesn't come, the error says what stood there instead. */
export async function seePart(page: Page, selector: string): Promise<ElementHandle<Element>> {
  const found = await page.waitForSelector(selector).catch(() => null);
  if (!found) throw await withPicture(page, `no “${selector}” came`);
  return found;
}

/** An error that says what stood on the page; E2E_PICTURE names a PNG to keep of it. */
async function withPicture(page: Page, what: string): Promise<Error> {
  const shown = await page.evaluate(() => document.body.innerText);
  if (process.env.E2E_PICTURE) await page.screenshot({ path: process.env.E2E_PICTURE as `${string}.png` });
  return new Error(`${what} on ${page.url()}; it shows:\n${shown.slice(0, 1500)}`);
}

export const textOf = (page: Page, selector: string): Promise<string> =>
  page.$eval(selector, (element) => (element as HTMLElement).innerText);

export async function chooseFile(page: Page, selector: string, path: string): Promise<void> {
  const input = (await page.waitForSelector(selector)) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(path);
}

export interface Complaint {
  readonly id: string;
  readonly impact: string;
  readonly where: string;
}

/** Serious and critical findings of axe on what the page shows now. */
export async function seriousFindings(page: Page): Promise<Complaint[]> {
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(axe.source);
  return page.evaluate(async () => {
    // Colours on their way from one theme to the other are nobody's to read: wait until they stand.
    const changing = () => document.getAnimations().filter((a) => a instanceof CSSTransition);
    while (changing().length > 0) await Promise.allSettled(changing().map((a) => a.finished));
    const tool = (globalThis as unknown as { axe: typeof axe }).axe;
    // Every rule there is, the new and the strict ones among them; what passes needn't be gathered.
    const { violations } = await tool.run(document, { resultTypes: ['violations'] });
    return violations
      .filter((v) => v.impact === 'serious' || v.impact === 'critical')
      .map((v) => ({
        id: v.id,
        impact: String(v.impact),
        where: v.nodes
          .slice(0, 3)
          .map((n) => n.html.slice(0, 160))
          .join(' | '),
      }));
  });
}

/** What has the focus, by its accessible text. */
export const focused = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const at = document.activeElement;
    return at?.getAttribute('aria-label') ?? (at as HTMLElement | null)?.innerText ?? at?.textContent ?? '';
  });

/** Tests of one story: after a step that failed the others fail at once instead of waiting in vain. */
export function story(it: (name: string, test: () => Promise<void>) => void) {
  let stoppedAt: string | null = null;
  return (name: string, test: () => Promise<void> | void): void =>
    it(name, async () => {
      if (stoppedAt) throw new Error(`stopped at “${stoppedAt}”`);
      stoppedAt = name;
      await test();
      stoppedAt = null;
    });
}

/** Asks again until what is asked for is as it should be; then compares, so that a miss shows what it was. */
export async function soon<T>(ask: () => Promise<T>, wanted: T): Promise<void> {
  let found = await ask();
  for (const until = Date.now() + 15_000; Date.now() < until && !isDeepStrictEqual(found, wanted); ) {
    await new Promise((done) => setTimeout(done, 100));
    found = await ask();
  }
  deepStrictEqual(found, wanted);
}
