import { readArchive } from './readArchive.ts';

/** What the care of the record gives to worker threads, by name. */
export const JOBS = { readArchive };
