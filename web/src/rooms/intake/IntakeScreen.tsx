import { zodResolver } from '@hookform/resolvers/zod';
import { type Profile, profileSchema } from '@inchstep/contract/intake';
import { NO_TROUBLE } from '@inchstep/core/intake';
import { useMemo } from 'react';
import { type Resolver, useForm } from 'react-hook-form';
import { useNavigate, useParams } from 'react-router';
import { toast } from 'sonner';
import { useFormDraft } from '../../platform/drafts.ts';
import { newId } from '../../platform/ids.ts';
import { DraftNote, Failed, Shown } from '../../platform/parts.tsx';
import { PersonPart, PracticePart, TeachingPart } from './IntakeParts.tsx';
import { MailPart } from './MailPart.tsx';
import { useSaveStudent, useStudent } from './queries.ts';
import { SafetyPart } from './SafetyPart.tsx';
import { SchoolPart } from './SchoolPart.tsx';
import { INTAKE_SCREEN_WORDS } from './words.ts';

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
  mail: null,
} as unknown as Profile;

/** Days without minutes or a place of their own are left out, as the open format leaves them out. */
const filledIn = <T extends object>(table: T): T =>
  Object.fromEntries(Object.entries(table).filter(([, value]) => value !== undefined && value !== '')) as T;

const check = zodResolver(profileSchema) as unknown as Resolver<Profile>;
const resolver: Resolver<Profile> = (values, context, options) =>
  check(
    {
      ...values,
      minutesPerDay: filledIn(values.minutesPerDay),
      placeByDay: filledIn(values.placeByDay),
    },
    context,
    options,
  );

/** Who the student is, what they have and what they must be careful with. */
export function IntakeScreen() {
  const { id } = useParams();
  const student = useStudent(id);
  if (!id) return <IntakeForm key="new" id={null} version={null} profile={NEW_PROFILE} />;
  return (
    <Shown query={student} what={INTAKE_SCREEN_WORDS.theIntake}>
      {(s) => <IntakeForm key={s.version} id={s.id} version={s.version} profile={s.profile} />}
    </Shown>
  );
}

function IntakeForm({
  id,
  version,
  profile,
}: {
  readonly id: string | null;
  readonly version: number | null;
  readonly profile: Profile;
}) {
  const navigate = useNavigate();
  const save = useSaveStudent();
  const made = useMemo(() => id ?? newId(), [id]);
  const form = useForm<Profile>({ defaultValues: profile, resolver });
  const draft = useFormDraft(form, `intake.${id ?? 'new'}.${version}`);
  const submit = form.handleSubmit((values) =>
    save.mutate(
      { id: made, version, profile: values },
      {
        onSuccess: (student) => {
          draft.done();
          toast(INTAKE_SCREEN_WORDS.saved);
          void navigate(id ? `/students/${student.id}` : `/students/${student.id}/bench`);
        },
      },
    ),
  );
  const wrong = Object.keys(form.formState.errors).length;
  return (
    <form
      onSubmit={(event) => void submit(event)}
      className="mx-auto flex max-w-5xl flex-col gap-4 p-4"
      noValidate
    >
      {id ? (
        <h2 className="text-3xl">{INTAKE_SCREEN_WORDS.intake}</h2>
      ) : (
        <h1 className="text-3xl">{INTAKE_SCREEN_WORDS.newStudent}</h1>
      )}
      <DraftNote draft={draft} />
      <div className="grid gap-4 lg:grid-cols-2">
        <PersonPart form={form} />
        <PracticePart form={form} />
        <SafetyPart form={form} studentId={id} />
        <TeachingPart form={form} />
        <MailPart form={form} />
      </div>
      <SchoolPart form={form} />
      {save.error && <Failed error={save.error} />}
      <div className="sticky bottom-0 flex items-center gap-3 border-t-[1.5px] border-base-300 bg-base-100 py-3">
        <button type="submit" className="btn btn-primary btn-lg" disabled={save.isPending}>
          {id ? INTAKE_SCREEN_WORDS.save : INTAKE_SCREEN_WORDS.saveAndGo}
        </button>
        {wrong > 0 && <p className="font-semibold text-error">{INTAKE_SCREEN_WORDS.wrong(wrong)}</p>}
      </div>
    </form>
  );
}
