import type { RosterRow } from '@inchstep/contract/progress';
import { useState } from 'react';
import { toast } from 'sonner';
import { isText, useDraft } from '../../platform/drafts.ts';
import { Failed } from '../../platform/parts.tsx';
import { useWrite } from '../checkins/index.ts';
import { SEVERAL_WORDS } from './words.several.ts';

/** More names than this are no list that anybody reads before sending. */
const MOST = 60;

/** One word to several of those who are shown; each gets their own, and none sees who else did. */
export function WriteToSeveral({ rows }: { readonly rows: readonly RosterRow[] }) {
  const [open, setOpen] = useState(false);
  return (
    <details className="panel mb-3 px-3" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">{SEVERAL_WORDS.title}</summary>
      {open && (rows.length > MOST ? <p>{SEVERAL_WORDS.tooMany(MOST)}</p> : <Writing rows={rows} />)}
    </details>
  );
}

function Writing({ rows }: { readonly rows: readonly RosterRow[] }) {
  const write = useWrite();
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [text, setText] = useDraft('several', isText);
  const to = rows.filter(({ studentId }) => !left.has(studentId));
  const flip = (id: string) => {
    const next = new Set(left);
    if (!next.delete(id)) next.add(id);
    setLeft(next);
  };
  const send = () =>
    void write.mutateAsync({ students: to.map(({ studentId }) => studentId), text: text ?? '' }).then(
      () => {
        setText(null);
        toast(SEVERAL_WORDS.wrote(to.length));
      },
      () => undefined,
    );
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      <fieldset className="flex flex-wrap gap-x-4">
        <legend className="text-sm">{SEVERAL_WORDS.to}</legend>
        {rows.map(({ studentId, name }) => (
          <label key={studentId} className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="checkbox"
              checked={!left.has(studentId)}
              onChange={() => flip(studentId)}
            />
            {name}
          </label>
        ))}
      </fieldset>
      <textarea
        aria-label={SEVERAL_WORDS.text}
        placeholder={SEVERAL_WORDS.text}
        className="textarea w-full text-base"
        rows={3}
        maxLength={5000}
        value={text ?? ''}
        onChange={(event) => setText(event.target.value)}
      />
      <button
        type="submit"
        className="btn btn-primary self-start"
        disabled={write.isPending || to.length === 0 || (text ?? '').trim() === ''}
      >
        {SEVERAL_WORDS.send(to.length)}
      </button>
      {write.error && <Failed error={write.error} />}
    </form>
  );
}
