import type { StudentPage } from '@inchstep/contract/checkins';
import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { wordsFrom } from '@inchstep/contract/words';
import { plusDays } from '@inchstep/core/foundation';
import { useQueryClient } from '@tanstack/react-query';
import { lightFormat } from 'date-fns';
import { useCallback, useMemo } from 'react';
import { dayOf, dayText, Failed, Loading } from '../../platform/parts.tsx';
import { keys } from '../../platform/queryKeys.ts';
import { useSettings } from '../../platform/settings.tsx';
import { useLeftRuns } from '../practice/index.ts';
import { WordsOf } from '../prescription/index.ts';
import { AllSaid } from './AllSaid.tsx';
import { AskedFor } from './AskedFor.tsx';
import { CheckinForm } from './CheckinForm.tsx';
import { DaysAhead } from './DaysAhead.tsx';
import { OnThisPhone } from './OnThisPhone.tsx';
import { OtherDay } from './OtherDay.tsx';
import { PageEnclosed } from './PageEnclosed.tsx';
import { PainStop } from './PainStop.tsx';
import { TodayCard } from './TodayCard.tsx';
import { type PageBox, setsIn, usePageBox } from './usePageBox.ts';
import { type PageLine, usePageLine, usePageToday } from './usePageLine.ts';
import { type PainHere, usePain } from './usePain.ts';
import { NO_SIGNAL_WORDS } from './words.page.ts';
import { MEETINGS_WORDS, STUDENT_PAGE_SCREEN_WORDS } from './words.ts';

/** What the private link opens on a phone, with a signal or without: today's card, the runner, the way to the coach. */
export function StudentPageScreen({ token }: { readonly token: string }) {
  const line = usePageLine(token);
  const client = useQueryClient();
  const heardAnew = useCallback(() => {
    void client.invalidateQueries({ queryKey: keys.page(token) });
  }, [client, token]);
  const box = usePageBox(token, line.studentId, heardAnew);
  const { sendings } = box;
  const page = usePageToday(
    line,
    useMemo(() => setsIn(sendings), [sendings]),
  );
  const pain = usePain(token, box, line);
  if (!page) {
    const error = line.refused ?? (line.kept === null ? line.error : null);
    return (
      <main className="mx-auto flex max-w-md flex-col gap-4 p-4">
        {error ? (
          <Failed error={error} {...(line.refused ? {} : { again: line.again })} />
        ) : (
          <Loading what={STUDENT_PAGE_SCREEN_WORDS.yourPage} />
        )}
        {line.refused !== null && <OnThisPhone box={box} />}
      </main>
    );
  }
  const { words } = page;
  return (
    <WordsOf words={wordsFrom((id) => words[id])}>
      <Page token={token} page={page} line={line} box={box} pain={pain} />
    </WordsOf>
  );
}

interface PageProps {
  readonly token: string;
  readonly page: StudentPage;
  readonly line: PageLine;
  readonly box: PageBox;
  readonly pain: PainHere;
}

function Page({ token, page, line, box, pain }: PageProps) {
  const { word } = page;
  useLeftRuns({ of: token.slice(0, 12), day: page.today }, box.putSet);
  const held = page.hold !== null || pain.hurt !== null;
  return (
    <div className="mx-auto flex max-w-md flex-col gap-4 pb-10">
      <Head page={page} />
      <main className="flex flex-col gap-4 px-4">
        {line.lost && line.kept && <NoSignal line={line} at={line.kept.at} today={page.today} />}
        <OtherDay token={token} today={page.today} />
        <PainStop page={page} pain={pain} box={box} lost={line.lost} />
        <OnThisPhone box={box} />
        {word && (
          <section className="panel p-4" aria-label={STUDENT_PAGE_SCREEN_WORDS.fromYourCoach}>
            {/* A letter that was there last week is not what stands between a student and today. */}
            <details open={isNew(word.at, page.today)}>
              <summary className="min-h-11 cursor-pointer py-2 text-lg font-semibold">
                {STUDENT_PAGE_SCREEN_WORDS.from(page.coach)}, {dayText(word.at, page.today)}
              </summary>
              <p className="whitespace-pre-wrap">{word.text}</p>
              <PageEnclosed token={token} enclosures={word.enclosures} />
            </details>
          </section>
        )}
        <Meetings token={token} page={page} />
        {!held && <TodayCard token={token} page={page} box={box} onPain={pain.press} />}
        {!held && page.drills.length > 0 && <DaysAhead token={token} />}
        <AskedFor page={page} />
        <CheckinForm token={token} page={page} box={box} pain={pain} />
        <AllSaid token={token} page={page} />
      </main>
    </div>
  );
}

function Head({ page }: { readonly page: StudentPage }) {
  const { lengths, change } = useSettings();
  const other = lengths === 'in' ? 'cm' : 'in';
  return (
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
  );
}

/** Nothing comes through: since when, and a way to try. */
function NoSignal({
  line,
  at,
  today,
}: {
  readonly line: PageLine;
  readonly at: number;
  readonly today: string;
}) {
  const since = `${dayText(lightFormat(at, 'yyyy-MM-dd'), today)}, ${lightFormat(at, 'HH:mm')}`;
  return (
    <p role="status" className="flex items-center gap-2 border-[var(--tape-ink)] border-l-[6px] pl-3">
      <span className="flex-1">{NO_SIGNAL_WORDS.note(since)}</span>
      <button type="button" className="btn" onClick={line.again}>
        {NO_SIGNAL_WORDS.again}
      </button>
    </p>
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
            href={urlOf(wire.page.printSummary, { token, lessonId: id })}
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
