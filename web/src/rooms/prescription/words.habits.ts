import type { DrillHabits } from '@inchstep/core/prescription';
import { FIT_WORDS } from './words.ts';

/** What of the ladder a drill takes part in, in a line. */
export function habitsText({ topOn, stops, warmsUp, courseForm }: DrillHabits): string {
  const parts = [
    topOn === null
      ? 'with the drill on up to full speed'
      : `with the drill on up to ${FIT_WORDS.topOns[topOn]}`,
    ...(stops ? ['with the stop at half and three quarters'] : []),
    ...(warmsUp ? ['made for warming up'] : []),
    courseForm ? 'a trigger or thought of it goes along to the course' : 'it ends at the clubs',
  ];
  return `${parts.join('; ')}.`.replace(/^./, (first) => first.toUpperCase());
}
