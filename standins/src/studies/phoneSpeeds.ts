import { progressSpeeds } from './speeds.ts';

/** For a page that `./inchstep bench` opens with the clockwork of a phone: what progress takes there. */
Object.assign(globalThis, { progressSpeeds: () => progressSpeeds(() => performance.now()) });
