import type { TalkDocument } from '@inchstep/contract/checkins';
import { ENCLOSURE_LIMITS, type SpokenMove, withMove } from '@inchstep/core/checkins';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { PairStage } from '../measures/index.ts';
import { recordVoice, type Voice } from './recordVoice.ts';

const MOST_MS = 1000 * (ENCLOSURE_LIMITS.talk.mostS as number);

interface Spoken {
  readonly voice: File;
  readonly talk: TalkDocument;
}
/** `ending`: the last of the voice is being written. */
type State = 'off' | 'asking' | 'on' | 'ending';

/** A move without its moment. */
type Done<M = SpokenMove> = M extends SpokenMove ? Omit<M, 'at'> : never;

/** Keeps the coach's voice and everything that happens to the pair meanwhile; ends by itself after three minutes. */
export function useTalk(stage: PairStage, onSpoken: (spoken: Spoken) => void) {
  const [state, setState] = useState<State>('off');
  const [ms, setMs] = useState(0);
  const [trouble, setTrouble] = useState<unknown>(null);
  const running = useRef<{ voice: Voice; began: number; moves: SpokenMove[] } | null>(null);
  const hands = useRef({ stage, onSpoken });
  hands.current = { stage, onSpoken };
  const note = useCallback((done: Done) => {
    const talk = running.current;
    if (!talk) return;
    const at = performance.now() - talk.began;
    talk.moves = withMove(talk.moves, { ...done, at } as SpokenMove);
  }, []);
  useMoves(stage, state === 'on', note);
  const stop = useCallback(async () => {
    const talk = running.current;
    if (!talk) return;
    running.current = null;
    const length = Math.round(performance.now() - talk.began);
    setState('ending');
    try {
      const voice = await talk.voice.finish();
      const document = documentOf(hands.current.stage, talk.moves, length);
      if (document) hands.current.onSpoken({ voice, talk: document });
    } catch (reason) {
      setTrouble(reason);
    } finally {
      setState('off');
    }
  }, []);
  const start = useCallback(async () => {
    setTrouble(null);
    setState('asking');
    try {
      const voice = await recordVoice();
      running.current = { voice, began: performance.now(), moves: [] };
      setMs(0);
      for (const done of sceneNow(hands.current.stage)) note(done);
      setState('on');
    } catch (reason) {
      setTrouble(reason);
      setState('off');
    }
  }, [note]);
  useEffect(() => {
    if (state !== 'on') return;
    const clock = setInterval(() => {
      const past = performance.now() - (running.current?.began ?? 0);
      if (past >= MOST_MS) void stop();
      else setMs(past);
    }, 200);
    return () => clearInterval(clock);
  }, [state, stop]);
  useEffect(() => () => running.current?.voice.cancel(), []);
  return { state, ms, trouble, start, stop };
}

/** Tells every step, every change of mode and every move of the pen. */
function useMoves({ now, before, mode, pen }: PairStage, on: boolean, note: (done: Done) => void): void {
  const nowS = now?.seconds ?? 0;
  const beforeS = before?.seconds ?? null;
  useEffect(() => {
    if (on) note({ do: 'stand', now: nowS, before: beforeS });
  }, [on, nowS, beforeS, note]);
  useEffect(() => {
    if (on) note({ do: 'mode', mode });
  }, [on, mode, note]);
  useEffect(() => {
    if (!on) return;
    pen.told.current = note;
    return () => {
      pen.told.current = null;
    };
  }, [on, pen.told, note]);
}

/** What stood there when the talk began: lines that were drawn before are part of it. */
const sceneNow = ({ pen }: PairStage): Done[] =>
  pen.strokes.flatMap((stroke, i) =>
    // Later strokes count on from where the pen stands, so that these keep numbers of their own.
    stroke.map(([u, v]): Done => ({ do: 'draw', stroke: 5000 + i, u, v })),
  );

function documentOf(
  { now, before, laid }: PairStage,
  moves: readonly SpokenMove[],
  ms: number,
): TalkDocument | null {
  if (!now) return null;
  const clip = ({ clipId, widthPx, heightPx, title }: typeof now) => ({ clipId, widthPx, heightPx, title });
  return {
    ms,
    now: clip(now),
    before: before && clip(before),
    laid: laid && { onto: laid.onto, mirrored: laid.mirrored, frame: laid.frame ?? null },
    moves: [...moves],
    captions: [],
  };
}
