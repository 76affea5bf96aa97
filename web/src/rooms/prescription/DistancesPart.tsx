import { SETUP_WORDS } from '@inchstep/contract/words';
import { HEIGHT_RANGE_IN } from '@inchstep/core/intake';
import { BODY_LENGTHS, type BodyLength, distanceFor } from '@inchstep/core/prescription';
import { useFieldArray, useWatch } from 'react-hook-form';
import { LengthInput } from '../../platform/fields.tsx';
import { Panel } from '../../platform/parts.tsx';
import { useUnits } from '../../platform/units.ts';
import type { Part } from './DrillEditorParts.tsx';
import { DISTANCE_WORDS, EDITOR_WORDS, LENGTH_WORDS } from './words.ts';

/** Given to every drill by the program. */
const GIVEN = ['stance', 'camera_away', 'camera_height'];
const KNOWN = Object.entries(SETUP_WORDS).filter(([id]) => !GIVEN.includes(id));
const MOST_DISTANCES = 6;

/** Distances on the card: a fixed part, scaled or not, and a share of the student's own body. */
export function DistancesPart({ form }: Part) {
  const rows = useFieldArray({ control: form.control, name: 'drill.setup' });
  const taken = (useWatch({ control: form.control, name: 'drill.setup' }) ?? []).map((row) => row.id);
  const free = KNOWN.find(([id]) => !taken.includes(id))?.[0] ?? 'distance';
  return (
    <Panel title={DISTANCE_WORDS.title}>
      <div className="flex flex-col gap-3">
        {rows.fields.map((row, i) => (
          <Row key={row.id} form={form} index={i} onRemove={() => rows.remove(i)} />
        ))}
        {rows.fields.length < MOST_DISTANCES && (
          <button
            type="button"
            className="btn self-start"
            onClick={() => rows.append({ id: free, valueIn: 4, scales: true })}
          >
            {DISTANCE_WORDS.add}
          </button>
        )}
      </div>
    </Panel>
  );
}

function Row({ form, index, onRemove }: Part & { readonly index: number; readonly onRemove: () => void }) {
  const { length } = useUnits();
  const row = useWatch({ control: form.control, name: `drill.setup.${index}` });
  const labels = useWatch({ control: form.control, name: 'words.distances' }) ?? {};
  if (!row) return null;
  const set = (more: Partial<typeof row>) => form.setValue(`drill.setup.${index}`, { ...row, ...more });
  const known = KNOWN.some(([id]) => id === row.id);
  const setLabel = (id: string, text: string) => form.setValue('words.distances', { ...labels, [id]: text });
  const pick = (id: string) => {
    if (!KNOWN.some(([one]) => one === id)) setLabel(id, labels[id] ?? DISTANCE_WORDS.own);
    set({ id });
  };
  const forHeight = (heightIn: number) => length(distanceFor(row, { heightIn }));
  const n = index + 1;
  return (
    <fieldset className="rounded border-[1.5px] border-base-300 p-3">
      <legend className="sr-only">{DISTANCE_WORDS.distance(n)}</legend>
      <div className="flex flex-wrap items-end gap-3">
        <WhatField known={known} id={row.id} n={n} onPick={pick} />
        {!known && (
          <label className="flex flex-col text-sm">
            {DISTANCE_WORDS.itsName}
            <input
              className="input w-48"
              value={labels[row.id] ?? ''}
              onChange={(e) => setLabel(row.id, e.target.value)}
            />
          </label>
        )}
        <div className="flex flex-col text-sm">
          <label htmlFor={`distance-${n}`}>{DISTANCE_WORDS.fixed}</label>
          <LengthInput id={`distance-${n}`} inches={row.valueIn} onChange={(v) => set({ valueIn: v ?? 0 })} />
        </div>
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={row.scales}
            onChange={(e) => set({ scales: e.target.checked })}
          />
          {DISTANCE_WORDS.grows}
        </label>
        <PlusField row={row} n={n} onChange={(more) => set({ plus: more })} />
        <button type="button" className="btn" aria-label={DISTANCE_WORDS.remove(n)} onClick={onRemove}>
          {EDITOR_WORDS.remove}
        </button>
      </div>
      <p className="mt-2 text-sm text-base-content/80">
        {[60, 70, 78].map((h) => DISTANCE_WORDS.tall(length(h, 0), forHeight(h))).join(' · ')}{' '}
        {DISTANCE_WORDS.tried(length(HEIGHT_RANGE_IN.low, 0), length(HEIGHT_RANGE_IN.high, 0))}
      </p>
    </fieldset>
  );
}

interface WhatFieldProps {
  readonly known: boolean;
  readonly id: string;
  readonly n: number;
  readonly onPick: (id: string) => void;
}

const WhatField = ({ known, id, n, onPick }: WhatFieldProps) => (
  <label className="flex flex-col text-sm">
    {DISTANCE_WORDS.what}
    <select
      className="select w-64"
      value={known ? id : 'own'}
      onChange={(e) => onPick(e.target.value === 'own' ? `own_distance_${n}` : e.target.value)}
    >
      {KNOWN.map(([one, text]) => (
        <option key={one} value={one}>
          {text}
        </option>
      ))}
      <option value="own">{DISTANCE_WORDS.another}</option>
    </select>
  </label>
);

type Plus = { readonly share: number; readonly of: BodyLength };
interface PlusFieldProps {
  readonly row: { readonly plus?: Plus | undefined };
  readonly n: number;
  readonly onChange: (plus: Plus | undefined) => void;
}
const USUAL_SHARE = 0.1;

/** A share of the student's own body, on top of the fixed part. */
const PlusField = ({ row, n, onChange }: PlusFieldProps) => (
  <label className="flex flex-col text-sm">
    {DISTANCE_WORDS.plus}
    <span className="flex gap-2">
      <input
        className="input w-20"
        type="number"
        step={1}
        aria-label={DISTANCE_WORDS.perCent(n)}
        disabled={!row.plus}
        value={row.plus ? Math.round(row.plus.share * 100) : ''}
        onChange={(e) => row.plus && onChange({ ...row.plus, share: Number(e.target.value) / 100 })}
      />
      <select
        className="select w-44"
        aria-label={DISTANCE_WORDS.ofWhat(n)}
        value={row.plus?.of ?? ''}
        onChange={(e) =>
          onChange(
            e.target.value === ''
              ? undefined
              : { share: row.plus?.share ?? USUAL_SHARE, of: e.target.value as BodyLength },
          )
        }
      >
        <option value="">{DISTANCE_WORDS.nothingMore}</option>
        {BODY_LENGTHS.map((of) => (
          <option key={of} value={of}>
            {LENGTH_WORDS[of]}
          </option>
        ))}
      </select>
    </span>
  </label>
);
