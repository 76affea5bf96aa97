// Every check in turn; closes with "N passed, N failed". Steps count one each, tests one each.
import { spawnSync } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';

const env = { ...process.env, NODE_OPTIONS: '--experimental-vm-modules --no-warnings', FORCE_COLOR: '0' };
// The fast compiler; `typescript` itself stays at 6 for the boundary checker, which reads with it.
const TSC = 'node_modules/typescript7/bin/tsc';
let passed = 0;
let failed = 0;

const times = [];

function step(name, command, args, more = {}) {
  const started = Date.now();
  process.stdout.write(`\n== ${name}\n`);
  const { status } = spawnSync(command, args, { stdio: 'inherit', env: { ...env, ...more } });
  const ok = status === 0;
  const seconds = (Date.now() - started) / 1000;
  times.push([name, seconds]);
  process.stdout.write(`== ${name}: ${ok ? 'ok' : 'FAILED'} in ${seconds.toFixed(1)} s\n`);
  return ok;
}

function check(name, command, args) {
  if (step(name, command, args)) passed++;
  else failed++;
}

/** Jest's own counts, so that the closing line tells tests and not files. */
function tests(name, args, zone) {
  const report = `dist/${name.replaceAll(' ', '-')}.json`;
  rmSync(report, { force: true });
  const ok = step(name, 'npx', ['jest', ...args, '--json', `--outputFile=${report}`], { TZ: zone });
  try {
    const result = JSON.parse(readFileSync(report, 'utf8'));
    passed += result.numPassedTests;
    failed += result.numFailedTests + result.numRuntimeErrorTestSuites;
    if (result.numPassedTests === 0) failed++;
  } catch {
    failed++;
  }
  if (!ok && failed === 0) failed++;
}

const only = process.argv[2];
if (!only || only === 'static') {
  check('types of core, without DOM and Node', 'node', [TSC, '-p', 'core/tsconfig.json', '--noEmit']);
  check('types', 'node', [TSC, '-p', 'tsconfig.json', '--noEmit']);
  check('lint and format', 'npx', ['biome', 'check', '.']);
  check('boundaries', 'npm', ['run', '--silent', 'boundaries']);
}
check('build', 'node', ['tools/build.mjs']);
// A day is not the same day everywhere: half of the tests run west of Greenwich, half east of it.
if (!only || only === 'unit') tests('unit tests', [], 'America/Los_Angeles');
if (!only || only === 'e2e')
  tests('end to end', ['--config', 'e2e/jest.config.mjs', '--maxWorkers=2'], 'Asia/Tokyo');

process.stdout.write('\nSeconds each part took\n');
for (const [name, seconds] of times) process.stdout.write(`${seconds.toFixed(1).padStart(8)}  ${name}\n`);
process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 ? 0 : 1);
