import { useEffect, useRef, useState } from 'react';
import { fetchVoice } from './enclosedQueries.ts';

/** Often enough for an eye, seldom enough for an old phone. */
const LOOK_MS = 40;

/**
 * A voice and where it stands, in ms. It is fetched whole, so that it plays on where the signal ends, and a jump needs
 * no line.
 */
export function useVoice(url: string, lengthMs: number) {
  const audio = useRef<HTMLAudioElement | null>(null);
  const [state, setState] = useState<'loading' | 'ready' | 'failed'>('loading');
  const [playing, setPlaying] = useState(false);
  const [ms, setMs] = useState(0);
  useEffect(() => {
    let left = false;
    let object: string | null = null;
    const element = new Audio();
    audio.current = element;
    const look = () => setMs(Math.min(lengthMs, 1000 * element.currentTime));
    const end = () => {
      setPlaying(false);
      look();
    };
    element.addEventListener('ended', end);
    element.addEventListener('pause', end);
    fetchVoice(url)
      .then((blob) => {
        if (left) return;
        object = URL.createObjectURL(blob);
        element.src = object;
        setState('ready');
      })
      .catch(() => !left && setState('failed'));
    return () => {
      left = true;
      element.pause();
      element.removeEventListener('ended', end);
      element.removeEventListener('pause', end);
      if (object) URL.revokeObjectURL(object);
    };
  }, [url, lengthMs]);
  useEffect(() => {
    if (!playing) return;
    const clock = setInterval(() => {
      const element = audio.current;
      if (element) setMs(Math.min(lengthMs, 1000 * element.currentTime));
    }, LOOK_MS);
    return () => clearInterval(clock);
  }, [playing, lengthMs]);
  return {
    state,
    playing,
    ms,
    toggle: () => {
      const element = audio.current;
      if (!element) return;
      if (playing) element.pause();
      else
        void element.play().then(
          () => setPlaying(true),
          () => setState('failed'),
        );
    },
    go: (to: number) => {
      if (audio.current) audio.current.currentTime = to / 1000;
      setMs(to);
    },
  };
}
