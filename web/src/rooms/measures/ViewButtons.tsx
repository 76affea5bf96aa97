import { VIEW_WORDS } from '@inchstep/contract/words';
import type { ViewKind } from '@inchstep/core/intake';

/** One button a view; the one in hand is pressed. */
export function ViewButtons({
  kinds,
  kind,
  onChange,
}: {
  readonly kinds: readonly ViewKind[];
  readonly kind: ViewKind;
  readonly onChange: (kind: ViewKind) => void;
}) {
  return kinds.map((k) => (
    <button
      key={k}
      type="button"
      className={`btn ${k === kind ? 'btn-primary' : ''}`}
      aria-pressed={k === kind}
      onClick={() => onChange(k)}
    >
      {VIEW_WORDS[k]}
    </button>
  ));
}
