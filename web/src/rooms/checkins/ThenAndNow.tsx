import type { Clip, Swing } from '@inchstep/contract/capture';
import { STATION_WORDS, VIEW_WORDS } from '@inchstep/contract/words';
import { MAIN_STATIONS, type Station } from '@inchstep/core/capture';
import { useEffect, useRef, useState } from 'react';
import { dayText } from '../../platform/parts.tsx';
import { clipUrl, type Frames, useFrames } from '../capture/index.ts';
import { THEN_AND_NOW_WORDS } from './words.ts';

/** Two clips held at the same station: then by its named times, now by hand or by name. */
export function ThenAndNow({
  now,
  nowTimes,
  swings,
  today,
}: {
  readonly now: Clip;
  readonly nowTimes: Swing['views'][number]['stationTimes'];
  readonly swings: readonly Swing[];
  readonly today: string;
}) {
  const earlier = swings.filter((s) =>
    s.views.some(
      (v) => v.kind === now.kind && v.clipId && v.clipId !== now.id && Object.keys(v.stationTimes).length > 0,
    ),
  );
  const [thenId, setThenId] = useState(earlier.at(-1)?.id ?? '');
  const then = earlier.find((s) => s.id === thenId);
  const thenView = then?.views.find((v) => v.kind === now.kind);
  const thenFrames = useFrames(thenView?.clipId ? clipUrl(thenView.clipId) : null);
  const nowFrames = useFrames(clipUrl(now.id));
  const [station, setStation] = useState<Station>('address');
  const [held, setHeld] = useState<Partial<Record<Station, number>>>(nowTimes);
  const go = (next: Station) => {
    setStation(next);
    const thenAt = thenView?.stationTimes[next];
    if (thenAt !== undefined) thenFrames.go(thenFrames.indexAt(thenAt));
    const nowAt = held[next];
    if (nowAt !== undefined) nowFrames.go(nowFrames.indexAt(nowAt));
  };
  const hold = () => {
    const time = nowFrames.clip?.times[nowFrames.index];
    if (time !== undefined) setHeld((times) => ({ ...times, [station]: time }));
  };
  return (
    <div className="flex flex-col gap-2">
      <fieldset className="flex flex-wrap gap-1" aria-label={THEN_AND_NOW_WORDS.station}>
        {MAIN_STATIONS.map((s) => (
          <button
            key={s}
            type="button"
            aria-pressed={station === s}
            className={`btn ${station === s ? 'btn-primary' : ''}`}
            onClick={() => go(s)}
          >
            {STATION_WORDS[s]}
          </button>
        ))}
      </fieldset>
      <div className="grid grid-cols-2 gap-2">
        <Side
          title={
            then ? THEN_AND_NOW_WORDS.thenOn(dayText(then.recordedOn, today)) : THEN_AND_NOW_WORDS.noThen
          }
          frames={thenFrames}
          empty={
            earlier.length === 0 ? THEN_AND_NOW_WORDS.noEarlierClip(VIEW_WORDS[now.kind]?.toLowerCase()) : ''
          }
        />
        <Side title={THEN_AND_NOW_WORDS.nowOn(dayText(now.recordedOn, today))} frames={nowFrames} empty="" />
      </div>
      <div className="flex flex-wrap items-center gap-2">
        {earlier.length > 1 && (
          <select
            aria-label={THEN_AND_NOW_WORDS.earlierSwing}
            className="select w-48"
            value={thenId}
            onChange={(e) => setThenId(e.target.value)}
          >
            {earlier.map((s) => (
              <option key={s.id} value={s.id}>
                {dayText(s.recordedOn, today)}
              </option>
            ))}
          </select>
        )}
        <button type="button" className="btn ml-auto" onClick={hold} disabled={!nowFrames.clip}>
          {THEN_AND_NOW_WORDS.holdNowsFrame} {STATION_WORDS[station]?.toLowerCase()}
        </button>
      </div>
    </div>
  );
}

function Side({
  title,
  frames,
  empty,
}: {
  readonly title: string;
  readonly frames: Frames;
  readonly empty: string;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { picture, clip } = frames;
  useEffect(() => {
    if (!picture || !canvas.current || !clip) return;
    canvas.current.width = clip.widthPx;
    canvas.current.height = clip.heightPx;
    canvas.current.getContext('2d')?.drawImage(picture, 0, 0, clip.widthPx, clip.heightPx);
  }, [picture, clip]);
  return (
    <figure>
      <figcaption className="font-semibold">{title}</figcaption>
      <div className="flex h-[26rem] items-center justify-center rounded bg-base-200">
        {empty || frames.trouble ? (
          <p className="p-4 text-center">{empty || THEN_AND_NOW_WORDS.thisClipCantBe}</p>
        ) : (
          <canvas ref={canvas} className="max-h-full max-w-full" aria-label={title} role="img" />
        )}
      </div>
      <input
        aria-label={THEN_AND_NOW_WORDS.frame(title)}
        type="range"
        className="range range-sm mt-1 w-full"
        min={0}
        max={(clip?.times.length ?? 1) - 1}
        value={frames.index}
        onChange={(e) => frames.go(Number(e.target.value))}
      />
    </figure>
  );
}
