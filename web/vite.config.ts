import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

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
        options: { cacheName: 'page-papers', networkTimeoutSeconds: 4, expiration: { maxEntries: 60 } },
      },
    ],
  },
});

/**
 * Two builds into one folder. The student's page is built by itself (`--mode student`): sharing pieces with the
 * coach's screens cut it into a dozen files, and on a phone with a slow line each file costs a journey.
 */
export default defineConfig(({ mode }) => ({
  plugins: [react(), tailwindcss(), studentPage, ...(mode === 'student' ? [withoutSignal] : [])],
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
