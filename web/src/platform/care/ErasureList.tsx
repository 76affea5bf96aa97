import type { Care } from '@inchstep/contract/care';
import { useEffect, useState } from 'react';
import { takeBack, useCareAct } from './queries.ts';
import { CARE_WORDS, countsText, ERASURE_LIST_WORDS, momentText, untilText } from './words.ts';

const RECEIPTS = 5;

/** What counts down, with the way back, and the receipts of what is gone. */
export function ErasureList({ care }: { readonly care: Care }) {
  const back = useCareAct(takeBack);
  const waiting = care.erasures.filter(({ doneAt }) => doneAt === null);
  const done = care.erasures.filter(({ doneAt }) => doneAt !== null).reverse();
  return (
    <>
      {waiting.length > 0 && (
        <div>
          <h3 className="text-lg">{CARE_WORDS.waiting}</h3>
          <ul>
            {waiting.map(({ id, what, name, dueAt }) => (
              <li key={id} className="flex items-center gap-3 py-1">
                <span className="flex-1">
                  {what === 'student' ? name : ERASURE_LIST_WORDS.clipOf(name ?? ERASURE_LIST_WORDS.aStudent)}
                  {ERASURE_LIST_WORDS.in} <Until key={care.now} dueAt={dueAt} now={care.now} />{' '}
                  {ERASURE_LIST_WORDS.minutes}
                </span>
                <button type="button" className="btn btn-primary" onClick={() => back.mutate(id)}>
                  {CARE_WORDS.takeBack}
                </button>
              </li>
            ))}
          </ul>
        </div>
      )}
      {done.length > 0 && (
        <div>
          <h3 className="text-lg">{CARE_WORDS.receipts}</h3>
          <ul className="text-sm">
            {done.slice(0, RECEIPTS).map(({ id, what, doneAt, receipt }) => (
              <li key={id} className="py-0.5">
                {momentText(doneAt ?? '')}:{' '}
                {what === 'student' ? ERASURE_LIST_WORDS.aStudent : ERASURE_LIST_WORDS.aClip},{' '}
                {countsText(receipt ?? {})}
                <span className="text-base-content/80"> {ERASURE_LIST_WORDS.receipt(id.slice(0, 8))}</span>
              </li>
            ))}
          </ul>
        </div>
      )}
    </>
  );
}

/** Counts down from the server's own clock, which this device's need not agree with. */
function Until({ dueAt, now }: { readonly dueAt: string; readonly now: string }) {
  const [extra, setExtra] = useState(0);
  useEffect(() => {
    const began = Date.now();
    const timer = setInterval(() => setExtra(Date.now() - began), 1000);
    return () => clearInterval(timer);
  }, []);
  return <b>{untilText(dueAt, new Date(Date.parse(now) + extra).toISOString())}</b>;
}
