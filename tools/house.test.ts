import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import ts from 'typescript';

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
  test('has functions that fit a screen: 60 lines, React components and hooks 100', () => {
    const long = files
      .filter((f) => !/\.test\.|e2e\./.test(f))
      .flatMap((f) => functionsOf(f).filter(({ lines, limit }) => lines > limit))
      .map(({ name, lines }) => `${name}: ${lines}`);
    expect(long).toEqual([]);
  });
});

const FUNCTION_LINES = 60;
const REACT_LINES = 100;

/** Every function of a file with a body, by its name and length. */
function functionsOf(file: string): { name: string; lines: number; limit: number }[] {
  const kind = file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  const text = readFileSync(join(ROOT, file), 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true, kind);
  const found: { name: string; lines: number; limit: number }[] = [];
  const lineAt = (at: number) => source.getLineAndCharacterOfPosition(at).line;
  const visit = (node: ts.Node): void => {
    if (ts.isFunctionLike(node) && 'body' in node && node.body) {
      const own = node.name ?? (node.parent as { name?: ts.Node }).name;
      const name = own?.getText() ?? 'without a name';
      const isReact = file.startsWith('web/') && /^([A-Z]|use[A-Z])/.test(name);
      const lines = lineAt(node.end) - lineAt(node.getStart()) + 1;
      found.push({ name: `${file} ${name}`, lines, limit: isReact ? REACT_LINES : FUNCTION_LINES });
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}
