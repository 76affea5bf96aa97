// What the long studies say, in words.

export const percent = (share) => `${(100 * share).toFixed(1)} %`;

/** Rows of `./inchstep bench progress`: name, figure, what it is. */
export const PROGRESS_TOLD = {
  alarms: (r) => [
    `${r.name}, ${r.family} measure${r.family > 1 ? 's' : ''}`,
    percent(r.ever),
    `ever "real" over 8 looks, goal at most 5 % (${r.seasons} seasons)`,
  ],
  'alarms together': (r) => [
    `${r.name}, ${r.family} measures together`,
    percent(r.ever),
    `ever "real" of any, told beside each other, goal at most 5 % (${r.seasons} seasons)`,
  ],
  'power together': (r) => [
    `${r.name}, one of ${r.family} measures`,
    percent(r.found),
    'called real, told beside each other',
  ],
  long: (r) => [
    `${r.name}, ${r.looks} looks`,
    percent(r.ever),
    `ever "real" of one measure (${r.seasons} seasons)`,
  ],
  power: (r) => [
    `${r.name}, day spread ${r.day}`,
    percent(r.found),
    `called real; no test can find more than ${percent(r.most)}`,
  ],
  together: (r) => [
    'those three together, as guessed, shares added up',
    r.most.toFixed(2),
    'at most, whatever the test',
  ],
  probably: (r) => [
    `"probably", ${r.name}, family ${r.family}${r.known ? ', 30 students known' : ''}`,
    percent(r.right / r.maybe),
    `right of ${r.maybe} said; "real" ${percent(r.realRight / r.real)} of ${r.real}; "the same" a step off ${percent(r.far / r.none)} of ${r.none}`,
  ],
  forecast: (r) => [
    `date in band, ${r.name}`,
    percent(r.held / r.said),
    `held (goal 75-85); said at ${r.said} of ${r.asked} looks, early ${percent(r.early / r.said)}, late ${percent(r.late / r.said)}`,
  ],
  owned: (r) => [
    `"owned", ${r.name}`,
    percent(r.wrong),
    `said while out of band, goal under 3 %; said when in ${percent(r.said)} (${r.seasons} seasons)`,
  ],
};

/** Shares of the intervals that held, by part of the swing. */
export const heldBy = (parts) =>
  Object.entries(parts)
    .map(([part, [intervals, held]]) => `${part} ${percent(held / Math.max(1, intervals))}`)
    .join(', ');
