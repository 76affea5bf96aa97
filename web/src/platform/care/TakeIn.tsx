import type { Arrival } from '@inchstep/contract/care';
import { Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { Failed } from '../parts.tsx';
import { useAnswerArrival, useTakeIn } from './queries.ts';
import { CARE_WORDS, RECORD_PANEL_WORDS, TAKE_IN_WORDS } from './words.ts';

/** A student's ZIP: read first, shown, and kept on the coach's word. */
export function TakeIn() {
  const [share, setShare] = useState<number | null>(null);
  const [arrival, setArrival] = useState<Arrival | null>(null);
  const take = useTakeIn(setShare);
  const stop = useRef<AbortController | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const chosen = (file: File | undefined) => {
    if (!file) return;
    stop.current = new AbortController();
    take.mutate({ file, signal: stop.current.signal }, { onSuccess: setArrival });
  };
  const failed = take.error && !(take.error instanceof DOMException);
  return (
    <>
      <button
        type="button"
        className="btn"
        disabled={take.isPending || arrival !== null}
        onClick={() => input.current?.click()}
      >
        <Upload aria-hidden size={18} /> {CARE_WORDS.takeIn}
      </button>
      <input
        ref={input}
        type="file"
        accept=".zip,application/zip"
        className="sr-only"
        tabIndex={-1}
        aria-label={CARE_WORDS.takeIn}
        onChange={(event) => {
          chosen(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      {share !== null && (
        <div role="status" className="flex w-full items-center gap-2">
          <progress className="progress flex-1" aria-label={RECORD_PANEL_WORDS.taken} value={share} max={1} />
          <button type="button" className="btn" onClick={() => stop.current?.abort()}>
            {RECORD_PANEL_WORDS.stop}
          </button>
        </div>
      )}
      {failed && <Failed error={take.error} />}
      {arrival && <Arrived arrival={arrival} onDone={() => setArrival(null)} />}
    </>
  );
}

/** What a file would bring, and what of it is not taken over as it was. */
export function Arrived({ arrival, onDone }: { readonly arrival: Arrival; readonly onDone: () => void }) {
  const answer = useAnswerArrival();
  const { ticket, name, rows, clips, mail, unsent } = arrival;
  const say = (word: 'keep' | 'drop') =>
    answer.mutate(
      { ticket, word },
      {
        onSuccess: () => {
          if (word === 'keep') toast(TAKE_IN_WORDS.isHere(name));
          onDone();
        },
      },
    );
  return (
    <section className="panel flex w-full flex-col gap-2 p-3" aria-label={TAKE_IN_WORDS.title(name)}>
      <h3 className="font-semibold">{TAKE_IN_WORDS.title(name)}</h3>
      <p>{TAKE_IN_WORDS.holds(rows, clips)}</p>
      <p>{TAKE_IN_WORDS.links}</p>
      {mail !== null && <p>{TAKE_IN_WORDS.mail(mail)}</p>}
      {unsent > 0 && <p>{TAKE_IN_WORDS.unsent(unsent)}</p>}
      <BroughtDrills drills={arrival.drills} />
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-primary"
          disabled={answer.isPending}
          onClick={() => say('keep')}
        >
          {TAKE_IN_WORDS.keep(name)}
        </button>
        <button type="button" className="btn" disabled={answer.isPending} onClick={() => say('drop')}>
          {TAKE_IN_WORDS.drop}
        </button>
      </div>
      {answer.error && <Failed error={answer.error} />}
    </section>
  );
}

function BroughtDrills({ drills }: Pick<Arrival, 'drills'>) {
  if (drills.length === 0) return null;
  return (
    <ul className="list-disc pl-5">
      {drills.map(({ id, name, state, differs }) => (
        <li key={id}>
          {TAKE_IN_WORDS.drill[state](name)}
          {differs.length > 0 && (
            <details>
              <summary className="min-h-11 cursor-pointer py-2 font-semibold">
                {TAKE_IN_WORDS.differences}
              </summary>
              <table className="table">
                <thead>
                  <tr>
                    <th>{TAKE_IN_WORDS.what}</th>
                    <th>{TAKE_IN_WORDS.ours}</th>
                    <th>{TAKE_IN_WORDS.theirs}</th>
                  </tr>
                </thead>
                <tbody>
                  {differs.map(({ path, ours, theirs }) => (
                    <tr key={path}>
                      <td>{path}</td>
                      <td className="break-words">{ours}</td>
                      <td className="break-words">{theirs}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </details>
          )}
        </li>
      ))}
    </ul>
  );
}
