import type { Breach, PlanChange, PlanDay, PlanItem } from '@inchstep/core/practice';
import { CLUB_WORDS } from './measures.ts';
import { PLACE_WORDS, STAGE_WORDS } from './practice.ts';

const lower = (text: string | undefined): string => (text ?? '').toLowerCase();
const clubName = (club: string): string => lower(CLUB_WORDS[club]);

/** Moves that a warm-up is made of; a drill that is made for it goes by its own name. */
export const WARM_UP_WORDS: Readonly<Record<string, string>> = {
  march_on_the_spot: 'march on the spot',
  trunk_turns: 'easy turns of the trunk',
  hip_circles: 'hip circles',
  small_knee_bends: 'small knee bends',
  ankle_rocks: 'rock over the ankles',
  stand_on_one_leg: 'stand on one leg',
  slow_half_swings: 'slow half swings',
};
export const warmUpText = (
  { warmUpMinutes, warmUp }: Pick<PlanDay, 'warmUpMinutes' | 'warmUp'>,
  nameOf: (drill: string) => string,
): string =>
  warmUpMinutes === 0
    ? ''
    : `Warm up ${warmUpMinutes} min: ${warmUp.map((move) => WARM_UP_WORDS[move] ?? nameOf(move)).join(', ')}.`;

/** Clubs of a visit as they are taken in hand: "short iron", "mid and short iron in turn", "drawn: .." */
function clubsText({ clubs, order }: PlanItem): string {
  const names = [...new Set(clubs)].map(clubName);
  if (names.length === 0) return '';
  if (names.length === 1) return `, ${names[0]}`;
  if (order === 'random') return `, ${names.length} clubs as drawn, up to the driver`;
  return `, ${names.join(' and ')}, ${order === 'alternating' ? 'in turn' : 'one after the other'}`;
}

/** The clubs of a visit one by one, where they are mixed. */
export const clubOrderText = ({ clubs, order }: Pick<PlanItem, 'clubs' | 'order'>): string | null =>
  order === 'random' && clubs.length > 0 ? `In this order: ${clubs.map(clubName).join(', ')}.` : null;

const looksText = ({ looks, lookEvery }: PlanItem): string =>
  looks === 0 || lookEvery === null
    ? ''
    : `, look after ${lookEvery === 1 ? 'each' : `every ${lookEvery === 3 ? 'third' : 'fifth'}`}`;

const HOW: Readonly<Record<PlanItem['aid'], string>> = {
  on: '',
  off: '',
  alternating: ', with the drill and without it in turn',
};

/** What one item asks, in a line. */
export function itemText(item: PlanItem): string {
  const speed = item.speedPct > 0 && item.speedPct < 100 ? ` at about ${item.speedPct} %` : '';
  if (item.stage === 'course') return `${item.sets} holes: the trigger, one thought, no more`;
  const feel = item.as === 'feel' ? ', carrying the feel' : '';
  if (item.intent === 'retention' && item.balls > 0)
    return `${item.balls} balls, no rehearsal and no cue${clubsText(item)}`;
  const stop = item.stop ? ', with the stop' : '';
  if (item.balls > 0)
    return `${item.sets} × two rehearsals, one ball${speed}${clubsText(item)}${feel}${stop}${HOW[item.aid]}${looksText(item)}`;
  const sets = item.sets === 1 ? 'one set' : `${item.sets} sets`;
  return `${item.rehearsals} repetitions in ${sets}${speed}${feel}${looksText(item)}`;
}

const INTENTS: Readonly<Record<PlanItem['intent'], string>> = {
  rung: '',
  part: 'Part: ',
  warm_up: 'To warm up: ',
  upkeep: 'To keep it: ',
  retention: 'Cold, before anything else: ',
};
/** An item with its drill and what it is for. */
export const sessionText = (item: PlanItem, nameOf: (drill: string) => string): string =>
  `${INTENTS[item.intent]}${nameOf(item.drill)}, ${lower(STAGE_WORDS[item.stage]?.name)}: ${itemText(item)}`;

export const calendarTitle = (coach: string): string =>
  coach === '' ? 'Practice' : `Practice with ${coach}`;
export const lessonTitle = (coach: string, video: boolean): string =>
  `${video ? 'Lesson by video call' : 'Lesson'}${coach === '' ? '' : ` with ${coach}`}`;

/** A day of practice as a calendar shows it. */
export function calendarText(day: PlanDay, nameOf: (drill: string) => string) {
  const drills = [...new Set(day.items.map(({ drill }) => nameOf(drill)))].join(', ');
  return {
    title: `${Math.round(day.minutes)} min ${lower(PLACE_WORDS[day.place])}: ${drills}`,
    text: [warmUpText(day, nameOf), ...day.items.map((item) => `${sessionText(item, nameOf)}.`)]
      .filter((line) => line !== '')
      .join('\n'),
  };
}

const RULE_WORDS: Readonly<Record<string, string>> = {
  asked_day: 'the student does not practise on that day',
  minutes: 'that day has fewer minutes',
  warm_up: 'a warm-up is missing',
  one_session_a_day: 'the day has a session already',
  no_empty_day: 'an asked day would stand empty',
  daily_cap: 'a joint would have more than its day holds',
  light_before_lesson: 'it would not be light before the lesson',
  growth: 'the week would grow by more than a quarter',
  after_gap: 'the first week after a gap would be more than the last one was',
  rest_day: 'a joint that was loaded hard would not rest the day after',
  pain: 'it loads what hurts',
  balls: 'there are not so many balls',
  wish: 'the week would hold more than was wished for',
  place: 'the drill can’t stand there',
  speed_limit: 'the drill would be on above its speed',
  ball_use: 'the drill takes no ball',
  course: 'that rung is played on the course',
  one_new_piece: 'two new things in a week',
  nothing_new: 'something new on the day of a lesson or near a tournament',
  downstream_waits: 'it waits for the drill before it',
  rung_by_rung: 'a rung would be passed over',
  cycle: 'parts that belong together would be torn apart',
};
export const breachText = ({ rule }: Pick<Breach, 'rule'>): string => RULE_WORDS[rule] ?? rule;
export const PLAN_RULE_IDS: readonly string[] = Object.keys(RULE_WORDS);

const CHANGES: Readonly<
  Record<PlanChange['kind'], (drill: string, date: string, to: string, by: number) => string>
> = {
  moved: (drill, date, to) => `${drill}: from ${date} to ${to}`,
  added: (drill, date, _, by) => `${drill}: ${by} repetitions more, on ${date}`,
  dropped: (drill, date) => `${drill}: not on ${date} any more`,
  more: (drill, date, _, by) => `${drill}: ${by} more on ${date}`,
  less: (drill, date, _, by) => `${drill}: ${-by} fewer on ${date}`,
  rung: (drill, date) => `${drill}: another rung on ${date}`,
};
export const changeText = (
  { kind, date, to, by }: Pick<PlanChange, 'kind' | 'date' | 'to' | 'by'>,
  drill: string,
  dayText: (date: string) => string,
): string => CHANGES[kind](drill, dayText(date), to === null ? '' : dayText(to), by);

/** What stands on the printed week besides the days themselves. */
export const WEEK_WORDS = {
  title: (student: string) => `Practice of ${student}`,
  none: 'Nothing is planned for this week.',
  minutes: (minutes: number) => `${minutes} min`,
  stop: 'When to stop',
} as const;
