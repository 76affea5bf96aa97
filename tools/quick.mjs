// `./inchstep test quick`: types, lint, boundaries, and the tests beside what changed. All of it at once, in under 90 s.
import { execFileSync, spawn } from 'node:child_process';
import { dirname } from 'node:path';

const TSC = 'node_modules/typescript7/bin/tsc';
const env = { ...process.env, NODE_OPTIONS: '--experimental-vm-modules --no-warnings', FORCE_COLOR: '0' };
const git = (...args) => execFileSync('git', args, { encoding: 'utf8' }).split('\n').filter(Boolean);
const isTest = (path) => /\.test\.tsx?$/.test(path);

/** What differs from the last commit; where nothing does, what the last commit changed. */
function changedFiles() {
  const open = [...git('diff', '--name-only', 'HEAD'), ...git('ls-files', '--others', '--exclude-standard')];
  return open.length > 0 ? open : git('diff', '--name-only', 'HEAD~1', 'HEAD');
}

/** Tests in the folders of what changed, and those of the house, which read every file. */
function testsBeside(changed) {
  const folders = new Set(changed.map((path) => dirname(path)));
  const known = git('ls-files', '--cached', '--others', '--exclude-standard').filter(isTest);
  return known.filter((path) => folders.has(dirname(path)) || path === 'tools/house.test.ts');
}

function run(name, command, args) {
  const started = Date.now();
  return new Promise((done) => {
    const child = spawn(command, args, { env: { ...env, TZ: 'America/Los_Angeles' } });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk));
    child.on('close', (code) => {
      const seconds = ((Date.now() - started) / 1000).toFixed(1);
      process.stdout.write(
        `${code === 0 ? '' : said}== ${name}: ${code === 0 ? 'ok' : 'FAILED'} in ${seconds} s\n`,
      );
      done(code === 0);
    });
  });
}

const tests = testsBeside(changedFiles());
const passed = await Promise.all([
  run('types', 'node', [TSC, '-p', 'tsconfig.json', '--noEmit']),
  run('types of core', 'node', [TSC, '-p', 'core/tsconfig.json', '--noEmit']),
  run('lint and format', 'npx', ['biome', 'check', '.']),
  run('boundaries', 'npm', ['run', '--silent', 'boundaries']),
  run(`tests in ${tests.length} files`, 'npx', ['jest', ...tests]),
]);
process.exit(passed.every(Boolean) ? 0 : 1);
