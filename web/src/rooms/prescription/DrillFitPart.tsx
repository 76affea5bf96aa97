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
import { FIT_WORDS } from './words.ts';

const CHOICE_OPTIONS = pairs(
  Object.entries(SCHOOL_OPTIONS).flatMap(([question, options]) => options.map((o) => `${question}.${o}`)),
  choiceText,
);
const words = <T extends string>(ids: readonly T[], table: Readonly<Record<string, string>>) =>
  Object.fromEntries(ids.map((id) => [id, table[id] ?? id])) as Record<T, string>;

/** Whom and where a drill fits, part by part. */
export function FitPart({ form: { register, control } }: Part) {
  return (
    <Panel title={FIT_WORDS.title}>
      <div className="flex flex-col gap-4">
        <PlaceFields control={control} />
        <AidsField control={control} />
        <LoadFields register={register} />
        <CueFields register={register} />
        <SchoolFields control={control} />
        <HabitFields register={register} />
        <label className="flex min-h-11 items-center gap-2">
          <input type="checkbox" className="checkbox" {...register('drill.needsFaceAndArms')} />
          {FIT_WORDS.faceFirst}
        </label>
      </div>
    </Panel>
  );
}

type Control = Pick<UseFormReturn<DrillForm>, 'control'>;
type Register = Pick<UseFormReturn<DrillForm>, 'register'>;

/** What of the ladder it takes part in. */
const HabitFields = ({ register }: Register) => (
  <fieldset className="flex flex-col">
    <legend className="font-semibold">{FIT_WORDS.habits}</legend>
    <label className="flex min-h-11 flex-wrap items-center gap-2">
      {FIT_WORDS.topOn}
      <select
        className="select h-11 w-56"
        {...register('drill.habits.topOn', { setValueAs: (value: string) => value || null })}
      >
        <option value="">{FIT_WORDS.topOns.none}</option>
        <option value="half">{FIT_WORDS.topOns.half}</option>
        <option value="three_quarter">{FIT_WORDS.topOns.three_quarter}</option>
      </select>
    </label>
    {(['stops', 'warmsUp', 'courseForm'] as const).map((habit) => (
      <label key={habit} className="flex min-h-11 items-center gap-2">
        <input type="checkbox" className="checkbox" {...register(`drill.habits.${habit}`)} />
        {FIT_WORDS.habit[habit]}
      </label>
    ))}
  </fieldset>
);

const PlaceFields = ({ control }: Control) => (
  <>
    <Controller
      control={control}
      name="drill.phase"
      render={({ field }) => (
        <Choice
          legend={FIT_WORDS.phase}
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
          legend={FIT_WORDS.places}
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
          legend={FIT_WORDS.ball}
          value={field.value}
          options={FIT_WORDS.balls}
          onChange={field.onChange}
        />
      )}
    />
  </>
);

const LoadFields = ({ register }: Register) => (
  <fieldset>
    <legend className="mb-1 font-semibold">{FIT_WORDS.loads}</legend>
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
            <option value="">{FIT_WORDS.load.none}</option>
            <option value={1}>{FIT_WORDS.load[1]}</option>
            <option value={2}>{FIT_WORDS.load[2]}</option>
          </select>
        </label>
      ))}
    </div>
  </fieldset>
);

const Options = ({ words: said }: { readonly words: Readonly<Record<string, string>> }) =>
  Object.entries(said).map(([id, text]) => (
    <option key={id} value={id}>
      {text}
    </option>
  ));

const CueFields = ({ register }: Register) => (
  <div className="grid gap-3 sm:grid-cols-2">
    <Field id="cueKind" label={FIT_WORDS.cue}>
      <select id="cueKind" className="select w-full" {...register('drill.cue.kind')}>
        <Options words={FIT_WORDS.cues} />
      </select>
    </Field>
    <Field id="cueSide" label={FIT_WORDS.side}>
      <select id="cueSide" className="select w-full" {...register('drill.cue.side')}>
        <Options words={FIT_WORDS.sides} />
      </select>
    </Field>
  </div>
);

/** Schools that it is for or against, and drills that it fights. */
function SchoolFields({ control }: Control) {
  const { drills, nameOf } = useLibrary();
  const drillOptions = pairs(
    drills.map((drill) => drill.id),
    nameOf,
  );
  const lists = [
    ['drill.schools', FIT_WORDS.schools, CHOICE_OPTIONS],
    ['drill.clashes', FIT_WORDS.clashes, CHOICE_OPTIONS],
    ['drill.notWith', FIT_WORDS.notWith, drillOptions],
  ] as const;
  return lists.map(([name, label, options]) => (
    <Controller
      key={name}
      control={control}
      name={name}
      render={({ field }) => (
        <PickList label={label} options={options} values={field.value ?? []} onChange={field.onChange} />
      )}
    />
  ));
}

/** Each row is needed; within a row any one will do. */
function AidsField({ control }: Control) {
  return (
    <Controller
      control={control}
      name="drill.aids"
      render={({ field }) => (
        <div className="flex flex-col gap-2">
          {field.value.map((group, i) => (
            <div key={`${i}:${group.join()}`}>
              <Several
                legend={i === 0 ? FIT_WORDS.needs : FIT_WORDS.needsToo}
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
            {field.value.length === 0 ? FIT_WORDS.addNeed : FIT_WORDS.addNeedToo}
          </button>
        </div>
      )}
    />
  );
}
