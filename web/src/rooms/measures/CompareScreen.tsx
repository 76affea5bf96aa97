import type { Swing } from '@inchstep/contract/capture';
import type { Student } from '@inchstep/contract/intake';
import type { Reading } from '@inchstep/contract/measures';
import { STATION_WORDS } from '@inchstep/contract/words';
import { STATIONS, type Station } from '@inchstep/core/capture';
import type { ViewKind } from '@inchstep/core/intake';
import { compareSwings, sameMoment } from '@inchstep/core/measures';
import { useState } from 'react';
import { useOutletContext, useSearchParams } from 'react-router';
import { useScreenKeys } from '../../platform/keys.ts';
import { dayText, Empty, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { clipUrl, useFrames, useSwings } from '../capture/index.ts';
import { DifferenceList } from './DifferenceList.tsx';
import type { PairMode } from './drawPair.ts';
import { layOnto, PairCanvas, SwingChoice, sideOf } from './PairCanvas.tsx';
import { PairExport } from './PairExport.tsx';
import { useReadings } from './queries.ts';
import { ViewButtons } from './ViewButtons.tsx';

/** Two swings at the same moment: beside each other or one over the other, with what differs in inches. */
export function CompareScreen() {
  const { student } = useOutletContext<{ student: Student }>();
  const swings = useSwings(student.id);
  const readings = useReadings(student.id);
  return (
    <Shown query={swings} what="the swings">
      {(all) => {
        const filmed = all.filter((s) => s.views.some(isUsable));
        if (filmed.length < 2)
          return (
            <Empty title="Nothing to compare yet">
              Two swings with a clip and named stations are needed. Name them on the bench.
            </Empty>
          );
        return <Pair student={student} filmed={filmed} readings={readings.data ?? []} />;
      }}
    </Shown>
  );
}

const isUsable = (view: Swing['views'][number]): boolean =>
  view.clipId !== null && Object.keys(view.stationTimes).length > 0;

function Pair({
  student,
  filmed,
  readings,
}: {
  readonly student: Student;
  readonly filmed: readonly Swing[];
  readonly readings: readonly Reading[];
}) {
  const me = useMe();
  const today = me.data?.today ?? '';
  const [params, setParams] = useSearchParams();
  const nowId = params.get('now') ?? filmed[0]?.id;
  const thenId = params.get('before') ?? filmed.find((s) => s.id !== nowId)?.id;
  const now = filmed.find((s) => s.id === nowId) ?? (filmed[0] as Swing);
  const then = filmed.find((s) => s.id === thenId) ?? (filmed.at(-1) as Swing);
  const kinds = now.views
    .filter(isUsable)
    .map((v) => v.kind)
    .filter((kind) => then.views.some((v) => v.kind === kind && isUsable(v)));
  const [wanted, setKind] = useState<ViewKind>('face_on');
  const kind = kinds.includes(wanted) ? wanted : (kinds[0] ?? 'face_on');
  const [mode, setMode] = useState<PairMode>('beside');
  const viewOf = (swing: Swing) => swing.views.find((v) => v.kind === kind && isUsable(v));
  const [nowView, thenView] = [viewOf(now), viewOf(then)];
  const nowFrames = useFrames(nowView?.clipId ? clipUrl(nowView.clipId) : null);
  const thenFrames = useFrames(thenView?.clipId ? clipUrl(thenView.clipId) : null);
  const onto = layOnto(then, now, kind);
  const stations = STATIONS.filter(
    (s) => nowView?.stationTimes[s] !== undefined && thenView?.stationTimes[s] !== undefined,
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
  const hold = (station: Station) => show(nowFrames.indexAt(nowView?.stationTimes[station] ?? 0));
  useScreenKeys('left', () => show(nowFrames.index - 1));
  useScreenKeys('right', () => show(nowFrames.index + 1));
  useScreenKeys('o', () => setMode((m) => (m === 'beside' ? 'over' : 'beside')));
  const titles = {
    before: `Then: ${dayText(then.recordedOn, today)}`,
    now: `Now: ${dayText(now.recordedOn, today)}`,
  };
  const seconds = nowFrames.clip?.times[nowFrames.index] ?? 0;
  const station = stations.find((s) => Math.abs((nowView?.stationTimes[s] ?? -1) - seconds) < 0.02) ?? null;
  const measured = (swing: Swing) => readings.find((r) => r.swingId === swing.id)?.measures ?? [];
  return (
    <div className="mx-auto grid max-w-[80rem] gap-3 p-3 lg:grid-cols-[minmax(0,1fr)_23rem]">
      <div className="flex min-w-0 flex-col gap-2">
        <div className="flex flex-wrap items-center gap-2">
          <SwingChoice
            label="Then"
            swings={filmed}
            value={then.id}
            today={today}
            onChange={(id) => setParams({ before: id, now: now.id })}
          />
          <SwingChoice
            label="Now"
            swings={filmed}
            value={now.id}
            today={today}
            onChange={(id) => setParams({ before: then.id, now: id })}
          />
          <ViewButtons kinds={kinds} kind={kind} onChange={setKind} />
          <label className="ml-auto flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={mode === 'over'}
              disabled={!onto}
              onChange={(e) => setMode(e.target.checked ? 'over' : 'beside')}
            />
            One over the other (O)
          </label>
        </div>
        <PairCanvas
          then={sideOf(thenFrames, titles.before)}
          now={sideOf(nowFrames, titles.now)}
          mode={mode}
          onto={onto}
        />
        <fieldset className="flex flex-wrap gap-1" aria-label="Station">
          {stations.map((s) => (
            <button
              key={s}
              type="button"
              aria-pressed={s === station}
              className={`btn ${s === station ? 'btn-primary' : ''}`}
              onClick={() => hold(s)}
            >
              {STATION_WORDS[s]}
            </button>
          ))}
        </fieldset>
        <input
          type="range"
          className="range w-full"
          aria-label="Frame of the newer swing"
          min={0}
          max={(nowFrames.clip?.times.length ?? 1) - 1}
          value={nowFrames.index}
          onChange={(e) => show(Number(e.target.value))}
        />
        {!onto && (
          <p className="text-sm">
            To lay one over the other, mark hips, knees and ankles at address in both swings.
          </p>
        )}
        <PairExport
          then={
            thenView?.clipId ? { ...thenView, url: clipUrl(thenView.clipId), title: titles.before } : null
          }
          now={nowView?.clipId ? { ...nowView, url: clipUrl(nowView.clipId), title: titles.now } : null}
          mode={mode}
          onto={onto}
          name={`${student.profile.firstName}-${now.recordedOn}`}
        />
      </div>
      <DifferenceList
        differences={compareSwings(measured(then), measured(now))}
        bands={measured(now)}
        station={station}
      />
    </div>
  );
}
