import { measureName } from '@inchstep/contract/words';
import {
  type Band,
  type BandContext,
  DEFAULT_PRESET,
  type MovedBand,
  movedBands,
  resolveSchool,
  SCHOOL_OPTIONS,
  SCHOOL_PRESETS,
  type School,
  type SchoolPreset,
  type SchoolQuestion,
} from '@inchstep/core/intake';
import { Controller, useWatch } from 'react-hook-form';
import { Field } from '../../platform/fields.tsx';
import { Panel } from '../../platform/parts.tsx';
import { Tape, tapeDomain } from '../../platform/tape.tsx';
import type { Part } from './IntakeParts.tsx';
import { useSchools } from './queries.ts';
import { PRESET_WORDS, QUESTION_WORDS, SCHOOL_PART_WORDS } from './words.ts';

const QUESTIONS = Object.keys(SCHOOL_OPTIONS) as SchoolQuestion[];

/** The school a student is taught, each answer changeable, with the bands that a change moves. */
export function SchoolPart({ form }: Part) {
  const { register, control } = form;
  const school = useWatch({ control, name: 'school' });
  const preset = school.preset ?? DEFAULT_PRESET;
  const changed = QUESTIONS.filter(
    (q) => (school[q] ?? SCHOOL_PRESETS[preset][q]) !== SCHOOL_PRESETS[preset][q],
  );
  return (
    <Panel title={SCHOOL_PART_WORDS.title}>
      <div className="flex flex-col gap-3">
        <Field id="preset" label={SCHOOL_PART_WORDS.school}>
          <select id="preset" className="select w-full max-w-sm" {...register('school.preset')}>
            {Object.entries(PRESET_WORDS).map(([key, text]) => (
              <option key={key} value={key}>
                {text}
              </option>
            ))}
          </select>
        </Field>
        <details open={changed.length > 0 || undefined}>
          <summary className="min-h-11 cursor-pointer py-2 font-semibold">
            {SCHOOL_PART_WORDS.answers(changed.length)}
          </summary>
          <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2">
            {QUESTIONS.map((question) => (
              <Question key={question} form={form} question={question} preset={preset} />
            ))}
          </div>
        </details>
        {changed.length > 0 && <Moved form={form} preset={preset} />}
      </div>
    </Panel>
  );
}

interface QuestionProps extends Part {
  readonly question: SchoolQuestion;
  readonly preset: SchoolPreset;
}

/** One question on which teachers differ; the school's own answer is kept by not answering. */
function Question({ form: { control }, question, preset }: QuestionProps) {
  const own = SCHOOL_PRESETS[preset][question];
  const words = QUESTION_WORDS[question];
  const id = `school.${question}`;
  return (
    <Controller
      control={control}
      name={`school.${question}`}
      render={({ field }) => {
        const isChanged = (field.value ?? own) !== own;
        return (
          <div className={isChanged ? 'border-l-[6px] border-accent pl-3' : ''}>
            <Field id={id} label={words.ask}>
              <select
                id={id}
                className="select w-full"
                value={field.value ?? own}
                onChange={(e) => field.onChange(e.target.value === own ? undefined : e.target.value)}
              >
                {SCHOOL_OPTIONS[question].map((option) => (
                  <option key={option} value={option}>
                    {optionText(words.options, option)}
                    {option === own ? SCHOOL_PART_WORDS.schoolsOwn : ''}
                  </option>
                ))}
              </select>
            </Field>
          </div>
        );
      }}
    />
  );
}

const optionText = (options: Readonly<Record<string, string>>, option: string): string =>
  options[option] ?? option;

/** Each band that the changed answers move, before and after. */
function Moved({ form: { control }, preset }: Part & { readonly preset: SchoolPreset }) {
  const [school, heightIn, flexibility, armSwing] = useWatch({
    control,
    name: ['school', 'heightIn', 'flexibility', 'armSwing'],
  });
  const page = useSchools().data?.find((one) => one.preset === preset);
  const bands = Object.fromEntries(
    (page?.bands ?? []).flatMap(({ measure, now, edit }) => (edit ? [[measure, now] as const] : [])),
  );
  const before = resolveSchool({ preset, bands });
  const given = Object.fromEntries(Object.entries(school).filter(([, value]) => value !== undefined));
  const after = resolveSchool({ ...given, bands }) as School;
  const context: BandContext = {
    heightIn: Number.isFinite(heightIn) ? heightIn : 70,
    flexibility,
    armSwing,
    club: 'mid_iron',
    school: before,
  };
  const moved = movedBands(context, before, after);
  return (
    <section aria-label={SCHOOL_PART_WORDS.moves}>
      <h3 className="font-semibold">{SCHOOL_PART_WORDS.moves}</h3>
      {moved.length === 0 && <p className="text-sm">{SCHOOL_PART_WORDS.movesNothing}</p>}
      <ul className="grid gap-x-6 gap-y-3 lg:grid-cols-2">
        {moved.map((pair) => (
          <li key={pair.after.id}>
            <p className="text-sm font-semibold">{measureName(pair.after.id)}</p>
            <Edges title={SCHOOL_PART_WORDS.before} band={pair.before} span={spanOf(pair)} />
            <Edges title={SCHOOL_PART_WORDS.after} band={pair.after} span={spanOf(pair)} labelled />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Both bands on one stretch of tape, so that what moved is seen. */
function spanOf({ before, after }: MovedBand): [number, number] {
  const [a, b] = [tapeDomain(before), tapeDomain(after)];
  return [Math.min(a[0], b[0]), Math.max(a[1], b[1])];
}

interface EdgesProps {
  readonly title: string;
  readonly band: Band;
  readonly span: readonly [number, number];
  readonly labelled?: boolean;
}

function Edges({ title, band, span, labelled = false }: EdgesProps) {
  return (
    <figure className="grid grid-cols-[8rem_1fr] items-center gap-2">
      <figcaption className="text-sm text-base-content/80">{title}</figcaption>
      <Tape name={`${measureName(band.id)}, ${title}`} band={band} compact={!labelled} span={span} />
    </figure>
  );
}
