import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';

const ROOT = new URL('..', import.meta.url).pathname;
const ROOMS = [
  'capture',
  'checkins',
  'diagnosis',
  'intake',
  'measures',
  'practice',
  'prescription',
  'progress',
];

test.each(['core', 'contract', 'server', 'web'])('the floor %s has the same eight rooms', (floor) => {
  const rooms = readdirSync(join(ROOT, floor, 'src', 'rooms'), { withFileTypes: true });
  expect(
    rooms
      .filter((d) => d.isDirectory())
      .map((d) => d.name)
      .sort(),
  ).toEqual(ROOMS);
});

describe('every source file', () => {
  const files = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], {
    cwd: ROOT,
    encoding: 'utf8',
  })
    .split('\n')
    .filter((f) => /\.(ts|tsx|mjs)$/.test(f));
  test('is shorter than 300 lines', () => {
    expect(files.length).toBeGreaterThan(200);
    const long = files
      .filter((f) => !/\.test\.|e2e\./.test(f))
      .filter((f) => readFileSync(join(ROOT, f), 'utf8').split('\n').length > 301);
    expect(long).toEqual([]);
  });
  test('names its exports: no export of everything, no default but for configuration', () => {
    const loose = files.filter(
      (f) => /\/src\//.test(f) && /^export \*|^export default/m.test(readFileSync(join(ROOT, f), 'utf8')),
    );
    expect(loose).toEqual([]);
  });
});
