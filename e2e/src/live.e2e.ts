import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Browser, Page } from 'puppeteer-core';
import { openBrowser } from '../../tools/browser.mjs';
import { enterDemo } from './demo.ts';
import { beginLesson, press, see, seriousFindings, story } from './hands.ts';
import { type Program, startProgram } from './program.ts';
import { send } from './setUp.ts';

const WIDE = 270;
const HIGH = 480;
const FRAMES = 40;

/** Frames of a clip as planes of brightness and colour, the way a raw camera file holds them. */
const rawFrames = (page: Page, clip: string): Promise<string[]> =>
  page.evaluate(
    async (url, wide, high, count) => {
      const video = document.createElement('video');
      video.muted = true;
      video.src = url;
      await new Promise((done) => {
        video.onloadeddata = done;
      });
      const canvas = new OffscreenCanvas(wide, high);
      const context = canvas.getContext('2d', { willReadFrequently: true });
      if (!context) throw new Error('no canvas');
      const frames: string[] = [];
      for (let f = 0; f < count; f++) {
        video.currentTime = 0.3 + f / 30;
        await new Promise((done) => {
          video.onseeked = done;
        });
        context.drawImage(video, 0, 0, wide, high);
        const { data } = context.getImageData(0, 0, wide, high);
        const planes = new Uint8Array((wide * high * 3) / 2);
        for (let y = 0; y < high; y++)
          for (let x = 0; x < wide; x++) {
            const i = 4 * (y * wide + x);
            const [r, g, b] = [data[i] as number, data[i + 1] as number, data[i + 2] as number];
            planes[y * wide + x] = 16 + 0.257 * r + 0.504 * g + 0.098 * b;
            if (x % 2 === 0 && y % 2 === 0) {
              const at = wide * high + (y / 2) * (wide / 2) + x / 2;
              planes[at] = 128 - 0.148 * r - 0.291 * g + 0.439 * b;
              planes[at + (wide * high) / 4] = 128 + 0.439 * r - 0.368 * g - 0.071 * b;
            }
          }
        let text = '';
        for (let i = 0; i < planes.length; i += 8192)
          text += String.fromCharCode(...planes.subarray(i, i + 8192));
        frames.push(btoa(text));
      }
      return frames;
    },
    clip,
    WIDE,
    HIGH,
    FRAMES,
  );

/** Ten seconds of a quiet bay as a sound file: a talk, then club on ball; the stand-in microphone plays it in a ring. */
function bayWithStrikes(): Buffer {
  const rate = 48_000;
  const seconds = 10;
  let seed = 1;
  const noise = () => {
    seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648;
    return (2 * seed) / 2_147_483_648 - 1;
  };
  const data = Buffer.alloc(2 * rate * seconds);
  for (let i = 0; i < rate * seconds; i++) {
    const t = i / rate;
    const talk =
      t > 1 && t < 3.5 ? 0.1 * Math.sin(2 * Math.PI * 170 * t) * Math.sin(2 * Math.PI * 2 * t) ** 2 : 0;
    const strike = t >= 6 ? 0.8 * Math.exp(-(t - 6) / 0.012) * noise() : 0;
    data.writeInt16LE(Math.round(32_000 * (0.002 * noise() + talk + strike)), 2 * i);
  }
  const head = Buffer.alloc(44);
  head.write('RIFF', 0);
  head.writeUInt32LE(36 + data.length, 4);
  head.write('WAVEfmt ', 8);
  head.writeUInt32LE(16, 16);
  head.writeUInt16LE(1, 20);
  head.writeUInt16LE(1, 22);
  head.writeUInt32LE(rate, 24);
  head.writeUInt32LE(2 * rate, 28);
  head.writeUInt16LE(2, 32);
  head.writeUInt16LE(16, 34);
  head.write('data', 36);
  head.writeUInt32LE(data.length, 40);
  return Buffer.concat([head, data]);
}

/** The live view with a camera that sees a stand-in's clip over and over. */
describe('live', () => {
  const step = story(it);
  const folder = mkdtempSync(join(tmpdir(), 'inchstep-live-'));
  let program: Program;
  let browser: Browser;
  let close: () => Promise<void>;
  let page: Page;
  let wren: string;

  beforeAll(async () => {
    program = await startProgram({ demo: true });
    const maker = await program.page();
    wren = (await enterDemo(maker, program.url))('Wren');
    const clips = (await maker.evaluate(
      (id) => fetch(`/api/students/${id}/clips`).then((r) => r.json()),
      wren,
    )) as { id: string; kind: string }[];
    const faceOn = clips.find((c) => c.kind === 'face_on')?.id;
    const frames = await rawFrames(maker, `/api/clips/${faceOn}/file`);
    const film = join(folder, 'camera.y4m');
    const head = Buffer.from(`YUV4MPEG2 W${WIDE} H${HIGH} F30:1 Ip A1:1 C420jpeg\n`);
    const body = frames.flatMap((f) => [Buffer.from('FRAME\n'), Buffer.from(f, 'base64')]);
    writeFileSync(film, Buffer.concat([head, ...body]));
    writeFileSync(join(folder, 'bay.wav'), bayWithStrikes());
    const opened = await openBrowser([
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-video-capture=${film}`,
      `--use-file-for-fake-audio-capture=${join(folder, 'bay.wav')}`,
    ]);
    browser = opened.browser as Browser;
    close = opened.close;
    page = await browser.newPage();
    page.setDefaultTimeout(20_000);
    // What this device films it leaves to be read elsewhere: two phones and a desk on one machine are enough.
    await page.evaluateOnNewDocument(() => localStorage.setItem('inchstep.settings', '{"readsClips":false}'));
    await enterDemo(page, program.url);
  });
  afterAll(async () => {
    await close?.();
    await program.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  step('the camera is off until it is asked for', async () => {
    await page.goto(`${program.url}/students/${wren}/live`);
    await see(page, 'The camera is off');
    expect(await seriousFindings(page)).toEqual([]);
  });

  step('on, it shows the player, and a moment later what was before', async () => {
    await press(page, 'Camera on');
    await page.waitForFunction(() => (document.querySelector('video')?.videoWidth ?? 0) > 0);
    const bright = () =>
      page.$eval('[data-testid="later"]', (canvas) => {
        const c = canvas as HTMLCanvasElement;
        const seen = c.getContext('2d')?.getImageData(0, 0, c.width, c.height).data ?? [];
        return c.width < 301 ? 0 : Array.from(seen.slice(0, 4000)).reduce((a, b) => a + b, 0);
      });
    expect(await bright()).toBe(0);
    await page.waitForFunction(
      () => (document.querySelector('[data-testid="later"]') as HTMLCanvasElement).width === 360,
      { timeout: 30_000 },
    );
    expect(await bright()).toBeGreaterThan(0);
    expect(await seriousFindings(page)).toEqual([]);
  });

  step('a take goes straight onto the bench and is stepped frame by frame', async () => {
    await press(page, 'Start a take');
    await new Promise((done) => setTimeout(done, 2500));
    // Looking at the other view and turning the camera off on the way take nothing from it.
    await press(page, 'Down the line');
    await press(page, 'Camera off');
    await press(page, 'End the take');
    await page.waitForFunction(() => /\/bench\/[0-9a-f-]{36}$/.test(location.pathname));
    await page.waitForFunction(() =>
      /frame 1 of \d\d/.test(document.querySelector('[data-testid="frame-face_on"]')?.textContent ?? ''),
    );
    await page.keyboard.press('ArrowRight');
    await see(page, 'frame 2 of');
  });

  step('a strike that is heard keeps the swing before it, by itself', async () => {
    await page.goto(`${program.url}/students/${wren}/lesson`);
    await beginLesson(page);
    await see(page, 'Going on for');
    await page.keyboard.press('2');
    await press(page, 'Camera on');
    await page.waitForFunction(() => (document.querySelector('video')?.videoWidth ?? 0) > 0);
    await press(page, 'Take at the strike');
    await see(page, 'Listening.');
    expect(await seriousFindings(page)).toEqual([]);
    await see(page, '1 heard.');
    await see(page, 'Today’s takes');
    await press(page, 'Take at the strike');
    const clips = (await page.evaluate(
      (id) => fetch(`/api/students/${id}/clips`).then((r) => r.json()),
      wren,
    )) as { fileName: string; durationS: number }[];
    const taken = clips.find(({ fileName }) => fileName.startsWith('take.'));
    // Before the first strike hardly more than it was filming for; then what a swing needs, and what a busy machine is late by.
    expect(taken?.durationS).toBeGreaterThan(1.5);
    expect(taken?.durationS).toBeLessThan(9);
    await press(page, 'Camera off');
    await press(page, 'End the lesson');
    await see(page, 'The lesson is over.');
  });

  step('two phones film the same swing at a key of the coach’s, and it comes in as one', async () => {
    await page.goto(`${program.url}/students/${wren}/lesson`);
    await beginLesson(page);
    await see(page, 'Going on for');
    await page.keyboard.press('2');
    const answer = page.waitForResponse(
      (said) => said.url().endsWith('/cameras') && said.request().method() === 'POST',
    );
    await press(page, 'Show the code');
    const { token } = (await (await answer).json()) as { token: string };
    await page.waitForSelector('svg[role="img"] title, svg title');
    expect(await seriousFindings(page)).toEqual([]);
    const phones = await Promise.all(
      ['Face-on', 'Down the line'].map(async (side) => {
        // A window of its own: what lies behind another tab is drawn by nobody.
        const phone = await (await browser.createBrowserContext()).newPage();
        phone.setDefaultTimeout(20_000);
        await phone.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true });
        await phone.goto(`${program.url}/c/${token}`);
        await press(phone, side);
        await phone.waitForFunction(() => (document.querySelector('video')?.videoWidth ?? 0) > 0);
        return phone;
      }),
    );
    expect(await seriousFindings(phones[0] as Page)).toEqual([]);
    await see(page, 'Here: ');
    await page.waitForFunction(() =>
      /Here: (face-on, down the line|down the line, face-on)/i.test(document.body.innerText),
    );
    await page.bringToFront();
    await page.keyboard.press('t');
    await see(page, 'Both begin in a moment.');
    await page.waitForFunction(
      () => /(face-on, down the line|down the line, face-on) there/i.test(document.body.innerText),
      { timeout: 60_000 },
    );
    await see(phones[1] as Page, 'has arrived');
    const swings = (await page.evaluate(
      (id) => fetch(`/api/students/${id}/swings`).then((r) => r.json()),
      wren,
    )) as { views: { kind: string }[] }[];
    const [both] = swings;
    expect(both?.views.map(({ kind }) => kind).sort()).toEqual(['down_the_line', 'face_on']);
    await press(page, 'End the lesson');
    await see(phones[0] as Page, 'lesson is over');
  });
  step('a student films on the page itself, with how it was asked for, and sends it', async () => {
    const { token } = await send(page, `/api/students/${wren}/links`, { days: 9 });
    const context = await browser.createBrowserContext();
    const phone = await context.newPage();
    phone.setDefaultTimeout(30_000);
    await phone.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true });
    await phone.goto(`${program.url}/p/${token}`);
    await see(phone, 'Wren’s practice');
    await press(phone, 'Film it here');
    await phone.waitForFunction(() => (document.querySelector('video')?.videoWidth ?? 0) > 0);
    expect(await seriousFindings(phone)).toEqual([]);
    await press(phone, 'Film in 8 seconds');
    await see(phone, 'Walk to the ball:');
    await see(phone, 'Filming:');
    await new Promise((done) => setTimeout(done, 1500));
    await press(phone, 'That was it');
    await see(phone, 'take.');
    await phone.locator('::-p-aria([name="Club"][role="combobox"])').fill('wedge');
    await press(phone, 'Put the camera away');
    await phone.locator('fieldset label::-p-text(No)').click();
    await press(phone, 'Send');
    await see(phone, 'Sent. It is in the coach’s queue.');
    const swings = (await page.evaluate(
      (id) => fetch(`/api/students/${id}/swings`).then((r) => r.json()),
      wren,
    )) as { club: string; views: { clipId: string | null }[] }[];
    expect(swings.filter(({ club, views }) => club === 'wedge' && views[0]?.clipId)).toHaveLength(1);
    await context.close();
  });
});
