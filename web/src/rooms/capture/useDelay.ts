import { type RefObject, useEffect, useRef } from 'react';

/** Kept pictures are this wide: enough to see a rehearsal, little enough to keep ten seconds of them. */
const KEPT_WIDTH = 360;
const KEPT_A_SECOND = 30;

/** Draws what the camera saw `seconds` ago, over and over, from a bounded store of small pictures. */
export function useDelay(
  video: RefObject<HTMLVideoElement | null>,
  canvas: RefObject<HTMLCanvasElement | null>,
  seconds: number,
  running: boolean,
): void {
  const kept = useRef<{ at: number; picture: ImageBitmap }[]>([]);
  useEffect(() => {
    if (!running) return;
    let busy = false;
    const tick = async () => {
      const from = video.current;
      if (busy || !from || from.videoWidth === 0) return;
      busy = true;
      await keepAndShow(from).catch(() => undefined);
      busy = false;
    };
    const keepAndShow = async (from: HTMLVideoElement) => {
      const height = Math.round((KEPT_WIDTH * from.videoHeight) / from.videoWidth);
      const picture = await createImageBitmap(from, { resizeWidth: KEPT_WIDTH, resizeHeight: height });
      const now = performance.now();
      kept.current.push({ at: now, picture });
      const due = now - 1000 * seconds;
      // The newest that is old enough is shown; everything before it is done with.
      let shown = -1;
      while (kept.current[shown + 1] && (kept.current[shown + 1]?.at ?? 0) <= due) shown++;
      const entry = kept.current[shown];
      if (entry && canvas.current) {
        canvas.current.width = entry.picture.width;
        canvas.current.height = entry.picture.height;
        canvas.current.getContext('2d')?.drawImage(entry.picture, 0, 0);
        for (const old of kept.current.splice(0, shown)) old.picture.close();
      }
    };
    const timer = setInterval(() => void tick(), 1000 / KEPT_A_SECOND);
    return () => {
      clearInterval(timer);
      for (const { picture } of kept.current.splice(0)) picture.close();
    };
  }, [video, canvas, seconds, running]);
}
