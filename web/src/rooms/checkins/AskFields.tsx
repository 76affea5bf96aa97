import { FILM_GUIDE, VIEW_WORDS } from '@inchstep/contract/words';
import type { FilmAsk } from '@inchstep/core/checkins';
import { VIEW_KINDS } from '@inchstep/core/intake';
import { ASK_FIELDS_WORDS } from './words.ts';

/** Which views, how many swings, by when, why: what is asked of the student next. */
export function AskFields({
  ask,
  today,
  onChange,
}: {
  readonly ask: FilmAsk;
  readonly today: string;
  readonly onChange: (ask: FilmAsk) => void;
}) {
  const flip = (kind: FilmAsk['kinds'][number]) => {
    const kinds = VIEW_KINDS.filter((one) => (one === kind) !== ask.kinds.includes(one));
    if (kinds.length > 0) onChange({ ...ask, kinds });
  };
  return (
    <div className="flex flex-wrap items-end gap-3">
      <fieldset className="flex gap-2">
        <legend className="text-sm">{ASK_FIELDS_WORDS.views}</legend>
        {VIEW_KINDS.map((kind) => (
          <button
            key={kind}
            type="button"
            aria-pressed={ask.kinds.includes(kind)}
            title={FILM_GUIDE[kind]}
            className={`btn ${ask.kinds.includes(kind) ? 'btn-primary' : ''}`}
            onClick={() => flip(kind)}
          >
            {VIEW_WORDS[kind]}
          </button>
        ))}
      </fieldset>
      <label className="flex flex-col text-sm">
        {ASK_FIELDS_WORDS.swings}
        <input
          type="number"
          className="input h-11 w-20"
          min={1}
          max={20}
          value={ask.swings}
          onChange={(e) =>
            onChange({ ...ask, swings: Math.max(1, Math.min(20, Math.round(Number(e.target.value)) || 1)) })
          }
        />
      </label>
      <label className="flex flex-col text-sm">
        {ASK_FIELDS_WORDS.by}
        <input
          type="date"
          className="input h-11 w-40"
          min={today}
          value={ask.dueOn}
          onChange={(e) => e.target.value && onChange({ ...ask, dueOn: e.target.value })}
        />
      </label>
      <label className="flex min-w-48 flex-1 flex-col text-sm">
        {ASK_FIELDS_WORDS.why}
        <input
          className="input h-11 w-full"
          maxLength={500}
          value={ask.why}
          onChange={(e) => onChange({ ...ask, why: e.target.value })}
        />
      </label>
    </div>
  );
}
