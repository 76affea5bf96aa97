import type { Profile } from '@inchstep/contract/intake';
import { LIMIT_WORDS } from '@inchstep/contract/words';
import { isChild, limitsFrom } from '@inchstep/core/intake';
import { Controller, type UseFormReturn } from 'react-hook-form';
import { Field, Several } from '../../platform/fields.tsx';
import { Panel } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { useHold } from './queries.ts';
import { AREA_WORDS, LIMIT_BECAUSE, SAFETY_PART_WORDS } from './words.ts';

interface SafetyProps {
  readonly form: UseFormReturn<Profile>;
  /** Null for a student who is not saved yet. */
  readonly studentId: string | null;
}

/** "Pain now" pauses every drill once it is saved; while a pause stands, it is lifted at the top of the page. */
function PainNow({ form: { register, watch }, studentId }: SafetyProps) {
  const hold = useHold(studentId);
  if (hold.data) return <p className="font-semibold">{SAFETY_PART_WORDS.painNowPaused}</p>;
  return (
    <>
      <Check label={SAFETY_PART_WORDS.painNow} {...register('safety.painNow')} />
      {watch('safety.painNow') && (
        <>
          <p role="status" className="font-semibold text-error">
            {SAFETY_PART_WORDS.painNowPauses}
          </p>
          <Field id="painWhere" label={SAFETY_PART_WORDS.where}>
            <input id="painWhere" className="input w-full" {...register('safety.painWhere')} />
          </Field>
        </>
      )}
    </>
  );
}

/** The safety questions, and what they close. No medical advice: they only make drills more careful. */
export function SafetyPart({ form, studentId }: SafetyProps) {
  const { register, control, watch, setValue } = form;
  const me = useMe();
  const safety = watch('safety');
  const consent = watch('guardianConsent');
  const born = watch('bornOn');
  const limits = limitsFrom(safety);
  const child =
    born !== '' && me.data !== undefined && isChild({ ageYears: yearsBetween(born, me.data.today) });
  return (
    <Panel title={SAFETY_PART_WORDS.safety}>
      <div className="flex flex-col gap-3">
        <PainNow form={form} studentId={studentId} />
        <Controller
          control={control}
          name="safety.trouble"
          render={({ field }) => (
            <Several
              legend={SAFETY_PART_WORDS.knownTrouble}
              values={field.value}
              options={AREA_WORDS}
              onChange={field.onChange}
            />
          )}
        />
        <Check label={SAFETY_PART_WORDS.surgeryOrInjury} {...register('safety.surgeryOrInjuryInYear')} />
        {safety.surgeryOrInjuryInYear && (
          <Controller
            control={control}
            name="safety.injuredAreas"
            render={({ field }) => (
              <Several
                legend={SAFETY_PART_WORDS.whereWas}
                values={field.value}
                options={AREA_WORDS}
                onChange={field.onChange}
              />
            )}
          />
        )}
        <Check label={SAFETY_PART_WORDS.dizzinessOrTrouble} {...register('safety.dizziness')} />
        <Check label={SAFETY_PART_WORDS.pregnant} {...register('safety.pregnant')} />
        <Field
          id="clinician"
          label={SAFETY_PART_WORDS.cliniciansRestriction}
          hint={SAFETY_PART_WORDS.theirWordGoesBefore}
        >
          <input id="clinician" className="input w-full" {...register('safety.clinicianRestriction')} />
        </Field>
        {child && (
          <div className="panel border-warning p-3">
            <p className="font-semibold">{SAFETY_PART_WORDS.underClipsWaitUntil}</p>
            <Check
              label={SAFETY_PART_WORDS.guardianHasAgreed}
              name="consent"
              checked={consent !== null}
              onChange={(event) =>
                setValue(
                  'guardianConsent',
                  event.target.checked ? { guardian: '', on: me.data?.today ?? '' } : null,
                )
              }
            />
            {consent !== null && (
              <Field
                id="guardian"
                label={SAFETY_PART_WORDS.guardiansName}
                error={form.formState.errors.guardianConsent?.guardian?.message}
              >
                <input id="guardian" className="input w-full" {...register('guardianConsent.guardian')} />
              </Field>
            )}
          </div>
        )}
        <div aria-live="polite">
          {limits.length > 0 && (
            <p className="text-sm">
              {SAFETY_PART_WORDS.drillsWillBeCareful(
                limits.map((l) => `${LIMIT_WORDS[l.limit]} (${LIMIT_BECAUSE[l.because]})`).join(', '),
              )}
            </p>
          )}
        </div>
      </div>
    </Panel>
  );
}

function Check({
  label,
  ...props
}: { readonly label: string } & React.InputHTMLAttributes<HTMLInputElement>) {
  return (
    <label className="flex min-h-11 items-center gap-3">
      <input type="checkbox" className="checkbox" {...props} /> {label}
    </label>
  );
}

function yearsBetween(born: string, today: string): number {
  const before = today.slice(5) < born.slice(5) ? 1 : 0;
  return Number(today.slice(0, 4)) - Number(born.slice(0, 4)) - before;
}
