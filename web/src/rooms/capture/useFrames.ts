import { type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { FrameReader, OpenedClip } from '../../workers/frames.worker.ts';

export interface Frames {
  readonly clip: OpenedClip | null;
  readonly trouble: { readonly trouble: string; readonly codec: string } | null;
  readonly index: number;
  readonly picture: ImageBitmap | null;
  go(index: number): void;
  /** Frame shown at or just before a time. */
  indexAt(time: number): number;
}

/** One clip, frame by frame, decoded off the main thread. The newest wish wins. */
export function useFrames(url: string | null): Frames {
  const worker = useRef<Remote<FrameReader> | null>(null);
  const wish = useRef(0);
  const busy = useRef(false);
  const [clip, setClip] = useState<OpenedClip | null>(null);
  const [trouble, setTrouble] = useState<Frames['trouble']>(null);
  const [index, setIndex] = useState(0);
  const [picture, setPicture] = useState<ImageBitmap | null>(null);

  const draw = useCallback(async () => {
    if (busy.current || !worker.current) return;
    busy.current = true;
    let drawn = -1;
    while (drawn !== wish.current && worker.current) {
      drawn = wish.current;
      const bitmap = await worker.current.frame(drawn).catch(() => null);
      if (!bitmap) continue;
      setPicture((old) => {
        old?.close();
        return bitmap;
      });
    }
    busy.current = false;
  }, []);

  useEffect(() => {
    setClip(null);
    setTrouble(null);
    setPicture(null);
    if (!url) return;
    const thread = new Worker(new URL('../../workers/frames.worker.ts', import.meta.url), { type: 'module' });
    const reader = wrap<FrameReader>(thread);
    worker.current = reader;
    wish.current = 0;
    busy.current = false;
    void reader.open(url).then((opened) => {
      if (worker.current !== reader) return;
      if ('trouble' in opened) setTrouble(opened);
      else {
        setClip(opened);
        void draw();
      }
    });
    return () => {
      worker.current = null;
      thread.terminate();
    };
  }, [url, draw]);

  const go = useCallback(
    (to: number) => {
      if (!clip) return;
      const next = Math.min(clip.times.length - 1, Math.max(0, to));
      wish.current = next;
      setIndex(next);
      void draw();
    },
    [clip, draw],
  );
  const indexAt = useCallback(
    (time: number) => Math.max(0, clip?.times.findLastIndex((t) => t <= time + 1e-4) ?? 0),
    [clip],
  );
  return { clip, trouble, index, picture, go, indexAt };
}
