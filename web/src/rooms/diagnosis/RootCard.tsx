import { chanceText, faultName, findingName, STRENGTH_WORDS, weighedText } from '@inchstep/contract/words';
import type { Root } from '@inchstep/core/diagnosis';
import { faultById } from '@inchstep/core/diagnosis';
import { scaleLinear } from 'd3';
import { useUnits } from '../../platform/units.ts';
import { ROOT_CARD_WORDS } from './words.ts';

/** One root: how likely, how strong, what it explains, and what speaks for and against it. */
export function RootCard({
  root,
  place,
  phase,
  picked,
  onPick,
  onSetAside,
}: {
  readonly root: Root;
  readonly place: number;
  readonly phase: string;
  readonly picked: boolean;
  readonly onPick: () => void;
  /** The coach holds a finding to be wrong: it shall count for nothing. */
  readonly onSetAside: (finding: string) => void;
}) {
  const most = Math.max(...[...root.for, ...root.against].map((w) => Math.abs(w.weight)), 1);
  const sides = { most, onSetAside };
  return (
    <article
      className={`panel p-4 ${picked ? 'border-[3px] border-primary' : ''}`}
      aria-label={faultName(root.fault)}
      data-testid={`root-${root.fault}`}
    >
      <header className="flex flex-wrap items-center gap-x-3">
        <h2 className="text-2xl">
          <span className="mr-2 text-base font-normal text-base-content/80">
            {place === 1
              ? ROOT_CARD_WORDS.first
              : place === 2
                ? ROOT_CARD_WORDS.second
                : ROOT_CARD_WORDS.also}
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
          {picked ? ROOT_CARD_WORDS.chosen : ROOT_CARD_WORDS.choose}
        </button>
      </header>
      <p className="mt-1">{faultById(root.fault)?.reason}</p>
      {root.explains.length > 0 && (
        <p className="mt-1 font-semibold">
          {ROOT_CARD_WORDS.wouldExplain(root.explains.map(faultName).join(', '))}
        </p>
      )}
      <div className="mt-3 grid gap-3 md:grid-cols-2">
        <Side title={ROOT_CARD_WORDS.for} entries={root.for} {...sides} />
        <Side title={ROOT_CARD_WORDS.against} entries={root.against} {...sides} />
      </div>
      <p className="mt-2 text-sm text-base-content/80" data-testid="odds">
        {ROOT_CARD_WORDS.addsUpBeforeAnything(
          signed(root.start),
          signed(sum(root.for)),
          signed(sum(root.against)),
          signed(root.rest),
          signed(root.start + sum(root.for) + sum(root.against) + root.rest),
          chanceText(root.probability),
        )}
      </p>
      {root.onlyExplains.length > 0 && (
        <p className="mt-1 text-sm">
          {ROOT_CARD_WORDS.ifThisWereNot(root.onlyExplains.map(findingName).join('; '))}
        </p>
      )}
    </article>
  );
}

const sum = (entries: Root['for']): number => entries.reduce((total, entry) => total + entry.weight, 0);
const signed = (value: number): string => `${value < -0.05 ? '−' : '+'}${Math.abs(value).toFixed(1)}`;
const SHOWN = 6;

function Side({
  title,
  entries,
  most,
  onSetAside,
}: {
  readonly title: string;
  readonly entries: Root['for'];
  readonly most: number;
  readonly onSetAside: (finding: string) => void;
}) {
  const { lengths } = useUnits();
  const width = scaleLinear([0, most], [0, 100]);
  const more = entries.slice(SHOWN);
  return (
    <section aria-label={title}>
      <h3 className="font-semibold">{title}</h3>
      {entries.length === 0 && <p className="text-sm text-base-content/80">{ROOT_CARD_WORDS.nothing}</p>}
      <ul className="flex flex-col gap-1">
        {entries.slice(0, SHOWN).map((entry) => (
          <li key={entry.finding} className="flex items-start gap-2 text-sm">
            <span className="flex-1">
              <span className="block">{weighedText(entry, lengths)}</span>
              <span className="mt-0.5 flex items-center gap-2">
                <span
                  className={`block h-2 ${title === 'For' ? 'bg-primary' : 'border-[1.5px] border-base-content'}`}
                  style={{ width: `${width(Math.abs(entry.weight))}%` }}
                />
                <span className="text-base-content/80">{signed(entry.weight)}</span>
              </span>
            </span>
            <button
              type="button"
              className="btn btn-ghost btn-sm h-11 shrink-0"
              aria-label={ROOT_CARD_WORDS.notSoFinding(findingName(entry.finding))}
              onClick={() => onSetAside(entry.finding)}
            >
              {ROOT_CARD_WORDS.notSo}
            </button>
          </li>
        ))}
      </ul>
      {more.length > 0 && (
        <p className="text-sm text-base-content/80">
          {ROOT_CARD_WORDS.andMoreTogether(more.length, signed(sum(more)))}
        </p>
      )}
    </section>
  );
}
