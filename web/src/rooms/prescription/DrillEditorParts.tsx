import type { DrillForm } from '@inchstep/contract/formats';
import { faultName, measureName } from '@inchstep/contract/words';
import { FAULTS } from '@inchstep/core/diagnosis';
import { BAND_ROWS } from '@inchstep/core/intake';
import { Controller, type UseFormReturn, useFieldArray } from 'react-hook-form';
import { Field } from '../../platform/fields.tsx';
import { Panel } from '../../platform/parts.tsx';
import { PickList, pairs } from './PickList.tsx';
import { EDITOR_WORDS, LINE_WORDS, MENDS_WORDS } from './words.ts';

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
  ['words.purpose', LINE_WORDS.purpose],
  ['words.cue', LINE_WORDS.cue],
  ['words.counts', LINE_WORDS.counts],
  ['words.fake', LINE_WORDS.fake],
  ['words.tooMuch', LINE_WORDS.tooMuch],
] as const;

export function WordsPart({ form: { register, control } }: Part) {
  return (
    <Panel title={LINE_WORDS.title}>
      <div className="flex flex-col gap-3">
        <Field id="name" label={LINE_WORDS.name}>
          <input id="name" className="input w-full" {...register('words.name')} />
        </Field>
        <Field id="steps" label={LINE_WORDS.steps} hint={LINE_WORDS.stepsHint}>
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
    <Panel title={MENDS_WORDS.title}>
      <div className="flex flex-col gap-2">
        {fixes.fields.map((row, i) => (
          <div key={row.id} className="flex flex-wrap gap-2">
            <select
              aria-label={MENDS_WORDS.fault(i + 1)}
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
              aria-label={MENDS_WORDS.howWell(i + 1)}
              className="select w-36"
              {...register(`drill.fixes.${i}.strength`, { setValueAs: Number })}
            >
              {Object.entries(MENDS_WORDS.strengths).map(([strength, text]) => (
                <option key={strength} value={strength}>
                  {text}
                </option>
              ))}
            </select>
            <button
              type="button"
              className="btn"
              aria-label={MENDS_WORDS.removeFault(i + 1)}
              onClick={() => fixes.remove(i)}
            >
              {EDITOR_WORDS.remove}
            </button>
          </div>
        ))}
        <button
          type="button"
          className="btn self-start"
          onClick={() => fixes.append({ fault: FAULT_OPTIONS[0]?.[0] ?? '', strength: 2 })}
        >
          {MENDS_WORDS.add}
        </button>
        <Field id="overdo" label={MENDS_WORDS.overdo}>
          <select
            id="overdo"
            className="select w-full"
            {...register('drill.overdo', { setValueAs: (v: string | null) => v || null })}
          >
            <option value="">{MENDS_WORDS.noOverdo}</option>
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
              label={MENDS_WORDS.moves}
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
