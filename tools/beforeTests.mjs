// Server tests run from the sources; the worker threads and commands they start are bundles.
import { spawnSync } from 'node:child_process';

export default function beforeTests() {
  const env = { ...process.env, NODE_OPTIONS: '' };
  for (const part of ['server', 'cli']) {
    const { status } = spawnSync('node', ['tools/build.mjs', part], { stdio: 'inherit', env });
    if (status !== 0) throw new Error(`beforeTests: the ${part} could not be built`);
  }
}
