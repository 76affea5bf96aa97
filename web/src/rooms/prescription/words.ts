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
  habits: 'On the ladder',
  topOn: 'Hit with the drill on up to',
  topOns: { none: 'full speed', half: 'half swings', three_quarter: 'three quarters' },
  habit: {
    stops: 'It is stopped and held: half and three-quarter swings keep the stop',
    warmsUp: 'It is made for warming up',
    courseForm: 'A small trigger or thought of it goes along to the course',
  },
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

/** What the drill actions say. */
export const DRILL_ACTIONS_WORDS = {
  designedHere: 'designed here',
  copyAndChange: 'Copy and change',
  retired: (used: string) =>
    `Put aside, and offered to nobody.${used ? ` It stays in the plan of ${used}.` : ''}`,
  offeredAgain: 'Offered again.',
  undo: 'Undo',
  yourOwn: 'your own',
  after: (basedOn: string) => `, after “${basedOn}”`,
  inItsPlace: ', in its place',
  inUse: (used: string) => `; in use with ${used}`,
  change: 'Change',
  takeUpAgain: 'Take up again',
  putAside: 'Put aside',
} as const;

/** What the drill editor screen says. */
export const DRILL_EDITOR_SCREEN_WORDS = {
  theLibrary: 'the library',
  noSuchDrill: 'No such drill',
  toTheLibrary: 'To the library',
  itMayHaveBeen: 'It may have been in a file that was never taken in.',
} as const;

/** What the drill page says. */
export const DRILL_PAGE_WORDS = {
  aLittle: 'a little',
  firstOfAll: 'first of all',
  drawn: 'Drawn for',
  tall: (h: string) => `${h} tall`,
  leftHanded: 'Left-handed',
  mends: 'Mends',
  moves: 'Moves',
  nothingThatIsMeasured: 'nothing that is measured',
  needs: 'Needs',
  done: 'Done at',
  loads: 'Loads',
  overdoneMakes: 'Overdone, makes',
  nothingKnown: 'nothing known',
  first: 'First',
  comesAfter: 'Comes after',
  cycle: 'Cycle',
  ladder: 'On the ladder',
  partOfThreeTen: (cyclePart: number) => `Part ${cyclePart} of three, ten balls each.`,
  fights: 'Fights',
} as const;

/** What the drill screen says. */
export const DRILL_SCREEN_WORDS = {
  theDiagnosis: 'the diagnosis',
  noDiagnosisYet: 'No diagnosis yet',
  diagnoseFirst: 'Diagnose first',
  drillFitsAFault: 'A drill fits a fault and a student. Say first what to work on.',
  theDrills: 'the drills',
  for: (fault: string) => `For “${fault}”`,
  first: 'First:',
  nothingChosenToWork: 'Nothing chosen to work on',
  chooseWhatToWork: 'Choose what to work on',
  lastDiagnosisNamed: 'The last diagnosis named no root that is more likely than not.',
  notOffered: 'Not offered',
  nothingWasTurnedDown: 'Nothing was turned down.',
  overruled: 'Overruled',
  useAllTheSame: 'Use all the same',
  and: ' and ',
  noDrillChosen: 'No drill chosen',
  whyYouOverrule: 'Why you overrule the rule',
  takeIntoUseLay: 'Take into use, lay out the plan',
} as const;

/** What the feel panel says. */
export const FEEL_PANEL_WORDS = {
  noted: 'Noted.',
  undo: 'Undo',
  feltAgainstMeasured: 'Felt against measured',
  whatWasFelt: 'what was felt',
  feltAndWas: (measure: string, felt: string, measured: string, way: string) =>
    `${measure}: felt ${felt}, was ${measured}${way && ` (${way})`}`,
  whichWay: 'Which way the measure went',
  way: { more: 'It went up', less: 'It went down' },
  still: 'nothing',
  whichChange: 'Which change',
  feltIn: (unit: string) => `Felt${unit}`,
  measuredIn: (unit: string) => `Measured${unit}`,
  note: 'Note it',
  askHowBig: 'Ask how big a change felt, and note it beside what was measured.',
  notClearYetBetween: (lo95: string, hi95: string, records: number, records2: string) =>
    `Not clear yet: between ${lo95} and ${hi95} times as much, from ${records} ${records2}.`,
} as const;

/** What the import export says. */
export const IMPORT_EXPORT_WORDS = {
  drillsAddedChanged: (added: number, changed: number) => `${added} drills added, ${changed} changed.`,
  isNotAJson: (name: string) =>
    `${name} is not a JSON file. Choose one that this program, or a colleague’s, wrote out.`,
  newDrill: 'New drill',
  takeInAFile: 'Take in a file',
  writeToAFile: 'Write to a file',
  fileOfDrills: 'File of drills',
} as const;

/** What the offers say. */
export const OFFERS_WORDS = {
  noDrillPassesEvery: 'No drill passes every rule',
  youCanOverruleAny: (wouldOpen: string) => `${wouldOpen} You can overrule any rule but pain, with a note.`,
  lookAtTheReasons: 'Look at the reasons beside: a place or a limit stands in the way.',
  oneDrill: 'one drill',
  drills: (count: number) => `${count} drills`,
  whatIsMissing: (aid: string | undefined, drills: string) =>
    `What is missing is an aid: a ${aid} would open ${drills}.`,
  fit: (score: string) => `fit ${score}`,
  chosen: 'Chosen',
  choose: 'Choose',
  watchForTooMuch: (watch: string) => `Watch for too much: ${watch}.`,
} as const;

/** What the pick list says. */
export const PICK_LIST_WORDS = {
  remove: (id: string) => `Remove: ${id}`,
  add: (label: string) => `${label}: add`,
  addAnother: 'add another',
} as const;

/** What the drill form says. */
export const DRILL_FORM_WORDS = {
  myWay: (name: string) => `${name}, my way`,
} as const;

/** What the drill text says. */
export const DRILL_TEXT_WORDS = {
  or: ' or ',
  and: ' and ',
  aLittle: 'a little',
} as const;
