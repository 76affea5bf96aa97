import { useState } from 'react';
import { dayOf, dayText, Failed } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { useHold, useLiftHold } from './queries.ts';
import { PAIN_PAUSE_WORDS } from './words.ts';

/** While pain pauses a student's drills, every screen of the student says so. Only the coach lifts it, with a reason. */
export function PainPause({ studentId }: { readonly studentId: string }) {
  const hold = useHold(studentId);
  const lift = useLiftHold(studentId);
  const me = useMe();
  const [note, setNote] = useState('');
  if (!hold.data) return null;
  const { where, at } = hold.data;
  const since = dayText(dayOf(at), me.data?.today ?? '');
  return (
    <section aria-label={PAIN_PAUSE_WORDS.title} className="no-print border-error border-b-[3px] px-4 py-2">
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          lift.mutate(note);
        }}
      >
        <p className="min-w-60 flex-1">
          <strong>{PAIN_PAUSE_WORDS.title}</strong> {PAIN_PAUSE_WORDS.since(where, since)}{' '}
          {PAIN_PAUSE_WORDS.care}
        </p>
        <input
          aria-label={PAIN_PAUSE_WORDS.why}
          placeholder={PAIN_PAUSE_WORDS.why}
          className="input h-11 w-full sm:w-72"
          value={note}
          onChange={(e) => setNote(e.target.value)}
          required
          minLength={3}
          maxLength={500}
        />
        <button type="submit" className="btn" disabled={lift.isPending}>
          {PAIN_PAUSE_WORDS.lift}
        </button>
      </form>
      {lift.error && <Failed error={lift.error} />}
    </section>
  );
}
