import type { StudentPage } from '@inchstep/contract/checkins';
import { PAIN_CARE, PAIN_WORDS } from '@inchstep/contract/words';
import { useEffect, useRef, useState } from 'react';
import type { PageBox } from './usePageBox.ts';
import type { PainHere } from './usePain.ts';
import { PAIN_STOP_WORDS } from './words.page.ts';

/** It hurts: the drills have stopped, what to do, and whether the coach knows. */
export function PainStop({
  page,
  pain,
  box,
  lost,
}: {
  readonly page: StudentPage;
  readonly pain: PainHere;
  readonly box: PageBox;
  readonly lost: boolean;
}) {
  const { hurt } = pain;
  const told = useRef<HTMLElement>(null);
  const id = hurt?.id;
  useEffect(() => {
    if (id) told.current?.focus();
  }, [id]);
  if (!hurt && !page.hold) return null;
  const coach = page.coach.split(' ')[0] ?? '';
  const sending = box.sendings.find((one) => one.id === id);
  const isOut = !hurt || hurt.told || sending?.state === 'there';
  return (
    <section
      ref={told}
      role="alert"
      tabIndex={-1}
      className="panel flex flex-col gap-2 border-[3px] border-error p-4"
    >
      <h2 className="text-xl">{PAIN_STOP_WORDS.title}</h2>
      <p className="font-semibold">{isOut ? PAIN_WORDS : PAIN_CARE}</p>
      {!isOut && (
        <p className="font-semibold">
          {lost ? PAIN_STOP_WORDS.noSignal(coach) : PAIN_STOP_WORDS.soon(coach)}
        </p>
      )}
      {hurt && hurt.where === '' && <Where onSay={pain.say} />}
      {hurt && !isOut && sending?.state === 'waits' && <Slip until={hurt.until} onSlip={pain.takeBack} />}
    </section>
  );
}

function Where({ onSay }: { readonly onSay: (where: string) => void }) {
  const [where, setWhere] = useState('');
  return (
    <form
      className="flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (where.trim() !== '') onSay(where.trim());
      }}
    >
      <input
        aria-label={PAIN_STOP_WORDS.where}
        placeholder={PAIN_STOP_WORDS.where}
        className="input min-w-0 flex-1"
        maxLength={200}
        value={where}
        onChange={(event) => setWhere(event.target.value)}
      />
      <button type="submit" className="btn">
        {PAIN_STOP_WORDS.say}
      </button>
    </form>
  );
}

/** For a few seconds it may have been the finger. */
function Slip({ until, onSlip }: { readonly until: number; readonly onSlip: () => void }) {
  const [left, setLeft] = useState(() => until - Date.now());
  useEffect(() => {
    const tick = setInterval(() => setLeft(until - Date.now()), 500);
    return () => clearInterval(tick);
  }, [until]);
  if (left <= 0) return null;
  return (
    <button type="button" className="btn" onClick={onSlip}>
      {PAIN_STOP_WORDS.slip(Math.ceil(left / 1000))}
    </button>
  );
}
