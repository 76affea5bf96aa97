import { useEffect, useState } from 'react';

/** The way there, a rest, the way back, a rest: slow enough to be followed. */
const WAY_MS = 2600;
const REST_MS = 900;
const ROUND_MS = 2 * (WAY_MS + REST_MS);
const FRAME_MS = 40;

const wantsRest = (): boolean => globalThis.matchMedia?.('(prefers-reduced-motion: reduce)').matches ?? true;

/** Where a move stands so many ms after it began; gently off and gently on. */
export function shareAt(ms: number): number {
  const at = ms % ROUND_MS;
  const there = (t: number) => 0.5 - 0.5 * Math.cos(Math.PI * Math.min(1, Math.max(0, t / WAY_MS)));
  return at < WAY_MS + REST_MS ? there(at) : 1 - there(at - WAY_MS - REST_MS);
}

/** The ms after its beginning at which a move on its way out stands at `share`. */
export const msAt = (share: number): number => (WAY_MS * Math.acos(1 - 2 * share)) / Math.PI;

/** A move that goes on by itself until it is held; still from the start for whoever asked for less motion. */
export function useLoop(moves: boolean) {
  const [share, setShare] = useState(1);
  const [playing, setPlaying] = useState(() => !wantsRest());
  // biome-ignore lint/correctness/useExhaustiveDependencies: where it stands is only read as the loop begins
  useEffect(() => {
    if (!playing || !moves) return;
    const began = performance.now() - (share >= 1 ? 0 : msAt(share));
    const timer = setInterval(() => setShare(shareAt(performance.now() - began)), FRAME_MS);
    return () => clearInterval(timer);
  }, [playing, moves]);
  return {
    share,
    playing: playing && moves,
    toggle: () => setPlaying((now) => !now),
    hold: (to: number) => {
      setPlaying(false);
      setShare(to);
    },
  };
}
