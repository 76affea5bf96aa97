import { type ChildProcess, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { StoredSet } from '@inchstep/contract/practice';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Browser, BrowserContext, Page } from 'puppeteer-core';
import { openBrowser } from '../../tools/browser.mjs';
import { press, see, story, textOf } from './hands.ts';
import { freePort, type Program, ROOT } from './program.ts';
import { studentWithDrill } from './setUp.ts';

/** The built program in a folder of its own, so that a newer one can take its place. */
function installIn(root: string): void {
  mkdirSync(join(root, 'web'), { recursive: true });
  mkdirSync(join(root, 'server'), { recursive: true });
  for (const part of ['server/dist', 'server/drizzle'])
    cpSync(join(ROOT, part), join(root, part), { recursive: true });
  cpSync(join(ROOT, 'web/dist'), join(root, 'web/dist'), {
    recursive: true,
    filter: (path) => !path.includes('/networks'),
  });
  for (const part of ['node_modules', 'package.json', 'server/node_modules', 'server/package.json'])
    symlinkSync(join(ROOT, part), join(root, part));
}

/** The next version: the student's page says something else, under another name of its script. */
function renew(root: string): void {
  const dist = join(root, 'web/dist');
  const assets = join(dist, 'assets/page');
  const old = readdirSync(assets).find((name) => /^student-[\w-]+\.js$/.test(name)) as string;
  const next = 'student-newer001.js';
  const change = (path: string, to: string, by: (text: string) => string) =>
    writeFileSync(to, by(readFileSync(path, 'utf8')));
  change(join(assets, old), join(assets, next), (text) =>
    text.replaceAll('’s practice', '’s newer practice'),
  );
  const html = join(dist, 'student.html');
  change(html, html, (text) => text.replaceAll(old, next));
  const worker = join(dist, 'page-worker.js');
  change(worker, worker, (text) =>
    text.replaceAll(old, next).replace(/(student\.html"?,revision:")[0-9a-f]+/, '$1newer'),
  );
}

describe('a new version of the program while the phone is offline', () => {
  const step = story(it);
  const student = randomUUID();
  const folder = mkdtempSync(join(tmpdir(), 'inchstep-newer-'));
  let server: ChildProcess | null = null;
  let url: string;
  let port: number;
  let context: BrowserContext;
  let coach: Page;
  let phone: Page;
  let card: string;
  let close: () => Promise<void>;

  const start = () =>
    new Promise<void>((done, fail) => {
      const env = {
        ...process.env,
        NODE_OPTIONS: '',
        DATA_DIR: join(folder, 'data'),
        PORT: String(port),
        LOG_LEVEL: 'warn',
      };
      server = spawn('node', ['server/dist/server.js'], {
        cwd: folder,
        env,
        stdio: ['ignore', 'pipe', 'inherit'],
      });
      server.stdout?.on('data', (chunk: Buffer) => String(chunk).includes('is ready') && done());
      server.once('exit', (code) => fail(new Error(`the server stopped with ${code}`)));
    });
  const end = () =>
    new Promise<void>((done) => {
      if (!server || server.exitCode !== null) return done();
      server.removeAllListeners('exit');
      server.once('exit', () => done());
      server.kill('SIGTERM');
      server = null;
    });
  const open = async () => {
    phone = await context.newPage();
    phone.setDefaultTimeout(30_000);
    await phone.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true });
    await phone.goto(card);
  };

  beforeAll(async () => {
    installIn(folder);
    port = await freePort();
    url = `http://localhost:${port}`;
    await start();
    const opened = await openBrowser();
    close = opened.close;
    const browser = opened.browser as Browser;
    context = await browser.createBrowserContext();
    coach = await (await browser.createBrowserContext()).newPage();
    const token = await studentWithDrill({ url } as Program, coach, student, 'knee_swap');
    card = `${url}/p/${token}`;
  });
  afterAll(async () => {
    await close?.();
    await end();
    rmSync(folder, { recursive: true, force: true });
  });

  step('offline the phone goes on with the version it has, and keeps what is counted', async () => {
    await open();
    await see(phone, 'Priya’s practice');
    await phone.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await end();
    renew(folder);
    await phone.reload();
    await see(phone, 'Priya’s practice');
    if ((await textOf(phone, 'main')).includes('Practise anyway')) await press(phone, 'Practise anyway');
    for (const one of ['Counted', 'Missed', 'Counted']) await press(phone, one);
    await press(phone, 'Log this set');
    await see(phone, 'Kept on this phone: one set');
  });

  step('back online the set goes to the newer program, once', async () => {
    await start();
    await coach.bringToFront();
    await coach.waitForFunction(
      (of) =>
        fetch(of)
          .then((r) => r.json())
          .then((all: { reps: string }[]) => all.some(({ reps }) => reps === 'PFP')),
      { polling: 500, timeout: 30_000 },
      `/api/students/${student}/sets`,
    );
    const sets = await coach.evaluate(
      (of) => fetch(of).then((r) => r.json() as Promise<StoredSet[]>),
      `/api/students/${student}/sets`,
    );
    expect(sets.filter(({ reps }) => reps === 'PFP')).toHaveLength(1);
  });

  step('the newer page is taken up once the old one has been put away', async () => {
    await phone.bringToFront();
    await phone.evaluate(async () => {
      const known = await navigator.serviceWorker.getRegistration('/p/');
      await known?.update();
    });
    await phone.waitForFunction(async () => {
      const known = await navigator.serviceWorker.getRegistration('/p/');
      return known?.waiting !== null || known?.installing === null;
    });
    await phone.close();
    await open();
    await see(phone, 'practice');
    await phone.reload();
    await see(phone, 'Priya’s newer practice');
  });
});
