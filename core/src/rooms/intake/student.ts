import type { Weekday } from '../../foundation/index.ts';

export const HANDS = ['right', 'left'] as const;
export const FLEXIBILITIES = ['stiff', 'usual', 'supple'] as const;
export const ARM_SWINGS = ['round', 'usual', 'upright'] as const;
export const CLUBS = ['wedge', 'short_iron', 'mid_iron', 'long_iron', 'wood', 'driver'] as const;
export const PLACES = ['home', 'range', 'net', 'course'] as const;
export const AIDS = [
  'stick',
  'chair',
  'wall',
  'basket',
  'wedge',
  'bar',
  'bucket',
  'band',
  'box',
  'phone',
  'bag',
] as const;
export const LIMITS = ['back', 'hip', 'knee', 'ankle', 'balance', 'pain'] as const;
export const CUE_KINDS = ['external', 'inner', 'any'] as const;
export const CUE_SIDES = ['lead', 'trail', 'any'] as const;
export const VIEW_KINDS = ['face_on', 'down_the_line'] as const;

export type Hand = (typeof HANDS)[number];
export type Flexibility = (typeof FLEXIBILITIES)[number];
export type ArmSwing = (typeof ARM_SWINGS)[number];
export type Club = (typeof CLUBS)[number];
export type Place = (typeof PLACES)[number];
export type Aid = (typeof AIDS)[number];
export type Limit = (typeof LIMITS)[number];
export type CueKind = (typeof CUE_KINDS)[number];
export type CueSide = (typeof CUE_SIDES)[number];
export type ViewKind = (typeof VIEW_KINDS)[number];

/** What the reasoning rooms need to know of a student; lengths in inches. */
export interface StudentFacts {
  readonly handedness: Hand;
  readonly heightIn: number;
  readonly ageYears: number;
  readonly flexibility: Flexibility;
  readonly armSwing: ArmSwing;
  readonly beginner: boolean;
  readonly limits: readonly Limit[];
  readonly aids: readonly Aid[];
  readonly places: readonly Place[];
  readonly cueLiking: { readonly kind: CueKind; readonly side: CueSide };
  readonly films: readonly ViewKind[];
  readonly minutesPerWeek: number;
  readonly ballsPerVisit: number;
}

/** When and where a student can practise. */
export interface PracticeTimes {
  readonly days: readonly Weekday[];
  readonly minutesPerDay: Partial<Record<Weekday, number>>;
  readonly placeByDay: Partial<Record<Weekday, Place>>;
}

const CHILD_BELOW_YEARS = 18;
export const isChild = (student: Pick<StudentFacts, 'ageYears'>): boolean =>
  student.ageYears < CHILD_BELOW_YEARS;

const SHORT_WEEK_MINUTES = 60;
type Load = Pick<StudentFacts, 'ageYears' | 'beginner' | 'minutesPerWeek'>;
/** Roots and drills at a time: two, or one for a beginner, a child or a short week. */
export const mostAtOnce = (student: Load): 1 | 2 =>
  student.beginner || isChild(student) || student.minutesPerWeek < SHORT_WEEK_MINUTES ? 1 : 2;
