import type { LessonCard as Card } from '@inchstep/contract/progress';
import { faultName, STAGE_WORDS } from '@inchstep/contract/words';
import { UserPlus } from 'lucide-react';
import { Link } from 'react-router';
import { dayText, Empty, Shown } from '../../platform/parts.tsx';
import { useMe } from '../../platform/session.ts';
import { useLibrary } from '../prescription/index.ts';
import { Queue } from './Queue.tsx';
import { useLessons } from './queries.ts';
import { DATES_WORDS } from './words.lesson.ts';
import { movedText, STATE_WORDS, TODAY_SCREEN_WORDS } from './words.ts';

/** The day: what waits for an answer, and a brief for each lesson that comes. */
export function TodayScreen() {
  const lessons = useLessons();
  const me = useMe();
  const today = me.data?.today ?? '';
  return (
    <div className="mx-auto grid max-w-[80rem] gap-6 p-4 lg:grid-cols-[26rem_1fr]">
      <section aria-label={TODAY_SCREEN_WORDS.waitingForYou}>
        <div className="mb-2 flex items-center justify-between gap-3">
          <h1 className="text-2xl">{TODAY_SCREEN_WORDS.waitingForYou}</h1>
          <Link className="btn" to="/students/new">
            <UserPlus aria-hidden size={18} /> {TODAY_SCREEN_WORDS.newStudent}
          </Link>
        </div>
        <Queue />
      </section>
      <section aria-label={TODAY_SCREEN_WORDS.lessons}>
        <h2 className="mb-2 text-2xl">{TODAY_SCREEN_WORDS.lessonsToCome}</h2>
        <Shown query={lessons} what={TODAY_SCREEN_WORDS.theLessons}>
          {({ students, lessons: coming }) => {
            if (students === 0)
              return (
                <Empty
                  title={TODAY_SCREEN_WORDS.nobodyHereYet}
                  action={
                    <Link className="btn btn-primary" to="/students/new">
                      {TODAY_SCREEN_WORDS.addTheFirstStudent}
                    </Link>
                  }
                >
                  {TODAY_SCREEN_WORDS.addAStudentLoad}
                </Empty>
              );
            if (coming.length === 0)
              return (
                <Empty title={TODAY_SCREEN_WORDS.noLessonIsSet}>{TODAY_SCREEN_WORDS.setTheNextLesson}</Empty>
              );
            return (
              <ul className="grid gap-3 sm:grid-cols-2">
                {coming.map((b) => (
                  <BriefCard key={b.lesson.id} brief={b} today={today} />
                ))}
              </ul>
            );
          }}
        </Shown>
      </section>
    </div>
  );
}

function BriefCard({ brief, today }: { readonly brief: Card; readonly today: string }) {
  const { nameOf } = useLibrary();
  const { lesson } = brief;
  return (
    <li>
      <Link
        to={`/students/${brief.studentId}/lesson`}
        className="panel flex h-full flex-col gap-1 p-3 hover:bg-base-200"
      >
        <span className="flex items-baseline justify-between gap-2">
          <span className="text-lg font-semibold">{brief.name}</span>
          <span className="text-right">
            {brief.running ? TODAY_SCREEN_WORDS.goesOn : dayText(lesson.day, today)}
            {!brief.running && (
              <span className="ml-2 text-lg font-semibold">{lesson.time ?? DATES_WORDS.open}</span>
            )}
          </span>
        </span>
        <span className="text-sm text-base-content/80">
          {DATES_WORDS.line(lesson.minutes, lesson.place, lesson.mode === 'video')}
        </span>
        <span className="text-sm font-semibold">{STATE_WORDS[brief.state]}</span>
        {brief.focus.length > 0 && (
          <span>
            {brief.focus.map(faultName).join(', ')}: {brief.drills.map(nameOf).join(TODAY_SCREEN_WORDS.and)}
            {brief.stage && `, ${STAGE_WORDS[brief.stage]?.name.toLowerCase()}`}
          </span>
        )}
        {brief.moved && <span className="text-sm">{movedText(brief.moved)}</span>}
        {brief.limits.length > 0 && (
          <span className="text-sm text-base-content/80">
            {TODAY_SCREEN_WORDS.careful(brief.limits.join(', '))}
          </span>
        )}
      </Link>
    </li>
  );
}
