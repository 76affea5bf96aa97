import type { CameraPage } from '@inchstep/contract/practice';
import { type ClockPing, clockAhead } from '@inchstep/core/capture';
import type { ViewKind } from '@inchstep/core/intake';
import { format } from 'date-fns';
import { useCallback, useEffect, useRef, useState } from 'react';
import { HttpError } from '../../platform/httpError.ts';
import { newId } from '../../platform/ids.ts';
import { sayHello, sendTake, type TakeClip } from './cameraQueries.ts';

const HELLO_MS = 700;
const PINGS_KEPT = 12;
const AGAIN_MS = 4000;

export interface Sending {
  readonly takeId: string;
  readonly share: number;
  readonly state: 'films' | 'sends' | 'waits' | 'there' | 'refused';
}

/** Begins to record; what it answers ends the record with the clip. */
export type Film = () => Promise<() => Promise<File>>;

/**
 * A phone's side of a lesson: it says that it is here, keeps the other clock, begins every take at its moment, and
 * sends the clips on for as long as it takes while the next one is filmed.
 */
export function useTakes(token: string, kind: ViewKind | null, film: Film | null) {
  const [page, setPage] = useState<CameraPage | null>(null);
  const [error, setError] = useState<unknown>(null);
  const [sendings, setSendings] = useState<readonly Sending[]>([]);
  const id = useRef(newId());
  const pings = useRef<ClockPing[]>([]);
  const known = useRef(new Set<string>());
  const hands = useRef({ kind, film });
  hands.current = { kind, film };

  const note = useCallback(
    (takeId: string, more: Partial<Sending>) =>
      setSendings((all) => {
        const before = all.find((one) => one.takeId === takeId) ?? {
          takeId,
          share: 0,
          state: 'films' as const,
        };
        return [...all.filter((one) => one.takeId !== takeId), { ...before, ...more }];
      }),
    [],
  );
  const put = useClipQueue(token, note, setError);
  const begin = useCallback(
    async (takeId: string, seconds: number) => {
      const { film: films, kind: of } = hands.current;
      if (!films || !of) return;
      note(takeId, { state: 'films' });
      const end = await films();
      await new Promise((done) => setTimeout(done, seconds * 1000));
      put(takeId, await end(), of);
    },
    [note, put],
  );

  useEffect(() => {
    if (!kind) return;
    let stopped = false;
    const ask = async () => {
      const askedMs = Date.now();
      try {
        const told = await sayHello(token, id.current, kind);
        pings.current = [...pings.current, { askedMs, toldMs: told.nowMs, heardMs: Date.now() }].slice(
          -PINGS_KEPT,
        );
        if (stopped) return;
        setPage(told);
        setError(null);
        const ahead = clockAhead(pings.current)?.aheadMs ?? 0;
        for (const take of told.takes) {
          if (known.current.has(take.id) || !hands.current.film) continue;
          known.current.add(take.id);
          setTimeout(() => void begin(take.id, take.seconds), Math.max(0, take.startMs - ahead - Date.now()));
        }
      } catch (reason) {
        if (!stopped) setError(reason);
      }
    };
    void ask();
    const again = setInterval(() => void ask(), HELLO_MS);
    return () => {
      stopped = true;
      clearInterval(again);
    };
  }, [token, kind, begin]);
  return { page, error, sendings, put };
}

/** Clips on their way, oldest first; what can't go now goes later, by itself. */
function useClipQueue(
  token: string,
  note: (takeId: string, more: Partial<Sending>) => void,
  onRefused: (reason: unknown) => void,
) {
  const clips = useRef<TakeClip[]>([]);
  const busy = useRef(false);
  const flush = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      for (let clip = clips.current[0]; clip; clip = clips.current[0]) {
        const { takeId } = clip;
        note(takeId, { state: 'sends' });
        try {
          await sendTake(token, clip, (share) => note(takeId, { share }));
          note(takeId, { state: 'there', share: 1 });
        } catch (reason) {
          if (!(reason instanceof HttpError && reason.final)) {
            note(takeId, { state: 'waits' });
            return;
          }
          note(takeId, { state: 'refused' });
          onRefused(reason);
        }
        clips.current = clips.current.slice(1);
      }
    } finally {
      busy.current = false;
    }
  }, [token, note, onRefused]);
  const put = useCallback(
    (takeId: string, file: File, of: ViewKind) => {
      const recordedOn = format(new Date(), 'yyyy-MM-dd');
      clips.current = [...clips.current, { takeId, clipId: newId(), kind: of, recordedOn, file }];
      void flush();
    },
    [flush],
  );
  useEffect(() => {
    const again = setInterval(() => void flush(), AGAIN_MS);
    return () => clearInterval(again);
  }, [flush]);
  return put;
}
