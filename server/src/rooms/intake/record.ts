import type { ThreadEvent } from '@inchstep/contract/intake';
import { type Context, newId, stamp } from '../../platform/context.ts';
import { lessonAt } from './lessonRepo.ts';
import { insertEvent } from './repo.ts';

/** Notes what happened with a student, and in which lesson. */
export function record(
  ctx: Context,
  studentId: string,
  kind: ThreadEvent['kind'],
  detail: ThreadEvent['detail'],
  id = newId(),
): void {
  const at = stamp(ctx);
  insertEvent(ctx.db, { id, studentId, at, kind, lessonId: lessonAt(ctx.db, studentId, at), detail });
}
