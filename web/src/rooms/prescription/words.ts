import { CARD_WORDS } from '@inchstep/contract/words';
import type { BodyLength } from '@inchstep/core/prescription';

/** What the coach's own drill editor says. */
export const EDITOR_WORDS = {
  newDrill: 'New drill',
  from: (drill: string) => `From “${drill}”`,
  replaces: (drill: string) => `Offer it instead of “${drill}”`,
  keep: 'Keep this drill',
  leave: 'Leave it',
  kept: 'In your library.',
  changed: 'Changed.',
  remove: 'Remove',
  preview: 'As the student sees it',
  fine: 'Nothing speaks against it.',
  missing: 'Before it can be kept',
  more: (n: number) => `and ${n} more`,
} as const;

/** What stands in the preview for what is not written yet. */
export const BLANK_WORDS = {
  name: 'Name',
  purpose: 'What it is for',
  step: 'First step',
  cue: 'The cue',
  line: '..',
} as const;

export const LINE_WORDS = {
  title: 'What the student reads',
  name: 'Name',
  steps: 'Steps',
  stepsHint: 'One a line.',
  purpose: 'What it is for',
  cue: 'The one cue',
  counts: CARD_WORDS.counts,
  fake: CARD_WORDS.fake,
  tooMuch: CARD_WORDS.tooMuch,
} as const;

export const MENDS_WORDS = {
  title: 'What it mends',
  fault: (n: number) => `Fault ${n}`,
  howWell: (n: number) => `How well it mends fault ${n}`,
  strengths: { 1: 'a little', 2: 'well', 3: 'first of all' },
  removeFault: (n: number) => `Remove fault ${n}`,
  add: 'Add a fault',
  overdo: 'Overdone, it makes',
  noOverdo: 'nothing known',
  moves: 'Moves these measures',
} as const;

export const FIT_WORDS = {
  title: 'Whom and where it fits',
  faceFirst: 'Trains more turn through the ball: a square face and deep arms come first',
  phase: 'Part of the swing',
  places: 'Can be done at',
  ball: 'Ball',
  balls: { no: 'Never', either: 'With or without', no_then_yes: 'Without, then with', yes: 'Always' },
  loads: 'Loads',
  load: { none: 'not', 1: 'a little', 2: 'much' },
  cue: 'Cue',
  cues: { external: 'an object to touch or miss', inner: 'a feel inside the body', both: 'both' },
  side: 'Side it thinks of',
  sides: { lead: 'lead', trail: 'trail', both: 'both' },
  schools: 'Only in schools with',
  clashes: 'Never in schools with',
  notWith: 'Fights these drills',
  needs: 'Needs one of',
  needsToo: 'and one of',
  addNeed: 'Needs an aid',
  addNeedToo: 'Needs another aid too',
} as const;

export const DISTANCE_WORDS = {
  title: 'Distances on the card',
  add: 'Add a distance',
  distance: (n: number) => `Distance ${n}`,
  remove: (n: number) => `Remove distance ${n}`,
  what: 'What',
  another: 'another, not drawn',
  own: 'My distance',
  itsName: 'Its name',
  fixed: 'Fixed part',
  grows: 'grows with the student',
  plus: 'plus, % of',
  perCent: (n: number) => `Distance ${n}, per cent`,
  ofWhat: (n: number) => `Distance ${n}, of what`,
  nothingMore: 'nothing more',
  tall: (height: string, distance: string) => `${height} tall: ${distance}`,
  tried: (low: string, high: string) => `(tried from ${low} to ${high})`,
} as const;

export const LENGTH_WORDS: Readonly<Record<BodyLength, string>> = {
  heightIn: 'standing height',
  outerHipWidthIn: 'hip width',
  shoulderWidthIn: 'shoulder width',
  thighIn: 'thigh',
  shankIn: 'lower leg',
};

/** Where in the form something is missing, by the path of the problem. */
export const FIELD_WORDS: Readonly<Record<string, string>> = {
  'words.name': 'Name',
  'words.purpose': 'What for',
  'words.steps': 'Steps',
  'words.cue': 'Cue',
  'words.counts': CARD_WORDS.counts,
  'words.fake': 'Faking it',
  'words.tooMuch': 'Too much',
  'drill.id': 'Name',
  'drill.fixes': 'Mends',
  'drill.overdo': 'Overdone',
  'drill.moves': 'Moves',
  'drill.places': 'Places',
  'drill.aids': 'Needs',
  'drill.clashes': 'Schools',
  'drill.setup': 'Distances',
  'drill.notWith': 'Fights',
  'drill.after': 'Comes after',
};

/** How much of a drill and how fast, on its page. */
export const DOSE_WORDS = {
  title: 'How much and how fast',
  columns: ['Rung', 'Speed', 'Repetitions', 'Days at least', 'Ball'],
  poseOnly: 'pose only',
  speed: (pct: number) => `${pct} %`,
  about: (reps: number) => `about ${reps}`,
  ball: 'yes',
  noBall: 'no',
  cap: (reps: number) => `At most ${reps} a day, fewer for a child or with a limit.`,
} as const;

/** What the library of drills says. */
export const LIBRARY_WORDS = {
  heading: 'Library of drills',
  title: 'Library',
  count: (n: number) => `${n} drills`,
  list: 'Drills',
  aside: 'Put aside',
  none: 'No drill meets all of these. Take one wish back.',
  nothingTitle: 'Nothing left',
  nothing: 'Wishes that rule each other out leave no drill.',
  words: 'Words',
  any: 'any',
  mends: 'Mends',
  phase: 'Part of the swing',
  place: 'At',
  school: 'School',
  spares: 'Spares the',
  fewAids: 'With a stick or a phone at most',
  clear: 'Clear',
  columns: ['Drill', 'Mends', 'Needs', 'Loads'],
} as const;
