/** One choice per question on which teachers differ. Ids are fixed by the case format. */
export const SCHOOL_OPTIONS = {
  trail_leg: ['release', 'brace'],
  centre: ['recentre', 'slide', 'columns'],
  turn_thought: ['trail_through', 'lead_around', 'depth', 'tilt'],
  forward_bearing: ['eight', 'ten'],
  setup_bias: ['centred', 'preset', 'pressed', 'opened'],
  trail_foot: ['up', 'long'],
  head: ['still', 'float'],
  lead_knee: ['out', 'follow'],
  turn_amount: ['free', 'enough', 'least'],
  drop: ['taught', 'let'],
  lead_leg: ['early', 'from_level', 'roll'],
  through: ['tuck', 'stay'],
  begin_at: ['order', 'finish', 'half_way'],
} as const;

type Options = typeof SCHOOL_OPTIONS;
export type SchoolQuestion = keyof Options;
export type BeginAt = Options['begin_at'][number];
/** A coach's own edges for a measure; lengths for a player of 70 in, null = open. */
export interface BandEdit {
  readonly lo: number | null;
  readonly hi: number | null;
}
/** Every question answered, and the bands in which this coach differs. */
export type SchoolAnswers = { readonly [Q in SchoolQuestion]: Options[Q][number] };
export type School = SchoolAnswers & {
  readonly bands?: Readonly<Record<string, BandEdit>>;
};
/** `question.option`, the form in which tables name a school choice. */
export type SchoolChoice = { [Q in SchoolQuestion]: `${Q}.${Options[Q][number]}` }[SchoolQuestion];

export const SCHOOL_PRESETS = {
  centre_and_turn: school(
    'release recentre depth eight centred long float out enough let from_level stay order',
  ),
  load_and_brace: school(
    'brace columns lead_around eight centred long still out enough let early stay order',
  ),
  shift_and_post: school('release slide lead_around eight preset up float follow free let early tuck order'),
  drive_through: school(
    'release recentre trail_through eight centred up float follow free taught roll stay finish',
  ),
} as const;
export type SchoolPreset = keyof typeof SCHOOL_PRESETS;
export const DEFAULT_PRESET: SchoolPreset = 'centre_and_turn';

/** A preset with single answers changed. */
export type SchoolChoiceSet = { readonly preset?: SchoolPreset } & Partial<School>;

/** Every question answered: the preset first, then what the coach changed. */
export function resolveSchool(chosen: SchoolChoiceSet = {}): School {
  const { preset, ...changes } = chosen;
  return { ...SCHOOL_PRESETS[preset ?? DEFAULT_PRESET], ...changes };
}

export function hasChoice(of: School, choice: SchoolChoice): boolean {
  const [question, option] = choice.split('.') as [SchoolQuestion, string];
  return of[question] === option;
}

function school(answers: string): SchoolAnswers {
  const chosen = answers.split(' ');
  const questions = Object.keys(SCHOOL_OPTIONS) as SchoolQuestion[];
  return Object.fromEntries(questions.map((question, i) => [question, chosen[i]])) as SchoolAnswers;
}
