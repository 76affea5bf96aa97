import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'sqlite',
  schema: ['./src/platform/**/tables.ts', './src/rooms/*/tables.ts'],
  out: './drizzle',
});
