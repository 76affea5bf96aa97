import type { LessonFile } from '@inchstep/contract/checkins';
import { NOTE_WORDS } from '@inchstep/contract/words';
import type { NoteTag } from '@inchstep/core/practice';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { isText, useDraft } from '../../platform/drafts.ts';
import { Failed, Panel } from '../../platform/parts.tsx';
import { useAddNote, useUndoNote } from './lessonQueries.ts';
import { LESSON_NOTE_WORDS } from './words.lesson.ts';

const TAGS: readonly NoteTag[] = ['feels_like', 'said', 'try_next', 'leave'];
const SHOWN = 6;

/** Words of the lesson: typed or dictated, kept at a press to the moment and the swing that was filmed last. */
export function LessonNotes({
  studentId,
  file,
  latestSwing,
}: {
  readonly studentId: string;
  readonly file: LessonFile;
  readonly latestSwing: string | null;
}) {
  const add = useAddNote(studentId, file.lesson.id);
  const undo = useUndoNote(studentId);
  // A note half written survives a reload.
  const [text, setText] = useDraft(`lesson-note.${file.lesson.id}`, isText);
  const [empty, setEmpty] = useState<NoteTag | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const keep = (tag: NoteTag) => {
    const said = (text ?? '').trim();
    if (said === '') {
      setEmpty(tag);
      field.current?.focus();
      return;
    }
    setEmpty(null);
    add.mutate(
      { tag, text: said, swingId: latestSwing, writtenAt: new Date().toISOString() },
      {
        onSuccess: ({ id }) => {
          setText(null);
          toast(LESSON_NOTE_WORDS.kept, {
            action: { label: LESSON_NOTE_WORDS.undo, onClick: () => undo.mutate(id) },
          });
        },
      },
    );
  };
  const notes = file.moments.flatMap((moment) => (moment.what === 'note' ? [moment] : []));
  return (
    <Panel title={LESSON_NOTE_WORDS.title}>
      <form
        className="flex flex-col gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          keep(empty ?? 'note');
        }}
      >
        <input
          ref={field}
          className="input h-12 w-full"
          aria-label={LESSON_NOTE_WORDS.what}
          placeholder={empty ? NOTE_WORDS[empty] : LESSON_NOTE_WORDS.what}
          maxLength={2000}
          value={text ?? ''}
          onChange={(e) => setText(e.target.value)}
        />
        <div className="grid grid-cols-2 gap-2">
          {TAGS.map((tag) => (
            <button
              key={tag}
              type="button"
              className="btn"
              onClick={() => keep(tag)}
              disabled={add.isPending}
            >
              {NOTE_WORDS[tag]}
            </button>
          ))}
        </div>
      </form>
      <p className="mt-1 text-sm text-base-content/80">{LESSON_NOTE_WORDS.hint}</p>
      <ul className="mt-2 flex flex-col gap-1">
        {notes
          .slice(-SHOWN)
          .reverse()
          .map((note) => (
            <li key={note.id} className="flex items-baseline justify-between gap-2">
              <span>
                <span className="text-sm text-base-content/80">{NOTE_WORDS[note.tag]}</span> {note.text}
              </span>
              <button type="button" className="btn btn-ghost min-h-11" onClick={() => undo.mutate(note.id)}>
                {LESSON_NOTE_WORDS.undo}
              </button>
            </li>
          ))}
      </ul>
      {add.error && <Failed error={add.error} />}
    </Panel>
  );
}
