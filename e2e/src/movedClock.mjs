// Loaded before the built server, so that a test holds its clock: the program itself has no door for that.
import { moveDate } from './movedDate.mjs';

const moveTo = moveDate(Number(process.env.E2E_CLOCK_MS ?? 0));
process.on('message', ({ clockMs }) => {
  moveTo(clockMs);
  process.send?.({ clockMs });
});
// Listening for the clock must not keep a server alive that was told to end.
process.channel?.unref();
