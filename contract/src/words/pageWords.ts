/** How a student's page calls itself on a phone's own screen. */
export const MANIFEST_WORDS = {
  name: (firstName: string) => `${firstName}’s practice`,
  short: 'Practice',
};
