import { build } from 'esbuild';
import puppeteer, { type Browser } from 'puppeteer-core';

/** A browser that draws in three dimensions without a graphics card. */
export const drawingBrowser = (): Promise<Browser> =>
  puppeteer.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    protocolTimeout: 900_000,
    args: [
      '--no-sandbox',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-dev-shm-usage',
      '--enable-unsafe-swiftshader',
      '--use-gl=angle',
      '--use-angle=swiftshader',
    ],
  });

/** A page's script with all that it imports, as one text; `name` is a file beside this one. */
export async function pageScript(name: string): Promise<string> {
  const bundled = await build({
    entryPoints: [new URL(name, import.meta.url).pathname],
    bundle: true,
    format: 'iife',
    write: false,
    target: 'es2022',
  });
  return bundled.outputFiles[0]?.text ?? '';
}
