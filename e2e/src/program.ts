import { type ChildProcess, spawn } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BrowserContext, Page } from 'puppeteer-core';
import { openBrowser } from '../../tools/browser.mjs';
import { heldClock } from './clock.ts';

export const ROOT = new URL('../../', import.meta.url).pathname;
export const CLIPS = join(ROOT, 'standins', 'clips');

/** The built program, running alone in a folder and on a port of its own. */
export interface Program {
  readonly url: string;
  readonly dataDir: string;
  page(width?: number, height?: number): Promise<Page>;
  /** Another page of the same browser, as this one was set up. */
  again(page: Page): Promise<Page>;
  /** Moves the clock of the server and of every page loaded from here on; only where it began with one. */
  at(moment: string): Promise<void>;
  /** Errors thrown in any page so far, and failed loads. */
  readonly complaints: string[];
  stop(): Promise<void>;
}

export interface ProgramOptions {
  /** Fill the folder with the demo data first. */
  readonly demo?: boolean;
  readonly env?: Readonly<Record<string, string>>;
  /** Whether its pages look through new clips by themselves: that takes a core of the two for half a minute each. */
  readonly reads?: boolean;
  /** Simulated microphone and camera, which nobody is asked for. */
  readonly hears?: boolean;
  /** The moment at which the program wakes up, where the test holds the clock. */
  readonly at?: string;
}

const SIMULATED = ['--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'];

export interface RunningServer {
  readonly url: string;
  readonly port: number;
  readonly dataDir: string;
  readonly process: ChildProcess;
  /** Ends it as an operating system would, and waits until it is gone. */
  end(signal?: 'SIGTERM' | 'SIGKILL'): Promise<void>;
}

/** The built server alone, in a folder that stays. */
export async function startServer(
  dataDir: string,
  more: Readonly<Record<string, string>> = {},
): Promise<RunningServer> {
  const port = await freePort();
  const env = {
    ...process.env,
    NODE_OPTIONS: '',
    DATA_DIR: dataDir,
    PORT: String(port),
    LOG_LEVEL: 'warn',
    ...more,
  };
  const server = spawn('node', ['server/dist/server.js'], {
    cwd: ROOT,
    env,
    stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
  });
  await ready(server);
  return {
    url: `http://localhost:${port}`,
    port,
    dataDir,
    process: server,
    end: async (signal = 'SIGTERM') => {
      server.kill(signal);
      await finished(server);
    },
  };
}

export async function startProgram(options: ProgramOptions = {}): Promise<Program> {
  const folder = mkdtempSync(join(tmpdir(), 'inchstep-e2e-'));
  const dataDir = join(folder, 'data');
  const clock = options.at ? heldClock(options.at) : null;
  const more = { ...(options.demo ? { INCHSTEP_DEMO: '1' } : {}), ...clock?.env, ...options.env };
  if (options.demo) cpSync(String(process.env.E2E_DEMO_DIR), dataDir, { recursive: true });
  const server = await startServer(dataDir, more);
  const { browser, close } = await openBrowser(options.hears ? SIMULATED : []);
  const complaints: string[] = [];
  const pageIn = async (
    context: BrowserContext,
    { width, height }: { readonly width: number; readonly height: number },
  ) => {
    const page = await context.newPage();
    await clock?.hold(page);
    if (!options.reads) await page.evaluateOnNewDocument(leaveClips);
    await page.setViewport({ width, height, isMobile: width < 600, hasTouch: width < 600 });
    page.setDefaultTimeout(30_000);
    page.on('pageerror', (error) => complaints.push(String((error as Error).message)));
    return page;
  };
  return {
    url: server.url,
    dataDir,
    complaints,
    at: async (moment) => {
      if (!clock) throw new Error('e2e: this program began with the clock of the machine');
      await clock.move(moment, server.process);
    },
    page: async (width = 1280, height = 800) =>
      pageIn(await browser.createBrowserContext(), { width, height }),
    again: (page) => pageIn(page.browserContext(), page.viewport() ?? { width: 1280, height: 800 }),
    stop: async () => {
      await close();
      await server.end();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Runs in the page: what is chosen there later stays. */
function leaveClips(): void {
  const known = JSON.parse(localStorage.getItem('inchstep.settings') ?? '{}') as object;
  localStorage.setItem('inchstep.settings', JSON.stringify({ readsClips: false, ...known }));
}

export function freePort(): Promise<number> {
  return new Promise((done) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      const port = typeof address === 'object' && address ? address.port : 0;
      probe.close(() => done(port));
    });
  });
}

function ready(server: ChildProcess): Promise<void> {
  return new Promise((done, fail) => {
    server.stdout?.on('data', (chunk: Buffer) => {
      if (String(chunk).includes('is ready')) done();
    });
    server.once('exit', (code) => fail(new Error(`e2e: the server stopped with ${code}`)));
  });
}

const finished = (child: ChildProcess): Promise<void> =>
  new Promise((done) => {
    if (child.exitCode !== null || child.signalCode !== null) done();
    else child.once('exit', () => done());
  });

export interface ClipTruth {
  readonly framesPerSecond: number;
  readonly stationFrames: Readonly<Record<string, number>>;
  readonly views: readonly {
    readonly id: string;
    readonly kind: string;
    readonly widthPx: number;
    readonly heightPx: number;
    readonly camera: { readonly distanceIn: number; readonly heightIn: number };
    readonly groundMarks: readonly { xIn: number; yIn: number; u: number; v: number }[];
  }[];
  readonly marks: readonly { view: string; station: string; landmark: string; u: number; v: number }[];
  readonly measures: Readonly<Record<string, number>>;
}

export const truthOf = (key: string): ClipTruth =>
  JSON.parse(readFileSync(join(CLIPS, `${key}.truth.json`), 'utf8'));
