/** What letters by mail are called and say beside their text. */
export const LETTER_WORDS = {
  reply: 'About your check-in',
  message: 'A word from your coach',
  asked: 'Clips, please',
  askedText: (what: string, by: string, why: string) =>
    [`For your next review: ${what} By ${by}.`, why, 'Your own page says how to stand the phone.']
      .filter((part) => part !== '')
      .join('\n\n'),
  page: 'Your own page:',
  stop: 'You get this because you agreed to letters from your coach. To get no more:',
} as const;

/** What the page says that a letter's reader opens to get no more. */
export const STOP_WORDS = {
  title: 'No more letters',
  ask: 'Your coach’s letters come by mail because you agreed to it. Everything stays on your own page.',
  yes: 'Send me no more letters',
  done: 'You will get no more letters. Everything still stands on your own page.',
} as const;
