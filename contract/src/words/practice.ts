import type { Weekday } from '@inchstep/core/foundation';
import type { Aid, Limit, Place } from '@inchstep/core/intake';
import type { Binding, EmptyDay, Give, Stage, Strike, Unfinished } from '@inchstep/core/practice';
import { MEASURE_WORDS } from './measures.ts';

type BindingRule = Binding['rule'];
type EmptyReason = EmptyDay['why'];

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

/** How a ball was met, on a key. */
export const STRIKE_WORDS: Record<Strike, string> = {
  middle: 'Middle',
  toe: 'Toe',
  heel: 'Heel',
  ground_first: 'Ground first',
  top: 'Top of it',
};

/** What to do when it hurts, whoever knows of it. */
export const PAIN_CARE =
  'Stop now and rest. If it stays, or if it is sharp, see a doctor or a physiotherapist.';
/** On paper nobody is told. */
export const PAIN_ON_PAPER = `${PAIN_CARE} Tell your coach before you go on.`;
/** The same once the coach knows. */
export const PAIN_WORDS = `${PAIN_CARE} Your coach has been told, and this drill waits until you have talked.`;
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

const times = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);
const days = (n: number): string => (n === 1 ? '1 day' : `${n} days`);
const nameOf = (id: unknown): string => MEASURE_WORDS[String(id)]?.name ?? String(id);
const percent = (share: unknown): string => `${Math.round(Number(share) * 100)} %`;

const HELD: Readonly<Record<string, (held: Record<string, unknown>) => string>> = {
  reps: ({ more }) =>
    more === null
      ? 'At the present rate of passes this rung would not be owned: make it easier, slower or smaller, then count again.'
      : `About ${more} more counted repetitions at your present rate.`,
  reps_not_yet: ({ times: n }) =>
    `The count came out as “not yet” ${times(Number(n))} and has begun again. Nothing is lost: what was practised stays practised.`,
  swings: (h) => {
    const left = Number(h.need) - Number(h.have);
    return `Film ${left} more ${left === 1 ? 'swing' : 'swings'} at this speed that show “${nameOf(h.measure)}”.`;
  },
  measure: (h) =>
    `“${nameOf(h.measure)}” lies in its band with ${percent(h.inBand)} probability; 80 % opens the gate.`,
  look: () => 'No film can tell this one: the coach has to look.',
  watch: (h) => `Being overdone: “${nameOf(h.measure)}” is leaving its band on the far side.`,
  pain: () => 'Pain was reported. Only the coach lifts this hold.',
};
export const heldText = (held: { readonly code: string }): string =>
  HELD[held.code]?.(held as unknown as Record<string, unknown>) ?? held.code;

const RULES: Readonly<Record<BindingRule, string>> = {
  minutes: 'The minutes of a day are full.',
  joint_cap: 'A joint has had what it may have in a day.',
  day_cap: 'The day holds as many repetitions as a day may.',
  growth: 'A week may hold a quarter more than the one before, and this one does.',
  gap: 'After a gap the first week is no more than the last active one was.',
  rest: 'A joint that was loaded hard rests the day after.',
  balls: 'The balls of a visit are used up.',
  ball_place: 'This rung needs balls, and the day is not at a range or net.',
  wish: 'The week already holds the repetitions that were wished for.',
  lesson: 'A lesson is near: the session stays light.',
  tournament: 'A tournament is near: upkeep and routine only.',
  visit: 'One visit holds no more good balls than that.',
  held: 'Pain was reported: every drill waits until the coach lifts the hold.',
  closed: 'None of the asked days can be practised on.',
};
export const bindingText = ({
  rule,
  days: n,
}: {
  readonly rule: string;
  readonly about: string;
  readonly days: number;
}): string => `${RULES[rule as BindingRule] ?? rule} (${days(n)} before the gate)`;

const EMPTY: Readonly<Record<EmptyReason, string>> = {
  away: 'away',
  ill: 'ill',
  missed: 'missed',
  held: 'held: pain was reported',
  pain: 'stopped: the drill loads what hurts',
  no_minutes: 'too few minutes for a set',
  rest: 'rest for a joint that was loaded hard',
  growth: 'the week has grown as far as it may',
  cap: 'the day’s cap is used up',
  upstream: 'waits for the drill before it',
  new_piece: 'one new thing a week, and none on the day of a lesson or near a tournament',
  wish: 'the week’s wish is met',
};
export const emptyText = (why: string): string => EMPTY[why as EmptyReason] ?? why;

const UNFINISHED: Readonly<Record<Unfinished['why'], string>> = {
  no_ball_place: 'no practice day is at a range or net, so the ladder stops before the ball comes in',
  no_course_place: 'no practice day is on the course',
  no_course_form: 'this drill stays on the range: the ladder ends at the clubs',
  time: 'it is not reached within this plan with four chances in five',
  held: 'every drill is held',
  pain: 'it loads what hurts',
  closed: 'none of the asked days can be practised on',
};
export const unfinishedText = (why: string): string => UNFINISHED[why as Unfinished['why']] ?? why;

const WAYS: Readonly<Record<Give['what'], (by: number, about: string) => string>> = {
  day: (_, about) => {
    const [day = '', place] = about.split('.');
    const name = WEEKDAY_WORDS[day] ?? day;
    return place
      ? `One more day (${name}, at the ${PLACE_WORDS[place]?.toLowerCase() ?? place})`
      : `One more day (${name})`;
  },
  minutes: (by) => `${by} more minutes a day`,
  ball_day: (_, about) => `${WEEKDAY_WORDS[about] ?? about} at a range or net`,
  balls: (by) => `${by} more balls a visit`,
  wish: (by) => `A wish of ${by} more repetitions a week`,
};
/** A way out and what it gains, from a plan that is solved again. */
export const giveText = (give: {
  readonly what: string;
  readonly by: number;
  readonly about: string;
  readonly gainDays: number | null;
}): string => {
  const way = WAYS[give.what as Give['what']]?.(give.by, give.about) ?? give.what;
  return give.gainDays === null
    ? `${way}: only then is the gate within this plan.`
    : `${way}: the gate ${days(give.gainDays)} sooner.`;
};
