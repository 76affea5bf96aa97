import { mkdir, writeFile } from 'node:fs/promises';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seededRandom } from '@inchstep/core/foundation';
import type { Browser } from 'puppeteer-core';
import { FILMED, type FilmedSwing } from '../demo/cast.ts';
import { clipTruth, filmCamera } from '../demo/clips.ts';
import { drawingBrowser, pageScript } from './drawingBrowser.ts';
import type { RenderJob } from './page.ts';

/**
 * Renders the demo's clips once: npm run render -w standins [-- KEY ..]. With STILL=frame it
 * writes PNGs to the temporary folder instead, to look at.
 */
const CLIPS = new URL('../../clips/', import.meta.url).pathname;
const FRAMES_PER_SECOND = 60;
const BITRATE = 1_600_000;

async function main(): Promise<void> {
  const wanted = process.argv.slice(2);
  const still = process.env.STILL === undefined ? undefined : Number(process.env.STILL);
  const script = await pageScript('./page.ts');
  const server = createServer((request, response) => {
    const isScript = request.url === '/page.js';
    response.setHeader('content-type', isScript ? 'text/javascript' : 'text/html');
    response.end(isScript ? script : '<!doctype html><script src="/page.js"></script>');
  }).listen(0, '127.0.0.1');
  const browser = await drawingBrowser();
  try {
    await mkdir(CLIPS, { recursive: true });
    for (const swing of FILMED.filter((s) => wanted.length === 0 || wanted.includes(s.key))) {
      await renderSwing(browser, `http://127.0.0.1:${(server.address() as AddressInfo).port}/`, swing, still);
    }
  } finally {
    await browser.close();
    server.close();
  }
}

async function renderSwing(
  browser: Browser,
  address: string,
  swing: FilmedSwing,
  still: number | undefined,
): Promise<void> {
  const random = seededRandom(swing.seed * 7 + 1);
  const cameras = swing.views.map((kind) => filmCamera(kind, random));
  for (const camera of cameras) {
    const page = await browser.newPage();
    await page.goto(address);
    const job: RenderJob = {
      swing,
      camera,
      framesPerSecond: FRAMES_PER_SECOND,
      bitrate: BITRATE,
      ...(still === undefined ? {} : { still }),
    };
    const started = Date.now();
    const base64 = await page.evaluate(
      (j) => (globalThis as unknown as { renderJob(job: unknown): Promise<string> }).renderJob(j),
      job as never,
    );
    const name = `${swing.key}.${camera.view.kind}`;
    const file = still === undefined ? join(CLIPS, `${name}.mp4`) : join(tmpdir(), `${name}.png`);
    await writeFile(file, Buffer.from(base64 as string, 'base64'));
    console.log(
      `${file}: ${Math.round(((base64 as string).length * 0.75) / 1024)} kB in ${((Date.now() - started) / 1000).toFixed(1)} s`,
    );
    await page.close();
  }
  if (still === undefined) {
    await writeFile(
      join(CLIPS, `${swing.key}.truth.json`),
      `${JSON.stringify(clipTruth(swing, cameras, FRAMES_PER_SECOND), null, 1)}\n`,
    );
  }
}

await main();
