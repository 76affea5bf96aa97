import { readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { expect, test } from '@jest/globals';

const WEB = join(process.cwd(), 'web', 'src');

/** The web app's own files that a file reaches by its imports. */
function reached(from: string, seen = new Set<string>()): Set<string> {
  if (seen.has(from)) return seen;
  seen.add(from);
  const text = readFileSync(from, 'utf8');
  for (const [, path] of text.matchAll(/(?:from |import\()'(\.[^']+\.tsx?)'/g))
    reached(resolve(dirname(from), path as string), seen);
  return seen;
}

test('the student’s styles are made from every component that it reaches, and from nothing else', () => {
  const css = readFileSync(join(WEB, 'student.css'), 'utf8');
  const sources = [...css.matchAll(/@source '([^']+)'/g)].map(([, path]) => path as string);
  const drawn = [...reached(join(WEB, 'student.tsx'))].filter((path) => path.endsWith('.tsx'));
  expect([...sources].sort()).toEqual(drawn.map((path) => `./${relative(WEB, path)}`).sort());
});
