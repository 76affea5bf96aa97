import type { Profile } from '@inchstep/contract/intake';
import { AID_WORDS, PLACE_WORDS, VIEW_WORDS, WEEKDAY_WORDS } from '@inchstep/contract/words';
import { EMPTY_DAY_MINUTES } from '@inchstep/core/intake';
import { Controller, type UseFormReturn } from 'react-hook-form';
import { Choice, Field, LengthInput, Several } from '../../platform/fields.tsx';
import { Panel } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { useSettings } from '../../platform/settings.tsx';
import {
  ARM_SWING_WORDS,
  CUE_KIND_WORDS,
  CUE_SIDE_WORDS,
  FLEXIBILITY_WORDS,
  HAND_WORDS,
  INTAKE_PARTS_WORDS,
} from './words.ts';

/** As the check says it in inches. */
const HEIGHT_CM = INTAKE_PARTS_WORDS.giveTheHeight;

export type Part = { readonly form: UseFormReturn<Profile> };

export function PersonPart({ form: { register, control, formState } }: Part) {
  const { errors } = formState;
  const { lengths } = useSettings();
  return (
    <Panel title={INTAKE_PARTS_WORDS.person}>
      <div className="flex flex-col gap-3">
        <div className="grid gap-3 sm:grid-cols-2">
          <Field id="firstName" label={INTAKE_PARTS_WORDS.firstName} error={errors.firstName?.message}>
            <input id="firstName" className="input w-full" {...register('firstName')} />
          </Field>
          <Field id="familyName" label={INTAKE_PARTS_WORDS.familyName} error={errors.familyName?.message}>
            <input id="familyName" className="input w-full" {...register('familyName')} />
          </Field>
          <Field id="bornOn" label={INTAKE_PARTS_WORDS.born} error={errors.bornOn?.message}>
            <input id="bornOn" type="date" className="input w-full" {...register('bornOn')} />
          </Field>
          <Field
            id="heightIn"
            label={INTAKE_PARTS_WORDS.height}
            hint={INTAKE_PARTS_WORDS.heightHint}
            error={errors.heightIn && (lengths === 'cm' ? HEIGHT_CM : errors.heightIn.message)}
          >
            <Controller
              control={control}
              name="heightIn"
              render={({ field }) => (
                <LengthInput
                  id="heightIn"
                  inches={field.value}
                  onChange={(v) => field.onChange(v ?? Number.NaN)}
                  required
                />
              )}
            />
          </Field>
          <Field
            id="outerHipWidthIn"
            label={INTAKE_PARTS_WORDS.hipsOutsideToOutside}
            hint={INTAKE_PARTS_WORDS.byTapeIfYou}
            error={errors.outerHipWidthIn?.message}
          >
            <Controller
              control={control}
              name="outerHipWidthIn"
              render={({ field }) => (
                <LengthInput id="outerHipWidthIn" inches={field.value} onChange={field.onChange} />
              )}
            />
          </Field>
        </div>
        <Controller
          control={control}
          name="handedness"
          render={({ field }) => (
            <Choice
              legend={INTAKE_PARTS_WORDS.plays}
              value={field.value}
              options={HAND_WORDS}
              onChange={field.onChange}
            />
          )}
        />
        <Controller
          control={control}
          name="flexibility"
          render={({ field }) => (
            <Choice
              legend={INTAKE_PARTS_WORDS.flexibility}
              value={field.value}
              options={FLEXIBILITY_WORDS}
              onChange={field.onChange}
            />
          )}
        />
        <Controller
          control={control}
          name="armSwing"
          render={({ field }) => (
            <Choice
              legend={INTAKE_PARTS_WORDS.armSwing}
              value={field.value}
              options={ARM_SWING_WORDS}
              onChange={field.onChange}
            />
          )}
        />
        <label className="flex min-h-11 items-center gap-3">
          <input type="checkbox" className="checkbox" {...register('beginner')} />{' '}
          {INTAKE_PARTS_WORDS.beginnerOneDrill}
        </label>
        <Field id="aims" label={INTAKE_PARTS_WORDS.aims}>
          <textarea id="aims" className="textarea w-full" rows={2} {...register('aims')} />
        </Field>
      </div>
    </Panel>
  );
}

interface DayFieldsProps extends Pick<UseFormReturn<Profile>, 'register'> {
  readonly days: Profile['days'];
  readonly errors: UseFormReturn<Profile>['formState']['errors'];
}

/** Minutes and place of each day of practice. */
function DayFields({ days, register, errors }: DayFieldsProps) {
  return (
    <>
      <div className="grid grid-cols-[auto_7rem_1fr] items-center gap-x-3 gap-y-1">
        {days.map((day) => (
          <div key={day} className="contents">
            <span className="font-semibold">{WEEKDAY_WORDS[day]}</span>
            <label className="flex items-center gap-1">
              <input
                aria-label={INTAKE_PARTS_WORDS.minutes(WEEKDAY_WORDS[day])}
                type="number"
                min={5}
                max={240}
                placeholder={String(EMPTY_DAY_MINUTES)}
                className="input w-20"
                {...register(`minutesPerDay.${day}`, {
                  setValueAs: (v) =>
                    v === '' || v === null || Number.isNaN(Number(v)) ? undefined : Number(v),
                })}
              />{' '}
              {INTAKE_PARTS_WORDS.min}
            </label>
            <select
              aria-label={INTAKE_PARTS_WORDS.place(WEEKDAY_WORDS[day])}
              className="select w-32"
              {...register(`placeByDay.${day}`, { setValueAs: (v) => (v === '' ? undefined : v) })}
            >
              <option value="">{INTAKE_PARTS_WORDS.home}</option>
              <option value="range">{INTAKE_PARTS_WORDS.range}</option>
              <option value="net">{INTAKE_PARTS_WORDS.net}</option>
              <option value="course">{INTAKE_PARTS_WORDS.course}</option>
            </select>
          </div>
        ))}
      </div>
      {errors.minutesPerDay && (
        <p role="alert" className="text-sm font-semibold text-error">
          {INTAKE_PARTS_WORDS.giveToMinutes}
        </p>
      )}
    </>
  );
}

export function PracticePart({ form: { register, control, formState, watch } }: Part) {
  const days = watch('days');
  const { errors } = formState;
  return (
    <Panel title={INTAKE_PARTS_WORDS.practice}>
      <div className="flex flex-col gap-3">
        <Controller
          control={control}
          name="days"
          render={({ field }) => (
            <Several
              legend={INTAKE_PARTS_WORDS.days}
              values={field.value}
              options={WEEKDAY_WORDS as Record<(typeof field.value)[number], string>}
              onChange={field.onChange}
              error={errors.days?.message}
            />
          )}
        />
        <DayFields days={days} register={register} errors={errors} />
        <Controller
          control={control}
          name="places"
          render={({ field }) => (
            <Several
              legend={INTAKE_PARTS_WORDS.places}
              values={field.value}
              options={PLACE_WORDS as Record<(typeof field.value)[number], string>}
              onChange={field.onChange}
              error={errors.places?.message}
            />
          )}
        />
        <Field id="ballsPerVisit" label={INTAKE_PARTS_WORDS.ballsAVisit}>
          <input
            id="ballsPerVisit"
            type="number"
            min={0}
            max={500}
            className="input w-28"
            {...register('ballsPerVisit', { valueAsNumber: true })}
          />
        </Field>
        <Controller
          control={control}
          name="aids"
          render={({ field }) => (
            <Several
              legend={INTAKE_PARTS_WORDS.hasAtHand}
              values={field.value}
              options={AID_WORDS as Record<(typeof field.value)[number], string>}
              onChange={field.onChange}
            />
          )}
        />
        <Controller
          control={control}
          name="films"
          render={({ field }) => (
            <Several
              legend={INTAKE_PARTS_WORDS.canFilm}
              values={field.value}
              options={VIEW_WORDS as Record<(typeof field.value)[number], string>}
              onChange={field.onChange}
              error={errors.films?.message}
            />
          )}
        />
      </div>
    </Panel>
  );
}

export function TeachingPart({ form: { register, control, formState } }: Part) {
  const me = useMe();
  return (
    <Panel title={INTAKE_PARTS_WORDS.teaching}>
      <div className="flex flex-col gap-3">
        <Controller
          control={control}
          name="cueLiking.kind"
          render={({ field }) => (
            <Choice
              legend={INTAKE_PARTS_WORDS.likesToThink}
              value={field.value}
              options={CUE_KIND_WORDS}
              onChange={field.onChange}
            />
          )}
        />
        <Controller
          control={control}
          name="cueLiking.side"
          render={({ field }) => (
            <Choice
              legend={INTAKE_PARTS_WORDS.feelsBest}
              value={field.value}
              options={CUE_SIDE_WORDS}
              onChange={field.onChange}
            />
          )}
        />
        <Field
          id="nextLesson"
          label={INTAKE_PARTS_WORDS.nextLesson}
          error={formState.errors.nextLesson?.message}
        >
          <input
            id="nextLesson"
            type="date"
            min={me.data?.today}
            className="input w-48"
            {...register('nextLesson', { setValueAs: (v) => (v === '' ? null : v) })}
          />
        </Field>
      </div>
    </Panel>
  );
}
