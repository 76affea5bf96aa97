import { STATION_WORDS } from '@inchstep/contract/words';
import { useScreenKeys } from '../../platform/keys.ts';
import type { SidesBox } from './usePair.ts';
import { COMPARE_SCREEN_WORDS } from './words.ts';

/** Stations of both swings, by name and by the bracket keys, and every frame of the newer one. */
export function StationRow({ stations, station, hold, show, nowFrames }: SidesBox) {
  const at = station ? stations.indexOf(station) : -1;
  const step = (by: number) => {
    const next = stations[Math.max(0, Math.min(stations.length - 1, at + by))];
    if (next) hold(next);
  };
  useScreenKeys('bracketleft', () => step(-1));
  useScreenKeys('bracketright', () => step(1));
  return (
    <>
      {stations.length > 0 && (
        <fieldset className="flex flex-wrap gap-1" aria-label={COMPARE_SCREEN_WORDS.station}>
          {stations.map((one) => (
            <button
              key={one}
              type="button"
              aria-pressed={one === station}
              className={`btn btn-sm h-11 ${one === station ? 'btn-primary' : ''}`}
              onClick={() => hold(one)}
            >
              {STATION_WORDS[one]}
            </button>
          ))}
        </fieldset>
      )}
      <input
        type="range"
        className="range range-sm w-full"
        aria-label={COMPARE_SCREEN_WORDS.frameOfTheNewer}
        min={0}
        max={(nowFrames.clip?.times.length ?? 1) - 1}
        value={nowFrames.index}
        onChange={(event) => show(Number(event.target.value))}
      />
    </>
  );
}
