export { buildApp } from './app.ts';
export type { Context } from './platform/context.ts';
export { readSettings, type ServerSettings } from './platform/settings.ts';
export { makeContext, type OpenContext } from './start.ts';
