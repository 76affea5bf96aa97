import { LANDMARK_WORDS, measureName, STATION_WORDS, VIEW_WORDS } from '@inchstep/contract/words';
import type { Station } from '@inchstep/core/capture';
import type { NeedWhat, Swapped } from '@inchstep/core/measures';
import { type ReactNode, useState } from 'react';
import { useUnits } from '../../platform/units.ts';
import type { FitAnswer } from '../../workers/fit.worker.ts';
import type { BenchState } from '../capture/index.ts';
import { CameraPicture } from './CameraPicture.tsx';
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
  if (!answer)
    return (
      <p className="panel p-4">
        Step to a station, name it with its key, and mark the hips, knees and ankles. The measures appear here
        as you go.
      </p>
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
            onStation={onStation}
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
          />
        )}
        {(tab === 'front' || tab === 'side') && (
          <StationSlider
            stations={answer.poses.map((p) => p.station)}
            station={state.station}
            onStation={onStation}
          />
        )}
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

const PART_WORDS: Record<string, string> = {
  along: 'place',
  away: 'distance',
  height: 'height',
  yaw: 'direction',
  pitch: 'tilt',
  roll: 'tilt',
  focal: 'lens',
};

function CameraCheck({ answer, left }: { readonly answer: FitAnswer; readonly left: boolean }) {
  const { length } = useUnits();
  const text = (advice: FitAnswer['views'][number]['advice'][number]): string => {
    switch (advice.code) {
      case 'turned':
        return `Turned ${Math.abs(advice.deg ?? 0).toFixed(0)}° off square. Next time move it about ${length(advice.moveIn ?? 0, 0)} to the ${(advice.deg ?? 0) > 0 ? 'right' : 'left'} of where it stood. It is corrected for here.`;
      case 'tilted':
        return `Leaning ${Math.abs(advice.deg ?? 0).toFixed(0)}°. Corrected for here.`;
      case 'too_high':
        return 'Stands higher than the belt; lower it next time.';
      case 'too_low':
        return 'Stands lower than the belt; raise it next time.';
      case 'sticks_disagree':
        return `The stick ends contradict each other: look again at the one ${length(advice.xIn ?? 0, 0)} along and ${length(advice.yIn ?? 0, 0)} ahead, here and on the ground.`;
      case 'told_wrong':
        return `By all it saw, its ${PART_WORDS[advice.what ?? ''] ?? 'place'} can’t be as told: check the tape, the lens, and that both clips are of one swing.`;
      case 'no_sticks':
        return 'No stick ends marked: two sticks on the ground make every inch surer.';
      default:
        return 'Distance, height or lens not told: a wide guess stands in.';
    }
  };
  return (
    <ul className="flex flex-col gap-3">
      <li>
        <CameraPicture views={answer.views} left={left} />
        <p className="mt-1 text-sm">
          From above. Shaded: where each phone points, as surely as it is known. Dashed: square.
        </p>
      </li>
      {answer.views.map((view) => (
        <li key={view.id}>
          <h3 className="font-semibold">{VIEW_WORDS[view.id]}</h3>
          <p>
            Points {view.yawDeg.toFixed(1)}° off square, ± {(1.96 * view.yawSdDeg).toFixed(1)}°.
          </p>
          <ul className="list-disc pl-5 text-sm">
            {[...new Set(view.advice.map(text))].map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          {view.advice.length === 0 && <p className="text-sm">Nothing to mend.</p>}
        </li>
      ))}
    </ul>
  );
}
