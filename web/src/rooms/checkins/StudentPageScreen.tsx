import type { StudentPage } from '@inchstep/contract/checkins';
import { PAIN_WORDS, wordsFrom } from '@inchstep/contract/words';
import { plusDays } from '@inchstep/core/foundation';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';
import { HttpError } from '../../platform/httpError.ts';
import { dayOf, dayText, Failed, Loading } from '../../platform/parts.tsx';
import { keys } from '../../platform/queryKeys.ts';
import { useSettings } from '../../platform/settings.tsx';
import { useLibraryWords, WordsOf } from '../prescription/index.ts';
import { AskedFor } from './AskedFor.tsx';
import { CheckinForm } from './CheckinForm.tsx';
import { DaysAhead } from './DaysAhead.tsx';
import { usePage } from './queries.ts';
import { TodayCard } from './TodayCard.tsx';
import { dropRefused, sendWaiting, type WaitingSet, waitingSets } from './waitingSets.ts';
import { MEETINGS_WORDS, STUDENT_PAGE_SCREEN_WORDS } from './words.ts';

/** What the private link opens on a phone: today's card, the runner, the way to the coach. */
export function StudentPageScreen({ token }: { readonly token: string }) {
  const page = usePage(token);
  const client = useQueryClient();
  const [waiting, setWaiting] = useState(() => waitingSets(token));
  const flush = useCallback(async () => {
    if (await sendWaiting(token)) void client.invalidateQueries({ queryKey: keys.page(token) });
    setWaiting(waitingSets(token));
  }, [token, client]);
  useEffect(() => {
    void flush();
    window.addEventListener('online', flush);
    return () => window.removeEventListener('online', flush);
  }, [flush]);
  if (!page.data) {
    const offline = page.error instanceof HttpError && page.error.status === 0;
    return (
      <main className="mx-auto max-w-md p-4">
        {page.error ? (
          <Failed error={page.error} {...(offline ? { again: () => void page.refetch() } : {})} />
        ) : (
          <Loading what={STUDENT_PAGE_SCREEN_WORDS.yourPage} />
        )}
      </main>
    );
  }
  const { words } = page.data;
  const logged = () => {
    void client.invalidateQueries({ queryKey: keys.page(token) });
    void flush();
  };
  return (
    <WordsOf words={wordsFrom((id) => words[id])}>
      <Page token={token} page={page.data} waiting={waiting} onLogged={logged} />
    </WordsOf>
  );
}

function Page({
  token,
  page,
  waiting,
  onLogged,
}: {
  readonly token: string;
  readonly page: StudentPage;
  readonly waiting: readonly WaitingSet[];
  readonly onLogged: () => void;
}) {
  const { lengths, change } = useSettings();
  const other = lengths === 'in' ? 'cm' : 'in';
  const [hurts, setHurts] = useState(0);
  const reply = page.checkins.find((c) => c.reply)?.reply;
  return (
    <div className="mx-auto flex max-w-md flex-col gap-4 pb-10">
      <header className="tape-edge flex items-start gap-3 px-4 pt-4 pb-2">
        <div className="flex-1">
          <h1 className="text-2xl">{STUDENT_PAGE_SCREEN_WORDS.practiceOf(page.firstName)}</h1>
          <p className="text-sm">{STUDENT_PAGE_SCREEN_WORDS.with(page.coach)}</p>
        </div>
        <button
          type="button"
          className="min-h-11 rounded px-2 font-semibold underline"
          onClick={() => change({ lengths: other })}
        >
          {STUDENT_PAGE_SCREEN_WORDS.show(other === 'in' ? 'inches' : 'centimetres')}
        </button>
      </header>
      <main className="flex flex-col gap-4 px-4">
        {page.hold && (
          <section role="alert" className="panel border-[3px] border-error p-4 font-semibold">
            {PAIN_WORDS}
          </section>
        )}
        <WaitingNote token={token} waiting={waiting} onSeen={onLogged} />
        {reply && (
          <section className="panel p-4" aria-label={STUDENT_PAGE_SCREEN_WORDS.fromYourCoach}>
            {/* A letter that was there last week is not what stands between a student and today. */}
            <details open={isNew(reply.at, page.today)}>
              <summary className="min-h-11 cursor-pointer py-2 text-lg font-semibold">
                {STUDENT_PAGE_SCREEN_WORDS.from(page.coach)}, {dayText(reply.at, page.today)}
              </summary>
              <p className="whitespace-pre-wrap">{reply.text}</p>
            </details>
          </section>
        )}
        <Meetings token={token} page={page} />
        {!page.hold && (
          <TodayCard token={token} page={page} onLogged={onLogged} onPain={() => setHurts(hurts + 1)} />
        )}
        {!page.hold && page.drills.length > 0 && <DaysAhead token={token} />}
        <AskedFor page={page} />
        <CheckinForm token={token} page={page} hurts={hurts} />
      </main>
    </div>
  );
}

/** Letters of the last days stand open. */
const NEW_DAYS = 2;
const isNew = (at: string, today: string): boolean => plusDays(dayOf(at), NEW_DAYS) >= today;

/** When coach and student meet next, and what was written of their lessons. */
function Meetings({
  token,
  page: { nextLesson, lessons, today },
}: {
  readonly token: string;
  readonly page: StudentPage;
}) {
  if (!nextLesson && lessons.length === 0) return null;
  return (
    <section className="panel flex flex-col gap-2 p-4" aria-label={MEETINGS_WORDS.title}>
      {nextLesson && (
        <p>
          <span className="font-semibold">{MEETINGS_WORDS.next}</span> {dayText(nextLesson.day, today)}
          {nextLesson.time !== null && MEETINGS_WORDS.at(nextLesson.time)}
          {MEETINGS_WORDS.where(nextLesson.place, nextLesson.mode === 'video')}
        </p>
      )}
      {lessons.map(({ id, day, summary }, i) => (
        <details key={id} open={i === 0 && isNew(day, today)}>
          <summary className="min-h-11 cursor-pointer py-2 font-semibold">
            {MEETINGS_WORDS.lesson(dayText(day, today))}
          </summary>
          <p className="whitespace-pre-wrap">{summary}</p>
          <a
            className="btn mt-2"
            href={`/api/page/${token}/lessons/${id}/summary.pdf`}
            target="_blank"
            rel="noreferrer"
          >
            {MEETINGS_WORDS.print}
          </a>
        </details>
      ))}
    </section>
  );
}

/** Sets that have not gone yet, and those that were not taken, with the reason. */
function WaitingNote({
  token,
  waiting,
  onSeen,
}: {
  readonly token: string;
  readonly waiting: readonly WaitingSet[];
  readonly onSeen: () => void;
}) {
  const { nameOf } = useLibraryWords();
  const open = waiting.filter((set) => set.refused === undefined).length;
  const refused = waiting.filter((set) => set.refused !== undefined);
  return (
    <>
      {open > 0 && (
        <p role="status" className="panel p-3">
          {STUDENT_PAGE_SCREEN_WORDS.waiting(open)}
        </p>
      )}
      {refused.length > 0 && (
        <div role="alert" className="panel border-warning p-3">
          <p className="font-semibold">
            {STUDENT_PAGE_SCREEN_WORDS.notTaken(refused.map((set) => nameOf(set.drill)).join(', '))}
          </p>
          <p>{refused[0]?.refused}</p>
          <button
            type="button"
            className="btn mt-2"
            onClick={() => {
              dropRefused(token);
              onSeen();
            }}
          >
            {STUDENT_PAGE_SCREEN_WORDS.letItGo}
          </button>
        </div>
      )}
    </>
  );
}
