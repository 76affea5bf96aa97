/** What writing to several says. */
export const SEVERAL_WORDS = {
  title: 'Write to several',
  tooMany: (most: number) => `Find those you mean first: more than ${most} names are no list to send to.`,
  to: 'To',
  text: 'Each gets their own, on their page and by mail',
  send: (count: number) => (count === 1 ? 'Write to one' : `Write to ${count}`),
  wrote: (count: number) =>
    `Written to ${count}. It goes in ten minutes; it can be taken back with each student.`,
} as const;
