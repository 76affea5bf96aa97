import { STATION_WORDS } from '@inchstep/contract/words';
import type { Station } from '@inchstep/core/capture';
import { STATION_SLIDER_WORDS } from './words.ts';

/** Steps from one station to the next. */
const STEPS = 20;
/** As near to a station as this counts as on it. */
const SNAP = 1.5 / STEPS;

/** Scrubs through the stations that are there, and through what is drawn between them. */
export function StationSlider({
  stations,
  position,
  onPosition,
}: {
  readonly stations: readonly Station[];
  /** Stations counted from 0, with a fraction between them. */
  readonly position: number;
  /** Whole numbers are stations. */
  readonly onPosition: (position: number) => void;
}) {
  const on = stations[position];
  const near = stations[Math.floor(position)];
  return (
    <input
      type="range"
      className="range range-sm mt-1 w-full"
      aria-label={STATION_SLIDER_WORDS.stationOnTheMap}
      min={0}
      max={stations.length - 1}
      step={1 / STEPS}
      value={Math.max(0, position)}
      onChange={(e) => {
        const wish = Number(e.target.value);
        onPosition(Math.abs(wish - Math.round(wish)) < SNAP ? Math.round(wish) : wish);
      }}
      onKeyDown={(e) => {
        // Keys go from station to station.
        const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 }[e.key];
        if (by === undefined) return;
        e.preventDefault();
        const next = by > 0 ? Math.floor(position) + 1 : Math.ceil(position) - 1;
        onPosition(Math.min(stations.length - 1, Math.max(0, next)));
      }}
      aria-valuetext={on ? STATION_WORDS[on] : STATION_SLIDER_WORDS.after(near ? STATION_WORDS[near] : '')}
    />
  );
}
