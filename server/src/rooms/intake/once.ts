import { type Context, stamp } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { insertWrite, writeById } from './repo.ts';

/** A write that came with an id of the sender's own. */
export interface Write {
  readonly id: string;
  readonly what: string;
  readonly studentId: string;
  /** `coach:ID` or `student:ID`. */
  readonly author: string;
}

/**
 * The only door for writes with a client's id. The first time, `act` stores the row, its thread event and
 * what else belongs to it, together or not at all. The same write sent again, by the same author for the same
 * student, is answered with what is stored. Any other use of the id is refused: nothing of somebody else's is
 * shown, and nothing is lost unsaid.
 */
export function once<T>(ctx: Context, write: Write, act: () => void, read: () => T): T {
  return ctx.db.transaction(
    () => {
      if (isKnown(ctx, write)) return read();
      act();
      insertWrite(ctx.db, { ...write, at: stamp(ctx) });
      return read();
    },
    { behavior: 'immediate' },
  );
}

/** True when this very write was made before; refuses an id that was taken by another. */
export function isKnown(ctx: Context, { id, what, studentId, author }: Write): boolean {
  const known = writeById(ctx.db, id);
  if (!known) return false;
  if (known.what === what && known.studentId === studentId && known.author === author) return true;
  throw new Refusal('id_taken');
}
