/** A thread that reads one clip frame by frame (`FrameReader`); who opens it ends it. */
export const framesThread = (): Worker =>
  new Worker(new URL('./frames.worker.ts', import.meta.url), { type: 'module' });
