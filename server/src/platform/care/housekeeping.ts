import type { Context } from '../context.ts';
import { carryOutErasures, finishErasures } from './erase.ts';
import type { Runs } from './runs.ts';
import { SummaryCheck } from './summaryCheck.ts';

const EVERY_MS = 15_000;

/** What the program does by itself: erasing that is due, letters that wait, the night's backup. */
export function keepHouse(
  ctx: Context,
  runs: Runs,
  letters: () => Promise<void>,
  complain: (error: unknown) => void,
): () => void {
  const round = () => {
    try {
      carryOutErasures(ctx);
      finishErasures(ctx).catch(complain);
      runs.nightly();
      check.nightly();
      letters().catch(complain);
      ctx.pieces.sweep().catch(complain);
    } catch (error) {
      complain(error);
    }
  };
  const check = new SummaryCheck(ctx, (differing) =>
    complain(new Error(`${differing} summaries differed from their files and were made anew`)),
  );
  round();
  const timer = setInterval(round, EVERY_MS);
  timer.unref();
  return () => {
    clearInterval(timer);
    runs.stop();
    check.stop();
  };
}
