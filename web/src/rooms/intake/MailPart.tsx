import type { Profile } from '@inchstep/contract/intake';
import type { UseFormReturn } from 'react-hook-form';
import { Field } from '../../platform/fields.tsx';
import { Panel } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { MAIL_PART_WORDS } from './words.ts';

/** Where letters go by mail, and that the student agreed to it; without, they stand on the page alone. */
export function MailPart({ form }: { readonly form: UseFormReturn<Profile> }) {
  const { register, watch, setValue, formState } = form;
  const me = useMe();
  const mail = watch('mail') ?? null;
  const isAgreed = mail !== null && mail.agreedOn !== null;
  return (
    <Panel title={MAIL_PART_WORDS.title}>
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="checkbox"
          checked={isAgreed}
          onChange={(event) =>
            setValue(
              'mail',
              event.target.checked
                ? { address: mail?.address ?? '', agreedOn: me.data?.today ?? null }
                : null,
            )
          }
        />
        {MAIL_PART_WORDS.agreed}
      </label>
      {mail !== null && !isAgreed && <p role="status">{MAIL_PART_WORDS.fromElsewhere(mail.address)}</p>}
      {isAgreed && (
        <Field id="mail" label={MAIL_PART_WORDS.address} error={formState.errors.mail?.address?.message}>
          <input id="mail" type="email" className="input w-full" {...register('mail.address')} />
        </Field>
      )}
    </Panel>
  );
}
