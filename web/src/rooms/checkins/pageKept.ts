import type { PageFile, StudentPage } from '@inchstep/contract/checkins';
import { onDevice } from '../../platform/onDevice.ts';
import { forgetKept, keep, readKept } from '../../platform/sendingStore.ts';
import { pageWorker } from './installPage.ts';
import { forgetPapers, putPaper } from './papers.ts';

/** A student's page as this phone knew it last, with the record from which it can go on by itself. */
export interface KeptPage {
  readonly page: StudentPage;
  readonly record: PageFile | null;
  /** When it was heard, ms. */
  readonly at: number;
}

/** The whole token is written nowhere. */
const keyOf = (token: string): string => `page.${token.slice(0, 12)}`;
const whoseKey = (token: string): string => `inchstep.whose.${token.slice(0, 12)}`;

export const readPage = async (token: string): Promise<KeptPage | null> =>
  (await readKept(keyOf(token))) as KeptPage | null;

export async function keepPage(token: string, kept: KeptPage): Promise<void> {
  onDevice.write(whoseKey(token), kept.page.studentId);
  await keep(keyOf(token), kept);
}

/** Whose page a link was, when it opens no more: what waits on the phone waits under the student. */
export const whoseLink = (token: string): string | null => onDevice.read(whoseKey(token));

/** The link opens nothing any more: neither does this phone. */
export async function forgetPage(token: string): Promise<void> {
  await forgetKept(keyOf(token));
  await forgetPapers(token);
}

/**
 * Keeps a paper of the page for a time without a signal. Where the worker has the page in hand, asking is enough. A page that was
 * opened while the worker was only being set up may never come into its hand: then it puts the paper where the worker looks.
 */
export async function keepPaper(url: string): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  if (pageWorker()) await fetch(url);
  else await putPaper(url);
}
