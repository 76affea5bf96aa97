import type { Lesson } from '@inchstep/contract/intake';
import { overlaps, plannedFrom, USUAL_LESSON_MINUTES } from '@inchstep/core/intake';
import { type FormEvent, useState } from 'react';
import { toast } from 'sonner';
import { dayText, Failed } from '../../platform/parts.tsx';
import { useAgreeLesson, useLessonDeed, useMoveLesson } from '../intake/index.ts';
import { useLessons } from './queries.ts';
import { DATES_WORDS } from './words.lesson.ts';

type When = Pick<Lesson, 'day' | 'time' | 'minutes' | 'mode' | 'place'>;

/** Lessons that are agreed: another one, another time, or called off, which can be taken back. */
export function LessonDates({
  studentId,
  lessons,
  today,
  onBegin,
}: {
  readonly studentId: string;
  readonly lessons: readonly Lesson[];
  readonly today: string;
  readonly onBegin?: (lesson: Lesson) => void;
}) {
  const agree = useAgreeLesson(studentId);
  const move = useMoveLesson(studentId);
  const deed = useLessonDeed(studentId);
  const [changing, setChanging] = useState<string | null>(null);
  const planned = plannedFrom(lessons, today);
  const cancel = (id: string) =>
    deed.mutate(
      { id, deed: 'cancel' },
      {
        onSuccess: () =>
          toast(DATES_WORDS.cancelled, {
            action: { label: DATES_WORDS.undo, onClick: () => deed.mutate({ id, deed: 'restore' }) },
          }),
      },
    );
  return (
    <div className="flex flex-col gap-2">
      {planned.length === 0 && <p>{DATES_WORDS.none}</p>}
      <ul className="flex flex-col gap-2">
        {planned.map((lesson) => (
          <li key={lesson.id} className="flex flex-wrap items-center gap-2">
            <span className="min-w-40 flex-1">
              <span className="font-semibold">{dayText(lesson.day, today)}</span>{' '}
              {lesson.time ?? DATES_WORDS.open},{' '}
              {DATES_WORDS.line(lesson.minutes, lesson.place, lesson.mode === 'video')}
            </span>
            {onBegin && (
              <button type="button" className="btn btn-primary" onClick={() => onBegin(lesson)}>
                {DATES_WORDS.begin}
              </button>
            )}
            <button
              type="button"
              className="btn"
              aria-expanded={changing === lesson.id}
              onClick={() => setChanging(changing === lesson.id ? null : lesson.id)}
            >
              {DATES_WORDS.change}
            </button>
            <button type="button" className="btn" onClick={() => cancel(lesson.id)}>
              {DATES_WORDS.cancel}
            </button>
            {changing === lesson.id && (
              <WhenForm
                studentId={studentId}
                when={lesson}
                today={today}
                says={DATES_WORDS.move}
                onWhen={(when) =>
                  move.mutate({ id: lesson.id, ...when }, { onSuccess: () => setChanging(null) })
                }
              />
            )}
          </li>
        ))}
      </ul>
      <WhenForm
        key={planned.length}
        studentId={studentId}
        when={{ day: '', time: null, minutes: USUAL_LESSON_MINUTES, mode: 'in_person', place: '' }}
        today={today}
        says={DATES_WORDS.agree}
        onWhen={(when) => agree.mutate(when, { onSuccess: () => toast(DATES_WORDS.agreed) })}
      />
      {[agree.error, move.error, deed.error].map(
        (error) => error && <Failed key={error.message} error={error} />,
      )}
    </div>
  );
}

/** Day, time, length, place; who else is there at that time is said while it is typed. */
function WhenForm({
  studentId,
  when,
  today,
  says,
  onWhen,
}: {
  readonly studentId: string;
  readonly when: When;
  readonly today: string;
  readonly says: string;
  readonly onWhen: (when: When) => void;
}) {
  const [asked, setAsked] = useState<When>(() => ({
    day: when.day,
    time: when.time,
    minutes: when.minutes,
    mode: when.mode,
    place: when.place,
  }));
  const others = useLessons();
  const clash = others.data?.lessons.find(
    (card) => card.studentId !== studentId && overlaps(card.lesson, asked),
  );
  const change = (more: Partial<When>) => setAsked({ ...asked, ...more });
  const send = (event: FormEvent) => {
    event.preventDefault();
    onWhen(asked);
  };
  return (
    <form className="flex w-full flex-wrap items-end gap-2" onSubmit={send}>
      <label className="flex flex-col text-sm">
        {DATES_WORDS.day}
        <input
          type="date"
          className="input h-11 w-40"
          min={today}
          required
          value={asked.day}
          onChange={(e) => change({ day: e.target.value })}
        />
      </label>
      <label className="flex flex-col text-sm">
        {DATES_WORDS.time}
        <input
          type="time"
          className="input h-11 w-32"
          value={asked.time ?? ''}
          onChange={(e) => change({ time: e.target.value || null })}
        />
      </label>
      <label className="flex flex-col text-sm">
        {DATES_WORDS.minutes}
        <input
          type="number"
          className="input h-11 w-24"
          min={10}
          max={480}
          value={asked.minutes}
          onChange={(e) => change({ minutes: Math.round(Number(e.target.value)) })}
        />
      </label>
      <label className="flex flex-col text-sm">
        {DATES_WORDS.place}
        <input
          className="input h-11 w-36"
          maxLength={80}
          value={asked.place}
          onChange={(e) => change({ place: e.target.value })}
        />
      </label>
      <label className="flex h-11 items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="checkbox"
          checked={asked.mode === 'video'}
          onChange={(e) => change({ mode: e.target.checked ? 'video' : 'in_person' })}
        />
        {DATES_WORDS.video}
      </label>
      <button type="submit" className="btn">
        {says}
      </button>
      {clash && (
        <p role="status" className="w-full text-sm font-semibold">
          {DATES_WORDS.clash(clash.name, clash.lesson.time ?? '')}
        </p>
      )}
    </form>
  );
}
