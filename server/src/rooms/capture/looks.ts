import type { SwingToLook } from '@inchstep/contract/capture';
import { viewsToLook } from '@inchstep/core/capture';
import { plusDays } from '@inchstep/core/foundation';
import { mayBeFilmed } from '@inchstep/core/intake';
import { type Context, today } from '../../platform/context.ts';
import { getStudent } from '../intake/index.ts';
import { recentSwingIds, swingById } from './repo.ts';

/** After a start, swings of so many days back are asked once whether they were looked through. */
const BACK_DAYS = 7;
const MOST_AT_ONCE = 3;

/**
 * Swings that may have a clip nobody looked through. Kept in memory while the program runs: what it forgets at a stop is
 * found again by the dates, and a swing that is here for nothing is dropped when it is asked.
 */
const waiting = new WeakMap<Context, Set<string>>();
function waitingOf(ctx: Context): Set<string> {
  const known = waiting.get(ctx) ?? new Set(recentSwingIds(ctx.db, plusDays(today(ctx), -BACK_DAYS)));
  waiting.set(ctx, known);
  return known;
}

export function noteToLook(ctx: Context, swingId: string): void {
  const known = waitingOf(ctx);
  // The newest comes first in the list: what was just filmed is what the coach waits for.
  known.delete(swingId);
  known.add(swingId);
}

/** The newest few swings whose clips a coach's browser may look through now. */
export function listToLook(ctx: Context): SwingToLook[] {
  const known = waitingOf(ctx);
  const found: SwingToLook[] = [];
  for (const id of [...known].reverse()) {
    if (found.length === MOST_AT_ONCE) break;
    const asked = toLook(ctx, id);
    if (asked === 'no') known.delete(id);
    else if (asked !== 'not_now') found.push(asked);
  }
  return found;
}

function toLook(ctx: Context, id: string): SwingToLook | 'no' | 'not_now' {
  const swing = swingById(ctx.db, id);
  if (!swing || viewsToLook(swing).length === 0) return 'no';
  const { profile, ageYears, archivedAt } = getStudent(ctx, swing.studentId);
  const { guardianConsent, firstName, heightIn, handedness } = profile;
  if (archivedAt !== null || !mayBeFilmed({ ageYears, guardianConsent }, today(ctx))) return 'not_now';
  return { swing, firstName, golfer: { heightIn, handedness } };
}
