import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { inTab } from './onDevice.ts';

const RELOADED = 'inchstep.reloaded';
/** A reload that did not help is not tried again so soon. */
const AGAIN_AFTER_MS = 60_000;

/**
 * A page that was open while the program was renewed asks for screens that are no more. It is loaded again, once; what was
 * typed and not sent is kept as a draft. Without a connection nothing is loaded again: the page that is open is all there is.
 */
export function reloadForNewerProgram(reload = () => location.reload(), isReachable = answersNow): void {
  window.addEventListener('vite:preloadError', () => {
    const last = Number(inTab.read(RELOADED) ?? 0);
    if (Date.now() - last < AGAIN_AFTER_MS) return;
    void isReachable().then((reachable) => {
      if (!reachable) return;
      inTab.write(RELOADED, String(Date.now()));
      reload();
    });
  });
}

/** Whether the program itself answers: its answer is never kept on this device. */
const answersNow = (): Promise<boolean> =>
  fetch(urlOf(wire.care.me), { cache: 'no-store' }).then(
    ({ status }) => status < 500,
    () => false,
  );
