import type { Drill } from './drillTable.ts';

/** Mending this strongly, a drill holds another's overdoing in check. */
const GUARD_STRENGTH = 2;

/** Whether `guard` mends what too much of `drill` makes, or stands beside it by the table. */
export const guards = (guard: Drill, drill: Drill): boolean =>
  guard.id !== drill.id && (drill.guard === guard.id || mendsOverdoing(guard, drill));

const mendsOverdoing = (guard: Drill, drill: Drill): boolean =>
  drill.overdo !== null &&
  guard.overdo !== drill.overdo &&
  guard.fixes.some(({ fault, strength }) => fault === drill.overdo && strength >= GUARD_STRENGTH);

/** Made for the very fault that too much of it makes: it meets that line from both sides. */
export const meetsBothSides = (drill: Drill): boolean =>
  drill.fixes.some(({ fault, strength }) => fault === drill.overdo && strength >= GUARD_STRENGTH);
