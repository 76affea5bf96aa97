import { beforeEach, expect, test } from '@jest/globals';
import { reloadForNewerProgram } from './newerProgram.ts';

beforeEach(() => sessionStorage.clear());

let isThere = true;
let reloads = 0;
reloadForNewerProgram(
  () => {
    reloads++;
  },
  async () => isThere,
);
const missing = async () => {
  window.dispatchEvent(new Event('vite:preloadError', { cancelable: true }));
  await new Promise((done) => setTimeout(done));
};

test('a screen that is no more loads the page again, and only once', async () => {
  reloads = 0;
  isThere = true;
  await missing();
  await missing();
  expect(reloads).toBe(1);
});
test('without a connection the open page stays: loading it again would show the browser’s own error', async () => {
  reloads = 0;
  isThere = false;
  await missing();
  expect(reloads).toBe(0);
  isThere = true;
  await missing();
  expect(reloads).toBe(1);
});
