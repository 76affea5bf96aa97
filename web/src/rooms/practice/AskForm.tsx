import type { PlanAsk } from '@inchstep/contract/practice';
import { PLACE_WORDS, WEEKDAY_WORDS } from '@inchstep/contract/words';
import { WEEKDAYS, type Weekday } from '@inchstep/core/foundation';
import { EMPTY_DAY_MINUTES, PLACES, type Place } from '@inchstep/core/intake';
import { MoreAsk } from './MoreAsk.tsx';
import { ASK_WORDS } from './words.ts';

interface AskFormProps {
  readonly ask: PlanAsk;
  readonly onChange: (ask: PlanAsk) => void;
}

/** When and where the student will practise, from today. */
export function AskForm({ ask, onChange, today }: AskFormProps & { readonly today: string }) {
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap gap-3">
        <label className="flex flex-col">
          {ASK_WORDS.begin}
          <input
            type="date"
            className="input w-44"
            min={today}
            value={ask.start}
            onChange={(e) => e.target.value && onChange({ ...ask, start: e.target.value })}
          />
        </label>
        <label className="flex flex-col">
          {ASK_WORDS.nextLesson}
          <input
            type="date"
            className="input w-44"
            min={ask.start}
            value={ask.nextLesson ?? ''}
            onChange={(e) => onChange({ ...ask, nextLesson: e.target.value || null })}
          />
        </label>
      </div>
      <fieldset className="flex flex-wrap gap-2">
        <legend className="mb-1 font-semibold">{ASK_WORDS.days}</legend>
        {WEEKDAYS.map((day) => (
          <DayAsk key={day} day={day} ask={ask} onChange={onChange} />
        ))}
      </fieldset>
      <MoreAsk ask={ask} onChange={onChange} today={today} />
    </div>
  );
}

/** One day of the week: whether, how long and where. */
function DayAsk({ day, ask, onChange }: AskFormProps & { readonly day: Weekday }) {
  const flip = () =>
    onChange({
      ...ask,
      days: ask.days.includes(day)
        ? ask.days.filter((d) => d !== day)
        : WEEKDAYS.filter((d) => d === day || ask.days.includes(d)),
    });
  return (
    <div
      className={`flex flex-col rounded border-[1.5px] p-1 ${ask.days.includes(day) ? 'border-primary' : 'border-dashed border-base-300'}`}
    >
      <label className="flex min-h-9 items-center gap-2 px-1 font-semibold">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={ask.days.includes(day)}
          onChange={flip}
        />{' '}
        {WEEKDAY_WORDS[day]}
      </label>
      {ask.days.includes(day) && (
        <>
          <label className="flex items-center gap-1 text-sm">
            <input
              aria-label={ASK_WORDS.minutesOn(WEEKDAY_WORDS[day] ?? day)}
              type="number"
              className="input input-sm h-11 w-16"
              min={5}
              max={240}
              placeholder={String(EMPTY_DAY_MINUTES)}
              value={ask.minutesPerDay[day] ?? ''}
              onChange={(e) =>
                onChange({
                  ...ask,
                  minutesPerDay: withDay(
                    ask.minutesPerDay,
                    day,
                    e.target.value === '' ? undefined : Number(e.target.value),
                  ),
                })
              }
            />{' '}
            {ASK_WORDS.minutes}
          </label>
          <select
            aria-label={ASK_WORDS.placeOn(WEEKDAY_WORDS[day] ?? day)}
            className="select select-sm h-11 w-24"
            value={ask.placeByDay[day] ?? 'home'}
            onChange={(e) =>
              onChange({ ...ask, placeByDay: withDay(ask.placeByDay, day, e.target.value as Place) })
            }
          >
            {PLACES.map((place) => (
              <option key={place} value={place}>
                {PLACE_WORDS[place]}
              </option>
            ))}
          </select>
        </>
      )}
    </div>
  );
}

function withDay<T>(
  table: Partial<Record<Weekday, T>>,
  day: Weekday,
  value: T | undefined,
): Partial<Record<Weekday, T>> {
  const { [day]: _, ...rest } = table;
  return value === undefined ? (rest as Partial<Record<Weekday, T>>) : { ...rest, [day]: value };
}
