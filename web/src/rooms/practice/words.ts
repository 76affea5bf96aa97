/** What is asked before a plan is laid. */
export const ASK_WORDS = {
  begin: 'Begin',
  nextLesson: 'Next lesson',
  days: 'Days',
  minutesOn: (day: string) => `Minutes on ${day}`,
  placeOn: (day: string) => `Place on ${day}`,
  minutes: 'min',
} as const;
