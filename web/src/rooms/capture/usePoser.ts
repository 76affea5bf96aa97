import type { ViewKind } from '@inchstep/core/intake';
import { useEffect, useRef, useState } from 'react';
import { type Golfer, type Looked, lookThrough, type Proposal } from './lookThrough.ts';

type Trouble = Extract<Looked, { ok: false }>;

/** Looks through a whole clip for the body when asked: with progress, stopped when wanted. */
export function usePoser() {
  const [share, setShare] = useState<number | null>(null);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const stop = useRef<() => void>(() => undefined);
  useEffect(() => () => stop.current(), []);

  const propose = async (
    url: string,
    kind: ViewKind,
    golfer: Golfer,
    done: (proposal: Proposal) => void,
  ): Promise<void> => {
    // Pressing Stop, leaving the bench and a worker that can't start all end it at once.
    const stopped = new Promise<void>((end) => {
      stop.current = end;
    });
    setTrouble(null);
    setShare(0);
    const looked = await lookThrough(url, kind, golfer, { onProgress: setShare, stopped, waiting: true });
    if (looked?.ok) done(looked.proposal);
    else if (looked) setTrouble(looked);
    setShare(null);
  };
  return { share, trouble, propose, stop: () => stop.current() };
}
