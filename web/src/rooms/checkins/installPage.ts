import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
/** What only this page holds, such as films that are not sent yet: while there is any, it is not loaded anew. */
export const inHand = new Set<string>();

/** The worker that keeps this page; the coach's own screens on the same device have another. */
export const pageWorker = (): ServiceWorker | null => {
  const { controller } = navigator.serviceWorker;
  return controller?.scriptURL.endsWith('/page-worker.js') ? controller : null;
};

const LOOK_FOR_NEWER_MS = 3_600_000;

/**
 * Makes the page one that a phone can keep: it has a place on the phone's own screen, and opens without a signal. A newer
 * program is taken up when the student looks away; what is half done is kept by then, so that nothing is lost.
 */
export async function installPage(token: string): Promise<void> {
  const link = document.createElement('link');
  link.rel = 'manifest';
  link.href = urlOf(wire.page.manifest, { token });
  document.head.append(link);
  // Only over TLS, or on the machine itself, and only in what was built.
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  const { serviceWorker } = navigator;
  const hadOne = pageWorker() !== null;
  let isNewer = false;
  const known = await serviceWorker.register('/page-worker.js', { scope: '/p/' });
  const takeUp = () => {
    if (document.visibilityState !== 'hidden' || inHand.size > 0) return;
    if (isNewer) location.reload();
    else known.waiting?.postMessage({ type: 'SKIP_WAITING' });
  };
  serviceWorker.addEventListener('controllerchange', () => {
    isNewer = hadOne;
    takeUp();
  });
  document.addEventListener('visibilitychange', takeUp);
  setInterval(() => void known.update().catch(() => undefined), LOOK_FOR_NEWER_MS);
}
