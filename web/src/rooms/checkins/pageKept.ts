import type { PageFile, StudentPage } from '@inchstep/contract/checkins';
import { forgetKept, keep, readKept } from '../../platform/sendingStore.ts';

/** A student's page as this phone knew it last, with the record from which it can go on by itself. */
export interface KeptPage {
  readonly page: StudentPage;
  readonly record: PageFile | null;
  /** When it was heard, ms. */
  readonly at: number;
}

/** What the service worker keeps of a page's papers. */
export const PAPERS = 'page-papers';

/** The whole token is written nowhere. */
const keyOf = (token: string): string => `page.${token.slice(0, 12)}`;
const whoseKey = (token: string): string => `inchstep.whose.${token.slice(0, 12)}`;

export const readPage = async (token: string): Promise<KeptPage | null> =>
  (await readKept(keyOf(token))) as KeptPage | null;

export async function keepPage(token: string, kept: KeptPage): Promise<void> {
  try {
    localStorage.setItem(whoseKey(token), kept.page.studentId);
  } catch {
    // A forbidden store forgets whose page it was; the page itself says it again.
  }
  await keep(keyOf(token), kept);
}

/** Whose page a link was, when it opens no more: what waits on the phone waits under the student. */
export const whoseLink = (token: string): string | null => localStorage.getItem(whoseKey(token));

/** The link opens nothing any more: neither does this phone. */
export async function forgetPage(token: string): Promise<void> {
  await forgetKept(keyOf(token));
  if (typeof caches !== 'undefined') await caches.delete(PAPERS).catch(() => false);
}

/**
 * Keeps a paper of the page for a time without a signal. Where the worker has the page in hand, asking is enough. A page that was
 * opened while the worker was only being set up may never come into its hand: then it puts the paper where the worker looks.
 */
export async function keepPaper(url: string): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  if (navigator.serviceWorker.controller) await fetch(url);
  else if (typeof caches !== 'undefined') await (await caches.open(PAPERS)).add(url);
}
