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
      (f) =>
        /\/src\//.test(f) && /^export \* from|^export default/m.test(readFileSync(join(ROOT, f), 'utf8')),
    );
    expect(loose).toEqual([]);
  });
  test('uses endpoints: addresses are written only in the contract, routes are made only by mount', () => {
    // Tests that attack spell addresses themselves.
    const ATTACKS = /doors\.test|proxy\.test/;
    const served = files.filter((f) => /^(server|web|cli)\/src\//.test(f) && !ATTACKS.test(f));
    const text = (f: string) => readFileSync(join(ROOT, f), 'utf8');
    expect(served.filter((f) => /['"`]\/api\//.test(text(f)))).toEqual([]);
    const routed = served.filter((f) =>
      /\b(app|scope)\.(get|post|put|delete|patch|head|route)\(/.test(text(f)),
    );
    expect(routed).toEqual(['server/src/platform/mount.ts']);
  });
  test('has functions that fit a screen: 60 lines, React components and hooks 100', () => {
    const long = files
      .filter((f) => !/\.test\.|e2e\./.test(f))
      .flatMap((f) => functionsOf(f).filter(({ lines, limit }) => lines > limit))
      .map(({ name, lines }) => `${name}: ${lines}`);
    expect(long).toEqual([]);
  });
});

describe('the screens', () => {
  const components = execFileSync(
    'git',
    ['ls-files', '--cached', '--others', '--exclude-standard', 'web/src'],
    {
      cwd: ROOT,
      encoding: 'utf8',
    },
  )
    .split('\n')
    .filter((f) => f.endsWith('.tsx') && !f.includes('.test.') && !f.includes('/testing/'));
  test('hold no words of their own: those stand in words files', () => {
    expect(components.length).toBeGreaterThan(80);
    expect(components.flatMap(wordsIn)).toEqual([]);
  });
  test('would be told of a word between tags, in an attribute and in a message', () => {
    const text = 'const A = () => <p title="Your page">Hello {name}, <b>{toast("Kept.")}</b> · {x}</p>;';
    expect(wordsOf('a.tsx', text)).toEqual(['a.tsx: Your page', 'a.tsx: Hello', 'a.tsx: Kept.']);
  });
});

/** Attributes whose text is seen or read out. */
const SAID = new Set(['title', 'label', 'aria-label', 'placeholder', 'hint', 'what', 'alt', 'legend']);
const HAS_WORD = /\p{L}{2,}/u;

const wordsIn = (file: string): string[] => wordsOf(file, readFileSync(join(ROOT, file), 'utf8'));

/** What a component says in its own text: between tags, in attributes that are read, in messages. */
function wordsOf(file: string, text: string): string[] {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const found: string[] = [];
  const say = (said: string) => {
    if (HAS_WORD.test(said)) found.push(`${file}: ${said.trim().replace(/[\s,]+$/, '')}`);
  };
  const visit = (node: ts.Node): void => {
    if (ts.isJsxText(node)) say(node.text);
    if (ts.isJsxAttribute(node) && SAID.has(node.name.getText(source))) {
      const value =
        node.initializer && ts.isJsxExpression(node.initializer)
          ? node.initializer.expression
          : node.initializer;
      if (value && ts.isStringLiteralLike(value)) say(value.text);
    }
    if (ts.isCallExpression(node) && node.expression.getText(source) === 'toast') {
      const first = node.arguments[0];
      if (first && ts.isStringLiteralLike(first)) say(first.text);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

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
