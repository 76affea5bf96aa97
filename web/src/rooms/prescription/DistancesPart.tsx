import { SETUP_WORDS } from '@inchstep/contract/words';
import { HEIGHT_RANGE_IN } from '@inchstep/core/intake';
import { BODY_LENGTHS, type BodyLength, distanceFor } from '@inchstep/core/prescription';
import { useFieldArray, useWatch } from 'react-hook-form';
import { LengthInput } from '../../platform/fields.tsx';
import { Panel } from '../../platform/parts.tsx';
import { useUnits } from '../../platform/units.ts';
import type { Part } from './DrillEditorParts.tsx';

/** Given to every drill by the program. */
const GIVEN = ['stance', 'camera_away', 'camera_height'];
const KNOWN = Object.entries(SETUP_WORDS).filter(([id]) => !GIVEN.includes(id));
const LENGTH_WORDS: Readonly<Record<BodyLength, string>> = {
  heightIn: 'standing height',
  outerHipWidthIn: 'hip width',
  shoulderWidthIn: 'shoulder width',
  thighIn: 'thigh',
  shankIn: 'lower leg',
};
const MOST_DISTANCES = 6;

/** Distances on the card: a fixed part, scaled or not, and a share of the student's own body. */
export function DistancesPart({ form }: Part) {
  const rows = useFieldArray({ control: form.control, name: 'drill.setup' });
  const taken = (useWatch({ control: form.control, name: 'drill.setup' }) ?? []).map((row) => row.id);
  const free = KNOWN.find(([id]) => !taken.includes(id))?.[0] ?? 'distance';
  return (
    <Panel title="Distances on the card">
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
            Add a distance
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
    if (!KNOWN.some(([one]) => one === id)) setLabel(id, labels[id] ?? 'My distance');
    set({ id });
  };
  const forHeight = (heightIn: number) => length(distanceFor(row, { heightIn }));
  const n = index + 1;
  return (
    <fieldset className="rounded border-[1.5px] border-base-300 p-3">
      <legend className="sr-only">Distance {n}</legend>
      <div className="flex flex-wrap items-end gap-3">
        <WhatField known={known} id={row.id} n={n} onPick={pick} />
        {!known && (
          <label className="flex flex-col text-sm">
            Its name
            <input
              className="input w-48"
              value={labels[row.id] ?? ''}
              onChange={(e) => setLabel(row.id, e.target.value)}
            />
          </label>
        )}
        <div className="flex flex-col text-sm">
          <label htmlFor={`distance-${n}`}>Fixed part</label>
          <LengthInput id={`distance-${n}`} inches={row.valueIn} onChange={(v) => set({ valueIn: v ?? 0 })} />
        </div>
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={row.scales}
            onChange={(e) => set({ scales: e.target.checked })}
          />
          grows with the student
        </label>
        <PlusField row={row} n={n} onChange={(more) => set({ plus: more })} />
        <button type="button" className="btn" aria-label={`Remove distance ${n}`} onClick={onRemove}>
          Remove
        </button>
      </div>
      <p className="mt-2 text-sm text-base-content/80">
        {[60, 70, 78].map((h) => `${length(h, 0)} tall: ${forHeight(h)}`).join(' · ')} (tried from{' '}
        {length(HEIGHT_RANGE_IN.low, 0)} to {length(HEIGHT_RANGE_IN.high, 0)})
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
    What
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
      <option value="own">another, not drawn</option>
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
    plus, % of
    <span className="flex gap-2">
      <input
        className="input w-20"
        type="number"
        step={1}
        aria-label={`Distance ${n}, per cent`}
        disabled={!row.plus}
        value={row.plus ? Math.round(row.plus.share * 100) : ''}
        onChange={(e) => row.plus && onChange({ ...row.plus, share: Number(e.target.value) / 100 })}
      />
      <select
        className="select w-44"
        aria-label={`Distance ${n}, of what`}
        value={row.plus?.of ?? ''}
        onChange={(e) =>
          onChange(
            e.target.value === ''
              ? undefined
              : { share: row.plus?.share ?? USUAL_SHARE, of: e.target.value as BodyLength },
          )
        }
      >
        <option value="">nothing more</option>
        {BODY_LENGTHS.map((of) => (
          <option key={of} value={of}>
            {LENGTH_WORDS[of]}
          </option>
        ))}
      </select>
    </span>
  </label>
);
