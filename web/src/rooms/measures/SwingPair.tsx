import type { Swing } from '@inchstep/contract/capture';
import type { Student } from '@inchstep/contract/intake';
import { LANDMARK_WORDS, STATION_WORDS, VIEW_WORDS } from '@inchstep/contract/words';
import type { Station } from '@inchstep/core/capture';
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { useScreenKeys } from '../../platform/keys.ts';
import { dayText } from '../../platform/parts.tsx';
import { clipUrl, type Frames, GhostLayer, LineLayer, worthMarking } from '../capture/index.ts';
import { PAIR_HEIGHT, type PairFrame } from './drawPair.ts';
import { PairCanvas } from './PairCanvas.tsx';
import { layOnto, SwingChoice, sideOf } from './pairSides.tsx';
import type { PairStage, StageClip } from './pairStage.ts';
import { StationRow } from './StationRow.tsx';
import { Strokes } from './Strokes.tsx';
import { useFit } from './useFit.ts';
import { isUsable, type SidesBox, useSides } from './usePair.ts';
import { usePen } from './usePen.ts';
import { ViewButtons } from './ViewButtons.tsx';
import { COMPARE_SCREEN_WORDS, SWING_PAIR_WORDS } from './words.ts';

interface SwingPairProps {
  readonly student: Student;
  readonly now: Swing;
  readonly swings: readonly Swing[];
  readonly today: string;
  /** While something is made of both they stay the two they are. */
  readonly held?: boolean;
  /** What is made of them, beside the pair. */
  readonly children?: (stage: PairStage) => ReactNode;
}

/** A swing that came in, at the same moment as one of before, on the same body, with the coach's lines and the target. */
export function SwingPair({ student, now, swings, today, held = false, children }: SwingPairProps) {
  const earlier = useMemo(() => earlierOf(now, swings), [now, swings]);
  const [thenId, setThenId] = useState<string | null>(null);
  const then = earlier.find(({ id }) => id === thenId) ?? earlier[0] ?? null;
  const sides = useSides(now, then);
  const { kind, mode, setMode, kinds, setKind, station } = sides;
  const laid = useMemo(() => {
    const found = then && layOnto(then, now, kind);
    return found && { ...found, frame: bodyFrame(now, kind) };
  }, [then, now, kind]);
  const layers = useLayers(student, now, kind, station);
  useOpening(sides);
  const pen = usePen();
  const titles = {
    before: then ? COMPARE_SCREEN_WORDS.thenOn(dayText(then.recordedOn, today)) : '',
    now: COMPARE_SCREEN_WORDS.nowOn(dayText(now.recordedOn, today)),
  };
  const shown = laid ? mode : 'beside';
  const k = (laid?.frame?.heightPx ?? sides.nowView?.heightPx ?? PAIR_HEIGHT) / PAIR_HEIGHT;
  return (
    <div className="flex min-w-0 flex-col gap-1">
      <fieldset disabled={held} className="flex flex-wrap items-center gap-2">
        {then && (
          <SwingChoice
            label={COMPARE_SCREEN_WORDS.noThen}
            swings={earlier}
            value={then.id}
            today={today}
            onChange={setThenId}
          />
        )}
        <ViewButtons kinds={kinds} kind={kind} onChange={setKind} />
        <Flip on={mode === 'over'} off={!laid} onFlip={(on) => setMode(on ? 'over' : 'beside')}>
          {SWING_PAIR_WORDS.over}
        </Flip>
        <Flip on={layers.lines} onFlip={layers.setLines}>
          {SWING_PAIR_WORDS.lines}
        </Flip>
        <Flip on={layers.target} onFlip={layers.setTarget}>
          {SWING_PAIR_WORDS.target}
        </Flip>
      </fieldset>
      <div className={children ? 'grid gap-2 sm:grid-cols-[minmax(0,1fr)_11rem]' : ''}>
        <PairCanvas
          className="h-[21rem]"
          then={then ? sideOf(sides.thenFrames, titles.before) : null}
          now={sideOf(sides.nowFrames, titles.now)}
          mode={shown}
          laid={laid}
          pen={pen}
          over={
            <>
              {layers.drawn}
              <Strokes strokes={pen.strokes} k={k} />
            </>
          }
        />
        {children?.({
          now: stageClip(sides.nowView, sides.nowFrames, titles.now),
          before: then && stageClip(sides.thenView, sides.thenFrames, titles.before),
          mode: shown,
          laid,
          pen,
          station: (station && STATION_WORDS[station]) ?? '',
        })}
      </div>
      <StationRow {...sides} />
      {!then && (
        <p className="text-sm">{SWING_PAIR_WORDS.noneBefore(VIEW_WORDS[kind]?.toLowerCase() ?? kind)}</p>
      )}
      {then && !laid && <p className="text-sm">{COMPARE_SCREEN_WORDS.toLayOneOver}</p>}
      {layers.settle && (
        <p className="text-sm">
          {SWING_PAIR_WORDS.settle(layers.settle)}{' '}
          <Link className="font-semibold underline" to={`/students/${student.id}/bench/${now.id}`}>
            {SWING_PAIR_WORDS.bench}
          </Link>
        </p>
      )}
    </div>
  );
}

function stageClip(
  view: Swing['views'][number] | undefined,
  { clip, index }: Frames,
  title: string,
): StageClip | null {
  if (!view?.clipId || !clip) return null;
  const { clipId, stationTimes } = view;
  const { widthPx, heightPx, times } = clip;
  return { clipId, url: clipUrl(clipId), title, stationTimes, widthPx, heightPx, seconds: times[index] ?? 0 };
}

/** Swings of before that can stand beside it, the likeliest first: the same club and speed, then the latest. */
function earlierOf(now: Swing, swings: readonly Swing[]): Swing[] {
  const kinds = now.views.map(({ kind }) => kind);
  const like = (swing: Swing) => Number(swing.club === now.club) + Number(swing.speed === now.speed);
  return swings
    .filter((swing) => swing.id !== now.id && swing.discardedAt === null)
    .filter(({ recordedOn, createdAt }) => recordedOn < now.recordedOn || createdAt < now.createdAt)
    .filter(({ views }) => views.some((view) => kinds.includes(view.kind) && isUsable(view)))
    .sort((a, b) => like(b) - like(a) || b.recordedOn.localeCompare(a.recordedOn));
}

/** Round the body, with room for arms and club; the rest of a picture tells nothing. Null = all of it. */
function bodyFrame(swing: Swing, kind: string): PairFrame | null {
  const view = swing.views.find((one) => one.kind === kind);
  const marks = swing.marks.filter((mark) => mark.view === kind);
  if (!view || marks.length < 4) return null;
  const [us, vs] = [marks.map(({ u }) => u), marks.map(({ v }) => v)];
  const tall = Math.max(...vs) - Math.min(...vs);
  const clampTo = (value: number, most: number) => Math.max(0, Math.min(most, value));
  const u = clampTo(Math.min(...us) - ROOM.side * tall, view.widthPx);
  const v = clampTo(Math.min(...vs) - ROOM.above * tall, view.heightPx);
  return {
    u,
    v,
    widthPx: clampTo(Math.max(...us) + ROOM.side * tall, view.widthPx) - u,
    heightPx: clampTo(Math.max(...vs) + ROOM.below * tall, view.heightPx) - v,
  };
}
/** Shares of the height from the lowest to the highest mark. */
const ROOM = { side: 0.4, above: 0.35, below: 0.2 };

/** It opens where something is to be seen: at the strike, else at the first station that has a name. */
function useOpening({ nowFrames, thenFrames, stations, hold }: SidesBox) {
  const opened = useRef('');
  const ready = nowFrames.clip !== null && stations.length > 0;
  // The older clip comes when it comes, and is held there, too.
  const key = `${thenFrames.clip !== null} ${stations.join()}`;
  useEffect(() => {
    if (!ready || opened.current === key) return;
    opened.current = key;
    hold(stations.includes('impact') ? 'impact' : (stations[0] as Station));
  });
}

/** The coach's lines, the target pose, and the mark that would settle most, of the newer swing. */
function useLayers(student: Student, now: Swing, kind: string, station: Station | null) {
  const [lines, setLines] = useState(false);
  const [target, setTarget] = useState(false);
  useScreenKeys('l', () => setLines((on) => !on));
  useScreenKeys('h', () => setTarget((on) => !on));
  const { views, marks, club } = now;
  const work = useMemo(() => ({ views, marks, club }), [views, marks, club]);
  const fit = useFit(student, work, target);
  const here = (line: { readonly view: string; readonly station: Station | null }) =>
    line.view === kind && (line.station === null || line.station === station);
  const chalk = lines ? (fit.answer?.lines ?? []).filter(here) : [];
  const ghost = target ? (fit.target?.lines ?? []).filter(here) : [];
  const best = fit.next && marks.length > 0 ? worthMarking(fit.next) : null;
  return {
    lines,
    setLines,
    target,
    setTarget,
    drawn:
      chalk.length + ghost.length > 0 ? (
        <>
          <GhostLayer k={1} lines={ghost} />
          <LineLayer k={1} lines={chalk} />
        </>
      ) : undefined,
    settle: best
      ? SWING_PAIR_WORDS.mark(
          LANDMARK_WORDS[best.landmark] ?? best.landmark,
          STATION_WORDS[best.station]?.toLowerCase() ?? best.station,
          VIEW_WORDS[best.view]?.toLowerCase() ?? best.view,
        )
      : null,
  };
}

function Flip({
  on,
  off = false,
  onFlip,
  children,
}: {
  readonly on: boolean;
  readonly off?: boolean;
  readonly onFlip: (on: boolean) => void;
  readonly children: string;
}) {
  return (
    <button
      type="button"
      aria-pressed={on}
      disabled={off}
      className={`btn ${on ? 'btn-primary' : ''}`}
      onClick={() => onFlip(!on)}
    >
      {children}
    </button>
  );
}
