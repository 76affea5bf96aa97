import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
/** What the service worker keeps of a page's papers; named anew when their keys changed, so that older ones go. */
export const PAPERS = 'page-papers-by-digest';
const OLDER = ['page-papers'];

/** Where a link's papers lie on this phone: under a digest of it, since the whole link is written nowhere. */
async function papersOf(token: string): Promise<string> {
  const digest = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(token));
  const hex = [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return `${urlOf(wire.page.readPage, { token: hex })}/`;
}

/** The name under which a paper of a page is kept; the same that `page-worker.js` gives it (vite.config.ts). */
export async function paperKey(url: string): Promise<string> {
  const [, token = '', rest = ''] = /^\/api\/page\/([^/]+)\/(.*)$/.exec(url) ?? [];
  return (await papersOf(token)) + rest;
}

const opened = (): Promise<Cache | null> =>
  typeof caches === 'undefined' ? Promise.resolve(null) : caches.open(PAPERS).catch(() => null);

/** Keeps a paper where the worker looks for it. */
export async function putPaper(url: string): Promise<void> {
  const [papers, key, answer] = await Promise.all([opened(), paperKey(url), fetch(url)]);
  if (answer.ok) await papers?.put(key, answer);
}

/** Lets a link's papers go, or those of them alone that `which` names. Another student's on the same phone stay. */
export async function forgetPapers(token: string, which: RegExp = /./): Promise<void> {
  const papers = await opened();
  if (!papers) return;
  for (const name of OLDER) await caches.delete(name);
  const own = await papersOf(token);
  for (const request of await papers.keys()) {
    const { pathname } = new URL(request.url);
    if (pathname.startsWith(own) && which.test(pathname.slice(own.length))) await papers.delete(request);
  }
}

/** Films, pictures and talks: they may be shown only while the guardian's consent stands. */
export const forgetFilms = (token: string): Promise<void> => forgetPapers(token, /^enclosures\//);
