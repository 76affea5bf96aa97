import { expect, test } from '@jest/globals';
import { reloadForNewerProgram } from './newerProgram.ts';

test('a screen that is no more loads the page anew, and only once', () => {
  let reloads = 0;
  reloadForNewerProgram(() => {
    reloads++;
  });
  const missing = () => window.dispatchEvent(new Event('vite:preloadError', { cancelable: true }));
  // Taken care of the first time; the second time the failure is shown.
  expect(missing()).toBe(false);
  expect(missing()).toBe(true);
  expect(reloads).toBe(1);
});
