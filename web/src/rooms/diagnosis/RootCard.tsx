import { chanceText, faultName, STRENGTH_WORDS, weighedText } from '@inchstep/contract/words';
import type { Root } from '@inchstep/core/diagnosis';
import { faultById } from '@inchstep/core/diagnosis';
import { scaleLinear } from 'd3';

/** One root: how likely, how strong, what it explains, and what speaks for and against it. */
export function RootCard({
  root,
  place,
  phase,
  picked,
  onPick,
}: {
  readonly root: Root;
  readonly place: number;
  readonly phase: string;
  readonly picked: boolean;
  readonly onPick: () => void;
}) {
  const most = Math.max(...[...root.for, ...root.against].map((w) => Math.abs(w.weight)), 1);
  return (
    <article
      className={`panel p-4 ${picked ? 'border-[3px] border-primary' : ''}`}
      aria-label={faultName(root.fault)}
      data-testid={`root-${root.fault}`}
    >
      <header className="flex flex-wrap items-center gap-x-3">
        <h2 className="text-2xl">
          <span className="mr-2 text-base font-normal text-base-content/80">
            {place === 1 ? 'First' : place === 2 ? 'Second' : 'Also'}
          </span>
          {faultName(root.fault)}
        </h2>
        <span>
          {chanceText(root.probability)}, {STRENGTH_WORDS[root.strength]}, {phase.toLowerCase()}
        </span>
        <button
          type="button"
          aria-pressed={picked}
          className={`btn ml-auto ${picked ? 'btn-primary' : ''}`}
          onClick={onPick}
        >
          {picked ? 'Chosen' : 'Choose'}
        </button>
      </header>
      <p className="mt-1">{faultById(root.fault)?.reason}</p>
      {root.explains.length > 0 && (
        <p className="mt-1 font-semibold">Would explain: {root.explains.map(faultName).join(', ')}.</p>
      )}
      <div className="mt-3 grid gap-3 md:grid-cols-2">
        <Side title="For" entries={root.for} most={most} />
        <Side title="Against" entries={root.against} most={most} />
      </div>
    </article>
  );
}

function Side({
  title,
  entries,
  most,
}: {
  readonly title: string;
  readonly entries: Root['for'];
  readonly most: number;
}) {
  const width = scaleLinear([0, most], [0, 100]);
  return (
    <section aria-label={title}>
      <h3 className="font-semibold">{title}</h3>
      {entries.length === 0 && <p className="text-sm text-base-content/80">Nothing.</p>}
      <ul className="flex flex-col gap-1.5">
        {entries.slice(0, 6).map((entry) => (
          <li key={entry.finding} className="text-sm">
            <span className="block">{weighedText(entry)}</span>
            <span className="mt-0.5 flex items-center gap-2">
              <span
                className={`block h-2 ${title === 'For' ? 'bg-primary' : 'border-[1.5px] border-base-content'}`}
                style={{ width: `${width(Math.abs(entry.weight))}%` }}
              />
              <span className="text-base-content/80">
                {entry.weight > 0 ? '+' : '−'}
                {Math.abs(entry.weight).toFixed(1)}
              </span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
