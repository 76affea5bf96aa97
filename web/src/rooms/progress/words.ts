import type { Brief, Moved } from '@inchstep/contract/progress';
import { measureName } from '@inchstep/contract/words';
import { dayText } from '../../platform/parts.tsx';

export const STATE_WORDS: Record<Brief['state'], string> = {
  new: 'New: nothing prescribed yet',
  working: 'At work',
  gate_waiting: 'A gate waits',
  stalled: 'Not moving',
  silent: 'Gone quiet',
  owned: 'Owned',
  pain: 'On hold: pain',
};

const VERDICTS: Record<Moved['verdict'], string> = {
  real: 'really',
  maybe: 'probably',
  none: 'no change to speak of',
  cant_tell: 'can’t tell yet',
};

/** "Hip turn at the top: really better". */
export function movedText(moved: Moved): string {
  const certain = moved.verdict === 'real' || moved.verdict === 'maybe';
  const way = moved.direction === 'level' ? 'moved inside its band' : moved.direction;
  return `${measureName(moved.id)}: ${VERDICTS[moved.verdict]}${certain ? ` ${way}` : ''}`;
}

/** "5, lately 6 days ago, 4 days ago, yesterday". */
export function missedText(missed: Brief['missed'], today: string): string {
  const days = missed.slice(-MOST_NAMED).map((day) => dayText(day, today));
  const more = missed.length > MOST_NAMED ? `${missed.length}, lately ` : '';
  return `${more}${days.join(', ')}`;
}
const MOST_NAMED = 3;

const SAYS: Record<Brief['owned']['occasions'][number]['says'], string> = {
  in: 'in band',
  out: 'not in band',
  cant_tell: 'can’t tell',
};

/** What the swings without drill and cue say of the change, and what is missing until it is the student's own. */
export function ownedText({ owned, occasions }: Brief['owned'], today: string): string {
  const last = occasions.at(-1);
  if (!last) return 'Not looked at: film full swings without the drill, before the first cue.';
  const told = `${SAYS[last.says]} ${dayText(last.date, today)}`;
  if (owned) return `Yes: ${told}, and a week or more before that, without drill or cue.`;
  return last.says === 'in'
    ? `Not yet: ${told}; it must be so again a week apart.`
    : `Not yet: ${told}, without drill or cue.`;
}

/** What the lines of progress say. */
export const PROGRESS_WORDS = {
  noLine: 'No line yet',
  howToBegin: 'Measure swings on two days and the line begins.',
  measures: 'Measures',
  oneDay: 'one day',
  same: 'same',
  cantTell: '?',
  moved: 'moved',
  maybe: (way: string) => `${way}?`,
} as const;

/** What the fault story says. */
export const FAULT_STORY_WORDS = {
  notThere: 'not there',
  stepsOut: (steps: string) => `${steps} steps out`,
  between: ', then ',
  faultStory: 'Fault story',
  goesWith: (root: string) => `, goes with ${root}`,
  postStepsBeyond:
    'Post: steps beyond the band at each diagnosis. Filled: named as the root. Hung from a root: goes with it. Dash: not there.',
} as const;

/** What the line of progress say. */
export const LINE_OF_PROGRESS_WORDS = {
  band: 'band',
  past: 'past',
} as const;

/** What the overview screen says. */
export const OVERVIEW_SCREEN_WORDS = {
  theBrief: 'the brief',
  thread: 'Thread',
  theThread: 'the thread',
  toTheBench: 'To the bench',
  toTheLadder: 'To the ladder',
  whereItStands: 'Where it stands',
  nextLesson: 'Next lesson',
  noneSet: 'none set',
  working: 'Working on',
  nothingYet: 'nothing yet',
  drill: 'Drill',
  and: ' and ',
  rung: (name: string | undefined) => `, rung “${name}”`,
  doneSinceThePlan: 'Done since the plan',
  ofPlannedRepetitions: (repsDone: number, repsPlanned: number) =>
    `${repsDone} of ${repsPlanned} planned repetitions`,
  overdone: 'Practiced more than a day may hold',
  plannedDaysWithout: 'Planned days without a set',
  owned: 'Owned?',
  whatMoved: 'What moved',
  careful: 'Careful with',
  aims: 'Aims',
  lastWords: 'Last words',
  tapes: 'Tapes',
  theTapes: 'the tapes',
  nothingMeasuredYet: 'Nothing measured yet',
  nameStationsAndSet: 'Name stations and set marks on the bench; each measure becomes a tape here.',
  cantTellFromThese: 'can’t tell from these swings',
  solidNotchLastTime:
    'Solid notch: last time filmed. Dashed: the time before. Bracket: where the true mean lies, 19 times in 20.',
} as const;

/** What the palette says. */
export const PALETTE_WORDS = {
  today: 'Today',
  roster: 'Roster',
  everybody: 'Where everybody stands',
  newStudent: 'New student',
  schoolsAndBands: 'Schools and bands',
  library: 'Library',
  dataAndDevices: 'Data and devices',
  drill: (id: string) => `Drill: ${id}`,
  showLengths: (lengths: string) => `Show lengths in ${lengths}`,
  darkTheme: 'Dark theme for the studio',
  lightThemeForGlare: 'Light theme for glare',
  goToOrChange: 'Go to or change',
  whereToOrWhat: 'Where to, or what to change',
  nothingByThatName: 'Nothing by that name.',
} as const;

/** What the progress screen says. */
export const PROGRESS_SCREEN_WORDS = {
  theProgress: 'the progress',
} as const;

/** What the queue says. */
export const QUEUE_WORDS = {
  painReported: 'Pain reported',
  gateWaitsForYou: 'A gate waits for you',
  measureGoesTheWrong: 'A measure goes the wrong way',
  beingOverdone: 'Being overdone',
  goneQuiet: 'Gone quiet',
  requestOverdue: 'Clips are overdue',
  setAside: 'Set aside',
  spoken: 'Spoken',
  tomorrow: 'Until tomorrow',
  threeDays: 'For three days',
  aWeek: 'For a week',
  asideOf: (name: string) => `Set aside: ${name}`,
  spokenWith: (name: string) => `Spoken with ${name}: noted.`,
  wasAside: (name: string, until: string) => `${name} waits until ${until}.`,
  undo: 'Undo',
  week: (came: number, answered: number) => `Last seven days: ${came} came, ${answered} answered.`,
  replyOverdue: 'Reply overdue',
  checkInToAnswer: 'Check-in to answer',
  justNow: 'just now',
  days: (hours: number) => `${hours} days`,
  theQueue: 'the queue',
  nothingWaits: 'Nothing waits',
  checkInsGates: 'Check-ins, gates and quiet students show here, pain always first.',
} as const;

/** What the roster line says. */
export const ROSTER_LINE_WORDS = {
  and: ' and ',
  lesson: (nextLesson: string) => `lesson ${nextLesson}`,
} as const;

/** What the roster list says. */
export const ROSTER_LIST_WORDS = {
  care: (limits: string) => `Care: ${limits}`,
  bringBack: 'Bring back',
  archive: 'Archive',
} as const;

/** What the roster screen says. */
export const ROSTER_SCREEN_WORDS = {
  everybody: 'Everybody',
  roster: 'Roster',
  findAStudent: 'Find a student',
  archived: 'Archived',
  newStudent: 'New student',
  theRoster: 'the roster',
  isBack: (name: string) => `${name} is back.`,
  isArchived: (name: string) => `${name} is archived.`,
  undo: 'Undo',
  nobodyOnTheRoster: 'Nobody on the roster yet',
  addTheFirstStudent: 'Add the first student',
  studentAClip: 'A student, a clip and five stops are enough for a first plan.',
  nobodyFound: 'Nobody found',
  tryFewerLetters: 'Try fewer letters, or look among the archived.',
} as const;

/** What the student frame says. */
export const STUDENT_FRAME_WORDS = {
  student: 'Student',
  lesson: 'Lesson',
  intake: 'Intake',
  bench: 'Bench',
  reasons: 'Reasons',
  drill: 'Drill',
  ladder: 'Ladder',
  checkIns: 'Check-ins',
  progress: 'Progress',
  theStudent: 'the student',
  rooms: 'Rooms',
} as const;

/** What the thread says. */
export const THREAD_WORDS = {
  oneDown: 'one down',
  whatHappened: 'What happened',
  times: (times: number) => ` (${times} times)`,
} as const;

/** What the today screen says. */
export const TODAY_SCREEN_WORDS = {
  newStudent: 'New student',
  goesOn: 'goes on now',
  waitingForYou: 'Waiting for you',
  lessons: 'Lessons',
  lessonsToCome: 'Lessons to come',
  theLessons: 'the lessons',
  nobodyHereYet: 'Nobody here yet',
  addTheFirstStudent: 'Add the first student',
  addAStudentLoad: 'Add a student, load a clip, and the program takes it from there.',
  noLessonIsSet: 'No lesson is set',
  setTheNextLesson: 'Set the next lesson in a student’s intake and its brief shows here.',
  and: ' and ',
  careful: (limits: string) => `Careful with: ${limits}`,
} as const;
