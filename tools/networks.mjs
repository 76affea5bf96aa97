// The body networks and their runtime, from installed packages into the web app's public folder.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { build } from 'esbuild';

const require = createRequire(new URL('../web/package.json', import.meta.url));
// Packages carry odd permissions: contents only.
const copy = (from, to) => writeFileSync(to, readFileSync(from));
const folderOf = (name) => join(dirname(require.resolve(`${name}/package.json`)));

export async function buildNetworks() {
  const to = 'web/public/networks';
  mkdirSync(to, { recursive: true });
  const pose = folderOf('@mediapipe/pose');
  copy(join(pose, 'pose_solution_packed_assets.data'), join(to, 'detector.tflite'));
  copy(join(pose, 'pose_landmark_full.tflite'), join(to, 'points.tflite'));
  const runtime = join(folderOf('@litertjs/core'), 'wasm');
  for (const kind of ['', 'compat_'])
    for (const ending of ['js', 'wasm']) {
      const name = `litert_wasm_${kind}internal.${ending}`;
      copy(join(runtime, name), join(to, name));
    }
  await build({
    entryPoints: ['web/src/rooms/capture/poser.worker.ts'],
    outfile: join(to, 'poser.js'),
    bundle: true,
    format: 'iife',
    target: 'es2022',
    minify: true,
    logLevel: 'warning',
  });
}
