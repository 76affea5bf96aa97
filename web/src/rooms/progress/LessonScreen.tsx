import type { Lesson, LessonList, Student } from '@inchstep/contract/intake';
import { dueOn } from '@inchstep/core/intake';
import { minutesSince } from '@inchstep/core/progress';
import { useEffect, useState } from 'react';
import { useOutletContext, useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { useScreenKeys } from '../../platform/keys.ts';
import { Failed, Panel, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { useSwings } from '../capture/index.ts';
import { useAgreeLesson, useLessonDeed, useLessonList } from '../intake/index.ts';
import { Live } from '../measures/index.ts';
import { CameraDesk } from '../practice/index.ts';
import { LessonAfter } from './LessonAfter.tsx';
import { LessonBrief } from './LessonBrief.tsx';
import { LessonCount } from './LessonCount.tsx';
import { LessonDates } from './LessonDates.tsx';
import { LessonDecide } from './LessonDecide.tsx';
import { LessonFelt } from './LessonFelt.tsx';
import { LessonNotes } from './LessonNotes.tsx';
import { LessonStrip } from './LessonStrip.tsx';
import { LessonTakes } from './LessonTakes.tsx';
import { useLessonAtHand } from './lessonAtHand.ts';
import { useLessonFile } from './lessonQueries.ts';
import { DATES_WORDS, LESSON_PARTS, LESSON_WORDS, type LessonPart } from './words.lesson.ts';

/** The hour: before it, the brief and a key to begin; in it, film, felt, decide, count, after. */
export function LessonScreen() {
  const { student } = useOutletContext<{ student: Student }>();
  const me = useMe();
  const list = useLessonList(student.id);
  const [asked, ask] = useSearchParams();
  return (
    <Shown query={list} what={LESSON_WORDS.the}>
      {(known) => {
        const shown = known.running ?? known.lessons.find(({ id }) => id === asked.get('of'));
        const today = me.data?.today ?? '';
        return shown?.startedAt ? (
          <Hour
            key={shown.id}
            student={student}
            lesson={shown}
            list={known}
            today={today}
            // It stays on the screen when it is over.
            onShown={() => {
              if (asked.get('of') !== shown.id) ask({ of: shown.id }, { replace: true });
            }}
            onLeave={() => ask({}, { replace: true })}
          />
        ) : (
          <Before student={student} list={known} today={today} />
        );
      }}
    </Shown>
  );
}

interface BeforeProps {
  readonly student: Student;
  readonly list: LessonList;
  readonly today: string;
}

function Before({ student, list, today }: BeforeProps) {
  const agree = useAgreeLesson(student.id);
  const deed = useLessonDeed(student.id);
  const due = dueOn(list.lessons, today);
  const isVideo = due?.mode === 'video';
  const begin = (mode: Lesson['mode']) => agree.mutate({ day: today, mode, begin: true });
  const here = due && !isVideo ? LESSON_WORDS.beginToday(due.time) : LESSON_WORDS.beginHere;
  const video = due && isVideo ? LESSON_WORDS.beginToday(due.time) : LESSON_WORDS.beginVideo;
  return (
    <div className="mx-auto grid max-w-[80rem] items-start gap-4 p-4 lg:grid-cols-[1fr_26rem]">
      <Panel title={LESSON_WORDS.parts.before}>
        <LessonBrief studentId={student.id} today={today} />
        <div className="mt-4 flex flex-wrap gap-2">
          <button
            type="button"
            className={`btn btn-lg ${isVideo ? '' : 'btn-primary'}`}
            onClick={() => begin('in_person')}
          >
            {here}
          </button>
          <button
            type="button"
            className={`btn btn-lg ${isVideo ? 'btn-primary' : ''}`}
            onClick={() => begin('video')}
          >
            {video}
          </button>
        </div>
        {(agree.error || deed.error) && <Failed error={agree.error ?? deed.error} />}
      </Panel>
      <Panel title={DATES_WORDS.title}>
        <LessonDates
          studentId={student.id}
          lessons={list.lessons}
          today={today}
          onBegin={({ id }) => deed.mutate({ id, deed: 'begin' })}
        />
      </Panel>
    </div>
  );
}

interface HourProps extends BeforeProps {
  readonly lesson: Lesson;
  readonly onShown: () => void;
  readonly onLeave: () => void;
}

function Hour({ student, lesson, list, today, onShown, onLeave }: HourProps) {
  const [part, setPart] = usePart(lesson);
  useLessonAtHand(student.id, lesson.id, lesson.endedAt !== null);
  const file = useLessonFile(student.id, lesson.id);
  const swings = useSwings(student.id);
  const minutes = useMinutes(lesson);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once a lesson
  useEffect(() => {
    onShown();
  }, [lesson.id]);
  useScreenKeys(
    LESSON_PARTS.map((_, i) => String(i + 1)).join(', '),
    (event) => setPart(LESSON_PARTS[Number(event.key) - 1] ?? 'before'),
    {},
  );
  const latestSwing = swings.data?.find(({ recordedOn }) => recordedOn === today)?.id ?? null;
  const of = { student, lessonId: lesson.id, today, latestSwing };
  return (
    <div className="mx-auto flex max-w-[84rem] flex-col gap-3 p-3">
      <div className="flex flex-wrap items-center gap-2">
        <nav aria-label={LESSON_WORDS.partsLabel} className="flex flex-wrap gap-1">
          {LESSON_PARTS.map((one) => (
            <button
              key={one}
              type="button"
              aria-pressed={part === one}
              className={`btn ${part === one ? 'btn-primary' : ''}`}
              onClick={() => setPart(one)}
            >
              {LESSON_WORDS.parts[one]}
            </button>
          ))}
        </nav>
        <EndKey student={student} lesson={lesson} minutes={minutes} onLeave={onLeave} />
      </div>
      {lesson.endedAt === null && lesson.id !== list.running?.id && (
        <p role="status" className="panel flex flex-wrap items-center gap-3 border-warning p-3">
          <span className="flex-1 font-semibold">{LESSON_WORDS.leftOpen}</span>
          <button type="button" className="btn" onClick={onLeave}>
            {LESSON_WORDS.toNext}
          </button>
        </p>
      )}
      <Shown query={file} what={LESSON_WORDS.the}>
        {(known) => <LessonStrip file={known} minutes={minutes} />}
      </Shown>
      <div className="grid items-start gap-3 lg:grid-cols-[1fr_20rem]">
        <div className="min-w-0">
          {part === 'before' && (
            <Panel title={LESSON_WORDS.parts.before}>
              <LessonBrief studentId={student.id} today={today} />
            </Panel>
          )}
          {part === 'film' && (
            <div className="flex flex-col gap-3">
              <CameraDesk studentId={student.id} lessonId={lesson.id} />
              <LessonTakes
                student={student}
                today={today}
                felt={file.data?.moments.some((one) => one.what === 'note' && one.tag === 'felt') ?? false}
              />
              <Shown query={swings} what={LESSON_WORDS.the}>
                {(all) => (
                  <Live
                    student={student}
                    swings={all}
                    tall={false}
                    onTaken={() => toast(LESSON_WORDS.taken)}
                  />
                )}
              </Shown>
            </div>
          )}
          {part === 'felt' && <LessonFelt {...of} />}
          {part === 'decide' && <LessonDecide studentId={student.id} today={today} />}
          {part === 'count' && <LessonCount {...of} />}
          {part === 'after' && (
            <LessonAfter student={student} lesson={lesson} lessons={list.lessons} today={today} />
          )}
        </div>
        {file.data && <LessonNotes studentId={student.id} file={file.data} latestSwing={latestSwing} />}
      </div>
    </div>
  );
}

/** The part that is open stays open over a reload: it stands in the address. */
function usePart(lesson: Lesson) {
  const [asked, ask] = useSearchParams();
  const usual: LessonPart = lesson.endedAt === null ? 'before' : 'after';
  const part = LESSON_PARTS.find((one) => one === asked.get('part')) ?? usual;
  const setPart = (next: LessonPart) => ask({ of: lesson.id, part: next }, { replace: true });
  return [part, setPart] as const;
}

/** Minutes of the lesson, going on while it does. */
function useMinutes(lesson: Lesson): number {
  const [now, setNow] = useState(() => new Date().toISOString());
  useEffect(() => {
    if (lesson.endedAt !== null) return;
    const tick = setInterval(() => setNow(new Date().toISOString()), 10_000);
    return () => clearInterval(tick);
  }, [lesson.endedAt]);
  return minutesSince(lesson, now);
}

function EndKey({
  student,
  lesson,
  minutes,
  onLeave,
}: {
  readonly student: Student;
  readonly lesson: Lesson;
  readonly minutes: number;
  readonly onLeave: () => void;
}) {
  const deed = useLessonDeed(student.id);
  const { id } = lesson;
  const goOn = () => deed.mutate({ id, deed: 'resume' });
  const end = () =>
    deed.mutate(
      { id, deed: 'end' },
      { onSuccess: () => toast(LESSON_WORDS.ended, { action: { label: LESSON_WORDS.goOn, onClick: goOn } }) },
    );
  return (
    <span className="ml-auto flex items-center gap-3">
      <span className="font-semibold">
        {lesson.endedAt === null ? LESSON_WORDS.running(minutes) : LESSON_WORDS.over(minutes)}
      </span>
      {lesson.endedAt === null ? (
        <button type="button" className="btn" onClick={end} disabled={deed.isPending}>
          {LESSON_WORDS.end}
        </button>
      ) : (
        <>
          <button type="button" className="btn" onClick={goOn} disabled={deed.isPending}>
            {LESSON_WORDS.goOn}
          </button>
          <button type="button" className="btn btn-primary" onClick={onLeave}>
            {LESSON_WORDS.toNext}
          </button>
        </>
      )}
    </span>
  );
}
