let installed: Promise<unknown> | null = null;

/**
 * Has this browser keep the coach's screens, so that they open without a signal. Only over TLS, or on the machine itself.
 * A lesson asks for it at once; elsewhere it waits until the first screens are there, for it fetches all of them.
 */
export async function installProgram(): Promise<void> {
  if (!('serviceWorker' in navigator) || !import.meta.env.PROD) return;
  installed ??= navigator.serviceWorker.register('/coach-worker.js');
  // A browser that can't keep it opens it all the same.
  await installed.catch(() => undefined);
}

export const INSTALL_AFTER_MS = 60_000;
