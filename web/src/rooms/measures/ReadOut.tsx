import { LANDMARK_WORDS, measureName, STATION_WORDS, VIEW_WORDS } from '@inchstep/contract/words';
import type { Station } from '@inchstep/core/capture';
import { type NeedWhat, poseBetween, type Swapped } from '@inchstep/core/measures';
import { type ReactNode, useMemo, useState } from 'react';
import type { FitAnswer } from '../../workers/fit.worker.ts';
import type { BenchState } from '../capture/index.ts';
import { CameraCheck } from './CameraCheck.tsx';
import { FloorMap } from './FloorMap.tsx';
import { MeasureTapes } from './MeasureTapes.tsx';
import { StationSlider } from './StationSlider.tsx';
import { Strip, type StripPose } from './Strip.tsx';

type Tab = 'tapes' | 'floor' | 'front' | 'side' | 'camera';
const TABS: Record<Tab, string> = {
  tapes: 'Tapes',
  floor: 'Floor',
  front: 'Front',
  side: 'Side',
  camera: 'Camera',
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
  const label = `Drawn between ${STATION_WORDS[from.station]} and ${STATION_WORDS[to.station]}, not measured`;
  return {
    label,
    pose: poseBetween(
      poses.map((p) => p.pose),
      position,
    ),
  };
}

/** What the marks come to so far: tapes at this station, the floor map, the camera check. */
export function ReadOut({
  answer,
  state,
  left,
  onStation,
  onSwap,
  then = [],
  target = [],
  layers,
}: {
  readonly answer: FitAnswer | null;
  readonly state: BenchState;
  readonly left: boolean;
  readonly onStation: (station: Station) => void;
  readonly onSwap: (place: Swapped) => void;
  /** Laid under the strips and the floor map. */
  readonly then?: readonly StripPose[];
  readonly target?: readonly StripPose[];
  /** Choosers for what is laid under. */
  readonly layers?: ReactNode;
}) {
  const [tab, setTab] = useState<Tab>('tapes');
  const [scrubbed, setMoment] = useState<Moment | null>(null);
  // Another station chosen meanwhile ends a moment between two.
  const moment = scrubbed?.near === state.station ? scrubbed : null;
  const at = useMemo(() => moment && answer && drawnBetween(answer.poses, moment.position), [moment, answer]);
  if (!answer)
    return (
      <p className="panel p-4">
        Step to a station, name it with its key, and mark the hips, knees and ankles. The measures appear here
        as you go.
      </p>
    );
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
  const here = answer.measures.filter((m) => m.station === state.station);
  const band = answer.measures.find((m) => m.id === CORRIDOR_MEASURE[state.station])?.band;
  return (
    <div className="panel flex min-h-0 flex-col">
      <div
        role="tablist"
        aria-label="What the marks come to"
        className="no-print flex border-b-[1.5px] border-base-300"
      >
        {(Object.keys(TABS) as Tab[]).map((key) => (
          <button
            key={key}
            type="button"
            role="tab"
            aria-selected={tab === key}
            className={`min-h-11 flex-1 px-1 ${tab === key ? 'border-b-4 border-primary font-semibold' : ''}`}
            onClick={() => setTab(key)}
          >
            {TABS[key]}
          </button>
        ))}
      </div>
      <div
        className="max-h-[36rem] overflow-y-auto p-3 print:max-h-none"
        role="tabpanel"
        aria-label={TABS[tab]}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling region must be reachable by keys
        tabIndex={0}
      >
        {tab === 'tapes' &&
          (here.length > 0 ? (
            <MeasureTapes measures={here} />
          ) : (
            <Needs answer={answer} station={state.station} />
          ))}
        {tab === 'tapes' && here.length > 0 && <Needs answer={answer} station={state.station} />}
        {tab === 'floor' && (
          <FloorMap
            floor={answer.floor}
            station={state.station}
            left={left}
            corridor={band ?? null}
            then={then}
            target={target}
            {...(at ? { at } : {})}
            slider={slider}
          />
        )}
        {(tab === 'front' || tab === 'side') && (
          <Strip
            side={tab}
            poses={answer.poses}
            station={state.station}
            left={left}
            then={then}
            target={target}
            {...(at ? { at } : {})}
          />
        )}
        {(tab === 'front' || tab === 'side') && slider}
        {tab !== 'tapes' && tab !== 'camera' && layers}
        {tab === 'camera' && <CameraCheck answer={answer} left={left} />}
      </div>
      {answer.swapped.map((place) => (
        <div key={place.view + place.station} className="border-t-[1.5px] border-base-300 p-3">
          <p className="text-sm font-semibold">
            Lead and trail look changed about at {STATION_WORDS[place.station]},{' '}
            {VIEW_WORDS[place.view]?.toLowerCase()}.
          </p>
          <button type="button" className="btn mt-1" onClick={() => onSwap(place)}>
            Change them back
          </button>
        </div>
      ))}
      {answer.suspects.length > 0 && (
        <p role="status" className="border-t-[1.5px] border-base-300 p-3 text-sm font-semibold">
          Look again at:{' '}
          {answer.suspects
            .map((s) => `${LANDMARK_WORDS[s.landmark]} (${VIEW_WORDS[s.view]}, ${STATION_WORDS[s.station]})`)
            .join('; ')}
          . It fits nothing else.
        </p>
      )}
    </div>
  );
}

function needText(what: NeedWhat): string {
  switch (what.kind) {
    case 'station':
      return `Name and mark ${STATION_WORDS[what.station]}`;
    case 'mark':
      return `Mark ${LANDMARK_WORDS[what.landmark]?.toLowerCase()} at ${STATION_WORDS[what.station]}`;
    case 'view':
      return `Film ${VIEW_WORDS[what.view]?.toLowerCase()} too`;
    case 'sticks':
      return `Mark the stick ends in ${VIEW_WORDS[what.view]?.toLowerCase() ?? what.view}`;
    case 'track':
      return 'Bring in a motion track';
  }
}

function Needs({ answer, station }: { readonly answer: FitAnswer; readonly station: Station }) {
  const useful = answer.needs
    .filter(({ what }) => what.kind !== 'track' && (!('station' in what) || what.station === station))
    .slice(0, 4);
  if (useful.length === 0) return null;
  return (
    <div className="mt-3 border-t-[1.5px] border-dashed border-base-300 pt-2 text-sm">
      <h3 className="font-semibold">What would settle more</h3>
      <ul className="list-disc pl-5">
        {useful.map(({ what, wouldSettle }) => (
          <li key={JSON.stringify(what)}>
            {needText(what)}: {wouldSettle.slice(0, 3).map(measureName).join(', ')}
            {wouldSettle.length > 3 && ` and ${wouldSettle.length - 3} more`}
          </li>
        ))}
      </ul>
    </div>
  );
}
