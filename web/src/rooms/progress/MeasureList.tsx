import type { Progress, Series } from '@inchstep/contract/progress';
import { measureName } from '@inchstep/contract/words';
import { Panel } from '../../platform/parts.tsx';
import { MEASURE_LIST_WORDS } from './words.belief.ts';
import { PROGRESS_WORDS } from './words.ts';

/** What is worked on, then what is known; what can't be told is folded away. */
export function MeasureList({
  progress,
  chosen,
  onChoose,
}: {
  readonly progress: Progress;
  readonly chosen: string;
  readonly onChoose: (measure: string) => void;
}) {
  const worked = progress.series.filter(({ measure }) => progress.focus.includes(measure));
  const others = progress.series.filter(({ measure }) => !progress.focus.includes(measure));
  const known = others.filter(({ change }) => change.verdict !== 'cant_tell');
  const rest = others.filter(({ change }) => change.verdict === 'cant_tell');
  const list = (all: readonly Series[], name: string) => (
    <ul aria-label={name}>
      {all.map((s) => (
        <li key={s.measure}>
          <button
            type="button"
            aria-pressed={s.measure === chosen}
            className={`flex min-h-11 w-full items-center justify-between gap-2 rounded px-2 text-left ${s.measure === chosen ? 'bg-primary text-primary-content' : 'hover:bg-base-200'}`}
            onClick={() => onChoose(s.measure)}
          >
            <span>{measureName(s.measure)}</span>
            <span className="shrink-0 text-sm">{shortVerdict(s)}</span>
          </button>
        </li>
      ))}
    </ul>
  );
  return (
    <Panel title={PROGRESS_WORDS.measures}>
      {worked.length > 0 && (
        <>
          <h3 className="mt-1 text-sm font-semibold">{MEASURE_LIST_WORDS.workedOn}</h3>
          {list(worked, MEASURE_LIST_WORDS.workedOn)}
        </>
      )}
      <h3 className="mt-3 text-sm font-semibold">{MEASURE_LIST_WORDS.known}</h3>
      {known.length === 0 ? (
        <p className="px-2 py-1 text-sm">{MEASURE_LIST_WORDS.nothingKnown}</p>
      ) : (
        list(known, MEASURE_LIST_WORDS.known)
      )}
      {rest.length > 0 && (
        <details open={worked.length + known.length === 0}>
          <summary className="mt-2 min-h-11 cursor-pointer py-2 text-sm font-semibold">
            {MEASURE_LIST_WORDS.rest(rest.length)}
          </summary>
          {list(rest, MEASURE_LIST_WORDS.rest(rest.length))}
        </details>
      )}
    </Panel>
  );
}

function shortVerdict({ sessions, change: { verdict }, direction }: Series): string {
  if (sessions.length < 2) return PROGRESS_WORDS.oneDay;
  if (verdict === 'none') return PROGRESS_WORDS.same;
  if (verdict === 'cant_tell') return PROGRESS_WORDS.cantTell;
  const way = direction === 'level' ? PROGRESS_WORDS.moved : direction;
  return verdict === 'real' ? way : PROGRESS_WORDS.maybe(way);
}
