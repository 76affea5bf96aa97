import type { NewAside } from '@inchstep/contract/checkins';
import { type Context, stamp, today } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { once } from '../../platform/writes/once.ts';
import { getStudent, record } from '../intake/index.ts';
import { insertAside, undoAside } from './asideRepo.ts';

/** Puts a student's line of the queue off until a day, or notes that coach and student have spoken. Pain is never put off. */
export function setAside(
  ctx: Context,
  studentId: string,
  { id, until, note }: NewAside,
  author: string,
): void {
  getStudent(ctx, studentId);
  if (until !== null && until <= today(ctx)) throw new Refusal('date_in_past', { value: until }, 'until');
  const keep = () => {
    insertAside(ctx.db, { id, studentId, at: stamp(ctx), until, note, undoneAt: null, author });
    record(
      ctx,
      studentId,
      until === null ? 'spoken' : 'set_aside',
      until === null ? { note } : { until, note },
    );
  };
  once(ctx, { id, what: 'aside', studentId, author }, keep, () => undefined);
}

export function takeUpAgain(ctx: Context, studentId: string, id: string): void {
  ctx.records.write(studentId, () => {
    if (!undoAside(ctx.db, studentId, id, stamp(ctx))) throw new Refusal('not_found');
  });
}
