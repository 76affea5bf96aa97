import { STATION_WORDS } from '@inchstep/contract/words';
import { MAIN_STATIONS, MARKS_WANTED, STATIONS, type Station, sightSdPx } from '@inchstep/core/capture';
import { Check, CircleDashed } from 'lucide-react';
import type { BenchState } from './benchState.ts';
import type { Guess } from './inPicture.ts';
import { STATION_RAIL_WORDS } from './words.ts';

export const STATION_KEYS: Readonly<Record<Station, string>> = {
  address: 'a',
  shaft_back: 'j',
  arm_back: 'b',
  top: 't',
  arm_down: 'm',
  delivery: 'd',
  impact: 'i',
  shaft_through: 'k',
  chest_through: 'c',
  finish: 'f',
};

/** An optional moment between the stations. */
export const START_DOWN_KEY = 's';

/** Stations top to bottom along a tape: what is named, how many marks, how many more the fit predicts. */
export function StationRail({
  state,
  guesses = [],
  onGo,
  onName,
  onStartDown,
}: {
  readonly state: BenchState;
  readonly guesses?: readonly Guess[];
  readonly onGo: (station: Station) => void;
  readonly onName: (station: Station) => void;
  readonly onStartDown?: (() => void) | undefined;
}) {
  const view = state.work.views.find((v) => v.kind === state.view);
  const startDown = onStartDown && (
    <StartDown key="start_down" isNamed={view?.startDownS !== undefined} onName={onStartDown} />
  );
  return (
    <ol className="flex flex-col" aria-label={STATION_RAIL_WORDS.stations}>
      {STATIONS.map((station) => {
        const main = (MAIN_STATIONS as readonly Station[]).includes(station);
        const time = view?.stationTimes[station];
        const placed = state.work.marks.filter((m) => m.view === state.view && m.station === station);
        const proposed = placed.some((m) => m.by === 'network');
        // As good as a place guessed by eye: worth accepting.
        const predicted = guesses.filter(
          (g) =>
            g.view === state.view &&
            g.station === station &&
            g.sdPx <= sightSdPx('guessed', view?.widthPx ?? 1080),
        ).length;
        const here = state.station === station;
        return [
          station === 'arm_down' && startDown,
          <li
            key={station}
            className={`flex items-stretch border-l-4 ${here ? 'border-primary bg-base-200' : 'border-base-300'}`}
          >
            <button
              type="button"
              onClick={() => onGo(station)}
              aria-current={here ? 'step' : undefined}
              className="flex min-h-11 min-w-0 flex-1 items-center gap-2 px-2 py-1 text-left"
            >
              {time === undefined ? (
                <CircleDashed
                  aria-label={STATION_RAIL_WORDS.notNamed}
                  size={16}
                  className="shrink-0 opacity-60"
                />
              ) : (
                <Check aria-label={STATION_RAIL_WORDS.named} size={16} className="shrink-0" />
              )}
              <span className={`min-w-0 flex-1 leading-tight ${main ? 'font-semibold' : ''}`}>
                {STATION_WORDS[station]}
              </span>
              <span className="text-sm tabular-nums">
                {placed.length}/{MARKS_WANTED[state.view].length}
                {proposed && <span title={STATION_RAIL_WORDS.someProposedNotChecked}> ?</span>}
                {predicted > 0 && (
                  <span title={STATION_RAIL_WORDS.morePredicted(predicted)} className="text-base-content/80">
                    {' '}
                    +{predicted}
                  </span>
                )}
              </span>
            </button>
            <button
              type="button"
              title={STATION_RAIL_WORDS.nameAtThisFrame(STATION_WORDS[station])}
              aria-label={STATION_RAIL_WORDS.nameAtThisFrame(STATION_WORDS[station])}
              onClick={() => onName(station)}
              className="min-h-11 w-11 border-l border-base-300 font-semibold uppercase hover:bg-base-300"
            >
              {STATION_KEYS[station]}
            </button>
          </li>,
        ];
      })}
    </ol>
  );
}

/** With it the clip tells whether the lower body waits for the club. */
const StartDown = ({ isNamed, onName }: { readonly isNamed: boolean; readonly onName: () => void }) => (
  <li className="flex items-stretch border-base-300 border-l-4">
    <span className="flex min-h-11 min-w-0 flex-1 items-center gap-2 pl-6 text-sm">
      {isNamed ? (
        <Check aria-label={STATION_RAIL_WORDS.named} size={16} className="shrink-0" />
      ) : (
        <CircleDashed aria-label={STATION_RAIL_WORDS.notNamed} size={16} className="shrink-0 opacity-60" />
      )}
      {STATION_RAIL_WORDS.startDown}
    </span>
    <button
      type="button"
      title={STATION_RAIL_WORDS.nameAtThisFrame(STATION_RAIL_WORDS.startDown)}
      aria-label={STATION_RAIL_WORDS.nameAtThisFrame(STATION_RAIL_WORDS.startDown)}
      onClick={onName}
      className="min-h-11 w-11 border-base-300 border-l font-semibold uppercase hover:bg-base-300"
    >
      {START_DOWN_KEY}
    </button>
  </li>
);
