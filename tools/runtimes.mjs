// How long one look of the body network takes in each runtime there is: `node tools/runtimes.mjs`. Needs a built `web/public/networks`.
// One network in one worker, then as many as the machine has threads, side by side; each runs the same picture.
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { build } from 'esbuild';
import { openBrowser } from './browser.mjs';

const RUNS = 60;
const WARM = 10;
const LONGEST_MS = 90_000;
const WASM = new URL('../node_modules/@litertjs/core/wasm/', import.meta.url).pathname;
const NETWORKS = new URL('../web/public/networks/', import.meta.url).pathname;

const WAYS = [
  { name: 'plain arithmetic, one thread', script: 'litert_wasm_compat_internal.js' },
  { name: 'vector arithmetic, one thread', script: '' },
  { name: 'vector arithmetic, threads of its own', script: '', threads: true },
  { name: 'graphics card (here drawn by the processor)', script: '', accelerator: 'webgpu' },
];

const WORKER = `
import { loadAndCompile, loadLiteRt, Tensor } from '@litertjs/core';
onmessage = async ({ data: { base, script, threads, accelerator, runs, warm } }) => {
  try {
    const quiet = () => {};
    self.Module = { locateFile: (name) => base + 'wasm/' + name, print: quiet, printErr: quiet };
    await loadLiteRt(base + 'wasm/' + script, { threads });
    const model = await loadAndCompile(base + 'points.tflite', { accelerator: accelerator ?? 'wasm' });
    const input = Float32Array.from({ length: 256 * 256 * 3 }, (_, i) => ((i * 7919) % 255) / 255);
    const look = async () => {
      let tensor = new Tensor(input, [1, 256, 256, 3]);
      if (accelerator) tensor = await tensor.moveTo(accelerator);
      for (const output of await model.run(tensor)) {
        const here = accelerator ? await output.moveTo('wasm') : output;
        here.toTypedArray();
        here.delete();
      }
      tensor.delete();
    };
    for (let i = 0; i < warm; i++) await look();
    const started = performance.now();
    for (let i = 0; i < runs; i++) await look();
    postMessage({ ms: (performance.now() - started) / runs });
  } catch (reason) {
    postMessage({ failed: String(reason).slice(0, 160) });
  }
};`;

async function served() {
  const { outputFiles } = await build({
    stdin: { contents: WORKER, resolveDir: new URL('../web/', import.meta.url).pathname },
    bundle: true,
    format: 'iife',
    write: false,
    logLevel: 'error',
  });
  const server = createServer((request, response) => {
    const url = request.url ?? '/';
    // Shared memory, which threads need, is given only to pages that keep to themselves.
    response.setHeader('cross-origin-opener-policy', 'same-origin');
    response.setHeader('cross-origin-embedder-policy', 'require-corp');
    const type = url.endsWith('.js')
      ? 'text/javascript'
      : url.endsWith('.wasm')
        ? 'application/wasm'
        : 'text/html';
    response.setHeader('content-type', type);
    if (url === '/') return response.end('<!doctype html><title>runtimes</title>');
    if (url === '/worker.js') return response.end(outputFiles[0].text);
    const [folder, name] = url.startsWith('/wasm/') ? [WASM, url.slice(6)] : [NETWORKS, url.slice(1)];
    try {
      response.end(readFileSync(join(folder, name)));
    } catch {
      response.writeHead(404).end();
    }
  });
  await new Promise((done) => server.listen(0, '127.0.0.1', done));
  return server;
}

const server = await served();
const base = `http://127.0.0.1:${server.address().port}/`;

/** Milliseconds a look takes with so many workers side by side, or why it can't be had. A browser of its own: one runtime has ended it. */
async function timed(way, many) {
  const { browser, close } = await openBrowser([
    '--enable-unsafe-webgpu',
    '--use-webgpu-adapter=swiftshader',
    '--enable-features=Vulkan',
  ]);
  try {
    const page = await browser.newPage();
    await page.goto(base);
    const looked = page.evaluate(
      (job, n) => {
        const one = () =>
          new Promise((done) => {
            const worker = new Worker('/worker.js');
            worker.onmessage = ({ data }) => {
              worker.terminate();
              done(data);
            };
            worker.onerror = ({ message }) => done({ failed: message });
            worker.postMessage(job);
          });
        return Promise.all(Array.from({ length: n }, one));
      },
      { ...way, base, runs: RUNS, warm: WARM },
      many,
    );
    looked.catch(() => undefined);
    const said = await Promise.race([looked, new Promise((done) => setTimeout(done, LONGEST_MS, null))]);
    if (!said) return `did not come to an end within ${LONGEST_MS / 1000} s`;
    const failed = said.find((one) => one.failed)?.failed;
    if (failed) return failed;
    return `${(said.reduce((sum, { ms }) => sum + ms, 0) / said.length / many).toFixed(1)} ms a look`;
  } catch (reason) {
    return `can't be had: ${reason.message}`;
  } finally {
    await close();
  }
}

for (const way of WAYS)
  for (const many of [1, cpus().length])
    console.log(`${way.name}, ${many} at once: ${await timed(way, many)}`);
server.close();
