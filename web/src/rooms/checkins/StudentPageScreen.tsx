import type { StudentPage } from '@inchstep/contract/checkins';
import {
  amountsWithClub,
  cautionText,
  clubOrderText,
  exaggerateText,
  itemText,
  PAIN_WORDS,
  PLACE_WORDS,
  STAGE_WORDS,
  warmUpText,
  wordsFrom,
} from '@inchstep/contract/words';
import { freeRun, type PlanItem, runOf } from '@inchstep/core/practice';
import { useQueryClient } from '@tanstack/react-query';
import { Suspense, useCallback, useEffect, useState } from 'react';
import { HttpError } from '../../platform/httpError.ts';
import { dayText, Failed, Loading } from '../../platform/parts.tsx';
import { keys } from '../../platform/queryKeys.ts';
import { useSettings } from '../../platform/settings.tsx';
import { useUnits } from '../../platform/units.ts';
import { LazySetupCard, Routine, useLibraryWords, WordsOf } from '../prescription/index.ts';
import { CheckinForm } from './CheckinForm.tsx';
import { DaysAhead } from './DaysAhead.tsx';
import { usePage } from './queries.ts';
import { SetRunner } from './SetRunner.tsx';
import { dropRefused, sendWaiting, type WaitingSet, waitingSets } from './waitingSets.ts';
import { STUDENT_PAGE_SCREEN_WORDS } from './words.ts';

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
            <h2 className="text-lg">{STUDENT_PAGE_SCREEN_WORDS.from(page.coach)}</h2>
            <p className="text-sm text-base-content/80">{dayText(reply.at, page.today)}</p>
            <p className="mt-2 whitespace-pre-wrap">{reply.text}</p>
          </section>
        )}
        {!page.hold && (
          <TodayCard token={token} page={page} onLogged={onLogged} onPain={() => setHurts(hurts + 1)} />
        )}
        {!page.hold && page.drills.length > 0 && <DaysAhead token={token} />}
        <CheckinForm token={token} page={page} hurts={hurts} />
      </main>
    </div>
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

function TodayCard({
  token,
  page,
  onLogged,
  onPain,
}: {
  readonly token: string;
  readonly page: StudentPage;
  readonly onLogged: () => void;
  readonly onPain: () => void;
}) {
  const [extra, setExtra] = useState(false);
  const { nameOf, wordsOf } = useLibraryWords();
  const { length } = useUnits();
  const { day } = page;
  const items: readonly Pick<PlanItem, 'drill' | 'stage'>[] =
    day?.items ??
    (extra ? page.drills.map((d) => ({ drill: d.id, stage: d.stage as PlanItem['stage'] })) : []);
  return (
    <section className="flex flex-col gap-4" aria-label={STUDENT_PAGE_SCREEN_WORDS.today}>
      <div>
        <h2 className="text-xl">{STUDENT_PAGE_SCREEN_WORDS.today}</h2>
        {day ? (
          <p>
            {PLACE_WORDS[day.place]}
            {STUDENT_PAGE_SCREEN_WORDS.aboutMinutes(Math.round(day.minutes))} {warmUpText(day, nameOf)}
          </p>
        ) : (
          <div className="panel mt-1 p-3">
            <p>
              {page.drills.length === 0
                ? STUDENT_PAGE_SCREEN_WORDS.nothingIsPlannedYet
                : STUDENT_PAGE_SCREEN_WORDS.nothingToday(
                    page.nextDay ? dayText(page.nextDay, page.today) : null,
                  )}
            </p>
            {page.drills.length > 0 && !extra && (
              <button type="button" className="btn mt-2" onClick={() => setExtra(true)}>
                {STUDENT_PAGE_SCREEN_WORDS.practiseAnyway}
              </button>
            )}
          </div>
        )}
      </div>
      {page.ownTask !== '' && (
        <div className="panel p-4">
          <h3 className="text-xl">{STUDENT_PAGE_SCREEN_WORDS.besides(page.coach)}</h3>
          <p className="whitespace-pre-line">{page.ownTask}</p>
        </div>
      )}
      {items.map((item) => {
        const drill = page.drills.find((d) => d.id === item.drill);
        const planned = day?.items.find((i) => i.drill === item.drill && i.stage === item.stage);
        const withClub = amountsWithClub(drill?.amounts ?? [], planned?.club ?? null, length);
        return (
          <article key={item.drill + item.stage} className="panel flex flex-col gap-3 p-4">
            <header>
              <h3 className="text-xl">{nameOf(item.drill)}</h3>
              <p>
                {STAGE_WORDS[item.stage]?.name}: {planned ? itemText(planned) : STAGE_WORDS[item.stage]?.what}
              </p>
              {planned && clubOrderText(planned) && <p className="text-sm">{clubOrderText(planned)}</p>}
              {drill && (
                <p className="text-sm">{STUDENT_PAGE_SCREEN_WORDS.toTheNextRung(drill.more, drill.waits)}</p>
              )}
              {withClub && <p>{STUDENT_PAGE_SCREEN_WORDS.withThisClub(withClub)}</p>}
              {(item.stage === 'clubs' || item.stage === 'course') && (
                <Routine
                  drill={item.drill}
                  cue={wordsOf(item.drill)?.cue ?? ''}
                  school={{ setup_bias: page.setupBias }}
                  club={planned?.club ?? 'mid_iron'}
                />
              )}
            </header>
            {drill?.exaggerate && <p>{exaggerateText(drill.exaggerate)}</p>}
            <SetRunner
              token={token}
              spec={planned ? runOf(planned) : freeRun(item.drill, item.stage, drill?.layer ?? 1)}
              asks={
                drill && drill.layers.length > 1
                  ? (wordsOf(item.drill)?.layers[drill.layer - 1] ?? null)
                  : null
              }
              cautions={(drill?.cautions ?? []).map(cautionText)}
              done={page.sets.filter((s) => s.date === page.today && s.drill === item.drill)}
              onLogged={onLogged}
              onPain={onPain}
            />
            {drill && <HowToSet token={token} page={page} drill={drill} onRange={day?.place === 'range'} />}
          </article>
        );
      })}
    </section>
  );
}

/** The card is fetched, posed and drawn when somebody wants to see it. */
function HowToSet({
  token,
  page,
  drill,
  onRange,
}: {
  readonly token: string;
  readonly page: StudentPage;
  readonly drill: StudentPage['drills'][number];
  readonly onRange: boolean;
}) {
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">
        {STUDENT_PAGE_SCREEN_WORDS.howToSet}
      </summary>
      {open && (
        <Suspense fallback={<Loading what={STUDENT_PAGE_SCREEN_WORDS.theCard} />}>
          <LazySetupCard
            drill={drill.id}
            setup={drill.setup}
            cautions={drill.cautions}
            of={`/api/page/${token}`}
            heightIn={page.heightIn}
            left={page.handedness === 'left'}
            onRange={onRange}
            layers={drill.layers}
            guard={drill.guard}
            layer={drill.layer}
            amounts={drill.amounts}
          />
        </Suspense>
      )}
    </details>
  );
}
