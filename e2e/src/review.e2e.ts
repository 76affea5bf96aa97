import type { Checkin, Conversation, StudentPage } from '@inchstep/contract/checkins';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { KeyInput, Page } from 'puppeteer-core';
import { enterDemo } from './demo.ts';
import { press, see, seePart, seriousFindings, story, textOf } from './hands.ts';
import { type Program, startProgram } from './program.ts';

const MOST_ACTIONS = 12;
const MOST_MS = 60_000;

/** A routine check-in from the queue to the next one, by keys, counted; then what a student has of it. */
describe('a review', () => {
  const step = story(it);
  let program: Program;
  let page: Page;
  let phone: Page;
  let mei: string;
  let actions = 0;
  let began = 0;

  const key = async (...keys: KeyInput[]) => {
    actions++;
    for (const one of keys) await page.keyboard.down(one);
    for (const one of keys.reverse()) await page.keyboard.up(one);
  };
  const asCoach = <T>(path: string): Promise<T> =>
    page.evaluate((url) => fetch(url).then((r) => r.json()), path);
  const station = () =>
    page.$eval('fieldset[aria-label="Station"] [aria-pressed="true"]', (e) => e.textContent);
  const checkin = async () => (await asCoach<Checkin[]>(`/api/students/${mei}/checkins`))[0] as Checkin;

  const pageNow = (): Promise<StudentPage> =>
    phone.evaluate((url) => fetch(url).then((r) => r.json()), phone.url().replace('/p/', '/api/page/'));

  beforeAll(async () => {
    program = await startProgram({ demo: true });
    page = await program.page();
    mei = (await enterDemo(page, program.url))('Mei');
    const { token } = await page.evaluate(
      (of) =>
        fetch(`${of}/links`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', 'x-inchstep': '1' },
          body: '{"days":9}',
        }).then((r) => r.json()),
      `/api/students/${mei}`,
    );
    phone = await program.page(390, 844);
    await phone.goto(`${program.url}/p/${token}`);
    await see(phone, 'Mei’s practice');
    await page.bringToFront();
  });
  afterAll(() => program.stop());

  step('opens from the queue with the clip measured, at the strike, beside the last swing', async () => {
    began = Date.now();
    actions++;
    await page.locator(`[data-testid="queue"] a[href*="${mei}"]`).click();
    await see(page, 'One more swing. Same feel as ever');
    await seePart(page, 'fieldset[aria-label="Station"] [aria-pressed="true"]');
    expect(await station()).toBe('Impact');
    await seePart(page, 'textarea[aria-label="Reply"]');
    const draft = await page.$eval('textarea[aria-label="Reply"]', (e) => (e as HTMLTextAreaElement).value);
    expect(draft).toContain('Mei');
    expect(draft).not.toContain('being measured');
  });

  step('by keys: the stations, one over the other, the lines', async () => {
    await key('BracketLeft');
    await key('BracketLeft');
    expect(await station()).not.toBe('Impact');
    await key('o');
    await seePart(page, 'button[aria-pressed="true"]::-p-text(Over)');
    await key('l');
    await seePart(page, '#pair ~ svg line');
    await key('BracketRight');
  });

  step('a phrase of the coach’s own, and one press that sends, plans and asks', async () => {
    actions++;
    await press(page, 'Breathe out before you go.');
    await key('r');
    await key('Control', 'Enter');
    await see(page, 'Until then nobody reads it.');
    expect(actions).toBeLessThanOrEqual(MOST_ACTIONS);
    expect(Date.now() - began).toBeLessThan(MOST_MS);
    const { reply } = await checkin();
    expect(reply?.text).toContain('Breathe out before you go.');
    process.stdout.write(`review: ${actions} actions, ${((Date.now() - began) / 1000).toFixed(1)} s\n`);
  });

  step('the student reads nothing of it yet; taken back, the words are on the desk again', async () => {
    await phone.bringToFront();
    await phone.reload();
    await see(phone, 'Mei’s practice');
    const { word } = await pageNow();
    expect(word?.id).not.toBe((await checkin()).reply?.id);
    await page.bringToFront();
    await press(page, 'Take it back');
    const box = await seePart(page, 'textarea[aria-label="Reply"]');
    expect(await box.evaluate((e) => (e as HTMLTextAreaElement).value)).toContain(
      'Breathe out before you go.',
    );
    expect((await checkin()).reply).toBeNull();
  });

  step('sent again and at once, it is on the phone, with what was asked', async () => {
    await press(page, 'Send');
    await press(page, 'Send it now');
    await see(page, 'It has gone.');
    expect(await seriousFindings(page)).toEqual([]);
    await phone.bringToFront();
    await phone.reload();
    await see(phone, 'Breathe out before you go.');
    await see(phone, 'asks for clips');
    expect((await pageNow()).request?.state).toBe('open');
  });

  step('the coach writes first; both sides have all of it', async () => {
    await page.bringToFront();
    await page.locator('textarea[aria-label="Write to the student"]').fill('The range is shut on Friday.');
    await press(page, 'Write');
    await see(page, 'Your word');
    const talk = await asCoach<Conversation>(`/api/students/${mei}/conversation`);
    expect(
      talk.said
        .slice(0, 3)
        .map(({ as }) => as)
        .sort(),
    ).toEqual(['asked', 'message', 'reply']);
    await phone.bringToFront();
    await phone.locator('::-p-text(All that was said)').click();
    await see(phone, 'It feels wide open to me.');
    expect(await textOf(phone, 'main')).not.toContain('The range is shut on Friday.');
  });

  step('what waits can be put off, and taken up again', async () => {
    await page.bringToFront();
    await page.goto(program.url);
    const queue = await seePart(page, '[data-testid="queue"]');
    const names = () => queue.$$eval('li > a span.text-lg', (all) => all.map((e) => e.textContent));
    const before = await names();
    const [name] = (await names()).slice(1);
    await page.locator(`summary[aria-label="Set aside: ${name}"]`).click();
    await page.locator(`details[open] ::-p-text(For a week)`).click();
    await see(page, `${name} waits until`);
    await press(page, 'Undo');
    await page.waitForFunction(
      (count) => document.querySelectorAll('[data-testid="queue"] li > a').length === count,
      {},
      before.length,
    );
  });

  step('threw no error on the way', () => {
    expect(program.complaints).toEqual([]);
  });
});
