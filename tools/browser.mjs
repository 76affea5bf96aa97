// Debian's headless Chromium, set so that pictures come out alike on every machine.
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-dev-shm-usage',
  '--enable-unsafe-swiftshader',
  '--force-color-profile=srgb',
  '--font-render-hinting=none',
  '--hide-scrollbars',
];

export const chromiumPath = () =>
  [process.env.CHROMIUM, '/usr/bin/chromium', '/usr/bin/chromium-browser'].find((p) => p && existsSync(p));

/** A fresh browser with a profile of its own; `close` also removes the profile. */
export async function openBrowser(more = []) {
  const userDataDir = mkdtempSync(join(tmpdir(), 'inchstep-browser-'));
  const browser = await puppeteer.launch({
    executablePath: chromiumPath(),
    headless: true,
    userDataDir,
    defaultViewport: { width: 1280, height: 800 },
    args: [...FLAGS, ...more],
  });
  const close = async () => {
    await browser.close();
    rmSync(userDataDir, { recursive: true, force: true });
  };
  return { browser, close };
}
