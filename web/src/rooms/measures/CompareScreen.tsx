import type { Swing } from '@inchstep/contract/capture';
import type { Student } from '@inchstep/contract/intake';
import type { Reading } from '@inchstep/contract/measures';
import { compareSwings } from '@inchstep/core/measures';
import { useOutletContext } from 'react-router';
import { dayText, Empty, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { clipUrl, useSwings } from '../capture/index.ts';
import { DifferenceList } from './DifferenceList.tsx';
import { PairCanvas } from './PairCanvas.tsx';
import { PairExport } from './PairExport.tsx';
import { layOnto, SwingChoice, sideOf } from './pairSides.tsx';
import { useReadings } from './queries.ts';
import { StationRow } from './StationRow.tsx';
import { isUsable, type PairBox, usePair } from './usePair.ts';
import { ViewButtons } from './ViewButtons.tsx';
import { COMPARE_SCREEN_WORDS } from './words.ts';

/** Two swings at the same moment: beside each other or one over the other, with what differs in inches. */
export function CompareScreen() {
  const { student } = useOutletContext<{ student: Student }>();
  const swings = useSwings(student.id);
  const readings = useReadings(student.id);
  return (
    <Shown query={swings} what={COMPARE_SCREEN_WORDS.theSwings}>
      {(all) => {
        const filmed = all.filter((s) => s.views.some(isUsable));
        if (filmed.length < 2)
          return (
            <Empty title={COMPARE_SCREEN_WORDS.nothingToCompareYet}>{COMPARE_SCREEN_WORDS.twoSwings}</Empty>
          );
        return <Pair student={student} filmed={filmed} readings={readings.data ?? []} />;
      }}
    </Shown>
  );
}

interface PairProps {
  readonly student: Student;
  readonly filmed: readonly Swing[];
  readonly readings: readonly Reading[];
}

function Pair({ student, filmed, readings }: PairProps) {
  const me = useMe();
  const today = me.data?.today ?? '';
  const pair = usePair(filmed);
  const { now, then, nowView, thenView, mode, kind, station } = pair;
  const laid = layOnto(then, now, kind);
  const titles = {
    before: COMPARE_SCREEN_WORDS.thenOn(dayText(then.recordedOn, today)),
    now: COMPARE_SCREEN_WORDS.nowOn(dayText(now.recordedOn, today)),
  };
  const measured = (swing: Swing) => readings.find((r) => r.swingId === swing.id)?.measures ?? [];
  return (
    <div className="mx-auto grid max-w-[80rem] gap-3 p-3 lg:grid-cols-[minmax(0,1fr)_23rem]">
      <div className="flex min-w-0 flex-col gap-2">
        <Choices pair={pair} filmed={filmed} today={today} canLay={laid !== null} />
        <PairCanvas
          then={sideOf(pair.thenFrames, titles.before)}
          now={sideOf(pair.nowFrames, titles.now)}
          mode={mode}
          laid={laid}
        />
        <StationRow {...pair} />
        {!laid && <p className="text-sm">{COMPARE_SCREEN_WORDS.toLayOneOver}</p>}
        <PairExport
          then={
            thenView?.clipId ? { ...thenView, url: clipUrl(thenView.clipId), title: titles.before } : null
          }
          now={nowView?.clipId ? { ...nowView, url: clipUrl(nowView.clipId), title: titles.now } : null}
          mode={mode}
          laid={laid}
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

interface ChoicesProps {
  readonly pair: PairBox;
  readonly filmed: readonly Swing[];
  readonly today: string;
  readonly canLay: boolean;
}

/** Which two swings, from where, and whether one lies over the other. */
function Choices({ pair, filmed, today, canLay }: ChoicesProps) {
  const { now, then, choose, kinds, kind, setKind, mode, setMode } = pair;
  return (
    <div className="flex flex-wrap items-center gap-2">
      <SwingChoice
        label={COMPARE_SCREEN_WORDS.noThen}
        swings={filmed}
        value={then.id}
        today={today}
        onChange={(id) => choose(id, now.id)}
      />
      <SwingChoice
        label={COMPARE_SCREEN_WORDS.noNow}
        swings={filmed}
        value={now.id}
        today={today}
        onChange={(id) => choose(then.id, id)}
      />
      <ViewButtons kinds={kinds} kind={kind} onChange={setKind} />
      <label className="ml-auto flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={mode === 'over'}
          disabled={!canLay}
          onChange={(e) => setMode(e.target.checked ? 'over' : 'beside')}
        />
        {COMPARE_SCREEN_WORDS.oneOverTheOther}
      </label>
    </div>
  );
}
