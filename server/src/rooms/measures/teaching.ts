import type { NetworkErrors } from '@inchstep/contract/measures';
import { errorTable, knownTo, taughtPlaces } from '@inchstep/core/measures';
import { type Context, today } from '../../platform/context.ts';
import { listSwings } from '../capture/index.ts';
import { getStudent } from '../intake/index.ts';

/** Swings further back say nothing new that those after them do not. */
const MOST_SWINGS = 40;

/** How the body network is expected to err on a player: learnt from every place that a hand has checked. */
export function networkErrorsOf(ctx: Context, studentId: string): NetworkErrors {
  const { profile } = getStudent(ctx, studentId);
  const swings = listSwings(ctx, studentId)
    .filter(({ discardedAt }) => discardedAt === null)
    .slice(0, MOST_SWINGS);
  const taught = taughtPlaces(swings, profile.handedness);
  const table = errorTable(taught, today(ctx));
  const hips = knownTo(table, 'face_on', 'lead_hip') ?? knownTo(table, 'down_the_line', 'lead_hip');
  return {
    table,
    swings: new Set(taught.map(({ clip }) => clip.split(' ')[0])).size,
    places: taught.length,
    hipsSdIn: hips === null ? null : hips * profile.heightIn,
  };
}
