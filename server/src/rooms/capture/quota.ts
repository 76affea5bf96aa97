import type { Context } from '../../platform/context.ts';
import { studentBytesSince } from './repo.ts';

const MEGABYTE = 1024 * 1024;
const WEEK_MS = 7 * 24 * 3_600_000;
/** Largest clips that a student's link takes in a week: whoever holds it can't fill the disk. */
const CLIPS_A_WEEK = 10;

/** How many bytes of film a student may still send now. */
export function roomForStudent(ctx: Pick<Context, 'db' | 'now' | 'clipLimitMb'>, studentId: string): number {
  const since = new Date(ctx.now().getTime() - WEEK_MS).toISOString();
  return CLIPS_A_WEEK * ctx.clipLimitMb * MEGABYTE - studentBytesSince(ctx.db, studentId, since);
}
