// Builds what runs: cli and server bundled for Node (their packages stay outside), the web app by Vite.
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, gzip as zlibGzip } from 'node:zlib';
import { build } from 'esbuild';
import { buildNetworks } from './networks.mjs';

const only = process.argv[2];
const brotli = promisify(brotliCompress);
const gzip = promisify(zlibGzip);

/** Scripts and styles are packed once and hard, not with every answer: a phone on a slow line waits for each kilobyte. */
async function packed(folder) {
  for (const name of readdirSync(folder).filter((file) => /\.(js|css)$/.test(file))) {
    const path = join(folder, name);
    const text = readFileSync(path);
    const [small, plain] = await Promise.all([brotli(text), gzip(text, { level: 9 })]);
    writeFileSync(`${path}.br`, small);
    writeFileSync(`${path}.gz`, plain);
  }
}

/** Our own code, and packages of hundreds of small files that would be opened one by one at each start. */
const INSIDE = /^(@inchstep\/|date-fns$|drizzle-orm\/)/;
const node = {
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  sourcemap: true,
  logLevel: 'warning',
};
mkdirSync('dist', { recursive: true });

if (!only || only === 'cli') {
  // Everything inside, so that the core's commands start quickly.
  await build({ ...node, entryPoints: ['cli/src/main.ts'], outfile: 'dist/cli.js', minifySyntax: true });
}
if (!only || only === 'bench') {
  await build({ ...node, entryPoints: ['standins/src/studies/main.ts'], outfile: 'dist/bench.js' });
  const page = { bundle: true, format: 'iife', target: 'es2022', minify: true, logLevel: 'warning' };
  await build({
    ...page,
    entryPoints: ['standins/src/studies/phoneSpeeds.ts'],
    outfile: 'dist/phone-speeds.js',
  });
}
if (!only || only === 'server') {
  await build({
    ...node,
    entryPoints: {
      server: 'server/src/main.ts',
      worker: 'server/src/worker.ts',
      care: 'server/src/care.ts',
      demo: 'standins/src/demo/main.ts',
    },
    outdir: 'server/dist',
    plugins: [
      {
        name: 'own-code-inside',
        setup: (b) =>
          b.onResolve({ filter: /^[^./]/ }, ({ path }) =>
            INSIDE.test(path) ? undefined : { path, external: true },
          ),
      },
    ],
  });
}
if (!only || only === 'web') {
  await buildNetworks();
  const { build: viteBuild } = await import('vite');
  await viteBuild({ root: 'web', logLevel: 'warn' });
  await viteBuild({ root: 'web', logLevel: 'warn', mode: 'student' });
  await packed('web/dist/assets');
  await packed('web/dist/assets/page');
}
