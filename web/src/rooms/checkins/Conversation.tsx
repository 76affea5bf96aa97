import type { Conversation as Talk } from '@inchstep/contract/checkins';
import { lightFormat } from 'date-fns';
import { toast } from 'sonner';
import { isText, useDraft } from '../../platform/drafts.ts';
import { dayText, Failed, Panel, Shown } from '../../platform/parts.tsx';
import { useHeld } from './AnswerPress.tsx';
import { EnclosedList } from './EnclosedList.tsx';
import { useConversation, useTakeBackMessage, useWrite } from './queries.ts';
import { ENCLOSED_WORDS } from './words.enclosed.ts';
import { CONVERSATION_WORDS } from './words.review.ts';

const SHOWN = 6;

/** Everything that was said, the latest first; what can still be taken back; and the coach's own word. */
export function Conversation({ studentId, today }: { readonly studentId: string; readonly today: string }) {
  const talk = useConversation(studentId);
  return (
    <Panel title={CONVERSATION_WORDS.title}>
      <Write studentId={studentId} />
      <Shown query={talk} what={CONVERSATION_WORDS.what}>
        {({ said, letters, by }) => (
          <>
            {letters
              .filter(({ state }) => state === 'failed')
              .slice(0, 1)
              .map((letter) => (
                <p key={letter.id} role="alert" className="mt-2 font-semibold">
                  {CONVERSATION_WORDS.failed(letter.trouble ?? '')}
                </p>
              ))}
            <ol className="mt-2 flex flex-col">
              {said.slice(0, SHOWN).map((one) => (
                <Line key={one.id} studentId={studentId} one={one} today={today} />
              ))}
            </ol>
            {said.length > SHOWN && (
              <details>
                <summary className="min-h-11 cursor-pointer py-2 font-semibold">
                  {CONVERSATION_WORDS.title} ({said.length - SHOWN})
                </summary>
                <ol className="flex flex-col">
                  {said.slice(SHOWN).map((one) => (
                    <Line key={one.id} studentId={studentId} one={one} today={today} />
                  ))}
                </ol>
              </details>
            )}
            <p className="mt-1 text-sm text-base-content/80">
              {by === 'server' ? CONVERSATION_WORDS.byServer : CONVERSATION_WORDS.byFolder}
            </p>
          </>
        )}
      </Shown>
    </Panel>
  );
}

function Line({
  studentId,
  one,
  today,
}: {
  readonly studentId: string;
  readonly one: Talk['said'][number];
  readonly today: string;
}) {
  const back = useTakeBackMessage(studentId);
  const held = useHeld(one.goesAt);
  return (
    <li className="border-base-300 border-t py-1">
      <p className="text-sm">
        <span className="font-semibold">{CONVERSATION_WORDS.as[one.as]}</span>, {dayText(one.at, today)}
        {held && one.goesAt && `, ${CONVERSATION_WORDS.held(lightFormat(new Date(one.goesAt), 'HH:mm'))}`}
      </p>
      <p className="line-clamp-3 whitespace-pre-wrap">{one.text || CONVERSATION_WORDS.noWords}</p>
      {one.enclosures && one.enclosures.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer py-2">
            {ENCLOSED_WORDS.goes(one.enclosures.map(({ kind }) => ENCLOSED_WORDS.kinds[kind]).join(', '))}
          </summary>
          <EnclosedList studentId={studentId} enclosures={one.enclosures} open={false} />
        </details>
      )}
      {held && one.as === 'message' && (
        <button type="button" className="btn" onClick={() => back.mutate(one.id)}>
          {CONVERSATION_WORDS.undo}
        </button>
      )}
      {back.error && <Failed error={back.error} />}
    </li>
  );
}

function Write({ studentId }: { readonly studentId: string }) {
  const write = useWrite();
  const [text, setText] = useDraft(`word.${studentId}`, isText);
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void write.mutateAsync({ students: [studentId], text: text ?? '' }).then(
          () => {
            setText(null);
            toast(CONVERSATION_WORDS.wrote);
          },
          () => undefined,
        );
      }}
    >
      <textarea
        aria-label={CONVERSATION_WORDS.write}
        placeholder={CONVERSATION_WORDS.write}
        className="textarea min-h-11 flex-1 text-base"
        rows={2}
        maxLength={5000}
        value={text ?? ''}
        onChange={(event) => setText(event.target.value)}
      />
      <button type="submit" className="btn" disabled={write.isPending || (text ?? '').trim() === ''}>
        {CONVERSATION_WORDS.send}
      </button>
      {write.error && <Failed error={write.error} />}
    </form>
  );
}
