/** What the main says. */
export const MAIN_WORDS = {
  theProgram: 'the program',
} as const;
