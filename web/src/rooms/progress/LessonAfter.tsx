import * as wire from '@inchstep/contract/endpoints';
import type { Lesson, Student } from '@inchstep/contract/intake';
import { urlOf } from '@inchstep/contract/wire/address';
import { useState } from 'react';
import { toast } from 'sonner';
import { dropDraft, isText, useDraft } from '../../platform/drafts.ts';
import { Failed, Panel, Shown } from '../../platform/parts.tsx';
import { useUnits } from '../../platform/units.ts';
import { AskNext, GatesAlong, useAskNext, useGatesAlong } from '../checkins/index.ts';
import { GateDecision, useGates } from '../practice/index.ts';
import { useLibrary } from '../prescription/index.ts';
import { LessonDates } from './LessonDates.tsx';
import { useLessonDraft, useSendSummary } from './lessonQueries.ts';
import { AFTER_WORDS, DATES_WORDS, LESSON_WORDS } from './words.lesson.ts';

/** The end of the hour: gates decided, the next lesson agreed, and the summary sent in one press. */
export function LessonAfter({
  student,
  lesson,
  lessons,
  today,
}: {
  readonly student: Student;
  readonly lesson: Lesson;
  readonly lessons: readonly Lesson[];
  readonly today: string;
}) {
  const gates = useGates(student.id);
  const { nameOf } = useLibrary();
  return (
    <div className="grid gap-3 xl:grid-cols-2">
      <Panel title={AFTER_WORDS.title}>
        {lesson.summary === null ? (
          <Letter student={student} lesson={lesson} today={today} />
        ) : (
          <>
            <p className="font-semibold">{AFTER_WORDS.sentOn}</p>
            <p className="whitespace-pre-wrap">{lesson.summary}</p>
            <a
              className="btn mt-2"
              href={urlOf(wire.checkins.printSummary, { id: student.id, lessonId: lesson.id })}
              target="_blank"
              rel="noreferrer"
            >
              {AFTER_WORDS.print}
            </a>
          </>
        )}
      </Panel>
      <div className="flex flex-col gap-3">
        <Panel title={AFTER_WORDS.gates}>
          <Shown query={gates} what={LESSON_WORDS.the}>
            {(states) =>
              states.map((state) => (
                <div key={state.drill} className="mb-3">
                  <h3 className="font-semibold">{nameOf(state.drill)}</h3>
                  <GateDecision studentId={student.id} state={state} />
                </div>
              ))
            }
          </Shown>
        </Panel>
        <Panel title={DATES_WORDS.title}>
          <LessonDates studentId={student.id} lessons={lessons} today={today} />
        </Panel>
      </div>
    </div>
  );
}

function Letter({
  student,
  lesson,
  today,
}: {
  readonly student: Student;
  readonly lesson: Lesson;
  readonly today: string;
}) {
  const { lengths } = useUnits();
  const draft = useLessonDraft(student.id, lesson.id, lengths);
  const send = useSendSummary(student.id, lesson.id);
  const [text, setText] = useDraft(`lesson.${lesson.id}`, isText);
  const [drafting, setDrafting] = useState(false);
  const asking = useAskNext(student.id);
  const along = useGatesAlong(student.id);
  const anew = async () => {
    setDrafting(true);
    await draft.refetch();
    setText(null);
    setDrafting(false);
  };
  // What was sent takes the letter's place: the word about it must outlive it.
  const post = (drafted: string) =>
    void send
      .mutateAsync({ text: text ?? drafted, draft: drafted, request: asking.request, gates: along.words })
      .then(
        () => {
          dropDraft(`lesson.${lesson.id}`);
          toast(AFTER_WORDS.sent);
        },
        () => undefined,
      );
  return (
    <Shown query={draft} what={LESSON_WORDS.the}>
      {({ text: drafted }) => (
        <>
          <p className="text-sm">{AFTER_WORDS.hint}</p>
          <textarea
            className="textarea mt-2 w-full text-base"
            rows={15}
            aria-label={AFTER_WORDS.text}
            maxLength={10_000}
            value={text ?? drafted}
            onChange={(e) => setText(e.target.value)}
          />
          <GatesAlong along={along} />
          <AskNext asking={asking} today={today} />
          <div className="mt-2 flex flex-wrap gap-2">
            <button
              type="button"
              className="btn btn-primary btn-lg"
              disabled={send.isPending || (text ?? drafted).trim() === ''}
              onClick={() => post(drafted)}
            >
              {AFTER_WORDS.send}
            </button>
            <button type="button" className="btn btn-lg" disabled={drafting} onClick={() => void anew()}>
              {AFTER_WORDS.anew}
            </button>
          </div>
          {send.error && <Failed error={send.error} />}
        </>
      )}
    </Shown>
  );
}
