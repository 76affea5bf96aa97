import { FILM_GUIDE, VIEW_WORDS } from '@inchstep/contract/words';
import { VIEW_KINDS, type ViewKind } from '@inchstep/core/intake';

/** A phone that films is told from where it looks, by a thumb, and says how it is to stand there. */
export function FromWhere({
  question,
  kind,
  onChoose,
}: {
  readonly question: string;
  /** Null = not said yet. */
  readonly kind: ViewKind | null;
  readonly onChoose: (kind: ViewKind) => void;
}) {
  return (
    <>
      <fieldset className="grid grid-cols-2 gap-2">
        <legend className="mb-1">{question}</legend>
        {VIEW_KINDS.map((of) => (
          <button
            key={of}
            type="button"
            aria-pressed={kind === of}
            className={`btn h-14 ${kind === of ? 'btn-primary' : ''}`}
            onClick={() => onChoose(of)}
          >
            {VIEW_WORDS[of]}
          </button>
        ))}
      </fieldset>
      {kind && <p>{FILM_GUIDE[kind]}</p>}
    </>
  );
}
