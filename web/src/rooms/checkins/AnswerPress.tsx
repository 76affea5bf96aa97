import type { Checkin, Review } from '@inchstep/contract/checkins';
import type { Student } from '@inchstep/contract/intake';
import { lightFormat } from 'date-fns';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { isText, useDraft } from '../../platform/drafts.ts';
import { useScreenKeys } from '../../platform/keys.ts';
import { Failed, Panel } from '../../platform/parts.tsx';
import { AskNext, useAskNext } from './AskNext.tsx';
import { GatesAlong, useGatesAlong } from './GatesAlong.tsx';
import { useSendNow, useSendReply, useTakeBackReply } from './queries.ts';
import { ENCLOSED_WORDS } from './words.enclosed.ts';
import { ANSWER_WORDS } from './words.review.ts';

interface AnswerProps {
  readonly student: Student;
  readonly checkin: Checkin;
  readonly review: Review;
  readonly today: string;
  /** A picture, clip or talk for it is still being made or sent. */
  readonly making: boolean;
}

/** The answer: drafted, changed, sent in one press with all that goes along, and taken back within ten minutes. */
export function AnswerPress(props: AnswerProps) {
  return props.checkin.reply ? (
    <Sent student={props.student} checkin={props.checkin} reply={props.checkin.reply} />
  ) : (
    <Press {...props} />
  );
}

function Press({ student, checkin, review, today, making }: AnswerProps) {
  const send = useSendReply(student.id, checkin.id);
  const [text, setText] = useDraft(`reply.${checkin.id}`, isText);
  const asking = useAskNext(student.id);
  const along = useGatesAlong(student.id);
  const [replan, setReplan] = useState(true);
  const box = useRef<HTMLTextAreaElement>(null);
  const words = text ?? review.draft;
  const empty = words.trim() === '';
  // Pressed while something is still being made: it goes by itself once that is there.
  const [isWaiting, setWaiting] = useState(false);
  const sendNow = () => {
    setWaiting(false);
    const { draft } = review;
    // Where it hurts nothing is asked for, planned or decided.
    const more = checkin.pain
      ? { gates: [], replan: false, request: null }
      : { gates: along.words, replan, request: asking.request };
    void send.mutateAsync({ text: words, draft, ...more }).then(
      () => setText(null),
      () => undefined,
    );
  };
  const post = () => {
    if (empty || send.isPending) return;
    if (making) setWaiting(true);
    else sendNow();
  };
  const ready = useRef(sendNow);
  ready.current = sendNow;
  useEffect(() => {
    if (isWaiting && !making) ready.current();
  }, [isWaiting, making]);
  useScreenKeys('r', () => box.current?.focus(), { preventDefault: true });
  return (
    <Panel title={ANSWER_WORDS.title}>
      <form
        className="flex flex-col gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          post();
        }}
      >
        <p className="text-sm text-base-content/80">{ANSWER_WORDS.drafted}</p>
        <textarea
          ref={box}
          aria-label={ANSWER_WORDS.box}
          className="textarea min-h-52 w-full text-base"
          value={words}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) post();
            if (event.key === 'Escape') box.current?.blur();
          }}
        />
        <Phrases
          phrases={review.phrases.filter((phrase) => !words.includes(phrase))}
          onPick={(phrase) => setText(`${words.trimEnd()}\n\n${phrase}`)}
        />
        {!checkin.pain && (
          <>
            <GatesAlong along={along} />
            <label className="flex min-h-11 items-center gap-2 font-semibold">
              <input
                type="checkbox"
                className="checkbox"
                checked={replan}
                onChange={(event) => setReplan(event.target.checked)}
              />
              {ANSWER_WORDS.replan}
            </label>
            <AskNext asking={asking} today={today} />
          </>
        )}
        {checkin.enclosures.length > 0 && (
          <p className="font-semibold">
            {ENCLOSED_WORDS.goes(checkin.enclosures.map(({ kind }) => ENCLOSED_WORDS.kinds[kind]).join(', '))}
          </p>
        )}
        <button
          type="submit"
          className="btn btn-primary"
          title={ANSWER_WORDS.sendKeys}
          disabled={send.isPending || empty || isWaiting}
        >
          {ANSWER_WORDS.send}
        </button>
        {isWaiting && <Waits onStop={() => setWaiting(false)} onSend={sendNow} />}
        {send.error && <Failed error={send.error} />}
      </form>
    </Panel>
  );
}

/** The reply waits for what is still being made. */
const Waits = ({ onStop, onSend }: { readonly onStop: () => void; readonly onSend: () => void }) => (
  <p role="status" className="flex flex-wrap items-center gap-2">
    <span className="flex-1 font-semibold">{ANSWER_WORDS.waits}</span>
    <button type="button" className="btn" onClick={onStop}>
      {ANSWER_WORDS.dontSend}
    </button>
    <button type="button" className="btn" onClick={onSend}>
      {ANSWER_WORDS.sendWithout}
    </button>
  </p>
);

/** What this coach writes again and again, one press each. */
function Phrases({
  phrases,
  onPick,
}: {
  readonly phrases: readonly string[];
  readonly onPick: (phrase: string) => void;
}) {
  if (phrases.length === 0) return null;
  return (
    <fieldset className="flex flex-wrap gap-1">
      <legend className="text-sm">{ANSWER_WORDS.phrases}</legend>
      {phrases.map((phrase) => (
        <button
          key={phrase}
          type="button"
          className="btn h-auto min-h-11 py-1 text-left font-normal text-sm"
          onClick={() => onPick(phrase)}
        >
          {phrase}
        </button>
      ))}
    </fieldset>
  );
}

function Sent({
  student,
  checkin,
  reply,
}: {
  readonly student: Student;
  readonly checkin: Checkin;
  readonly reply: NonNullable<Checkin['reply']>;
}) {
  const back = useTakeBackReply(student.id);
  const now = useSendNow(student.id);
  const held = useHeld(reply.goesAt);
  const [, setText] = useDraft(`reply.${checkin.id}`, isText);
  const takeBack = () => {
    // What was written is there again as soon as the form is.
    setText(reply.text);
    void back.mutateAsync(checkin.id).then(
      () => toast(ANSWER_WORDS.took),
      () => setText(null),
    );
  };
  return (
    <Panel title={ANSWER_WORDS.sent}>
      <p role="status" className="font-semibold">
        {held && reply.goesAt
          ? ANSWER_WORDS.goes(lightFormat(new Date(reply.goesAt), 'HH:mm'))
          : ANSWER_WORDS.gone}
      </p>
      {held && (
        <p className="my-2 flex flex-wrap gap-2">
          <button type="button" className="btn" onClick={takeBack} disabled={back.isPending}>
            {ANSWER_WORDS.takeBack}
          </button>
          <button
            type="button"
            className="btn"
            onClick={() => now.mutate(checkin.id)}
            disabled={now.isPending}
          >
            {ANSWER_WORDS.now}
          </button>
        </p>
      )}
      {(back.error ?? now.error) && <Failed error={back.error ?? now.error} />}
      <p className="whitespace-pre-wrap">{reply.text}</p>
    </Panel>
  );
}

/** Whether a letter can still be taken back; it looks again by itself when that time is over. */
export function useHeld(goesAt: string | null): boolean {
  const left = goesAt === null ? 0 : Date.parse(goesAt) - Date.now();
  const [, look] = useState(0);
  useEffect(() => {
    if (left <= 0) return;
    const soon = setTimeout(() => look((n) => n + 1), left + 500);
    return () => clearTimeout(soon);
  }, [left]);
  return left > 0;
}
