import { FINDING_WORDS } from '@inchstep/contract/words';
import { BALL_FINDINGS, SEEN_FINDINGS } from '@inchstep/core/diagnosis';
import type { Ticked } from './queries.ts';

const NEXT = { none: 'present', present: 'absent', absent: 'none' } as const;
const SAY = { none: 'not looked', present: 'seen', absent: 'looked, not there' } as const;

/** Looks and ball signs: each press goes from "not looked" to "seen" to "looked, not there". */
export function Findings({
  ticked,
  onChange,
}: {
  readonly ticked: readonly Ticked[];
  readonly onChange: (ticked: Ticked[]) => void;
}) {
  const press = (id: string) => {
    const next = NEXT[stateOf(ticked, id)];
    const others = ticked.filter((t) => t.id !== id);
    onChange(next === 'none' ? others : [...others, { id, seen: next }]);
  };
  const group = (title: string, ids: readonly string[]) => (
    <fieldset>
      <legend className="mb-1 font-semibold">{title}</legend>
      <div className="flex flex-wrap gap-1.5">
        {ids.map((id) => {
          const state = stateOf(ticked, id);
          return (
            <button
              key={id}
              type="button"
              onClick={() => press(id)}
              aria-label={`${FINDING_WORDS[id]}: ${SAY[state]}`}
              className={`min-h-11 rounded border-[1.5px] px-2.5 text-sm ${state === 'present' ? 'border-primary bg-primary text-primary-content' : state === 'absent' ? 'border-base-content line-through decoration-2' : 'border-dashed border-base-content/50'}`}
            >
              {FINDING_WORDS[id]}
            </button>
          );
        })}
      </div>
    </fieldset>
  );
  return (
    <div className="flex flex-col gap-3">
      {group('Seen or asked', SEEN_FINDINGS)}
      {group('The ball', BALL_FINDINGS)}
    </div>
  );
}

const stateOf = (ticked: readonly Ticked[], id: string): keyof typeof NEXT =>
  ticked.find((t) => t.id === id)?.seen ?? 'none';
