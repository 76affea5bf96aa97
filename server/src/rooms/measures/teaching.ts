import type { Swing } from '@inchstep/contract/capture';
import type { NetworkErrors } from '@inchstep/contract/measures';
import {
  coachErrors,
  errorTable,
  knownTo,
  placeMeans,
  type TaughtPlace,
  taughtPlaces,
} from '@inchstep/core/measures';
import { type Context, stamp, today } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { once } from '../../platform/writes/once.ts';
import { listSwings } from '../capture/index.ts';
import { getStudent } from '../intake/index.ts';
import { insertReset, lastReset, meansOfOthers, putMeans, undoReset } from './teachingRepo.ts';

/** Swings further back say nothing new that those after them do not. */
const MOST_SWINGS = 40;

/** What is learnt of a coach's world from more students than this says nothing new. */
const MOST_STUDENTS = 60;

/** Every place of a student that a hand has checked after the network, as far as it is not forgotten. */
function taughtOf(ctx: Context, studentId: string): TaughtPlace[] {
  const { profile } = getStudent(ctx, studentId);
  const reset = lastReset(ctx.db, studentId);
  const swings = listSwings(ctx, studentId)
    .filter(({ discardedAt, createdAt }) => discardedAt === null && createdAt > (reset?.at ?? ''))
    .slice(0, MOST_SWINGS);
  return taughtPlaces(swings, profile.handedness);
}

/** How the body network is expected to err on a player in clips of a day: learnt from every place that a hand has checked, on him and on the coach's others. */
export function networkErrorsOf(ctx: Context, studentId: string, on: string = today(ctx)): NetworkErrors {
  const { profile } = getStudent(ctx, studentId);
  const taught = taughtOf(ctx, studentId);
  const others = meansOfOthers(ctx.db, studentId, MOST_STUDENTS);
  const table = errorTable(taught, on, coachErrors(others));
  const hips = knownTo(table, 'face_on', 'lead_hip') ?? knownTo(table, 'down_the_line', 'lead_hip');
  return {
    table,
    swings: new Set(taught.map(({ clip }) => clip.split(' ')[0])).size,
    places: taught.length,
    students: others.length,
    hipsSdIn: hips === null ? null : hips * profile.heightIn,
    forgotten: lastReset(ctx.db, studentId)?.id ?? null,
  };
}

/** Brings what other students learn from this one up to his marks. */
export const keepTeaching = (ctx: Context, studentId: string): void =>
  putMeans(ctx.db, { studentId, at: stamp(ctx), body: placeMeans(taughtOf(ctx, studentId)) });

/** Whether a hand has checked anything in a swing after the network. */
export const teaches = ({ marks }: Pick<Swing, 'marks'>): boolean =>
  marks.some(({ by, net }) => by !== 'network' && net !== undefined);

/** From now on the student is taught anew; what was checked stays where it is, as marks. */
export function forgetTeaching(ctx: Context, studentId: string, id: string, author: string): NetworkErrors {
  getStudent(ctx, studentId);
  return once(
    ctx,
    { id, what: 'teaching_reset', studentId, author },
    () => {
      insertReset(ctx.db, { id, studentId, at: stamp(ctx), undoneAt: null, author });
      keepTeaching(ctx, studentId);
    },
    () => networkErrorsOf(ctx, studentId),
  );
}

export function rememberTeaching(ctx: Context, studentId: string, id: string): NetworkErrors {
  ctx.records.write(
    studentId,
    () => {
      if (!undoReset(ctx.db, studentId, id, stamp(ctx))) throw new Refusal('not_found');
      keepTeaching(ctx, studentId);
    },
    'nothing',
  );
  return networkErrorsOf(ctx, studentId);
}
