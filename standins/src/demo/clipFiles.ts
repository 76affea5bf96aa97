import { readFile } from 'node:fs/promises';

const CLIPS = new URL('../../standins/clips/', import.meta.url);
const CLIPS_FROM_SOURCE = new URL('../../clips/', import.meta.url);

/** From the source tree and from the bundle alike. */
export async function readClip(name: string): Promise<Buffer> {
  try {
    return await readFile(new URL(name, CLIPS_FROM_SOURCE));
  } catch {
    return readFile(new URL(name, CLIPS));
  }
}
