import type { StudentPage } from '@inchstep/contract/checkins';
import { MOST_FELT } from '@inchstep/core/checkins';
import { useState } from 'react';
import { useUnits } from '../../platform/units.ts';
import { HOW_FELT_WORDS } from './words.page.ts';

/** Asked before anything measured is seen: a number, or that it stayed still. */
export function HowFelt({
  feel: { name, unit },
  felt,
  onFelt,
}: {
  readonly feel: NonNullable<StudentPage['feel']>;
  /** In inches or degrees; null = nothing was said. */
  readonly felt: number | null;
  readonly onFelt: (felt: number | null) => void;
}) {
  const { perInch, lengths } = useUnits();
  const [typed, setTyped] = useState('');
  const type = (text: string) => {
    setTyped(text);
    const amount = Number(text.replace(',', '.')) / (unit === 'in' ? perInch : 1);
    onFelt(text.trim() !== '' && amount >= 0 && amount <= MOST_FELT ? amount : null);
  };
  return (
    <fieldset className="flex flex-col gap-1">
      <legend>{HOW_FELT_WORDS.title(name)}</legend>
      <span className="grid grid-cols-2 gap-2">
        <input
          className="input h-14 w-full"
          inputMode="decimal"
          aria-label={HOW_FELT_WORDS.amount(unit === 'in' ? lengths : unit)}
          placeholder={HOW_FELT_WORDS.amount(unit === 'in' ? lengths : unit)}
          value={typed}
          onChange={(event) => type(event.target.value)}
        />
        <button
          type="button"
          aria-pressed={felt === 0}
          className={`btn h-14 ${felt === 0 ? 'btn-primary' : ''}`}
          onClick={() => type(felt === 0 ? '' : '0')}
        >
          {HOW_FELT_WORDS.still}
        </button>
      </span>
      <span className="text-sm">{HOW_FELT_WORDS.hint}</span>
    </fieldset>
  );
}
