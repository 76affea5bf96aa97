import type { DrillForm } from '@inchstep/contract/formats';
import { AID_WORDS, choiceText, LIMIT_WORDS, PHASE_WORDS, PLACE_WORDS } from '@inchstep/contract/words';
import { PHASES } from '@inchstep/core/diagnosis';
import { AIDS, PLACES, SCHOOL_OPTIONS } from '@inchstep/core/intake';
import { LIMIT_OF_LOAD, type LoadClass } from '@inchstep/core/prescription';
import { Controller, type UseFormReturn } from 'react-hook-form';
import { Choice, Field, Several } from '../../platform/fields.tsx';
import { Panel } from '../../platform/parts.tsx';
import type { Part } from './DrillEditorParts.tsx';
import { useLibrary } from './library.tsx';
import { PickList, pairs } from './PickList.tsx';

const CHOICE_OPTIONS = pairs(
  Object.entries(SCHOOL_OPTIONS).flatMap(([question, options]) => options.map((o) => `${question}.${o}`)),
  choiceText,
);
const words = <T extends string>(ids: readonly T[], table: Readonly<Record<string, string>>) =>
  Object.fromEntries(ids.map((id) => [id, table[id] ?? id])) as Record<T, string>;

export function FitPart({ form: { register, control } }: Part) {
  const { drills, nameOf } = useLibrary();
  const drillOptions = pairs(
    drills.map((drill) => drill.id),
    nameOf,
  );
  return (
    <Panel title="Whom and where it fits">
      <div className="flex flex-col gap-4">
        <Controller
          control={control}
          name="drill.phase"
          render={({ field }) => (
            <Choice
              legend="Part of the swing"
              value={field.value}
              options={words(PHASES, PHASE_WORDS)}
              onChange={field.onChange}
            />
          )}
        />
        <Controller
          control={control}
          name="drill.places"
          render={({ field }) => (
            <Several
              legend="Can be done at"
              values={field.value}
              options={words(PLACES, PLACE_WORDS)}
              onChange={field.onChange}
            />
          )}
        />
        <Controller
          control={control}
          name="drill.ball"
          render={({ field }) => (
            <Choice
              legend="Ball"
              value={field.value}
              options={{
                no: 'Never',
                either: 'With or without',
                no_then_yes: 'Without, then with',
                yes: 'Always',
              }}
              onChange={field.onChange}
            />
          )}
        />
        <AidsField control={control} />
        <fieldset>
          <legend className="mb-1 font-semibold">Loads</legend>
          <div className="flex flex-wrap gap-3">
            {(Object.keys(LIMIT_OF_LOAD) as LoadClass[]).map((load) => (
              <label key={load} className="flex flex-col text-sm">
                {LIMIT_WORDS[LIMIT_OF_LOAD[load]]}
                <select
                  className="select w-32"
                  {...register(`drill.loads.${load}`, {
                    setValueAs: (v: string | number | undefined) => (v ? Number(v) : undefined),
                  })}
                >
                  <option value="">not</option>
                  <option value={1}>a little</option>
                  <option value={2}>much</option>
                </select>
              </label>
            ))}
          </div>
        </fieldset>
        <div className="grid gap-3 sm:grid-cols-2">
          <Field id="cueKind" label="Cue">
            <select id="cueKind" className="select w-full" {...register('drill.cue.kind')}>
              <option value="external">an object to touch or miss</option>
              <option value="inner">a feel inside the body</option>
              <option value="both">both</option>
            </select>
          </Field>
          <Field id="cueSide" label="Side it thinks of">
            <select id="cueSide" className="select w-full" {...register('drill.cue.side')}>
              <option value="lead">lead</option>
              <option value="trail">trail</option>
              <option value="both">both</option>
            </select>
          </Field>
        </div>
        <Controller
          control={control}
          name="drill.schools"
          render={({ field }) => (
            <PickList
              label="Only in schools with"
              options={CHOICE_OPTIONS}
              values={field.value ?? []}
              onChange={field.onChange}
            />
          )}
        />
        <Controller
          control={control}
          name="drill.clashes"
          render={({ field }) => (
            <PickList
              label="Never in schools with"
              options={CHOICE_OPTIONS}
              values={field.value ?? []}
              onChange={field.onChange}
            />
          )}
        />
        <Controller
          control={control}
          name="drill.notWith"
          render={({ field }) => (
            <PickList
              label="Fights these drills"
              options={drillOptions}
              values={field.value ?? []}
              onChange={field.onChange}
            />
          )}
        />
        <label className="flex min-h-11 items-center gap-2">
          <input type="checkbox" className="checkbox" {...register('drill.needsFaceAndArms')} />
          Trains more turn through the ball: a square face and deep arms come first
        </label>
      </div>
    </Panel>
  );
}

/** Each row is needed; within a row any one will do. */
function AidsField({ control }: Pick<UseFormReturn<DrillForm>, 'control'>) {
  return (
    <Controller
      control={control}
      name="drill.aids"
      render={({ field }) => (
        <div className="flex flex-col gap-2">
          {field.value.map((group, i) => (
            <div key={`${i}:${group.join()}`}>
              <Several
                legend={i === 0 ? 'Needs one of' : 'and one of'}
                values={group}
                options={words(AIDS, AID_WORDS)}
                onChange={(values) =>
                  field.onChange(
                    field.value.map((g, k) => (k === i ? values : g)).filter((g) => g.length > 0),
                  )
                }
              />
            </div>
          ))}
          <button
            type="button"
            className="btn self-start"
            onClick={() => field.onChange([...field.value, ['stick']])}
          >
            {field.value.length === 0 ? 'Needs an aid' : 'Needs another aid too'}
          </button>
        </div>
      )}
    />
  );
}
