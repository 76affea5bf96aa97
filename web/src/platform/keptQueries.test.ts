import 'fake-indexeddb/auto';
import { beforeAll, expect, test } from '@jest/globals';
import { QueryClient } from '@tanstack/react-query';
import { forgetKeptQueries, keepWhile, takeUpKept } from './keptQueries.ts';
import { readKept } from './sendingStore.ts';

// What jsdom has not; answers of the program are plain JSON.
beforeAll(() => {
  Object.assign(globalThis, { structuredClone: (value: unknown) => JSON.parse(JSON.stringify(value)) });
});

/** It is written down a moment after it was heard. */
async function written(): Promise<void> {
  for (let i = 0; i < 100 && (await readKept('lesson')) === null; i++)
    await new Promise((done) => setTimeout(done, 100));
}

test('a lesson’s answers come back after a reload as old ones; others, and forgotten ones, do not', async () => {
  const before = new QueryClient();
  const stop = keepWhile(before, ([of]) => of === 'students');
  before.setQueryData(['students', 'x', 'draft'], { text: 'so far' });
  before.setQueryData(['roster'], []);
  await written();
  stop();
  const after = new QueryClient();
  await takeUpKept(after);
  expect(after.getQueryData(['students', 'x', 'draft'])).toEqual({ text: 'so far' });
  // Asked for again with the next look, also where an answer is good for ever.
  expect(after.getQueryState(['students', 'x', 'draft'])?.isInvalidated).toBe(true);
  expect(after.getQueryData(['roster'])).toBeUndefined();
  await forgetKeptQueries();
  const later = new QueryClient();
  await takeUpKept(later);
  expect(later.getQueryData(['students', 'x', 'draft'])).toBeUndefined();
});
