import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { CameraDeskSeen } from '@inchstep/contract/practice';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Browser, Page } from 'puppeteer-core';
import { openBrowser } from '../../tools/browser.mjs';
import { press, see, story } from './hands.ts';
import { type RunningServer, startServer } from './program.ts';
import { send } from './setUp.ts';
import { PROFILE } from './siege/people.ts';

const STUDENT = '7d1b2c1e-5b0e-4a57-9a39-0a4a4b6c9d10';

/** A phone in the bay over the program's own certificate; the browsers here trust it, as a phone does that was told to. */
describe('a phone as camera, by code, over the program’s own TLS', () => {
  const step = story(it);
  const folder = mkdtempSync(join(tmpdir(), 'inchstep-tls-'));
  const closers: (() => Promise<void>)[] = [];
  let server: RunningServer;
  let url: string;
  let desk: Page;
  let code: string;

  const browserWith = async (...flags: string[]): Promise<Browser> => {
    const { browser, close } = await openBrowser(['--ignore-certificate-errors', ...flags]);
    closers.push(close);
    return browser as Browser;
  };
  const phoneIn = async (browser: Browser): Promise<Page> => {
    const phone = await browser.newPage();
    phone.setDefaultTimeout(30_000);
    await phone.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true });
    return phone;
  };
  const cameras = (): Promise<CameraDeskSeen> =>
    desk.evaluate(async (id) => {
      const { running } = await (await fetch(`/api/students/${id}/lessons`)).json();
      return (await fetch(`/api/students/${id}/lessons/${running.id}/cameras`)).json();
    }, STUDENT);

  beforeAll(async () => {
    server = await startServer(join(folder, 'data'), { TLS_OWN: '1' });
    url = server.url.replace('http:', 'https:');
    const browser = await browserWith();
    desk = await browser.newPage();
    desk.setDefaultTimeout(30_000);
    await desk.goto(url);
    await send(desk, '/api/setup', { name: 'Ilse Varga', passphrase: 'limestone and larks' });
    await send(desk, '/api/students', { id: STUDENT, profile: PROFILE });
  });
  afterAll(async () => {
    for (const close of closers) await close();
    await server.end();
    rmSync(folder, { recursive: true, force: true });
  });

  step('the coach shows the code of a lesson', async () => {
    await desk.goto(`${url}/students/${STUDENT}/lesson`);
    await press(desk, 'Begin, in the bay');
    await see(desk, 'Going on for');
    await desk.keyboard.press('2');
    const answer = desk.waitForResponse(
      (said) => said.url().endsWith('/cameras') && said.request().method() === 'POST',
    );
    await press(desk, 'Show the code');
    code = ((await (await answer).json()) as { token: string }).token;
    expect(code.length).toBeGreaterThan(20);
  });

  step('a phone that is refused its camera says what to do, and keeps nothing', async () => {
    const phone = await phoneIn(
      await browserWith('--use-fake-device-for-media-stream', '--deny-permission-prompts'),
    );
    await phone.goto(`${url}/c/${code}`);
    expect(await phone.evaluate(() => window.isSecureContext)).toBe(true);
    await press(phone, 'Face-on');
    await see(phone, 'The camera was refused. Allow it for this page');
    expect((await cameras()).takes).toEqual([]);
    await phone.close();
  });

  step('a phone that may films at the coach’s key, and the take arrives', async () => {
    const phone = await phoneIn(
      await browserWith('--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'),
    );
    await phone.goto(`${url}/c/${code}`);
    await press(phone, 'Face-on');
    await phone.waitForFunction(() => (document.querySelector('video')?.videoWidth ?? 0) > 0);
    await desk.bringToFront();
    await desk.waitForFunction(() => /Here: face-on/i.test(document.body.innerText));
    await desk.keyboard.press('t');
    await see(phone, 'has arrived');
    const { takes } = await cameras();
    expect(takes.map(({ arrived }) => arrived)).toEqual([['face_on']]);
    await phone.close();
    // While a phone films, the desk does not listen: it is gone a few seconds after it says nothing more.
    while ((await cameras()).cameras.length > 0) await new Promise((done) => setTimeout(done, 500));
  });

  step('a desk that is refused its microphone says so, and takes go on by key', async () => {
    const browser = await browserWith('--use-fake-device-for-media-stream', '--deny-permission-prompts');
    const context = browser.defaultBrowserContext();
    await context.overridePermissions(url, ['camera']);
    const refused = await browser.newPage();
    refused.setDefaultTimeout(30_000);
    await refused.setViewport({ width: 1280, height: 800 });
    await refused.goto(url);
    await send(refused, '/api/sign-in', { passphrase: 'limestone and larks' });
    await refused.goto(`${url}/students/${STUDENT}/lesson`);
    await see(refused, 'Going on for');
    await refused.keyboard.press('2');
    await press(refused, 'Camera on');
    await refused.waitForFunction(() => (document.querySelector('video')?.videoWidth ?? 0) > 0);
    await press(refused, 'Take at the strike');
    await see(refused, 'The browser was told not to give the microphone.');
    await press(refused, 'Start a take');
    await see(refused, 'End the take');
    await refused.close();
  });
});
