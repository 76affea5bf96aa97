import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import type { CDPSession, Page } from 'puppeteer-core';
import { openBrowser } from '../../../tools/browser.mjs';
import { press, see } from '../hands.ts';
import { ROOT, type RunningServer } from '../program.ts';
import type { Coach } from './measure.ts';

export interface Figure {
  readonly what: string;
  readonly value: number;
  readonly unit: string;
  readonly goal: number | null;
}

const DIST = join(ROOT, 'web', 'dist');
const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true };
const SLOW_PHONE = { offline: false, latency: 150, downloadThroughput: 200_000, uploadThroughput: 94_000 };
const RUNS = 5;

/** What a browser fetches and shows, in the running program with everybody in it. */
export async function pagesOf(server: RunningServer, coach: Coach, student: string): Promise<Figure[]> {
  const { browser, close } = await openBrowser();
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  page.setDefaultTimeout(120_000);
  await page.goto(server.url);
  await press(page, 'Enter as Ilse Varga (demo)');
  const figures: Figure[][] = [];
  for (let i = 0; i < RUNS; i++) figures.push(await rosterOf(page, server.url));
  // The phone is a device of its own: the coach's screen goes on drawing nothing beside it.
  await page.close();
  const { text } = await coach.ask('POST', `/api/students/${student}/links`, { days: 9 });
  const address = `${server.url}/p/${(JSON.parse(text) as { token: string }).token}`;
  const shown: { ms: number; shift: number }[] = [];
  for (let i = 0; i < RUNS; i++) {
    const context = await browser.createBrowserContext();
    shown.push(await phone(await context.newPage(), address));
    await context.close();
  }
  await close();
  return [
    ...(figures[0] ?? []).map((figure, k) => ({
      ...figure,
      value: middleOf(figures.map((f) => f[k]?.value ?? 0)),
    })),
    {
      what: 'student’s page, slow phone',
      value: middleOf(shown.map(({ ms }) => ms)),
      unit: 'ms',
      goal: 1800,
    },
    { what: 'layout shift of it', value: Math.max(...shown.map(({ shift }) => shift)), unit: '', goal: 0 },
    {
      what: 'first script, coach, gzip',
      value: scriptKb('index.html', 'TodayScreen'),
      unit: 'kB',
      goal: 200,
    },
    {
      what: 'first script, student, gzip',
      value: scriptKb('student.html', undefined, join('assets', 'page')),
      unit: 'kB',
      goal: 110,
    },
  ];
}

const middleOf = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] as number;

async function rosterOf(page: Page, url: string): Promise<Figure[]> {
  await page.goto(`${url}/students`, { waitUntil: 'domcontentloaded' });
  await page.waitForFunction(() => document.querySelectorAll('main li, ul.panel li').length > 5);
  const shown = await page.evaluate(() => performance.now());
  const nodes = await page.evaluate(() => document.querySelectorAll('*').length);
  await page.click('input[aria-label="Find a student"]');
  const typed = await page.evaluate(async () => {
    const input = document.querySelector<HTMLInputElement>('input[aria-label="Find a student"]');
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
    let longest = 0;
    for (const text of ['b', 'ba', 'bad', 'ba', 'b', '']) {
      const began = performance.now();
      set?.call(input, text);
      input?.dispatchEvent(new Event('input', { bubbles: true }));
      await new Promise((frame) => requestAnimationFrame(() => setTimeout(frame, 0)));
      longest = Math.max(longest, performance.now() - began);
    }
    return longest;
  });
  return [
    { what: 'roster, shown', value: shown, unit: 'ms', goal: 600 },
    { what: 'nodes of it', value: nodes, unit: '', goal: null },
    { what: 'a letter of its search, longest', value: typed, unit: 'ms', goal: 33 },
  ];
}

/** A processor four times slower and 1.6 Mbit/s, with nothing kept from before. */
async function phone(page: Page, address: string): Promise<{ ms: number; shift: number }> {
  await page.setViewport(PHONE);
  page.setDefaultTimeout(120_000);
  const session: CDPSession = await page.createCDPSession();
  await session.send('Network.enable');
  await session.send('Network.emulateNetworkConditions', SLOW_PHONE);
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  await page.evaluateOnNewDocument(() => {
    const seen = globalThis as unknown as { shift: number; shownMs: number };
    seen.shift = 0;
    seen.shownMs = 0;
    // The page's own clock, which starts with the journey: asking from outside would slow a slow processor further.
    new MutationObserver((_, watch) => {
      if (!document.querySelector('h1')?.textContent?.includes('’s practice')) return;
      watch.disconnect();
      requestAnimationFrame(() => setTimeout(() => (seen.shownMs = performance.now()), 0));
    }).observe(document, { childList: true, subtree: true });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) seen.shift += (entry as unknown as { value: number }).value;
    }).observe({ type: 'layout-shift', buffered: true });
  });
  await page.goto(address, { waitUntil: 'domcontentloaded' });
  await see(page, '’s practice');
  await new Promise((go) => setTimeout(go, 1500));
  return page.evaluate(() => {
    const seen = globalThis as unknown as { shift: number; shownMs: number };
    return { ms: seen.shownMs, shift: seen.shift };
  });
}

/** The scripts that a page names in its head, its first screen, and what they import before anything runs. */
function scriptKb(html: string, screen?: string, assets = 'assets'): number {
  const wanted = new Set<string>();
  const text = readdirSync(DIST).includes(html) ? readFileSync(join(DIST, html), 'utf8') : '';
  const take = (name: string) => {
    if (wanted.has(name)) return;
    wanted.add(name);
    const code = readFileSync(join(DIST, assets, name), 'utf8');
    for (const [, found] of code.matchAll(/(?:from|import)\s*["']\.\/([\w.-]+\.js)["']/g))
      take(found as string);
  };
  for (const [, name] of text.matchAll(/(?:src|href)="\/assets\/(?:page\/)?([\w.-]+\.js)"/g))
    take(name as string);
  for (const name of readdirSync(join(DIST, assets)))
    if (screen && name.startsWith(`${screen}-`) && name.endsWith('.js')) take(name);
  const bytes = [...wanted].reduce((sum, n) => sum + gzipSync(readFileSync(join(DIST, assets, n))).length, 0);
  return Math.round(bytes / 1024);
}
