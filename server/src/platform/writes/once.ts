import { type Context, stamp } from '../context.ts';
import { Refusal } from '../errors.ts';
import type { Touched } from '../records.ts';
import { insertWrite, writeById } from './repo.ts';

/** What can be written with an id of the sender's own, and how much of the student's file it changes. */
const TOUCHES = {
  student: 'file',
  swing: 'file',
  clip: 'file',
  shots: 'nothing',
  diagnosis: 'file',
  drill_choice: 'file',
  feel: 'nothing',
  plan: 'file',
  set: 'sets',
  gate: 'file',
  hold: 'file',
  lesson: 'file',
  lesson_note: 'nothing',
  lesson_summary: 'file',
  checkin: 'file',
  reply: 'file',
  film_request: 'file',
  aside: 'file',
  message: 'nothing',
  enclosure: 'nothing',
  teaching_reset: 'nothing',
} as const satisfies Record<string, Touched>;
type WriteKind = keyof typeof TOUCHES;

/** A write that came with an id of the sender's own. */
export interface Write {
  readonly id: string;
  readonly what: WriteKind;
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
  return ctx.records.write(write.studentId, () => first(ctx, write, act, read), TOUCHES[write.what]);
}

/** The same, kept together with other writes of this moment; for what comes in small and often. */
export const onceTogether = <T>(ctx: Context, write: Write, act: () => void, read: () => T): Promise<T> =>
  ctx.records.writeTogether(write.studentId, () => first(ctx, write, act, read), TOUCHES[write.what]);

function first<T>(ctx: Context, write: Write, act: () => void, read: () => T): T {
  if (isKnown(ctx, write)) return read();
  act();
  insertWrite(ctx.db, { ...write, at: stamp(ctx) });
  return read();
}

/** True when this very write was made before; refuses an id that was taken by another. */
export function isKnown(ctx: Context, { id, what, studentId, author }: Write): boolean {
  const known = writeById(ctx.db, id);
  if (!known) return false;
  if (known.what === what && known.studentId === studentId && known.author === author) return true;
  throw new Refusal('id_taken');
}
