export { buildApp } from './platform/app.ts';
export type { Context } from './platform/context.ts';
export { makeContext, type ServerSettings, settingsFromEnv } from './platform/start.ts';
