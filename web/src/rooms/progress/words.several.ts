import { UNDO_MINUTES } from '@inchstep/core/foundation';

/** What writing to several says. */
export const SEVERAL_WORDS = {
  title: 'Write to several',
  tooMany: (most: number) => `Find those you mean first: more than ${most} names are no list to send to.`,
  to: 'To',
  text: 'Each gets their own, on their page and by mail',
  send: (count: number) => (count === 1 ? 'Write to one' : `Write to ${count}`),
  wrote: (count: number) =>
    `Saved for ${count}. It will be sent in ${UNDO_MINUTES} minutes; until then you can undo it with each student.`,
} as const;
