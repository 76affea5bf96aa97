import { type FormEvent, useState } from 'react';
import { toast } from 'sonner';
import { Field } from '../fields.tsx';
import { Failed, Panel } from '../parts.tsx';
import { changePassphrase, keepContact, useCareAct } from './queries.ts';
import { CARE_WORDS, DOOR_PANEL_WORDS } from './words.ts';

/** The coach's own door: a new passphrase, and where students reach the coach. */
export function DoorPanel({ contact }: { readonly contact: string }) {
  return (
    <div className="grid gap-4 sm:grid-cols-2 lg:grid-cols-1 xl:grid-cols-2">
      <Passphrase />
      <Contact key={contact} contact={contact} />
    </div>
  );
}

function Passphrase() {
  const [before, setBefore] = useState('');
  const [after, setAfter] = useState('');
  const change = useCareAct(changePassphrase);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    change.mutate(
      { before, after },
      {
        onSuccess: () => {
          setBefore('');
          setAfter('');
          toast(CARE_WORDS.changed);
        },
      },
    );
  };
  return (
    <Panel title={CARE_WORDS.passphrase}>
      <form onSubmit={submit} className="flex flex-col gap-2">
        <Field id="pass-before" label={CARE_WORDS.before}>
          <input
            id="pass-before"
            className="input w-full"
            type="password"
            autoComplete="current-password"
            required
            value={before}
            onChange={(e) => setBefore(e.target.value)}
          />
        </Field>
        <Field id="pass-after" label={CARE_WORDS.after}>
          <input
            id="pass-after"
            className="input w-full"
            type="password"
            autoComplete="new-password"
            required
            minLength={10}
            value={after}
            onChange={(e) => setAfter(e.target.value)}
          />
        </Field>
        <button type="submit" className="btn self-start" disabled={change.isPending}>
          {CARE_WORDS.change}
        </button>
        {change.error && <Failed error={change.error} />}
      </form>
    </Panel>
  );
}

function Contact({ contact }: { readonly contact: string }) {
  const [text, setText] = useState(contact);
  const keep = useCareAct(keepContact);
  return (
    <Panel title={CARE_WORDS.contact}>
      <form
        className="flex flex-col gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          keep.mutate(text, { onSuccess: () => toast(DOOR_PANEL_WORDS.kept) });
        }}
      >
        <Field id="contact" label={DOOR_PANEL_WORDS.telephoneOrMail} hint={CARE_WORDS.contactWhat}>
          <input
            id="contact"
            className="input w-full"
            maxLength={200}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        </Field>
        <button type="submit" className="btn self-start" disabled={keep.isPending || text === contact}>
          {CARE_WORDS.keepContact}
        </button>
        {keep.error && <Failed error={keep.error} />}
      </form>
    </Panel>
  );
}
