import { once } from 'node:events';
import { existsSync } from 'node:fs';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { FOUND_STATIONS, STATIONS } from '@inchstep/core/capture';
import { roundTo, seededRandom } from '@inchstep/core/foundation';
import type { Browser } from 'puppeteer-core';
import { filmCamera } from '../demo/clips.ts';
import { makeMarks, mirrorView } from '../devices/camera.ts';
import { anotherSwing, makeGolfer, trueMeasures } from '../golfer/golfer.ts';
import { faultsAt, type StudySwing, studyPlayers, studySwings } from '../studies/proposalCast.ts';
import { drawingBrowser, pageScript } from './drawingBrowser.ts';

/**
 * Films made-up players and looks through each clip with the body network: one JSON a swing, kept, so that a study asks them
 * again without filming. `npm run see -w standins -- SEED PLAYERS SWINGS DAYS`; with `whole` behind them
 * every frame is filmed, which takes three times as long: for what is to be said of the stations themselves.
 */
const FOLDER = new URL('../../../data/seen/', import.meta.url).pathname;
const NETWORKS = new URL('../../../web/dist/networks/', import.meta.url).pathname;
const FRAMES_PER_SECOND = 60;
const BITRATE = 1_600_000;
const KINDS = ['face_on', 'down_the_line'] as const;

async function served(): Promise<{ address: string; close(): void }> {
  const script = await pageScript('./studyPage.ts');
  const server = createServer(async (request, response) => {
    const url = request.url ?? '/';
    if (url.startsWith('/networks/')) {
      const file = await readFile(join(NETWORKS, url.slice('/networks/'.length))).catch(() => null);
      const type = url.endsWith('.js')
        ? 'text/javascript'
        : url.endsWith('.wasm')
          ? 'application/wasm'
          : 'application/octet-stream';
      response.writeHead(file ? 200 : 404, { 'content-type': type }).end(file ?? '');
      return;
    }
    const isScript = url === '/page.js';
    response.setHeader('content-type', isScript ? 'text/javascript' : 'text/html');
    response.end(isScript ? script : '<!doctype html><script src="/page.js"></script>');
  }).listen(0, '127.0.0.1');
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  return { address: `http://127.0.0.1:${port}/`, close: () => server.close() };
}

async function main(): Promise<void> {
  const [seed = 1, players = 6, swings = 2, days = 2] = process.argv.slice(2).map(Number);
  const whole = process.argv.includes('whole');
  const { address, close } = await served();
  const browser = await drawingBrowser();
  try {
    await mkdir(FOLDER, { recursive: true });
    const all = studySwings(studyPlayers(players, seed), swings, days);
    for (const swing of all)
      if (!existsSync(join(FOLDER, `${swing.key}.json`))) await seeSwing(browser, address, swing, whole);
  } finally {
    await browser.close();
    close();
  }
}

/** About each station every frame, between them now and then, so that the player is not lost. */
const framesFor = (at: readonly number[], last: number): number[] =>
  Array.from({ length: last + 1 }, (_, i) => i).filter(
    (i) => i % BETWEEN === 0 || at.some((frame) => Math.abs(frame - i) <= ABOUT),
  );
const BETWEEN = 8;
const ABOUT = 3;

async function seeSwing(browser: Browser, address: string, swing: StudySwing, whole: boolean): Promise<void> {
  const { player } = swing;
  const started = Date.now();
  const random = seededRandom(player.seed * 7 + swing.day);
  const cameras = KINDS.map((kind) => filmCamera(kind, random));
  const left = player.golfer.handedness === 'left';
  const first = makeGolfer(player.golfer, faultsAt(swing), seededRandom(player.seed));
  const golfer = anotherSwing(first, seededRandom(player.seed * 31 + swing.swing));
  const stationFrames = Object.fromEntries(
    STATIONS.map((station) => [station, Math.round(golfer.shape[station].at * FRAMES_PER_SECOND)]),
  );
  const last = Math.round(golfer.lengthSeconds * FRAMES_PER_SECOND) - 1;
  const about = whole
    ? Array.from({ length: last + 1 }, (_, i) => i)
    : FOUND_STATIONS.map((station) => stationFrames[station] as number);
  const frames = framesFor(about, last);
  const views = [];
  for (const camera of cameras) {
    const page = await browser.newPage();
    await page.goto(address);
    const job = { swing, camera, framesPerSecond: FRAMES_PER_SECOND, bitrate: BITRATE, frames };
    const seen = await page.evaluate(
      (j) => (globalThis as unknown as { studyJob(job: unknown): Promise<unknown> }).studyJob(j),
      job as never,
    );
    await page.close();
    const { view, marks } = mirrorView(camera, makeMarks(golfer, camera, STATIONS, seededRandom(1), 0), left);
    views.push({ kind: view.kind, view, marks, frames: seen });
  }
  const truth = {
    key: swing.key,
    player: player.key,
    day: swing.day,
    golfer: player.golfer,
    framesPerSecond: FRAMES_PER_SECOND,
    stationFrames,
    measures: Object.fromEntries(
      Object.entries(trueMeasures(golfer)).map(([id, value]) => [id, roundTo(value, 3)]),
    ),
    views,
  };
  await writeFile(join(FOLDER, `${swing.key}.json`), JSON.stringify(truth));
  console.log(`${swing.key}: ${((Date.now() - started) / 1000).toFixed(0)} s`);
}

await main();
