/**
 * The content security policy allows no code made from text. Zod would try, and the browser would report each try. This
 * module is imported first; where Zod was there before, its settings are the same object.
 */
const shared = globalThis as { __zod_globalConfig?: { jitless?: boolean } };
shared.__zod_globalConfig ??= {};
shared.__zod_globalConfig.jitless = true;

export {};
