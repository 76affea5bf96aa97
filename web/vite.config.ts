import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

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

/**
 * Two builds into one folder. The student's page is built by itself (`--mode student`): sharing pieces with the
 * coach's screens cut it into a dozen files, and on a phone with a slow line each file costs a journey.
 */
export default defineConfig(({ mode }) => ({
  plugins: [react(), tailwindcss(), studentPage],
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    emptyOutDir: mode !== 'student',
    rollupOptions: { input: mode === 'student' ? 'web/student.html' : 'web/index.html' },
  },
  server: { port: Number(process.env.WEB_PORT ?? 4310), proxy: { '/api': `http://127.0.0.1:${apiPort}` } },
}));
