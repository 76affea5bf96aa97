import type { Context } from '../../platform/context.ts';

/** Standings and places in the queue change with time alone, too; a list that old is made anew. */
const MINUTES = 5;

/** The answer with the name of its state; only the name where nothing changed since. */
export function whenChanged<T extends object>(
  ctx: Context,
  since: string | undefined,
  answer: () => T,
): ({ version: string } & T) | { version: string; unchanged: true } {
  const slot = Math.floor(ctx.now().getTime() / (MINUTES * 60_000));
  const version = `${ctx.records.summaries().version}.${slot}`;
  return since === version ? { version, unchanged: true } : { version, ...answer() };
}
