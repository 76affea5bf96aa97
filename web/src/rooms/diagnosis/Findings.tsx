import { findingName } from '@inchstep/contract/words';
import { useState } from 'react';
import { lookGroups } from './lookGroups.ts';
import type { Ticked } from './queries.ts';
import { FINDINGS_WORDS } from './words.ts';

const NEXT = { none: 'present', present: 'absent', absent: 'none' } as const;
const SAY = {
  none: FINDINGS_WORDS.notLooked,
  present: 'seen',
  absent: FINDINGS_WORDS.lookedNotThere,
} as const;
const LOOK = {
  present: 'border-primary bg-primary text-primary-content',
  absent: 'border-base-content line-through decoration-2',
  none: 'border-dashed border-base-content/50',
} as const;

/**
 * Looks in the order of the swing: each press goes from "not looked" to "seen" to "looked, not
 * there". A few letters narrow the list, and Enter ticks the first that is left.
 */
export function Findings({
  ticked,
  measured,
  onChange,
}: {
  readonly ticked: readonly Ticked[];
  /** Measures the chosen swing gives: the eye need not judge these. */
  readonly measured: ReadonlySet<string>;
  readonly onChange: (ticked: Ticked[]) => void;
}) {
  const [search, setSearch] = useState('');
  const groups = lookGroups(measured, search);
  const press = (id: string) => {
    const next = NEXT[stateOf(ticked, id)];
    const others = ticked.filter((t) => t.id !== id);
    onChange(next === 'none' ? others : [...others, { id, seen: next }]);
  };
  return (
    <div className="flex flex-col gap-3">
      <input
        aria-label={FINDINGS_WORDS.findALook}
        placeholder={FINDINGS_WORDS.findALookAFew}
        className="input w-full"
        value={search}
        onChange={(e) => setSearch(e.target.value)}
        onKeyDown={(e) => {
          const first = groups[0]?.ids[0];
          if (e.key !== 'Enter' || !first || search.trim() === '') return;
          e.preventDefault();
          press(first);
          setSearch('');
        }}
      />
      {groups.map(({ title, ids }) => (
        <fieldset key={title}>
          <legend className="mb-1 font-semibold">{title}</legend>
          <div className="flex flex-wrap gap-1.5">
            {ids.map((id) => {
              const state = stateOf(ticked, id);
              return (
                <button
                  key={id}
                  type="button"
                  onClick={() => press(id)}
                  aria-label={`${findingName(id)}: ${SAY[state]}`}
                  className={`min-h-11 rounded border-[1.5px] px-2.5 text-sm ${LOOK[state]}`}
                >
                  {findingName(id)}
                </button>
              );
            })}
          </div>
        </fieldset>
      ))}
      {groups.length === 0 && <p>{FINDINGS_WORDS.noLook}</p>}
    </div>
  );
}

const stateOf = (ticked: readonly Ticked[], id: string): keyof typeof NEXT =>
  ticked.find((t) => t.id === id)?.seen ?? 'none';
