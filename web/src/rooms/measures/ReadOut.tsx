import { LANDMARK_WORDS, measureName, STATION_WORDS, VIEW_WORDS } from '@inchstep/contract/words';
import type { Station } from '@inchstep/core/capture';
import { type NeedWhat, poseBetween, type Swapped } from '@inchstep/core/measures';
import { type ReactNode, useMemo, useState } from 'react';
import type { BenchState } from '../capture/index.ts';
import { CameraCheck } from './CameraCheck.tsx';
import { FloorMap } from './FloorMap.tsx';
import type { FitAnswer } from './fit.worker.ts';
import { MeasureTapes } from './MeasureTapes.tsx';
import { StationSlider } from './StationSlider.tsx';
import { Strip, type StripPose } from './Strip.tsx';
import { READ_OUT_WORDS } from './words.ts';

type Tab = 'tapes' | 'floor' | 'front' | 'side' | 'camera';
const TABS: Record<Tab, string> = {
  tapes: READ_OUT_WORDS.tapes,
  floor: READ_OUT_WORDS.floor,
  front: READ_OUT_WORDS.front,
  side: READ_OUT_WORDS.side,
  camera: READ_OUT_WORDS.camera,
};
const CORRIDOR_MEASURE: Partial<Record<Station, string>> = {
  top: 'shift_top',
  delivery: 'shift_delivery',
  impact: 'shift_impact',
};

/** A place between two stations, while the station in hand is the one it was begun from. */
interface Moment {
  readonly position: number;
  readonly near: Station;
}

function drawnBetween(poses: FitAnswer['poses'], position: number) {
  const [from, to] = [poses[Math.floor(position)], poses[Math.ceil(position)]];
  if (!from || !to) return null;
  const label = READ_OUT_WORDS.drawnBetweenAndNot(STATION_WORDS[from.station], STATION_WORDS[to.station]);
  return {
    label,
    pose: poseBetween(
      poses.map((p) => p.pose),
      position,
    ),
  };
}

interface ReadOutProps {
  readonly answer: FitAnswer | null;
  readonly state: BenchState;
  readonly left: boolean;
  readonly onStation: (station: Station) => void;
  readonly onSwap: (place: Swapped) => void;
  /** Laid under the strips and the floor map. */
  readonly then?: readonly StripPose[];
  readonly target?: readonly StripPose[];
  /** What the coach's own marks of earlier swings have changed here. */
  readonly teaching?: ReactNode;
  /** Choosers for what is laid under. */
  readonly layers?: ReactNode;
}

/** What the marks come to so far: tapes at this station, the floor map, the camera check. */
export function ReadOut(props: ReadOutProps) {
  const { answer, onSwap } = props;
  const [tab, setTab] = useState<Tab>('tapes');
  if (!answer) return <p className="panel p-4">{READ_OUT_WORDS.stepToAStation}</p>;
  return (
    <div className="panel flex min-h-0 flex-col">
      <Tabs tab={tab} onTab={setTab} />
      <div
        className="max-h-[36rem] overflow-y-auto p-3 print:max-h-none"
        role="tabpanel"
        aria-label={TABS[tab]}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling region must be reachable by keys
        tabIndex={0}
      >
        <TabContent {...props} answer={answer} tab={tab} />
      </div>
      <Doubts answer={answer} onSwap={onSwap} />
    </div>
  );
}

const Tabs = ({ tab, onTab }: { readonly tab: Tab; readonly onTab: (tab: Tab) => void }) => (
  <div
    role="tablist"
    aria-label={READ_OUT_WORDS.whatTheMarksCome}
    className="no-print flex border-b-[1.5px] border-base-300"
  >
    {(Object.keys(TABS) as Tab[]).map((key) => (
      <button
        key={key}
        type="button"
        role="tab"
        aria-selected={tab === key}
        className={`min-h-11 flex-1 px-1 ${tab === key ? 'border-b-4 border-primary font-semibold' : ''}`}
        onClick={() => onTab(key)}
      >
        {TABS[key]}
      </button>
    ))}
  </div>
);

type TabProps = ReadOutProps & { readonly answer: FitAnswer; readonly tab: Tab };

function TabContent(props: TabProps) {
  const { answer, tab, state, left, onStation, then = [], target = [], layers, teaching } = props;
  const [scrubbed, setMoment] = useState<Moment | null>(null);
  // Another station chosen meanwhile ends a moment between two.
  const moment = scrubbed?.near === state.station ? scrubbed : null;
  const at = useMemo(() => moment && drawnBetween(answer.poses, moment.position), [moment, answer]);
  const under = { station: state.station, left, then, target, ...(at ? { at } : {}) };
  const stations = answer.poses.map((p) => p.station);
  const slider = (
    <StationSlider
      stations={stations}
      position={moment?.position ?? stations.indexOf(state.station)}
      onPosition={(position) => {
        const on = stations[position];
        setMoment(on === undefined ? { position, near: state.station } : null);
        if (on !== undefined) onStation(on);
      }}
    />
  );
  if (tab === 'camera') return <CameraCheck answer={answer} left={left} />;
  if (tab === 'tapes') return <Tapes answer={answer} station={state.station} teaching={teaching} />;
  if (tab === 'floor') {
    const band = answer.measures.find((m) => m.id === CORRIDOR_MEASURE[state.station])?.band;
    return (
      <>
        <FloorMap floor={answer.floor} corridor={band ?? null} {...under} slider={slider} />
        {layers}
      </>
    );
  }
  return (
    <>
      <Strip side={tab} poses={answer.poses} {...under} />
      {slider}
      {layers}
    </>
  );
}

function Tapes({
  answer,
  station,
  teaching,
}: Pick<TabProps, 'answer' | 'teaching'> & { readonly station: Station }) {
  const here = answer.measures.filter((m) => m.station === station);
  const told = here.filter(({ verdict }) => verdict !== 'cant_tell');
  const open = here.filter(({ verdict }) => verdict === 'cant_tell');
  return (
    <>
      {told.length > 0 && <MeasureTapes measures={told} />}
      {open.length > 0 && (
        <details open={told.length === 0} className="mt-2">
          <summary className="min-h-11 cursor-pointer py-2 font-semibold">
            {READ_OUT_WORDS.cantTell(open.length)}
          </summary>
          <MeasureTapes measures={open} />
        </details>
      )}
      {teaching}
      <Needs answer={answer} station={station} />
    </>
  );
}

/** Marks that fit nothing else, and sides that look changed about. */
function Doubts({ answer, onSwap }: { readonly answer: FitAnswer; readonly onSwap: ReadOutProps['onSwap'] }) {
  return (
    <>
      {answer.doubt && (
        <p role="alert" className="border-t-[1.5px] border-base-300 p-3 font-semibold">
          {READ_OUT_WORDS.notOneBody}
        </p>
      )}
      {answer.swapped.map((place) => (
        <div key={place.view + place.station} className="border-t-[1.5px] border-base-300 p-3">
          <p className="text-sm font-semibold">
            {READ_OUT_WORDS.leadAndTrailLook} {STATION_WORDS[place.station]},{' '}
            {VIEW_WORDS[place.view]?.toLowerCase()}.
          </p>
          <button type="button" className="btn mt-1" onClick={() => onSwap(place)}>
            {READ_OUT_WORDS.changeThemBack}
          </button>
        </div>
      ))}
      {answer.suspects.length > 0 && (
        <p role="status" className="border-t-[1.5px] border-base-300 p-3 text-sm font-semibold">
          {READ_OUT_WORDS.lookAgain(
            answer.suspects
              .map(
                (s) => `${LANDMARK_WORDS[s.landmark]} (${VIEW_WORDS[s.view]}, ${STATION_WORDS[s.station]})`,
              )
              .join('; '),
          )}
        </p>
      )}
    </>
  );
}

function needText(what: NeedWhat): string {
  switch (what.kind) {
    case 'station':
      return READ_OUT_WORDS.nameAndMark(STATION_WORDS[what.station]);
    case 'mark':
      return READ_OUT_WORDS.mark(LANDMARK_WORDS[what.landmark]?.toLowerCase(), STATION_WORDS[what.station]);
    case 'view':
      return READ_OUT_WORDS.filmToo(VIEW_WORDS[what.view]?.toLowerCase());
    case 'sticks':
      return READ_OUT_WORDS.markTheStickEnds(VIEW_WORDS[what.view]?.toLowerCase() ?? what.view);
    case 'track':
      return READ_OUT_WORDS.bringInAMotion;
  }
}

function Needs({ answer, station }: { readonly answer: FitAnswer; readonly station: Station }) {
  const useful = answer.needs
    .filter(({ what }) => what.kind !== 'track' && (!('station' in what) || what.station === station))
    .slice(0, 4);
  if (useful.length === 0) return null;
  return (
    <div className="mt-3 border-t-[1.5px] border-dashed border-base-300 pt-2 text-sm">
      <h3 className="font-semibold">{READ_OUT_WORDS.whatWouldSettleMore}</h3>
      <ul className="list-disc pl-5">
        {useful.map(({ what, wouldSettle }) => (
          <li key={JSON.stringify(what)}>
            {needText(what)}: {wouldSettle.slice(0, 3).map(measureName).join(', ')}
            {wouldSettle.length > 3 && READ_OUT_WORDS.andMore(wouldSettle.length - 3)}
          </li>
        ))}
      </ul>
    </div>
  );
}
