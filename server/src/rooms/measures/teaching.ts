import type { NetworkErrors } from '@inchstep/contract/measures';
import { errorTable, knownTo, taughtPlaces } from '@inchstep/core/measures';
import { type Context, stamp, today } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { listSwings } from '../capture/index.ts';
import { getStudent, once } from '../intake/index.ts';
import { insertReset, lastReset, undoReset } from './teachingRepo.ts';

/** Swings further back say nothing new that those after them do not. */
const MOST_SWINGS = 40;

/** How the body network is expected to err on a player: learnt from every place that a hand has checked. */
export function networkErrorsOf(ctx: Context, studentId: string): NetworkErrors {
  const { profile } = getStudent(ctx, studentId);
  const reset = lastReset(ctx.db, studentId);
  const swings = listSwings(ctx, studentId)
    .filter(({ discardedAt, createdAt }) => discardedAt === null && createdAt > (reset?.at ?? ''))
    .slice(0, MOST_SWINGS);
  const taught = taughtPlaces(swings, profile.handedness);
  const table = errorTable(taught, today(ctx));
  const hips = knownTo(table, 'face_on', 'lead_hip') ?? knownTo(table, 'down_the_line', 'lead_hip');
  return {
    table,
    swings: new Set(taught.map(({ clip }) => clip.split(' ')[0])).size,
    places: taught.length,
    hipsSdIn: hips === null ? null : hips * profile.heightIn,
    forgotten: reset?.id ?? null,
  };
}

/** From now on the student is taught anew; what was checked stays where it is, as marks. */
export function forgetTeaching(ctx: Context, studentId: string, id: string, author: string): NetworkErrors {
  getStudent(ctx, studentId);
  return once(
    ctx,
    { id, what: 'teaching_reset', studentId, author },
    () => insertReset(ctx.db, { id, studentId, at: stamp(ctx), undoneAt: null, author }),
    () => networkErrorsOf(ctx, studentId),
  );
}

export function rememberTeaching(ctx: Context, studentId: string, id: string): NetworkErrors {
  ctx.records.write(
    studentId,
    () => {
      if (!undoReset(ctx.db, studentId, id, stamp(ctx))) throw new Refusal('not_found');
    },
    'nothing',
  );
  return networkErrorsOf(ctx, studentId);
}
