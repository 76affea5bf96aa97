import { MEASURE_WORDS, measureName, VERDICT_WORDS } from '@inchstep/contract/words';
import { Z95 } from '@inchstep/core/foundation';
import type { Measure } from '@inchstep/core/measures';
import { Tape } from '../../platform/tape.tsx';
import { useUnits } from '../../platform/units.ts';

type ShownMeasure = Pick<Measure, 'id' | 'value' | 'sd' | 'verdict' | 'station'> & {
  readonly band: Pick<Measure['band'], 'lo' | 'hi' | 'step' | 'unit'>;
};

const ORDER = { low: 0, high: 0, cant_tell: 1, in: 2 } as const;

/** Measures of one station (or all), those out of band first. */
export function MeasureTapes({
  measures,
  before,
}: {
  readonly measures: readonly ShownMeasure[];
  readonly before?: ReadonlyMap<string, number>;
}) {
  const sorted = [...measures].sort((a, b) => ORDER[a.verdict] - ORDER[b.verdict]);
  return (
    <ul className="flex flex-col gap-2">
      {sorted.map((m) => (
        <li key={m.id} data-testid={`measure-${m.id}`}>
          <MeasureLine measure={m} />
          <Tape
            name={measureName(m.id)}
            band={m.band}
            value={m.value}
            half95={Z95 * m.sd}
            before={before?.get(m.id)}
            verdict={VERDICT_WORDS[m.verdict]}
            compact
          />
        </li>
      ))}
    </ul>
  );
}

/** Name, verdict, value; `unsure` says why a verdict can't be given where it isn't the marks. */
export function MeasureLine({
  measure: m,
  unsure,
}: {
  readonly measure: ShownMeasure;
  readonly unsure?: string;
}) {
  const { value } = useUnits();
  const look = m.verdict === 'low' || m.verdict === 'high' ? MEASURE_WORDS[m.id]?.[m.verdict] : undefined;
  return (
    <p className="flex items-baseline justify-between gap-2 leading-tight">
      <span>
        <span className="font-semibold">{measureName(m.id)}</span>
        <span className="block text-sm text-base-content/80">
          {look ?? ((m.verdict === 'cant_tell' && unsure) || VERDICT_WORDS[m.verdict])}
        </span>
      </span>
      <span className="shrink-0 font-semibold" data-value={m.value} data-sd={m.sd}>
        {value(m.value, m.band.unit)}
        <span className="block text-right text-sm font-normal text-base-content/80">
          ± {value(Z95 * m.sd, m.band.unit === 'clock' ? 'ratio' : m.band.unit)}
        </span>
      </span>
    </p>
  );
}
