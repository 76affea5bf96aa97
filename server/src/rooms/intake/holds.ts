import type { Hold } from '@inchstep/contract/intake';
import { type Context, stamp } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { insertHold, liftHolds, openHold } from './repo.ts';
import { getStudent, record } from './service.ts';

export const holdOf = (ctx: Context, studentId: string): Hold | null => openHold(ctx.db, studentId);

/** Pain stops the drills at once. Sent twice, it is one hold. */
export function reportPain(ctx: Context, studentId: string, id: string, where: string): void {
  insertHold(ctx.db, studentId, { id, where, at: stamp(ctx), liftedAt: null, liftNote: '' });
  record(ctx, studentId, 'hold', { where });
}

/** Only the coach lifts a hold, and says why. */
export function liftHold(ctx: Context, studentId: string, note: string): void {
  getStudent(ctx, studentId);
  ctx.db.transaction(() => {
    if (liftHolds(ctx.db, studentId, stamp(ctx), note) === 0) throw new Refusal('not_found');
    record(ctx, studentId, 'hold_lifted', { note });
  });
}
