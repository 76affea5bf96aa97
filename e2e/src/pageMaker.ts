import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import type { Page } from 'puppeteer-core';

/** Runs a script in the page, with whatever it imports of the web app's packages. */
export async function runInPage(page: Page, script: string): Promise<void> {
  const { outputFiles } = await build({
    stdin: { contents: script, resolveDir: fileURLToPath(new URL('../../web', import.meta.url)) },
    bundle: true,
    format: 'iife',
    write: false,
    logLevel: 'error',
  });
  await page.evaluate(outputFiles[0]?.text ?? '');
}
