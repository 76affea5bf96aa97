import type { Swing } from '@inchstep/contract/capture';
import { STATIONS, type Station } from '@inchstep/core/capture';
import type { ViewKind } from '@inchstep/core/intake';
import { sameMoment } from '@inchstep/core/measures';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { useScreenKeys } from '../../platform/keys.ts';
import { clipUrl, useFrames } from '../capture/index.ts';
import type { PairMode } from './drawPair.ts';

/** A view whose clip is here and whose stations are named. */
export const isUsable = (view: Swing['views'][number]): boolean =>
  view.clipId !== null && Object.keys(view.stationTimes).length > 0;

/** Two swings in hand, their frames kept at the same moment, and what keys do with them. */
export function usePair(filmed: readonly Swing[]) {
  const [params, setParams] = useSearchParams();
  const nowId = params.get('now') ?? filmed[0]?.id;
  const thenId = params.get('before') ?? filmed.find((s) => s.id !== nowId)?.id;
  const now = filmed.find((s) => s.id === nowId) ?? (filmed[0] as Swing);
  const then = filmed.find((s) => s.id === thenId) ?? (filmed.at(-1) as Swing);
  const sides = useSides(now, then);
  return {
    now,
    then,
    choose: (before: string, after: string) => setParams({ before, now: after }),
    ...sides,
  };
}
export type PairBox = ReturnType<typeof usePair>;

/** The pictures of two swings, kept at the same moment of the swing, and what keys do with them. */
export function useSides(now: Swing, then: Swing | null) {
  const kinds = kindsOfBoth(now, then);
  const [wanted, setKind] = useState<ViewKind>('face_on');
  const kind = kinds.includes(wanted) ? wanted : (kinds[0] ?? 'face_on');
  const [mode, setMode] = useState<PairMode>('beside');
  const viewOf = (swing: Swing | null) => swing?.views.find((v) => v.kind === kind && isUsable(v));
  const [nowView, thenView] = [viewOf(now) ?? now.views.find((v) => v.kind === kind), viewOf(then)];
  const nowFrames = useFrames(nowView?.clipId ? clipUrl(nowView.clipId) : null);
  const thenFrames = useFrames(thenView?.clipId ? clipUrl(thenView.clipId) : null);
  const stations = STATIONS.filter(
    (s) => nowView?.stationTimes[s] !== undefined && (!thenView || thenView.stationTimes[s] !== undefined),
  );
  const show = (index: number) => {
    nowFrames.go(index);
    const seconds = nowFrames.clip?.times[Math.max(0, index)];
    const other =
      seconds === undefined
        ? null
        : sameMoment(seconds, nowView?.stationTimes ?? {}, thenView?.stationTimes ?? {});
    if (other !== null) thenFrames.go(thenFrames.indexAt(other));
  };
  useScreenKeys('left', () => show(nowFrames.index - 1));
  useScreenKeys('right', () => show(nowFrames.index + 1));
  useScreenKeys('o', () => setMode((m) => (m === 'beside' ? 'over' : 'beside')));
  const seconds = nowFrames.clip?.times[nowFrames.index] ?? 0;
  return {
    kinds,
    kind,
    setKind,
    mode,
    setMode,
    nowView,
    thenView,
    nowFrames,
    thenFrames,
    stations,
    /** The station at which the newer swing stands, where it stands at one. */
    station: stations.find((s) => Math.abs((nowView?.stationTimes[s] ?? -1) - seconds) < 0.02) ?? null,
    show,
    hold: (station: Station) => show(nowFrames.indexAt(nowView?.stationTimes[station] ?? 0)),
  };
}
export type SidesBox = ReturnType<typeof useSides>;

/** Views that both have; where there is no older swing, those of the newer one. */
const kindsOfBoth = (now: Swing, then: Swing | null): ViewKind[] =>
  then
    ? now.views
        .filter(isUsable)
        .map((v) => v.kind)
        .filter((kind) => then.views.some((v) => v.kind === kind && isUsable(v)))
    : now.views.map((v) => v.kind);
