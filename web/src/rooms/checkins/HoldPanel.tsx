import { useState } from 'react';
import { Failed, Panel } from '../../platform/parts.tsx';
import { useHold, useLiftHold } from '../intake/index.ts';
import { REVIEW_SCREEN_WORDS } from './words.ts';

/** Pain holds the drills; only the coach lifts it, and says why. */
export function HoldPanel({ studentId }: { readonly studentId: string }) {
  const hold = useHold(studentId);
  const lift = useLiftHold(studentId);
  const [note, setNote] = useState('');
  if (!hold.data) return null;
  return (
    <Panel title={REVIEW_SCREEN_WORDS.onHoldPain} className="border-error">
      <p>
        {hold.data.where || REVIEW_SCREEN_WORDS.noPlace} {REVIEW_SCREEN_WORDS.drillsWaitTheProgram}
      </p>
      <form
        className="mt-2 flex flex-wrap gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          lift.mutate(note);
        }}
      >
        <input
          aria-label={REVIEW_SCREEN_WORDS.whyTheHold}
          placeholder={REVIEW_SCREEN_WORDS.whyTheHold}
          className="input min-w-0 flex-1"
          value={note}
          onChange={(e) => setNote(e.target.value)}
          required
          minLength={3}
        />
        <button type="submit" className="btn">
          {REVIEW_SCREEN_WORDS.lift}
        </button>
      </form>
      {lift.error && <Failed error={lift.error} />}
    </Panel>
  );
}
