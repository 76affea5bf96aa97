import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import { plainEndpoints } from './plainEndpoints.ts';

const apiPort = process.env.API_PORT ?? '4311';

/** Private links open the student's page, as the built program does. */
const studentPage: Plugin = {
  name: 'student-page',
  configureServer: (server) => {
    server.middlewares.use((request, _, next) => {
      if (request.url?.startsWith('/p/')) request.url = '/student.html';
      next();
    });
  },
};

/** The student's own files, apart from the coach's, so that a phone keeps these and no others. */
const STUDENT_ASSETS = 'assets/page';

/**
 * How the worker keeps papers: under a digest of the link (as `papers.ts` does), and none that the program refuses now.
 * Written into the worker as it stands here, so it leans on nothing outside itself.
 */
const BY_DIGEST = {
  cacheKeyWillBeUsed: async ({ request }: { request: Request }) => {
    const url = new URL(request.url);
    const [, api, page, token = '', ...rest] = url.pathname.split('/');
    const digest = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(token));
    const hex = [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
    return [url.origin, api, page, hex, ...rest].join('/');
  },
  fetchDidSucceed: async ({ request, response }: { request: Request; response: Response }) => {
    if (response.status >= 400 && response.status < 500 && response.status !== 429) {
      const url = new URL(request.url);
      const [, api, page, token = '', ...rest] = url.pathname.split('/');
      const digest = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(token));
      const hex = [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
      await (await caches.open('page-papers-by-digest')).delete(
        [url.origin, api, page, hex, ...rest].join('/'),
      );
    }
    return response;
  },
};
const KEPT_SECONDS = 30 * 24 * 3600;

/**
 * The student's page opens without a signal: its own few files are kept by the browser, and what it shows beside
 * itself (the card's figures, the weeks ahead) as it was heard last. What is sent and what the page says of today go
 * through the page's own store, never through here. The page registers it by itself (no inline script).
 */
const withoutSignal = VitePWA({
  strategies: 'generateSW',
  injectRegister: false,
  manifest: false,
  filename: 'page-worker.js',
  workbox: {
    globPatterns: ['student.html', 'notch.svg', 'page-icon-*.png', `${STUDENT_ASSETS}/*.{js,css,woff2}`],
    inlineWorkboxRuntime: true,
    sourcemap: false,
    navigateFallback: '/student.html',
    navigateFallbackAllowlist: [/^\/p\//],
    // A newer program is taken up when the student looks away, not under the thumb.
    skipWaiting: false,
    clientsClaim: true,
    cleanupOutdatedCaches: true,
    runtimeCaching: [
      {
        urlPattern: ({ url }) =>
          /^\/api\/page\/[^/]+\/(plan|conversation|figures\/[^/]+|enclosures\/[^/]+\/(file|talk))$/.test(
            url.pathname,
          ),
        handler: 'NetworkFirst',
        options: {
          cacheName: 'page-papers-by-digest',
          networkTimeoutSeconds: 4,
          expiration: { maxEntries: 60, maxAgeSeconds: KEPT_SECONDS },
          plugins: [BY_DIGEST],
        },
      },
    ],
  },
});

/**
 * The coach's screens open without a signal, in a bay where it comes and goes: all of them are kept by the browser, the
 * records are not. The page itself is asked for first, so that a renewed program is never held up.
 */
const withoutSignalForCoach = VitePWA({
  strategies: 'generateSW',
  injectRegister: false,
  manifest: false,
  filename: 'coach-worker.js',
  workbox: {
    globPatterns: ['index.html', 'notch.svg', 'assets/*.{js,css,woff2}'],
    maximumFileSizeToCacheInBytes: 4_000_000,
    inlineWorkboxRuntime: true,
    sourcemap: false,
    navigateFallback: null,
    directoryIndex: 'never.html',
    skipWaiting: true,
    clientsClaim: true,
    cleanupOutdatedCaches: true,
    runtimeCaching: [
      {
        // Links of students and phones have pages of their own.
        urlPattern: ({ request, url }) => request.mode === 'navigate' && !/^\/(p|c|api)\//.test(url.pathname),
        handler: 'NetworkOnly',
        options: { precacheFallback: { fallbackURL: '/index.html' } },
      },
    ],
  },
});

/**
 * Two builds into one folder. The student's page is built by itself (`--mode student`): sharing pieces with the
 * coach's screens cut it into a dozen files, and on a phone with a slow line each file costs a journey.
 */
export default defineConfig(({ mode }) => ({
  plugins: [
    plainEndpoints,
    react(),
    tailwindcss(),
    studentPage,
    mode === 'student' ? withoutSignal : withoutSignalForCoach,
  ],
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    emptyOutDir: mode !== 'student',
    assetsDir: mode === 'student' ? STUDENT_ASSETS : 'assets',
    rollupOptions: { input: mode === 'student' ? 'web/student.html' : 'web/index.html' },
  },
  server: { port: Number(process.env.WEB_PORT ?? 4310), proxy: { '/api': `http://127.0.0.1:${apiPort}` } },
}));
