import type { Look } from '@inchstep/contract/progress';

/** What the lines of progress say of one measure. */
export const BELIEF_WORDS = {
  theMeasure: 'what is known of it',
  answer: 'What can be said',
  /** The sentence a coach would say; amounts come with their unit. */
  said: {
    real: (way: string, change: string, since: string) => `Really ${way}: ${change} since ${since}.`,
    maybe: (way: string, change: string, since: string) =>
      `Probably ${way}: ${change} since ${since}. Not yet sure enough to build on.`,
    none: (step: string, since: string) => `The same as on ${since}, to within ${step}.`,
    cant_tell: (since: string) => `Can’t tell yet whether anything has changed since ${since}.`,
  } satisfies Record<Look['verdict'], unknown>,
  oneDay: 'One day alone can’t show a change. Film again; several swings in a session say more than one.',
  ways: { better: 'better', worse: 'gone the other way', level: 'moved inside its band' },
  between: (low: string, high: string) => `The change lies between ${low} and ${high}, 19 times in 20.`,
  chance: (of: string) => `In band now: ${of} in 100.`,
  about: (cell: string) => `Told of ${cell}.`,
  family: (n: number) =>
    n > 1
      ? `${n} measures are looked at together: each tells how far the days stray, and “really” asks more of every one.`
      : '',
  legend:
    'Grey: the level, and where it lies 8 times in 10. Strokes: single swings, hollow before the work began, on a stem after a cue. Bracket: when it should be in band. ▲ lesson, ○ check-in.',
  drawn: (measure: string, days: number) =>
    `${measure}: its level over ${days} days of film; the table below says the same in numbers`,
  csv: 'As a spreadsheet (CSV)',
  json: 'As data (JSON)',
  table: 'As a table',
  columns: ['Day', 'Swings', 'Mean', 'Level', 'Said then', 'Sure'],
  short: { real: 'really', maybe: 'probably', none: 'the same', cant_tell: 'can’t tell' } satisfies Record<
    Look['verdict'],
    string
  >,
  inHundred: (share: number) => `${Math.round(100 * share)} in 100`,
} as const;

/** What the list beside it says. */
export const MEASURE_LIST_WORDS = {
  workedOn: 'Worked on',
  known: 'Known besides',
  nothingKnown: 'Nothing known besides yet.',
  rest: (n: number) => (n === 1 ? 'One more that can’t be told yet' : `${n} more that can’t be told yet`),
} as const;

/** When it will be there. */
export const WHEN_WORDS = {
  title: 'When',
  inBand: 'In band',
  owned: 'Owned',
  planned: 'as planned',
  done: 'as practised of late',
  is: (likely: string, from: string, to: string) => `${likely} (${from} to ${to}, 8 times in 10)`,
  already: 'In band already. It is owned once two films a week apart say so, cold and without the drill.',
  noTrend: 'no trend yet',
  now: 'may be there by now; the next film tells',
  why: 'A date needs a gain that goes on; a level that stands, or jumped once, has none.',
} as const;

/** Where it holds. */
export const HOLDS_WORDS = {
  title: 'Where it holds',
  next: (cell: string) => `Film next: ${cell}. It tells most about all of these.`,
  nothing: 'Nothing filmed would tell much more now.',
  cell: (inHundred: string, swings: number) =>
    swings === 0
      ? `${inHundred}, not filmed`
      : `${inHundred}, ${swings === 1 ? 'one swing' : `${swings} swings`}`,
  way: (speed: string, aid: 'on' | 'off') =>
    `${speed}, ${aid === 'on' ? 'with the drill' : 'without the drill'}`,
  noClub: 'club not said',
  noPlace: 'place not said',
  how: 'Each tape: where the level lies there, from what was filmed there and what its likes tell. In 100: how probably in band.',
  caption: 'How probably in band, by speed, drill, club and place',
  corner: 'Swing',
} as const;

/** What lasts. */
export const LASTS_WORDS = {
  title: 'Does it last?',
  none: 'Not seen yet. Film the first swings of a day before any cue, and the last ones after.',
  gap: (upTo: number | null) => (upTo === null ? 'After three weeks and more' : `After ${upTo} days at most`),
  kept: (share: string, low: string, high: string, gaps: number) =>
    `${share} of the gain was there (${low} to ${high}; ${gaps === 1 ? 'one gap' : `${gaps} gaps`})`,
} as const;

/** Dates that were told, and how good they were. */
export const DATES_WORDS = {
  title: 'How good told dates were',
  noneJudged: (waiting: number) =>
    waiting === 0
      ? 'No date has been told yet that could be held against what came.'
      : `${waiting === 1 ? 'One date was' : `${waiting} dates were`} told; of none can be said yet what came.`,
  held: (held: number, judged: number) =>
    `Over all your students ${held} of ${judged} told dates held (8 of 10 should).`,
  few: 'Too few yet to judge by.',
  before: (n: number) => (n === 1 ? 'One date told before' : `${n} dates told before`),
  columns: ['Told on', 'Of', 'Date', 'What came'],
  kinds: { in_band: 'in band', owned: 'owned' },
  span: (likely: string, from: string, to: string) => `${likely} (${from} to ${to})`,
  waiting: 'not yet, still within it',
  overdue: 'not yet, and over it',
  came: (after: string, by: string) => `between ${after} and ${by}`,
  fifths: ['early', '', 'middle', '', 'late'],
  fifth: (i: number, n: number) => `fifth ${i + 1} of what was told: ${n}`,
  even: 'Posts: told dates by when it came within what was told. Level with the dashes: told well; high on the right: told too early.',
  brier: (told: string, base: string, films: number) =>
    `“There by the next film”, squared error over ${films} films: ${told}; who only knew how often it was there would have ${base}.`,
  counts: (judged: number, sooner: number, later: number, waiting: number) =>
    `Judged ${judged}: sooner than told ${sooner}, later ${later}. Still open: ${waiting}.`,
} as const;

/** What it felt like beside what it was. */
export const FELT_WORDS = {
  title: 'Felt against measured',
  none: 'Nobody has been asked yet. Ask what a change felt like before showing what it was.',
  per: (times: string) => `Feels ${times} times what is measured.`,
  felt: 'felt',
  measured: 'measured',
  answer: (felt: string, measured: string) => `felt ${felt}, measured ${measured}`,
  between: '; ',
  stands: (lo: string, hi: string, answers: number, nothing: number) =>
    `Between ${lo} and ${hi}, 19 times in 20; ${answers === 1 ? 'one answer' : `${answers} answers`}${
      nothing === 0 ? '' : `, ${nothing} of them felt as nothing`
    }. It sizes how much the cue overdoes.`,
} as const;

/** Where the ball went meanwhile. */
export const BALL_WORDS = {
  title: 'Ball beside body',
  none: 'Stands here once 20 shots are in from 3 days on which this was filmed, too.',
  went: {
    together: (field: string) => `${field} went together with it`,
    apart: (field: string) => `${field} went the other way with it`,
    cant_tell: (field: string) => `${field}: can’t tell whether it goes with it`,
  },
  day: (day: string, body: string, ball: string) => `${day}: ${body}, ball ${ball}`,
  between: '; ',
  counted: (shots: number, days: number) => `${shots} shots on ${days} days`,
  how: 'A thread a day, the latest heaviest. What goes together need not be because of it.',
} as const;
