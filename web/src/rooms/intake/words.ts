import { EMPTY_DAY_MINUTES, type LimitReason, type SchoolQuestion } from '@inchstep/core/intake';
import { shortDay } from '../../platform/dates.ts';

export const HAND_WORDS = { right: 'Right-handed', left: 'Left-handed' } as const;
export const FLEXIBILITY_WORDS = { stiff: 'Stiff', usual: 'Usual', supple: 'Supple' } as const;
export const ARM_SWING_WORDS = { round: 'Round', usual: 'Usual', upright: 'Upright' } as const;
export const CUE_KIND_WORDS = {
  any: 'No preference',
  external: 'An object to touch or miss',
  inner: 'A feel inside the body',
} as const;
export const CUE_SIDE_WORDS = { any: 'No preference', lead: 'Lead side', trail: 'Trail side' } as const;
export const PRESET_WORDS = {
  centre_and_turn: 'Centre and Turn',
  load_and_brace: 'Load and Brace',
  shift_and_post: 'Shift and Post',
  drive_through: 'Drive Through',
} as const;
export const AREA_WORDS = { back: 'Back', hip: 'Hip', knee: 'Knee', ankle: 'Ankle' } as const;

export const LIMIT_BECAUSE: Record<LimitReason['because'], string> = {
  pain_now: 'pain now',
  injured_in_year: 'surgery or injury in the last year',
  trouble: 'known trouble',
  dizziness: 'dizziness or balance trouble',
  clinician: 'a clinician’s restriction',
  pregnant: 'pregnancy',
};

export const QUESTION_WORDS: Readonly<
  Record<SchoolQuestion, { readonly ask: string; readonly options: Readonly<Record<string, string>> }>
> = {
  trail_leg: {
    ask: 'Trail leg, going back',
    options: { release: 'lengthens, so the hips are free', brace: 'keeps its bend and resists' },
  },
  centre: {
    ask: 'Where the middle goes',
    options: {
      recentre: 'a little away, back by the top, forward by half-way',
      slide: 'a longer slide from the top',
      columns: 'as little sideways as will do',
    },
  },
  turn_thought: {
    ask: 'What makes the turn',
    options: {
      trail_through: 'the trail side drives through',
      lead_around: 'the lead side clears',
      depth: 'the seat stays back',
      tilt: 'the lead side stays low',
    },
  },
  forward_bearing: {
    ask: 'Where the weight goes, coming down',
    options: { eight: 'target and behind', ten: 'target and the ball' },
  },
  setup_bias: {
    ask: 'Hips at address',
    options: {
      centred: 'in the middle',
      preset: 'bumped toward the target',
      pressed: 'a little pressed to the lead side, then a small bump away',
      opened: 'shuffled open and closed before the start',
    },
  },
  trail_foot: {
    ask: 'Trail foot, through the ball',
    options: { up: 'up on its toes', long: 'heel low, banking to its inside' },
  },
  head: { ask: 'Head', options: { still: 'stays still', float: 'may ride a little' } },
  lead_knee: {
    ask: 'Lead knee, going back',
    options: { out: 'out toward the ball', follow: 'goes where the turn takes it' },
  },
  turn_amount: {
    ask: 'How far the hips turn, going back',
    options: {
      free: 'as far as they like',
      enough: 'about half a right angle',
      least: 'as little as the swing needs',
    },
  },
  drop: {
    ask: 'The drop, starting down',
    options: { taught: 'a small squat is trained', let: 'comes by itself' },
  },
  lead_leg: {
    ask: 'Lead leg, coming down',
    options: {
      early: 'braces from the start down',
      from_level: 'straightens only from shaft level on',
      roll: 'the knee rolls round first, then straightens',
    },
  },
  through: {
    ask: 'Hips, through the ball',
    options: { tuck: 'open up and tuck under', stay: 'the seat stays back while it turns' },
  },
  begin_at: {
    ask: 'Where to begin when faults are alike',
    options: {
      order: 'set-up first, then along the swing',
      finish: 'a finish position first',
      half_way: 'half-way down first',
    },
  },
};

/** What set a band's edges. */
export const ORIGIN_WORDS: Readonly<Record<string, string>> = {
  house: 'the house',
  club: 'the club',
  height: 'the height',
  coach: 'you',
  ...Object.fromEntries(
    Object.entries(QUESTION_WORDS).flatMap(([question, { ask, options }]) =>
      Object.entries(options).map(([option, text]) => [
        `${question}.${option}`,
        `the school (${ask.toLowerCase()}: ${text})`,
      ]),
    ),
  ),
};

const whenText = ({ day, time }: Record<string, unknown>): string =>
  `${shortDay(String(day))}${time ? `, ${String(time)}` : ''}`;

const EVENT_TEXT: Record<string, (detail: Record<string, unknown>) => string> = {
  created: () => 'Joined the roster',
  edited: () => 'Intake changed',
  archived: () => 'Archived',
  restored: () => 'Back on the roster',
  clip: (d) =>
    `Clip ${d.from === 'student' ? 'sent by the student' : 'added'} (${String(d.view).replaceAll('_', ' ')})`,
  track: (d) => `Motion brought in: ${String(d.frames)} frames`,
  shots: (d) => `Shots brought in: ${String(d.count)}`,
  measured: (d) => `Swing measured: ${String(d.count)} measures`,
  diagnosed: () => 'Diagnosed',
  work_chosen: () => 'Work chosen',
  drills_chosen: () => 'Drills chosen',
  layer: (d) => `Checkpoint ${String(d.layer)}`,
  planned: (d) => `Plan made: ${String(d.days)} practice days`,
  gate: () => 'Gate decided',
  rung: (d) => (d.way === 'down' ? 'The count led one rung down' : 'The count opened the next rung'),
  link: (d) => `Private link made, good until ${String(d.until)}`,
  link_revoked: () => 'Private link closed',
  checkin: (d) => (d.pain ? 'Check-in with pain' : 'Check-in'),
  reply: () => 'Replied',
  hold: (d) => `Drills on hold: pain${d.where ? `, ${String(d.where)}` : ''}`,
  hold_lifted: (d) => `Hold lifted: ${String(d.note)}`,
  undone: () => 'Choice taken back',
  lesson_agreed: (d) => `Lesson agreed: ${whenText(d)}`,
  lesson_moved: (d) => `Lesson moved to ${whenText(d)}`,
  lesson_cancelled: (d) => `Lesson called off: ${whenText(d)}`,
  lesson_began: () => 'Lesson began',
  lesson_ended: () => 'Lesson ended',
  lesson_sent: () => 'Summary of the lesson sent',
  film_asked: () => 'Clips asked for',
  enclosed: (d) => ENCLOSED_TEXT[String(d.kind)] ?? 'Put with an answer',
  message: () => 'Written to',
  mail_stopped: () => 'Wants no more letters by mail',
  spoken: () => 'Spoken with',
  set_aside: () => 'Set aside in the queue',
};
const ENCLOSED_TEXT: Readonly<Record<string, string>> = {
  picture: 'Picture put with an answer',
  clip: 'Clip put with an answer',
  talk: 'Spoken review put with an answer',
};
export const eventText = (kind: string, detail: Record<string, unknown>): string =>
  EVENT_TEXT[kind]?.(detail) ?? kind;

/** What the intake parts say. */
export const INTAKE_PARTS_WORDS = {
  giveTheHeight: 'give the height in centimetres, 92 to 228',
  person: 'Person',
  firstName: 'First name',
  familyName: 'Family name',
  born: 'Born on',
  height: 'Height',
  heightHint: 'As 4′11″, 59 in or 151 cm.',
  hipsOutsideToOutside: 'Hips, outside to outside',
  byTapeIfYou: 'By tape, if you can: it sharpens every stance number.',
  plays: 'Plays',
  flexibility: 'Flexibility',
  armSwing: 'Arm swing',
  beginnerOneDrill: 'Beginner: one drill at a time',
  aims: 'Aims',
  minutes: (day: string | undefined) => `Minutes on ${day}`,
  min: 'min',
  place: (day: string | undefined) => `Place on ${day}`,
  home: 'Home',
  range: 'Range',
  net: 'Net',
  course: 'Course',
  giveToMinutes: `Give 5 to 240 minutes a day, or leave it empty for ${EMPTY_DAY_MINUTES}.`,
  practice: 'Practice',
  days: 'Days',
  places: 'Places',
  ballsAVisit: 'Balls a visit',
  hasAtHand: 'Has at hand',
  canFilm: 'Can film',
  teaching: 'Teaching',
  school: 'School',
  likesToThink: 'Likes to think of',
  feelsBest: 'Feels best on the',
  nextLesson: 'Next lesson',
} as const;

/** What the intake screen says. */
export const INTAKE_SCREEN_WORDS = {
  theIntake: 'the intake',
  saved: 'Saved.',
  intake: 'Intake',
  newStudent: 'New student',
  save: 'Save',
  saveAndGo: 'Save and go to the bench',
  wrong: (n: number) => `${n === 1 ? 'One field needs' : `${n} fields need`} a look above.`,
} as const;

/** Shown on every screen of a student whose drills pain has paused. */
export const PAIN_PAUSE_WORDS = {
  title: 'Paused for pain.',
  since: (where: string, since: string) =>
    `${where === '' ? 'The student did not say where it hurts.' : `It hurts here: ${where}.`} Reported ${since}.`,
  care: 'All drills wait until you lift the pause. If pain is sharp or stays, a doctor or physiotherapist decides.',
  why: 'Why you lift the pause',
  lift: 'Lift pause',
} as const;

/** What the safety part says. */
export const SAFETY_PART_WORDS = {
  safety: 'Safety',
  painNow: 'Pain now',
  painNowPauses: 'Saving pauses every drill until you lift the pause and say why.',
  painNowPaused: 'Every drill is paused for pain. Lift the pause at the top of this page.',
  where: 'Where',
  knownTrouble: 'Known trouble',
  surgeryOrInjury: 'Surgery or injury in the last 12 months',
  whereWas: 'Where was it',
  dizzinessOrTrouble: 'Dizziness or trouble with balance',
  pregnant: 'Pregnant',
  cliniciansRestriction: 'A clinician’s restriction',
  theirWordGoesBefore: 'Their word goes before any drill here.',
  underClipsWaitUntil: 'Under 18: clips wait until a guardian has agreed.',
  guardianHasAgreed: 'A guardian has agreed to clips',
  guardiansName: 'Guardian’s name',
  drillsWillBeCareful: (limits: string) => `Drills will be careful with: ${limits}.`,
} as const;

/** What the schools screen says. */
export const SCHOOLS_SCREEN_WORDS = {
  schoolsAndBands: 'Schools and bands',
  schools: 'Schools',
  theSchools: 'the schools',
  whatItTeaches: 'What it teaches',
  bands: 'Bands',
  findAMeasure: 'Find a measure',
  forAPlayer: (count: string) =>
    `For a player of ${count} with a mid-iron; lengths grow with the player. Teaching conventions, not medicine: set your own where you teach otherwise.`,
  yourOwnBand: (name: string) => `${name}: your own band.`,
  undo: 'Undo',
  from: 'from',
  between: ', then ',
  lowEdge: (name: string) => `${name}, low edge`,
  to: 'to',
  highEdge: (name: string) => `${name}, high edge`,
  whyOf: (name: string) => `${name}, why`,
  why: 'Why',
  keep: 'Keep',
  backToTheHouseOf: (name: string) => `Back to the house’s band: ${name}`,
  backToTheHouse: 'Back to the house’s',
  open: 'open',
} as const;

/** What the school part of the intake says. */
export const SCHOOL_PART_WORDS = {
  title: 'School',
  school: 'Taught as',
  answers: (changed: number) =>
    changed === 0
      ? 'Its thirteen answers; change one for this student'
      : `Its thirteen answers, ${changed} changed for this student`,
  schoolsOwn: ' (the school’s own)',
  moves: 'What the changes move',
  movesNothing: 'No band moves; looks, cues and the order of work follow the new answer.',
  before: 'as the school has it',
  after: 'for this student',
} as const;

/** What the part about mail says. */
export const MAIL_PART_WORDS = {
  title: 'Letters by mail',
  agreed: 'Agreed to letters by mail (under 18: a guardian did)',
  address: 'Address',
  fromElsewhere: (address: string) =>
    `${address} came with an imported record. No letter is sent there until the student agrees again.`,
} as const;
