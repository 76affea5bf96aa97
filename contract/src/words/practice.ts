import type { Weekday } from '@inchstep/core/foundation';
import type { Aid, Limit, Place } from '@inchstep/core/intake';
import type { Stage } from '@inchstep/core/practice';
import { MEASURE_WORDS } from './measures.ts';

export const STAGE_WORDS: Readonly<Record<string, { readonly name: string; readonly what: string }>> = {
  still: { name: 'Still', what: 'Pose and feel. No club, no mirror.' },
  slow: { name: 'Slow', what: 'Slow rehearsals with the aid. No ball.' },
  half: { name: 'Half', what: 'Half swings with the aid and a ball, just over half speed.' },
  three_quarter: { name: 'Three quarter', what: 'Aid and ball at about three quarters.' },
  full: { name: 'Full', what: 'Full speed; the aid comes away every other block.' },
  clubs: { name: 'Clubs', what: 'Wedge to driver, in mixed order.' },
  course: { name: 'Course', what: 'One trigger and one thought. Leave the exaggeration at home.' },
} satisfies Readonly<Record<Stage, { readonly name: string; readonly what: string }>>;

export const PLACE_WORDS: Readonly<Record<string, string>> = {
  home: 'Home',
  range: 'Range',
  net: 'Net',
  course: 'Course',
} satisfies Readonly<Record<Place, string>>;
export const WEEKDAY_WORDS: Readonly<Record<string, string>> = {
  mon: 'Mon',
  tue: 'Tue',
  wed: 'Wed',
  thu: 'Thu',
  fri: 'Fri',
  sat: 'Sat',
  sun: 'Sun',
} satisfies Readonly<Record<Weekday, string>>;
export const AID_WORDS: Readonly<Record<string, string>> = {
  stick: 'alignment stick',
  chair: 'light chair',
  wall: 'wall',
  basket: 'ball basket',
  wedge: 'foam wedge',
  bar: 'bar',
  bucket: 'bucket',
  band: 'elastic band',
  box: 'small box',
  phone: 'phone',
  bag: 'soft bag',
} satisfies Readonly<Record<Aid, string>>;
export const LIMIT_WORDS: Readonly<Record<string, string>> = {
  back: 'back',
  hip: 'hip',
  knee: 'knee',
  ankle: 'ankle',
  balance: 'balance',
  pain: 'pain now',
} satisfies Readonly<Record<Limit, string>>;

export const PAIN_WORDS =
  'Stop now and rest. If it stays, or if it is sharp, see a doctor or a physiotherapist. Your coach has been told, and this drill waits until you have talked.';
export const RANGE_WORDS =
  'Follow the range rules. Nobody within two club lengths, and never a ball toward people.';

const CAUTIONS: Readonly<Record<string, (about: string) => string>> = {
  light_load: (about) =>
    `Loads the ${LIMIT_WORDS[about] ?? about} a little, where you have had trouble: half the repetitions, and stop if you feel it.`,
  overruled_load: (about) =>
    `Loads the ${LIMIT_WORDS[about] ?? about} where you have had trouble, and your coach chose it knowing that. Warm up, half the repetitions, stop at the first twinge, and ask your doctor or physiotherapist if you are unsure.`,
  marked_load: (about) => `Loads the ${LIMIT_WORDS[about] ?? about}: warm up first, and rest the day after.`,
  stick_cap: () => 'Put a soft cap on any stick that stands up, and keep it out of the club’s path.',
  object_near_swing: (about) => `Keep the ${AID_WORDS[about] ?? about} clear of the club.`,
  clear_space: () => 'Clear the space all round and hold the handle firmly.',
  child: () => 'A grown-up stays nearby.',
  hazard: (about) => about,
};
export const cautionText = (caution: { readonly code: string; readonly about: string }): string =>
  CAUTIONS[caution.code]?.(caution.about) ?? caution.about;

const TIMES: Readonly<Record<number, string>> = {
  1.5: 'half as much again',
  2: 'twice as much',
  2.5: 'two and a half times as much',
  3: 'three times as much',
  4: 'four times as much',
};
/** How much to overdo the feel, from what this student felt and what was measured. */
export const exaggerateText = (factor: number): string =>
  `Feel ${TIMES[factor] ?? `${factor} times as much`} as it should be: that is when yours comes out right.`;

const HELD: Readonly<Record<string, (held: Record<string, unknown>) => string>> = {
  reps: () => 'More counted repetitions are needed before this rung can be called owned.',
  reps_not_yet: () => 'Too many misses so far: stay on this rung, or go one down.',
  swings: (h) =>
    `Film ${Number(h.need) - Number(h.have)} more ${Number(h.need) - Number(h.have) === 1 ? 'swing' : 'swings'} at this speed.`,
  measure: (h) =>
    `The measure is in its band with ${Math.round(Number(h.inBand) * 100)} % probability; 80 % opens the gate.`,
  watch: (h) =>
    `Being overdone: “${MEASURE_WORDS[String(h.measure)]?.name ?? String(h.measure)}” is leaving its band on the far side.`,
  pain: () => 'Pain was reported. Only the coach lifts this hold.',
};
export const heldText = (held: { readonly code: string }): string =>
  HELD[held.code]?.(held as unknown as Record<string, unknown>) ?? held.code;

const GIVES: Readonly<Record<string, (by: number, about: string) => string>> = {
  weekly_reps: (by, about) =>
    `${about} repetitions fit in the first week, ${by} fewer than a full week would hold. More minutes or another day would close the gap.`,
  balls: (by) => `${by} balls were left out to stay inside the ball budget.`,
  ball_place: () =>
    'No practice day is at a range or net, so the ladder stops before the ball comes in. One such day would open it.',
  gate_later: (by) => `The first ball rung opens ${by} ${by === 1 ? 'day' : 'days'} after the next lesson.`,
  course: () => 'The course rung is left out: this student does not play in the plan’s time.',
};
export const giveText = (give: {
  readonly what: string;
  readonly by: number;
  readonly about: string;
}): string => GIVES[give.what]?.(give.by, give.about) ?? give.what;
