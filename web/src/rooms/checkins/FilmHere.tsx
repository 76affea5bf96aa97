import type { ViewKind } from '@inchstep/core/intake';
import { useCallback, useEffect, useRef, useState } from 'react';
import { Failed } from '../../platform/parts.tsx';
import { FromWhere, recordTake, type Take, useCamera } from '../capture/phone/index.ts';
import { PictureCheck } from '../measures/phone/index.ts';
import { FILM_HERE_WORDS } from './words.page.ts';

/** Time to walk to the ball, and the longest film of one swing. */
const WALK_S = 8;
const MOST_S = 10;

/** The phone films by itself: how it is to stand, whether its picture will measure, and a count to walk to the ball. */
export function FilmHere({
  wanted,
  bodyIn,
  onFilm,
}: {
  readonly wanted: ViewKind;
  /** The student's height. */
  readonly bodyIn: number;
  readonly onFilm: (file: File, kind: ViewKind) => void;
}) {
  const [kind, setKind] = useState(wanted);
  const video = useRef<HTMLVideoElement>(null);
  const camera = useCamera(video);
  const { start } = camera;
  useEffect(() => void start(), [start]);
  const film = useFilm(camera.track, (file) => onFilm(file, kind));
  const on = camera.state === 'on';
  return (
    <div className="flex flex-col gap-2">
      <FromWhere question={FILM_HERE_WORDS.which} kind={kind} onChoose={setKind} />
      <div className="relative">
        <video
          ref={video}
          muted
          playsInline
          aria-label={FILM_HERE_WORDS.sees}
          className={`max-h-[55vh] w-full rounded bg-[#17242b] ${on ? '' : 'hidden'}`}
        />
        {film.left !== null && (
          <p
            role="status"
            className="absolute inset-x-0 top-0 bg-base-100/90 p-2 text-center text-4xl font-semibold"
          >
            {film.state === 'films' ? FILM_HERE_WORDS.films(film.left) : FILM_HERE_WORDS.walk(film.left)}
          </p>
        )}
      </div>
      <PictureCheck video={video} bodyIn={bodyIn} running={on && film.state === 'rests'} />
      {!on && camera.state !== 'asking' && (
        <p role="status" className="panel p-3">
          {camera.state === 'refused' || camera.state === 'busy'
            ? FILM_HERE_WORDS[camera.state]
            : FILM_HERE_WORDS.none}
        </p>
      )}
      {on && (
        <button
          type="button"
          className={`btn btn-lg ${film.state === 'rests' ? 'btn-primary' : ''}`}
          onClick={film.state === 'rests' ? film.begin : film.end}
        >
          {FILM_HERE_WORDS.press[film.state]}
        </button>
      )}
      {film.error !== null && <Failed error={film.error} />}
    </div>
  );
}

type Filming = 'rests' | 'walks' | 'films';

/** Counts down to a film, and ends it by itself or by a press. */
function useFilm(track: () => MediaStreamTrack | null, onFile: (file: File) => void) {
  const [state, setState] = useState<Filming>('rests');
  const [left, setLeft] = useState<number | null>(null);
  const [error, setError] = useState<unknown>(null);
  const take = useRef<Take | null>(null);
  const hands = useRef({ track, onFile });
  hands.current = { track, onFile };
  const rest = useCallback(() => {
    setState('rests');
    setLeft(null);
  }, []);
  const finish = useCallback(async () => {
    const running = take.current;
    take.current = null;
    rest();
    try {
      if (running) hands.current.onFile(await running.finish());
    } catch (reason) {
      setError(reason);
    }
  }, [rest]);
  const record = useCallback(async () => {
    try {
      const found = hands.current.track();
      if (!found) throw new Error('FilmHere: no picture');
      take.current = await recordTake(found as MediaStreamVideoTrack);
      setState('films');
      setLeft(MOST_S);
    } catch (reason) {
      setError(reason);
      rest();
    }
  }, [rest]);
  useEffect(() => {
    if (left === null) return;
    const tick = setTimeout(() => {
      if (left > 1) setLeft(left - 1);
      else if (state === 'walks') void record();
      else void finish();
    }, 1000);
    return () => clearTimeout(tick);
  }, [left, state, record, finish]);
  useEffect(() => () => void take.current?.cancel(), []);
  return {
    state,
    left,
    error,
    begin: () => {
      setError(null);
      setState('walks');
      setLeft(WALK_S);
    },
    end: () => (state === 'films' ? void finish() : rest()),
  };
}
