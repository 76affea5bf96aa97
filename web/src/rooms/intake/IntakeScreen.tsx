import { zodResolver } from '@hookform/resolvers/zod';
import { type Profile, profileSchema } from '@inchstep/contract/intake';
import { AID_WORDS, PLACE_WORDS, VIEW_WORDS, WEEKDAY_WORDS } from '@inchstep/contract/words';
import { NO_TROUBLE } from '@inchstep/core/intake';
import { useMemo } from 'react';
import { type Control, Controller, useForm, type UseFormReturn } from 'react-hook-form';
import { useNavigate, useParams } from 'react-router';
import { toast } from 'sonner';
import { Failed, newId, Panel, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { Choice, Field, LengthInput, Several } from './fields.tsx';
import { useSaveStudent, useStudent } from './queries.ts';
import { SafetyPart } from './SafetyPart.tsx';
import { ARM_SWING_WORDS, CUE_KIND_WORDS, CUE_SIDE_WORDS, FLEXIBILITY_WORDS, HAND_WORDS, PRESET_WORDS } from './words.ts';

const NEW_PROFILE = {
  firstName: '',
  familyName: '',
  bornOn: '',
  handedness: 'right',
  heightIn: Number.NaN,
  outerHipWidthIn: null,
  hipJointsApartIn: null,
  flexibility: 'usual',
  armSwing: 'usual',
  beginner: false,
  aids: ['stick', 'phone'],
  places: ['home', 'range'],
  cueLiking: { kind: 'any', side: 'any' },
  films: ['face_on', 'down_the_line'],
  days: ['mon', 'wed', 'fri', 'sat'],
  minutesPerDay: { sat: 40 },
  placeByDay: { sat: 'range' },
  ballsPerVisit: 50,
  school: { preset: 'centre_and_turn' },
  safety: NO_TROUBLE,
  guardianConsent: null,
  aims: '',
  nextLesson: null,
} as unknown as Profile;

/** Who the student is, what they have and what they must be careful with. */
export function IntakeScreen() {
  const { id } = useParams();
  const student = useStudent(id);
  if (!id) return <IntakeForm key="new" id={null} version={null} profile={NEW_PROFILE} />;
  return (
    <Shown query={student} what="the intake">
      {(s) => <IntakeForm key={s.version} id={s.id} version={s.version} profile={s.profile} />}
    </Shown>
  );
}

export type IntakeControl = Control<Profile>;

function IntakeForm({ id, version, profile }: { readonly id: string | null; readonly version: number | null; readonly profile: Profile }) {
  const navigate = useNavigate();
  const save = useSaveStudent();
  const made = useMemo(() => id ?? newId(), [id]);
  const form = useForm<Profile>({ defaultValues: profile, resolver: zodResolver(profileSchema) as never });
  const submit = form.handleSubmit((values) =>
    save.mutate(
      { id: made, version, profile: values },
      {
        onSuccess: (student) => {
          toast('Saved.');
          void navigate(id ? `/students/${student.id}` : `/students/${student.id}/bench`);
        },
      },
    ),
  );
  const wrong = Object.keys(form.formState.errors).length;
  return (
    <form onSubmit={(event) => void submit(event)} className="mx-auto flex max-w-5xl flex-col gap-4 p-4" noValidate>
      <h1 className="text-3xl">{id ? 'Intake' : 'New student'}</h1>
      <div className="grid gap-4 lg:grid-cols-2">
        <PersonPart form={form} />
        <PracticePart form={form} />
        <SafetyPart form={form} />
        <TeachingPart form={form} />
      </div>
      {save.error && <Failed error={save.error} />}
      <div className="sticky bottom-0 flex items-center gap-3 border-t-[1.5px] border-base-300 bg-base-100 py-3">
        <button type="submit" className="btn btn-primary btn-lg" disabled={save.isPending}>
          {id ? 'Save' : 'Save and go to the bench'}
        </button>
        {wrong > 0 && <p className="font-semibold text-error">{wrong === 1 ? 'One field needs' : `${wrong} fields need`} a look above.</p>}
      </div>
    </form>
  );
}

type Part = { readonly form: UseFormReturn<Profile> };

function PersonPart({ form: { register, control, formState } }: Part) {
  const { errors } = formState;
  return (
    <Panel title="Person">
      <div className="flex flex-col gap-3">
        <div className="grid gap-3 sm:grid-cols-2">
          <Field id="firstName" label="First name" error={errors.firstName?.message}>
            <input id="firstName" className="input w-full" {...register('firstName')} />
          </Field>
          <Field id="familyName" label="Family name" error={errors.familyName?.message}>
            <input id="familyName" className="input w-full" {...register('familyName')} />
          </Field>
          <Field id="bornOn" label="Born on" error={errors.bornOn?.message}>
            <input id="bornOn" type="date" className="input w-full" {...register('bornOn')} />
          </Field>
          <Field id="heightIn" label="Height" error={errors.heightIn?.message}>
            <Controller control={control} name="heightIn" render={({ field }) => <LengthInput id="heightIn" inches={field.value} onChange={(v) => field.onChange(v ?? Number.NaN)} required />} />
          </Field>
          <Field id="outerHipWidthIn" label="Hips, outside to outside" hint="By tape, if you can: it sharpens every stance number." error={errors.outerHipWidthIn?.message}>
            <Controller control={control} name="outerHipWidthIn" render={({ field }) => <LengthInput id="outerHipWidthIn" inches={field.value} onChange={field.onChange} />} />
          </Field>
        </div>
        <Controller control={control} name="handedness" render={({ field }) => <Choice legend="Plays" value={field.value} options={HAND_WORDS} onChange={field.onChange} />} />
        <Controller control={control} name="flexibility" render={({ field }) => <Choice legend="Flexibility" value={field.value} options={FLEXIBILITY_WORDS} onChange={field.onChange} />} />
        <Controller control={control} name="armSwing" render={({ field }) => <Choice legend="Arm swing" value={field.value} options={ARM_SWING_WORDS} onChange={field.onChange} />} />
        <label className="flex min-h-11 items-center gap-3">
          <input type="checkbox" className="checkbox" {...register('beginner')} /> Beginner: one drill at a time
        </label>
        <Field id="aims" label="Aims">
          <textarea id="aims" className="textarea w-full" rows={2} {...register('aims')} />
        </Field>
      </div>
    </Panel>
  );
}

function PracticePart({ form: { register, control, formState, watch } }: Part) {
  const days = watch('days');
  const { errors } = formState;
  return (
    <Panel title="Practice">
      <div className="flex flex-col gap-3">
        <Controller control={control} name="days" render={({ field }) => <Several legend="Days" values={field.value} options={WEEKDAY_WORDS as Record<(typeof field.value)[number], string>} onChange={field.onChange} error={errors.days?.message} />} />
        <div className="grid grid-cols-[auto_7rem_1fr] items-center gap-x-3 gap-y-1">
          {days.map((day) => (
            <div key={day} className="contents">
              <span className="font-semibold">{WEEKDAY_WORDS[day]}</span>
              <label className="flex items-center gap-1">
                <input aria-label={`Minutes on ${WEEKDAY_WORDS[day]}`} type="number" min={5} max={240} placeholder="20" className="input w-20" {...register(`minutesPerDay.${day}`, { setValueAs: (v) => (v === '' || v === null || Number.isNaN(Number(v)) ? undefined : Number(v)) })} /> min
              </label>
              <select aria-label={`Place on ${WEEKDAY_WORDS[day]}`} className="select w-32" {...register(`placeByDay.${day}`, { setValueAs: (v) => (v === '' ? undefined : v) })}>
                <option value="">Home</option>
                <option value="range">Range</option>
                <option value="net">Net</option>
                <option value="course">Course</option>
              </select>
            </div>
          ))}
        </div>
        <Controller control={control} name="places" render={({ field }) => <Several legend="Places" values={field.value} options={PLACE_WORDS as Record<(typeof field.value)[number], string>} onChange={field.onChange} error={errors.places?.message} />} />
        <Field id="ballsPerVisit" label="Balls a visit">
          <input id="ballsPerVisit" type="number" min={0} max={500} className="input w-28" {...register('ballsPerVisit', { valueAsNumber: true })} />
        </Field>
        <Controller control={control} name="aids" render={({ field }) => <Several legend="Has at hand" values={field.value} options={AID_WORDS as Record<(typeof field.value)[number], string>} onChange={field.onChange} />} />
        <Controller control={control} name="films" render={({ field }) => <Several legend="Can film" values={field.value} options={VIEW_WORDS as Record<(typeof field.value)[number], string>} onChange={field.onChange} error={errors.films?.message} />} />
      </div>
    </Panel>
  );
}

function TeachingPart({ form: { register, control, formState } }: Part) {
  const me = useMe();
  return (
    <Panel title="Teaching">
      <div className="flex flex-col gap-3">
        <Field id="preset" label="School">
          <select id="preset" className="select w-full" {...register('school.preset')}>
            {Object.entries(PRESET_WORDS).map(([key, text]) => (
              <option key={key} value={key}>
                {text}
              </option>
            ))}
          </select>
        </Field>
        <Controller control={control} name="cueLiking.kind" render={({ field }) => <Choice legend="Likes to think of" value={field.value} options={CUE_KIND_WORDS} onChange={field.onChange} />} />
        <Controller control={control} name="cueLiking.side" render={({ field }) => <Choice legend="Feels best on the" value={field.value} options={CUE_SIDE_WORDS} onChange={field.onChange} />} />
        <Field id="nextLesson" label="Next lesson" error={formState.errors.nextLesson?.message}>
          <input id="nextLesson" type="date" min={me.data?.today} className="input w-48" {...register('nextLesson', { setValueAs: (v) => (v === '' ? null : v) })} />
        </Field>
      </div>
    </Panel>
  );
}
