/** A piece of its own, fetched when it is needed. */
export { provePack } from '@inchstep/core/practice';
