import { X } from 'lucide-react';
import { PICK_LIST_WORDS } from './words.ts';

/** Ids with their names, in the order of the names. */
export const pairs = (ids: readonly string[], name: (id: string) => string): [string, string][] =>
  ids.map((id): [string, string] => [id, name(id)]).sort((a, b) => a[1].localeCompare(b[1]));

/** Some of a long list: what is chosen stands as buttons that take it away, the rest in one select. */
export function PickList({
  label,
  options,
  values,
  onChange,
}: {
  readonly label: string;
  readonly options: readonly (readonly [id: string, text: string])[];
  readonly values: readonly string[];
  readonly onChange: (values: string[]) => void;
}) {
  const textOf = (id: string) => options.find(([known]) => known === id)?.[1] ?? id;
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">{label}</legend>
      <div className="flex flex-wrap gap-2">
        {values.map((id) => (
          <button
            key={id}
            type="button"
            className="btn btn-primary"
            aria-label={PICK_LIST_WORDS.remove(textOf(id))}
            onClick={() => onChange(values.filter((value) => value !== id))}
          >
            {textOf(id)} <X size={16} aria-hidden />
          </button>
        ))}
        <select
          aria-label={PICK_LIST_WORDS.add(label)}
          className="select w-64"
          value=""
          onChange={(e) => e.target.value !== '' && onChange([...values, e.target.value])}
        >
          <option value="">{values.length === 0 ? 'none' : PICK_LIST_WORDS.addAnother}</option>
          {options
            .filter(([id]) => !values.includes(id))
            .map(([id, text]) => (
              <option key={id} value={id}>
                {text}
              </option>
            ))}
        </select>
      </div>
    </fieldset>
  );
}
