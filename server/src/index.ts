export { buildApp } from './app.ts';
export type { Context } from './platform/context.ts';
export { makeContext, type ServerSettings, settingsFromEnv } from './start.ts';
