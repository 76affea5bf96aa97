/** What the screen of a report says beside the report itself. */
export const REPORT_SCREEN_WORDS = {
  theReport: 'the report',
  whoReads: 'Who is to read it',
  open: 'Report',
} as const;
