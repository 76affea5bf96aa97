import type { ChildProcess } from 'node:child_process';
import type { Page } from 'puppeteer-core';
import { moveDate } from './movedDate.mjs';

const PRELOAD = new URL('./movedClock.mjs', import.meta.url).pathname;

/** A clock that the test holds: the server reads it from its first line, each page from its next load. */
export function heldClock(begin: string) {
  const away = (moment: string): number => new Date(moment).getTime() - Date.now();
  let byMs = away(begin);
  const pages = new Map<Page, string>();
  const put = async (page: Page) => {
    const old = pages.get(page);
    if (old) await page.removeScriptToEvaluateOnNewDocument(old);
    const { identifier } = await page.evaluateOnNewDocument(`(${moveDate.toString()})(${byMs})`);
    pages.set(page, identifier);
  };
  return {
    env: { NODE_OPTIONS: `--import ${PRELOAD}`, E2E_CLOCK_MS: String(byMs) },
    hold: put,
    move: async (moment: string, server: ChildProcess): Promise<void> => {
      byMs = away(moment);
      const taken = new Promise<void>((done) => server.once('message', () => done()));
      server.send({ clockMs: byMs });
      await taken;
      await Promise.all([...pages.keys()].filter((page) => !page.isClosed()).map(put));
    },
  };
}
