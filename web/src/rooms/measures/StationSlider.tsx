import { STATION_WORDS } from '@inchstep/contract/words';
import type { Station } from '@inchstep/core/capture';

/** Scrubs through the stations that are there. */
export function StationSlider({
  stations,
  station,
  onStation,
}: {
  readonly stations: readonly Station[];
  readonly station: Station;
  readonly onStation: (station: Station) => void;
}) {
  return (
    <input
      type="range"
      className="range range-sm mt-1 w-full"
      aria-label="Station on the map"
      min={0}
      max={stations.length - 1}
      value={Math.max(0, stations.indexOf(station))}
      onChange={(e) => onStation(stations[Number(e.target.value)] ?? 'address')}
      aria-valuetext={STATION_WORDS[station]}
    />
  );
}
