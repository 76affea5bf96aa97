import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import { PLACE_WORDS, sessionText } from '@inchstep/contract/words';
import { useState } from 'react';
import { dayText, Failed, Loading } from '../../platform/parts.tsx';
import { useUnits } from '../../platform/units.ts';
import { useLibraryWords } from '../prescription/index.ts';
import { usePagePlan } from './queries.ts';
import { useProved } from './useProved.ts';
import { DAYS_AHEAD_WORDS } from './words.ts';

/** What lies ahead, day by day, and the dates as a calendar that keeps itself up to date. */
export function DaysAhead({ token }: { readonly token: string }) {
  const [open, setOpen] = useState(false);
  const plan = usePagePlan(token, open);
  const proved = useProved(plan.data?.pack);
  const { lengths } = useUnits();
  const { nameOf } = useLibraryWords();
  return (
    <details className="panel p-4" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer py-2 text-xl font-semibold">
        {DAYS_AHEAD_WORDS.title}
      </summary>
      {open && (plan.isPending || (plan.data && proved === null)) && <Loading what={DAYS_AHEAD_WORDS.what} />}
      {plan.error && <Failed error={plan.error} again={() => void plan.refetch()} />}
      {proved === false && <p role="alert">{DAYS_AHEAD_WORDS.notProved}</p>}
      {plan.data && proved === true && (
        <>
          {plan.data.days.length === 0 && <p>{DAYS_AHEAD_WORDS.none}</p>}
          <ol className="flex flex-col gap-3">
            {plan.data.days.map((day) => (
              <li key={day.date}>
                <p className="flex justify-between font-semibold">
                  <span>{dayText(day.date, plan.data.today)}</span>
                  <span>
                    {DAYS_AHEAD_WORDS.minutes(PLACE_WORDS[day.place] ?? '', Math.round(day.minutes))}
                  </span>
                </p>
                {day.items.map((item) => (
                  <p key={item.id}>{sessionText(item, nameOf)}</p>
                ))}
              </li>
            ))}
          </ol>
          <p className="mt-3 flex flex-wrap gap-2">
            <a
              className="btn"
              href={urlOf(wire.page.printWeek, { token, query: { units: lengths } })}
              target="_blank"
              rel="noreferrer"
            >
              {DAYS_AHEAD_WORDS.print}
            </a>
            <a className="btn" href={urlOf(wire.page.calendar, { token })}>
              {DAYS_AHEAD_WORDS.calendar}
            </a>
          </p>
          <p className="mt-1 text-sm">{DAYS_AHEAD_WORDS.subscribe}</p>
        </>
      )}
    </details>
  );
}
