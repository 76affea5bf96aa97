import type { StudentPage } from '@inchstep/contract/checkins';
import type { SetLog } from '@inchstep/contract/practice';
import {
  amountsWithClub,
  cautionText,
  clubOrderText,
  exaggerateText,
  itemText,
  PLACE_WORDS,
  STAGE_WORDS,
  warmUpText,
} from '@inchstep/contract/words';
import { freeRun, type PlanItem, runOf } from '@inchstep/core/practice';
import { Suspense, useState } from 'react';
import { dayText, Loading } from '../../platform/parts.tsx';
import { useUnits } from '../../platform/units.ts';
import { LazySetupCard, pageCard, Routine, useLibraryWords } from '../prescription/index.ts';
import { RungNews } from './RungNews.tsx';
import { SetRunner } from './SetRunner.tsx';
import { type PageBox, setsIn } from './usePageBox.ts';
import { STUDENT_PAGE_SCREEN_WORDS } from './words.ts';

/** The session that is planned for today, each drill with its runner; or what to do instead. */
export function TodayCard({
  token,
  page,
  box,
  onPain,
}: {
  readonly token: string;
  readonly page: StudentPage;
  readonly box: PageBox;
  readonly onPain: () => void;
}) {
  const [extra, setExtra] = useState(false);
  const { nameOf } = useLibraryWords();
  const { day } = page;
  const known = new Set(page.sets.map(({ id }) => id));
  const done = [...page.sets, ...setsIn(box.sendings).filter(({ id }) => !known.has(id))];
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
      {page.drills.map((drill) => (
        <RungNews key={drill.id} drill={drill} nameOf={nameOf} />
      ))}
      {page.ownTask !== '' && (
        <div className="panel p-4">
          <h3 className="text-xl">{STUDENT_PAGE_SCREEN_WORDS.besides(page.coach)}</h3>
          <p className="whitespace-pre-line">{page.ownTask}</p>
        </div>
      )}
      {items.map((item) => (
        <Item
          key={item.drill + item.stage}
          token={token}
          page={page}
          box={box}
          item={item}
          done={done.filter((s) => s.date === page.today && s.drill === item.drill)}
          onPain={onPain}
        />
      ))}
    </section>
  );
}

interface ItemProps {
  readonly token: string;
  readonly page: StudentPage;
  readonly box: PageBox;
  readonly item: Pick<PlanItem, 'drill' | 'stage'>;
  readonly done: readonly Pick<SetLog, 'reps'>[];
  readonly onPain: () => void;
}

/** One drill of today: what is asked of it, its count, and how it is set up. */
function Item({ token, page, box, item, done, onPain }: ItemProps) {
  const { nameOf, wordsOf } = useLibraryWords();
  const { length } = useUnits();
  const { day } = page;
  const drill = page.drills.find((d) => d.id === item.drill);
  const planned = day?.items.find((i) => i.drill === item.drill && i.stage === item.stage);
  const withClub = amountsWithClub(drill?.amounts ?? [], planned?.club ?? null, length);
  return (
    <article className="panel flex flex-col gap-3 p-4">
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
        key={page.today}
        token={token}
        day={page.today}
        box={box}
        spec={planned ? runOf(planned) : freeRun(item.drill, item.stage, drill?.layer ?? 1)}
        room={drill?.room ?? null}
        cautions={(drill?.cautions ?? []).map(cautionText)}
        done={done}
        onPain={onPain}
      />
      {drill && <HowToSet token={token} page={page} drill={drill} onRange={day?.place === 'range'} />}
    </article>
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
            of={pageCard(token)}
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
