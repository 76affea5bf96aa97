import type { Checkin, Enclosure, TalkDocument } from '@inchstep/contract/checkins';
import { TALK_BYTES_PER_MINUTE } from '@inchstep/core/checkins';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Page } from 'puppeteer-core';
import { enterDemo } from './demo.ts';
import { press, see, seePart, seriousFindings, story } from './hands.ts';
import { type Program, startProgram } from './program.ts';
import { send } from './setUp.ts';

/** A coach talks over a student's clip, draws on it, and sends both; the student's phone plays it as it was seen. */
describe('a spoken review', () => {
  const step = story(it);
  let program: Program;
  let page: Page;
  let phone: Page;
  let mei: string;
  let spoken: Enclosure;

  const ask = <T>(on: Page, path: string): Promise<T> =>
    on.evaluate((url) => fetch(url).then((r) => r.json()), path);
  const checkin = async () => (await ask<Checkin[]>(page, `/api/students/${mei}/checkins`))[0] as Checkin;
  const enclosed = async (kind: Enclosure['kind']) => {
    for (let tries = 0; tries < 100; tries++) {
      const found = (await checkin()).enclosures.find((one) => one.kind === kind);
      if (found) return found;
      await rest(200);
    }
    throw new Error(`no ${kind} came`);
  };
  /** Draws a line down the pair, in steps of a hand. */
  const draw = async () => {
    const box = await (await seePart(page, '#pair')).boundingBox();
    if (!box) throw new Error('the pair is not to be seen');
    const at = (share: number) => [box.x + 0.75 * box.width, box.y + share * box.height] as const;
    await page.mouse.move(...at(0.3));
    await page.mouse.down();
    for (let share = 0.3; share < 0.8; share += 0.05) {
      await page.mouse.move(...at(share));
      await rest(60);
    }
    await page.mouse.up();
  };
  const strokesOf = (on: Page, within: string) =>
    on.$$eval(`${within} [data-testid="strokes"] > g`, (all) => all.length);

  beforeAll(async () => {
    program = await startProgram({ demo: true, hears: true });
    page = await program.page();
    mei = (await enterDemo(page, program.url))('Mei');
    await page.goto(`${program.url}/students/${mei}/checkins`);
    await seePart(page, 'fieldset[aria-label="Station"] [aria-pressed="true"]');
  });
  afterAll(() => program.stop());

  step('is spoken by keys, over steps and a line drawn by hand', async () => {
    // Both pictures stand still before a word is said, and the pen is in the hand before it draws: the machine may be busy.
    await rest(2000);
    await page.keyboard.press('t');
    await see(page, 'Talking. Step, lay over and draw');
    await page.keyboard.press('d');
    await page.waitForFunction(() =>
      [...document.querySelectorAll('button[aria-pressed="true"]')].some((one) =>
        one.textContent?.includes('Draw (D)'),
      ),
    );
    await rest(400);
    await draw();
    await page.keyboard.press('[');
    await rest(1200);
    await page.keyboard.press('o');
    await rest(2500);
    await page.keyboard.press('t');
    spoken = await enclosed('talk');
    expect(spoken.seconds).toBeGreaterThan(3);
    const talk = await ask<TalkDocument>(page, `/api/enclosures/${spoken.id}/talk`);
    const did = talk.moves.map(({ do: what }) => what);
    expect(did.filter((what) => what === 'draw').length).toBeGreaterThan(5);
    expect(did.filter((what) => what === 'stand').length).toBe(2);
    expect(talk.moves.findLast((move) => move.do === 'mode')).toMatchObject({ mode: 'over' });
    expect(Math.abs(talk.ms / 1000 - (spoken.seconds ?? 0))).toBeLessThan(1.5);
    expect(JSON.stringify(talk).length).toBeLessThan(TALK_BYTES_PER_MINUTE);
    process.stdout.write(
      `spoken: ${spoken.bytes} bytes of voice in ${spoken.seconds?.toFixed(1)} s, ${JSON.stringify(talk).length} of moves\n`,
    );
  });

  step('a marked picture and a short clip go along; what is left out can be put back', async () => {
    await page.keyboard.press('p');
    const picture = await enclosed('picture');
    expect(picture.bytes).toBeGreaterThan(5000);
    await page.keyboard.press('c');
    expect((await enclosed('clip')).seconds).toBeGreaterThan(0.3);
    const third = 'ul[aria-label="Put with the reply"] li:nth-child(3)';
    await page.locator(`${third} ::-p-text(Leave it out)`).click();
    await see(page, 'Left out.');
    expect((await checkin()).enclosures.map(({ kind }) => kind)).toEqual(['talk', 'picture']);
    await press(page, 'Put it back');
    await seePart(page, third);
    expect((await checkin()).enclosures).toHaveLength(3);
  });

  step('is listened to once more, and captioned', async () => {
    await page.locator('ul[aria-label="Put with the reply"] li ::-p-text(Look at it)').click();
    await seePart(page, 'section[aria-label="Spoken"] button.btn-primary:not([disabled])');
    await press(page, 'Caption at 0:00');
    await page.locator('input[aria-label="Caption from 0:00"]').fill('Here the knee is late.');
    await press(page, 'Keep the captions');
    await see(page, 'Captions kept.');
    expect(await seriousFindings(page)).toEqual([]);
  });

  step('before it has gone the phone has nothing of it; then it plays there, step for step', async () => {
    const { token } = await send(page, `/api/students/${mei}/links`, { days: 9 });
    phone = await program.page(390, 844);
    await phone.goto(`${program.url}/p/${token}`);
    await see(phone, 'Mei’s practice');
    const file = `/api/page/${token}/enclosures/${spoken.id}/file`;
    const status = () => phone.evaluate((url) => fetch(url).then((r) => r.status), file);
    expect(await status()).toBe(404);
    await page.bringToFront();
    await press(page, 'Send');
    await press(page, 'Send it now');
    await see(page, 'It has gone.');
    expect(await status()).toBe(200);
    await phone.bringToFront();
    await phone.reload();
    const player = 'section[aria-label="Spoken"]';
    const strokes = (count: number) =>
      phone.waitForFunction(
        (of, wanted) => document.querySelectorAll(of).length === wanted,
        {},
        `${player} [data-testid="strokes"] > g`,
        count,
      );
    await seePart(phone, `${player} button.btn-primary:not([disabled])`);
    expect(await strokesOf(phone, player)).toBe(0);
    await press(phone, 'Play');
    await press(phone, 'Pause');
    await see(phone, 'Here the knee is late.');
    await press(phone, 'Play');
    // At its end one lies over the other: there is one line. Beside each other both have it.
    await strokes(1);
    await seePart(phone, `${player} ::-p-aria([name="Play"][role="button"])`);
    await phone.$eval(`${player} input[type="range"]`, (strip) => {
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(strip, '0');
      strip.dispatchEvent(new Event('input', { bubbles: true }));
    });
    await strokes(0);
    const seen: number[] = [];
    for (let step = 0; step < 8; step++) {
      await press(phone, 'On to the next step');
      seen.push(await strokesOf(phone, player));
    }
    expect(seen).toContain(2);
    expect(seen.at(-1)).toBe(1);
    await press(phone, 'Back to the last step');
    await strokes(2);
    expect(await canvasIsDrawn(phone, player)).toBe(true);
    expect(await seriousFindings(phone)).toEqual([]);
    expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  });

  const playsWithoutSignal = async (on: Page) => {
    await on.waitForFunction(async () => {
      // The page keeps its papers at once; what opens the page itself is there when its worker is.
      if (!(await navigator.serviceWorker.getRegistration())?.active) return false;
      const kept = await caches.open('page-papers-by-digest');
      const urls = (await kept.keys()).map(({ url }) => url);
      return ['file', 'talk'].every((end) => urls.some((url) => /enclosures/.test(url) && url.endsWith(end)));
    });
    await on.setOfflineMode(true);
    await on.reload();
    await see(on, 'No signal');
    await seePart(on, 'section[aria-label="Spoken"] button.btn-primary:not([disabled])');
    await press(on, 'Play');
    await see(on, 'Here the knee is late.');
    await on.setOfflineMode(false);
  };

  step('heard once, it plays on without a signal', () => playsWithoutSignal(phone));

  step(
    'so it does on a phone that has opened the page this once, and had nobody to keep it then',
    async () => {
      const fresh = await program.page(390, 844);
      await fresh.goto(phone.url());
      await seePart(fresh, 'section[aria-label="Spoken"] button.btn-primary:not([disabled])');
      await playsWithoutSignal(fresh);
    },
  );

  step('threw no error on the way', () => {
    expect(program.complaints).toEqual([]);
  });
});

/** Whether the picture shows more than its dark ground. */
const canvasIsDrawn = (on: Page, within: string): Promise<boolean> =>
  on.$eval(`${within} canvas`, (found) => {
    const canvas = found as HTMLCanvasElement;
    const row = canvas.getContext('2d')?.getImageData(0, canvas.height / 2, canvas.width, 1).data ?? [];
    const reds = new Set<number>();
    for (let i = 0; i < row.length; i += 4) reds.add((row[i] as number) >> 3);
    return reds.size > 4;
  });

const rest = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));
