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

export default defineConfig({
  plugins: [react(), tailwindcss(), studentPage],
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 900,
    rollupOptions: { input: { index: 'web/index.html', student: 'web/student.html' } },
  },
  server: { port: Number(process.env.WEB_PORT ?? 4310), proxy: { '/api': `http://127.0.0.1:${apiPort}` } },
});
