import { inspectClip } from './inspectClip.ts';
import { inspectEnclosure } from './inspectEnclosure.ts';
import { motionOfFile, pressureOfFile, shotsOfFile } from './readFiles.ts';

/** What this room gives to helper processes, by name. */
export const JOBS = {
  inspectClip: ({ path, bytes }: { path: string; bytes: number }) => inspectClip(path, bytes),
  inspectEnclosure,
  shots: shotsOfFile,
  pressure: pressureOfFile,
  motion: motionOfFile,
};
