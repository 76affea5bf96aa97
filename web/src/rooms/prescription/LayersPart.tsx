import { Controller, useWatch } from 'react-hook-form';
import { Field } from '../../platform/fields.tsx';
import { Panel } from '../../platform/parts.tsx';
import type { Part } from './DrillEditorParts.tsx';
import { useLibrary } from './library.tsx';
import { LAYERS_PART_WORDS } from './words.layers.ts';
import { EDITOR_WORDS } from './words.ts';

const MOST_LAYERS = 3;

/** Checkpoints in order, each with its text and who can tell; and the drill that guards this one. */
export function LayersPart({ form }: Part) {
  const { register, control, setValue } = form;
  const layers = useWatch({ control, name: 'drill.layers' }) ?? [];
  const texts = useWatch({ control, name: 'words.layers' }) ?? [];
  // Text and teller of a checkpoint stand in two lists that grow and shrink together.
  const put = (told: typeof layers, text: readonly string[]) => {
    setValue('drill.layers', told, { shouldDirty: true });
    setValue('words.layers', [...text], { shouldDirty: true });
  };
  const without = <T,>(list: readonly T[], at: number): T[] => list.filter((_, i) => i !== at);
  return (
    <Panel title={LAYERS_PART_WORDS.title}>
      <div className="flex flex-col gap-3">
        <p className="text-sm text-base-content/80">{LAYERS_PART_WORDS.hint}</p>
        {layers.map((_, i) => (
          <div key={i} className="flex flex-wrap items-center gap-2">
            <input
              aria-label={LAYERS_PART_WORDS.text(i + 1)}
              className="input min-w-48 flex-1"
              {...register(`words.layers.${i}`)}
            />
            <select
              aria-label={LAYERS_PART_WORDS.tells(i + 1)}
              className="select w-52"
              {...register(`drill.layers.${i}.tells`)}
            >
              <option value="student">{LAYERS_PART_WORDS.student}</option>
              <option value="film">{LAYERS_PART_WORDS.film}</option>
            </select>
            <button
              type="button"
              className="btn"
              aria-label={LAYERS_PART_WORDS.remove(i + 1)}
              onClick={() => put(without(layers, i), without(texts, i))}
            >
              {EDITOR_WORDS.remove}
            </button>
          </div>
        ))}
        {layers.length < MOST_LAYERS && (
          <button
            type="button"
            className="btn self-start"
            onClick={() => put([...layers, { tells: 'student', measures: [] }], [...texts, ''])}
          >
            {LAYERS_PART_WORDS.add}
          </button>
        )}
        <GuardField form={form} />
      </div>
    </Panel>
  );
}

function GuardField({ form: { control } }: Part) {
  const library = useLibrary();
  return (
    <Field id="guard" label={LAYERS_PART_WORDS.guard}>
      <Controller
        control={control}
        name="drill.guard"
        render={({ field }) => (
          <select
            id="guard"
            className="select w-full"
            value={field.value ?? ''}
            onChange={(e) => field.onChange(e.target.value || null)}
          >
            <option value="">{LAYERS_PART_WORDS.noGuard}</option>
            {library.drills.map(({ id }) => (
              <option key={id} value={id}>
                {library.nameOf(id)}
              </option>
            ))}
          </select>
        )}
      />
    </Field>
  );
}
