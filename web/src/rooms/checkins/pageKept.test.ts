import { createHash, webcrypto } from 'node:crypto';
import { TextEncoder as NodeEncoder } from 'node:util';
import * as wire from '@inchstep/contract/endpoints';
import { API, urlOf } from '@inchstep/contract/wire/address';
import { afterEach, beforeAll, beforeEach, expect, test } from '@jest/globals';
import { forgetPage } from './pageKept.ts';
import { forgetFilms, PAPERS, paperKey, putPaper } from './papers.ts';

beforeAll(() => {
  Object.assign(globalThis, { TextEncoder: NodeEncoder });
  Object.defineProperty(globalThis.crypto, 'subtle', { value: webcrypto.subtle, configurable: true });
});
afterEach(() => {
  Reflect.deleteProperty(globalThis, 'caches');
  Reflect.deleteProperty(globalThis, 'fetch');
});

const digest = (token: string) => createHash('sha256').update(token).digest('hex');
const at = (token: string, path: string) => `https://inch.example/api/page/${digest(token)}/${path}`;
let stores: Map<string, Set<string>>;
beforeEach(() => {
  stores = new Map();
  const store = (name: string) => {
    const kept = stores.get(name) ?? new Set<string>();
    stores.set(name, kept);
    return kept;
  };
  const caches = {
    open: async (name: string) => ({
      keys: async () => [...store(name)].map((url) => ({ url })),
      put: async (key: string) => void store(name).add(`https://inch.example${key}`),
      delete: async ({ url }: { url: string }) => store(name).delete(url),
    }),
    delete: async (name: string) => stores.delete(name),
  };
  Object.assign(globalThis, { caches, fetch: async () => ({ ok: true }) });
});
const kept = () => [...(stores.get(PAPERS) ?? [])];

test('a paper is kept under a digest of its link: the link itself stands nowhere', async () => {
  expect(await paperKey(urlOf(wire.page.readPlan, { token: 'tok-of-gus' }))).toBe(
    urlOf(wire.page.readPlan, { token: digest('tok-of-gus') }),
  );
  await putPaper(urlOf(wire.page.readFigure, { token: 'tok-of-gus', drill: 'knee_swap' }));
  expect(kept()).toEqual([at('tok-of-gus', 'figures/knee_swap')]);
  expect(JSON.stringify(kept())).not.toContain('tok-of-gus');
});
test('closing one student’s link leaves another student’s papers on the same phone, and takes what an older page kept', async () => {
  for (const path of [
    'tok-of-gus/plan',
    'tok-of-gus/figures/knee_swap',
    'tok-of-mei/plan',
    'tok-of-gus-2/plan',
  ])
    await putPaper(`${API}page/${path}`);
  stores.set('page-papers', new Set(['https://inch.example/api/page/tok-of-gus/plan']));
  await forgetPage('tok-of-gus');
  expect(kept()).toEqual([at('tok-of-mei', 'plan'), at('tok-of-gus-2', 'plan')]);
  expect(stores.has('page-papers')).toBe(false);
});
test('without consent the films go and the plan stays', async () => {
  for (const path of ['plan', 'enclosures/1/file', 'enclosures/1/talk', 'figures/enclosures'])
    await putPaper(`${API}page/tok/${path}`);
  await forgetFilms('tok');
  expect(kept()).toEqual([at('tok', 'plan'), at('tok', 'figures/enclosures')]);
});
