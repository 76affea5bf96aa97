import type { TalkDocument } from '@inchstep/contract/checkins';
import type { SpokenScene } from '@inchstep/core/checkins';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { PairSide } from '../measures/phone/index.ts';

type TalkClip = TalkDocument['now'];

/** Half a frame at 60 a second further on: a browser that rounds down must not show the one before. */
const INTO_FRAME_S = 0.008;

/** The pictures of a talk's clips at the moments of its scene; the browser's own player finds them. */
export function usePairVideos(talk: TalkDocument, clip: (clipId: string) => string, scene: SpokenScene) {
  const now = useStill(talk.now, clip, scene.now);
  const before = useStill(talk.before, clip, scene.before ?? 0);
  return {
    now: now.side,
    before: scene.before === null ? null : before.side,
    lost: now.lost || before.lost,
    /** A phone reads no film before a finger asked for it. */
    wake: () => {
      now.wake();
      before.wake();
    },
  };
}

function useStill(of: TalkClip | null, clip: (clipId: string) => string, seconds: number) {
  const video = useRef<HTMLVideoElement | null>(null);
  const wish = useRef(seconds);
  wish.current = seconds;
  const [shown, setShown] = useState(0);
  const [lost, setLost] = useState(false);
  const url = of && clip(of.clipId);
  useEffect(() => {
    if (url === null) return;
    const element = document.createElement('video');
    element.muted = true;
    element.playsInline = true;
    element.preload = 'auto';
    element.src = url;
    video.current = element;
    const seek = () => {
      const to = wish.current + INTO_FRAME_S;
      if (Math.abs(element.currentTime - to) > 0.001) element.currentTime = to;
      else setShown((count) => count + 1);
    };
    const seeked = () => {
      setShown((count) => count + 1);
      // What was wished for meanwhile.
      if (Math.abs(element.currentTime - wish.current - INTO_FRAME_S) > 0.001) seek();
    };
    const fail = () => setLost(true);
    element.addEventListener('loadeddata', seek);
    element.addEventListener('seeked', seeked);
    element.addEventListener('error', fail);
    return () => {
      element.removeEventListener('loadeddata', seek);
      element.removeEventListener('seeked', seeked);
      element.removeEventListener('error', fail);
      element.removeAttribute('src');
      element.load();
      video.current = null;
    };
  }, [url]);
  useEffect(() => {
    const element = video.current;
    if (element && element.readyState >= 2 && !element.seeking) element.currentTime = seconds + INTO_FRAME_S;
  }, [seconds]);
  const side = useMemo((): PairSide | null => {
    const element = video.current;
    if (shown === 0 || !element || !of) return null;
    return { picture: element, widthPx: of.widthPx, heightPx: of.heightPx, title: of.title };
  }, [shown, of]);
  const wake = () => {
    const element = video.current;
    if (element && element.readyState < 2)
      void element.play().then(
        () => element.pause(),
        () => undefined,
      );
  };
  return { side, lost, wake };
}
