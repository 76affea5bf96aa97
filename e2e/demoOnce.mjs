// The demo's data is made once for all stories; each takes a copy of its own.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const ROOT = new URL('../', import.meta.url).pathname;

export default async function demoOnce() {
  const folder = mkdtempSync(join(tmpdir(), 'inchstep-demo-'));
  process.env.E2E_DEMO_DIR = join(folder, 'data');
  const env = { ...process.env, NODE_OPTIONS: '', INCHSTEP_DEMO: '1', DATA_DIR: process.env.E2E_DEMO_DIR };
  const made = spawn('node', ['server/dist/demo.js'], {
    cwd: ROOT,
    env,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const code = await new Promise((done) => made.once('exit', done));
  if (code !== 0) throw new Error(`e2e: the demo could not be made (${code})`);
  globalThis.dropDemo = () => rmSync(folder, { recursive: true, force: true });
}
