import type { Reading } from '@inchstep/contract/measures';
import { measureName, STATION_WORDS } from '@inchstep/contract/words';
import type { Station } from '@inchstep/core/capture';
import { Z95 } from '@inchstep/core/foundation';
import type { Difference } from '@inchstep/core/measures';
import { Tape } from '../../platform/tape.tsx';
import { useUnits } from '../../platform/units.ts';
import { DIFFERENCE_LIST_WORDS } from './words.ts';

/** What differs between two swings, on the same tapes; out of doubt first. Words never claim a lasting change. */
export function DifferenceList({
  differences,
  bands,
  station,
}: {
  readonly differences: readonly Difference[];
  readonly bands: Reading['measures'];
  readonly station: Station | null;
}) {
  const { value } = useUnits();
  const shown = differences
    .filter((d) => station === null || d.station === station)
    .sort(
      (a, b) => Number(b.differs) - Number(a.differs) || Math.abs(b.delta / b.sd) - Math.abs(a.delta / a.sd),
    );
  if (differences.length === 0)
    return <p className="panel self-start p-4">{DIFFERENCE_LIST_WORDS.measureBothSwings}</p>;
  return (
    <section
      className="panel max-h-[44rem] overflow-y-auto p-3"
      aria-label={DIFFERENCE_LIST_WORDS.whatDiffers}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling region must be reachable by keys
      tabIndex={0}
    >
      <h2 className="font-semibold">
        {station
          ? DIFFERENCE_LIST_WORDS.whatDiffersAt(STATION_WORDS[station]?.toLowerCase())
          : DIFFERENCE_LIST_WORDS.whatDiffersAllStations}
      </h2>
      <p className="mb-2 text-sm">{DIFFERENCE_LIST_WORDS.betweenTheseTwoSwings}</p>
      {shown.length === 0 && <p>{DIFFERENCE_LIST_WORDS.nothingWasMeasuredHere}</p>}
      <ul className="flex flex-col gap-3">
        {shown.map((d) => {
          const found = bands.find((m) => m.id === d.id);
          if (!found) return null;
          const unit = found.band.unit;
          const plain = unit === 'clock' ? 'ratio' : unit;
          return (
            <li key={d.id} data-testid={`difference-${d.id}`}>
              <p className="flex items-baseline justify-between gap-2 leading-tight">
                <span className="font-semibold">{measureName(d.id)}</span>
                <span className="text-right">
                  <span className="font-semibold">
                    {d.delta > 0 ? '+' : ''}
                    {value(d.delta, plain)}
                  </span>{' '}
                  ± {value(Z95 * d.sd, plain)}
                  <span className="block text-sm">
                    {d.differs ? 'differs' : DIFFERENCE_LIST_WORDS.tooCloseToTell}
                  </span>
                </span>
              </p>
              <Tape
                name={measureName(d.id)}
                band={found.band}
                value={d.later}
                half95={Z95 * found.sd}
                before={d.earlier}
                verdict={d.differs ? 'differs' : DIFFERENCE_LIST_WORDS.tooCloseToTell}
                compact
              />
            </li>
          );
        })}
      </ul>
    </section>
  );
}
