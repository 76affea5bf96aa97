const RELOADED = 'inchstep.reloaded';
/** A reload that did not help is not tried again so soon. */
const AGAIN_AFTER_MS = 60_000;

/**
 * A page that was open while the program was renewed asks for screens that are no more. It is loaded anew, once;
 * what was typed and not sent is kept as a draft.
 */
export function reloadForNewerProgram(reload = () => location.reload()): void {
  window.addEventListener('vite:preloadError', (event) => {
    const last = Number(sessionStorage.getItem(RELOADED) ?? 0);
    if (Date.now() - last < AGAIN_AFTER_MS) return;
    event.preventDefault();
    sessionStorage.setItem(RELOADED, String(Date.now()));
    reload();
  });
}
