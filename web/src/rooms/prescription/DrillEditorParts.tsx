import type { DrillForm } from '@inchstep/contract/formats';
import { faultName, measureName } from '@inchstep/contract/words';
import { FAULTS } from '@inchstep/core/diagnosis';
import { BAND_ROWS } from '@inchstep/core/intake';
import { Controller, type UseFormReturn, useFieldArray } from 'react-hook-form';
import { Field } from '../../platform/fields.tsx';
import { Panel } from '../../platform/parts.tsx';
import { PickList, pairs } from './PickList.tsx';

export type Part = { readonly form: UseFormReturn<DrillForm> };

const FAULT_OPTIONS = pairs(
  FAULTS.map((fault) => fault.id),
  faultName,
);
const MEASURE_OPTIONS = pairs(
  BAND_ROWS.map((row) => row.id),
  measureName,
);
const LINES = [
  ['words.purpose', 'What it is for'],
  ['words.cue', 'The one cue'],
  ['words.counts', 'It counts when'],
  ['words.fake', 'Faking it looks like'],
  ['words.tooMuch', 'Too much looks like'],
] as const;

export function WordsPart({ form: { register, control } }: Part) {
  return (
    <Panel title="What the student reads">
      <div className="flex flex-col gap-3">
        <Field id="name" label="Name">
          <input id="name" className="input w-full" {...register('words.name')} />
        </Field>
        <Field id="steps" label="Steps" hint="One a line.">
          <Controller
            control={control}
            name="words.steps"
            render={({ field }) => (
              <textarea
                id="steps"
                rows={4}
                className="textarea w-full"
                value={field.value.join('\n')}
                onChange={(e) => field.onChange(e.target.value === '' ? [] : e.target.value.split('\n'))}
                onBlur={() => field.onChange(field.value.map((line) => line.trim()).filter(Boolean))}
              />
            )}
          />
        </Field>
        {LINES.map(([name, label]) => (
          <Field key={name} id={name} label={label}>
            <input id={name} className="input w-full" {...register(name)} />
          </Field>
        ))}
      </div>
    </Panel>
  );
}

export function MendsPart({ form: { register, control } }: Part) {
  const fixes = useFieldArray({ control, name: 'drill.fixes' });
  return (
    <Panel title="What it mends">
      <div className="flex flex-col gap-2">
        {fixes.fields.map((row, i) => (
          <div key={row.id} className="flex flex-wrap gap-2">
            <select
              aria-label={`Fault ${i + 1}`}
              className="select flex-1"
              {...register(`drill.fixes.${i}.fault`)}
            >
              {FAULT_OPTIONS.map(([id, text]) => (
                <option key={id} value={id}>
                  {text}
                </option>
              ))}
            </select>
            <select
              aria-label={`How well it mends fault ${i + 1}`}
              className="select w-36"
              {...register(`drill.fixes.${i}.strength`, { setValueAs: Number })}
            >
              <option value={1}>a little</option>
              <option value={2}>well</option>
              <option value={3}>first of all</option>
            </select>
            <button
              type="button"
              className="btn"
              aria-label={`Remove fault ${i + 1}`}
              onClick={() => fixes.remove(i)}
            >
              Remove
            </button>
          </div>
        ))}
        <button
          type="button"
          className="btn self-start"
          onClick={() => fixes.append({ fault: FAULT_OPTIONS[0]?.[0] ?? '', strength: 2 })}
        >
          Add a fault
        </button>
        <Field id="overdo" label="Overdone, it makes">
          <select
            id="overdo"
            className="select w-full"
            {...register('drill.overdo', { setValueAs: (v: string | null) => v || null })}
          >
            <option value="">nothing known</option>
            {FAULT_OPTIONS.map(([id, text]) => (
              <option key={id} value={id}>
                {text}
              </option>
            ))}
          </select>
        </Field>
        <Controller
          control={control}
          name="drill.moves"
          render={({ field }) => (
            <PickList
              label="Moves these measures"
              options={MEASURE_OPTIONS}
              values={field.value ?? []}
              onChange={field.onChange}
            />
          )}
        />
      </div>
    </Panel>
  );
}
