import type { PlanItem } from '@inchstep/core/practice';
import type { AnyDrillId, DrillId, RoutineStep } from '@inchstep/core/prescription';
import { amountRange } from './amountWords.ts';

/** What the student takes from a drill to the course: a small move that starts the swing, or one thought. */
export interface CourseSeed {
  readonly as: 'trigger' | 'thought';
  readonly text: string;
}

const trigger = (text: string): CourseSeed => ({ as: 'trigger', text });
const thought = (text: string): CourseSeed => ({ as: 'thought', text });

/** The seeds of the drills that have one. */
export const COURSE_SEEDS: Partial<Record<DrillId, CourseSeed>> = {
  level_bump: trigger('a finger’s width of hips to the target, belt level'),
  knee_swap: trigger('one small swap of the knees'),
  knee_to_far_ball: thought('lead knee out ahead of the ball'),
  pocket_to_fence: thought('pocket back and round'),
  round_the_corner: trigger('trail hip a little back, as round a corner'),
  belly_down: thought('belly to the trail foot'),
  half_clock: thought('back on the 4, down on the 8'),
  hip_metronome: trigger('hips once over and back, quietly'),
  reach_the_rod: thought('go while the club still goes back'),
  two_cheek_chair: thought('lead seat back first'),
  tail_down_around: thought('belt down and round'),
  knee_roll: thought('lead knee rolls early'),
  post_and_turn: thought('turn on a tall lead leg'),
  step_and_counter: trigger('press the trail foot, then the lead'),
  crossbar_drive: thought('trail hip through to level'),
  beat_the_ball: thought('hip before club'),
  open_close_shuffle: trigger('two small steps, hips open last'),
  unlock_knees: trigger('soften both knees once'),
  early_heel: trigger('lead heel light, then down'),
  low_pocket: thought('trail pocket stays low'),
  heel_late: thought('trail heel waits'),
  buckle_past_foot: thought('buckle past the lead foot'),
  laces_to_target: thought('laces to the target'),
  step_and_brake: thought('step, then stop the hips on it'),
};

/** The seed of a drill, by its table or, for one that a coach wrote, by its cue. */
export const courseSeedOf = (drill: AnyDrillId | string, cue: string): CourseSeed =>
  COURSE_SEEDS[drill as DrillId] ?? thought(cue);

const STEP_WORDS: Readonly<Record<RoutineStep['step'], string>> = {
  grip: 'grip',
  posture: 'posture',
  stance: 'stance',
  aim: 'aim',
  preset: 'hips to the target',
  trigger: 'trigger',
  press: 'press to the lead side and start from it',
  shuffle: 'shuffle the feet, hips open last, and start from it',
  go: 'go at once, no freezing',
};

/** The routine in one line, with this student's sizes and the drill's trigger in its place. */
export function routineText(
  steps: readonly RoutineStep[],
  seed: CourseSeed,
  length: (inches: number) => string,
): string {
  return steps
    .map(({ step, sizeIn, breastboneAwayIn }) => {
      const own = step === 'trigger' && seed.as === 'trigger' ? `: ${seed.text}` : '';
      const size = sizeIn ? ` ${amountRange(sizeIn[0], sizeIn[1], length)}` : '';
      const away = breastboneAwayIn > 0 ? `, breastbone ${length(breastboneAwayIn)} away from it` : '';
      return `${STEP_WORDS[step]}${size}${away}${own}`;
    })
    .join(' → ');
}

/** What of a drill is taken along to the holes; null on other rungs. */
export const carryText = (item: Pick<PlanItem, 'drill' | 'stage'>, cue: string): string | null =>
  item.stage === 'course'
    ? `${ROUTINE_WORDS.toCourse} ${ROUTINE_WORDS.seed(courseSeedOf(item.drill, cue))}`
    : null;

export const ROUTINE_WORDS = {
  title: 'Each ball, in this order',
  thought: (text: string) => `One thought: ${text}.`,
  toCourse: 'To the course',
  seed: ({ as, text }: CourseSeed) => (as === 'trigger' ? `as the trigger: ${text}` : `one thought: ${text}`),
} as const;
