import { proxy, type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { FrameReader, OpenedClip } from './frames.worker.ts';
import { framesThread } from './framesThread.ts';

export interface Frames {
  readonly clip: OpenedClip | null;
  readonly trouble: { readonly trouble: string; readonly codec: string } | null;
  readonly index: number;
  readonly picture: ImageBitmap | null;
  /** Share of the clip's working copy that is there; below 1 a far step takes longer. */
  readonly copied: number;
  go(index: number): void;
  /** Frame shown at or just before a time. */
  indexAt(time: number): number;
}

/** What frames come from: a reader that decodes, then the working copy it has made. */
interface FrameSource {
  frame(index: number): Promise<ImageBitmap>;
  readonly isCopy: boolean;
}

/** Each frame a picture of its own; the browser decodes it on a thread of its own. */
const fromCopy = (copy: readonly Blob[]): FrameSource => ({
  frame: (index) => createImageBitmap(copy[index] as Blob),
  isCopy: true,
});

/** One clip, frame by frame, decoded off the main thread. The newest wish wins. */
export function useFrames(url: string | null): Frames {
  const worker = useRef<FrameSource | null>(null);
  const wish = useRef(0);
  const busy = useRef(false);
  const [clip, setClip] = useState<OpenedClip | null>(null);
  const [trouble, setTrouble] = useState<Frames['trouble']>(null);
  const [index, setIndex] = useState(0);
  const [picture, setPicture] = useState<ImageBitmap | null>(null);
  const [copied, setCopied] = useState(0);
  /** The clip whose kept copy turned out not to be readable: it is copied anew. */
  const [spoilt, setSpoilt] = useState<string | null>(null);

  // Closed when the next one is on the screen, and not before: what draws the old one may not have drawn yet.
  useEffect(() => () => picture?.close(), [picture]);
  const draw = useCallback(async () => {
    if (busy.current || !worker.current) return;
    busy.current = true;
    let drawn = -1;
    while (drawn !== wish.current && worker.current) {
      drawn = wish.current;
      const source: FrameSource = worker.current;
      const bitmap = await source.frame(drawn).catch(() => null);
      if (!bitmap) {
        // Another clip may have needed its room on the disk.
        if (source.isCopy && source === worker.current) setSpoilt(url);
        continue;
      }
      setPicture(bitmap);
    }
    busy.current = false;
  }, [url]);

  useEffect(() => {
    setClip(null);
    setTrouble(null);
    setPicture(null);
    setCopied(0);
    if (!url) return;
    const thread = framesThread();
    const reader = wrap<FrameReader>(thread) as Remote<FrameReader>;
    const mine = { frame: (at: number) => reader.frame(at), isCopy: false };
    worker.current = mine;
    // The same clip read anew stays where it was.
    if (spoilt !== url) {
      wish.current = 0;
      setIndex(0);
    }
    busy.current = false;
    let here = true;
    const tell = proxy((share: number) => {
      if (!here) return;
      setCopied(share);
      if (share === 1) void handOver();
    });
    // A decoder and what it holds weigh hundreds of megabytes: once everything is copied they go.
    const handOver = async () => {
      const copy = await reader.wholeCopy();
      if (!copy || !here) return;
      worker.current = fromCopy(copy);
      while (busy.current) await new Promise((done) => setTimeout(done, 20));
      thread.terminate();
    };
    void reader.open(url, tell, spoilt === url).then((opened) => {
      if (!here) return;
      if ('trouble' in opened) setTrouble(opened);
      else {
        setClip(opened);
        void draw();
      }
    });
    return () => {
      here = false;
      worker.current = null;
      thread.terminate();
    };
  }, [url, draw, spoilt]);

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
  return { clip, trouble, index, picture, copied, go, indexAt };
}
