import * as wire from '@inchstep/contract/endpoints';
import type { CameraPage } from '@inchstep/contract/practice';
import { urlOf } from '@inchstep/contract/wire/address';
import { type ClockPing, clockAhead } from '@inchstep/core/capture';
import type { ViewKind } from '@inchstep/core/intake';
import { format } from 'date-fns';
import { useCallback, useEffect, useRef, useState } from 'react';
import { clipBodyOf } from '../../platform/carryClip.ts';
import { HttpError } from '../../platform/httpError.ts';
import { newId } from '../../platform/ids.ts';
import { useClipOutbox } from '../../platform/useClipOutbox.ts';
import { sayHello, sendTake } from './cameraQueries.ts';

const HELLO_MS = 700;
const PINGS_KEPT = 12;

export interface Sending {
  readonly takeId: string;
  readonly share: number;
  readonly state: 'films' | 'sends' | 'waits' | 'there' | 'refused';
}

/** Begins to record; what it answers ends the record with the clip. */
type Film = () => Promise<() => Promise<File>>;

/**
 * A phone's side of a lesson: it says that it is here, keeps the other clock, begins every take at its moment, and
 * sends the clips on for as long as it takes while the next one is filmed.
 */
export function useTakes(token: string, kind: ViewKind | null, film: Film | null) {
  const [page, setPage] = useState<CameraPage | null>(null);
  const [error, setError] = useState<unknown>(null);
  const [films, setFilms] = useState<readonly string[]>([]);
  const id = useRef(newId());
  const pings = useRef<ClockPing[]>([]);
  const known = useRef(new Set<string>());
  const hands = useRef({ kind, film });
  hands.current = { kind, film };

  const { sendings, put } = useTakeOutbox(token, page?.lessonId ?? null, setError);
  const begin = useCallback(
    async (takeId: string, seconds: number) => {
      const { film: begun, kind: of } = hands.current;
      if (!begun || !of) return;
      setFilms((all) => [...all, takeId]);
      const end = await begun();
      await new Promise((done) => setTimeout(done, seconds * 1000));
      put(takeId, await end(), of);
      setFilms((all) => all.filter((one) => one !== takeId));
    },
    [put],
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
  const filming = films.map((takeId): Sending => ({ takeId, share: 0, state: 'films' }));
  const sent = sendings.map(
    ({ note, share, state }): Sending => ({ takeId: note.takeId ?? '', share, state }),
  );
  return { page, error, sendings: [...sent, ...filming], put };
}

/** The phone's way to send: each clip in pieces, kept here until the program has it. */
function useTakeOutbox(token: string, lessonId: string | null, onRefused: (reason: unknown) => void) {
  const box = useClipOutbox(
    lessonId && `camera.${lessonId}`,
    urlOf(wire.practice.beginPieces, { token }),
    async (clip, whole) => {
      try {
        const takeId = clipBodyOf(clip).note.takeId ?? '';
        await sendTake(token, takeId, whole);
      } catch (reason) {
        if (reason instanceof HttpError && reason.final) onRefused(reason);
        throw reason;
      }
    },
  );
  const { put: keep } = box;
  const send = useRef(keep);
  send.current = keep;
  const put = useCallback((takeId: string, file: File, kind: ViewKind) => {
    const recordedOn = format(new Date(), 'yyyy-MM-dd');
    void send.current({ id: newId(), kind, recordedOn, file, note: { takeId } });
  }, []);
  return { sendings: box.sendings, put };
}
