import type { PlanAsk } from '@inchstep/contract/practice';
import { WEEKDAY_WORDS } from '@inchstep/contract/words';
import { WEEKDAYS, type Weekday } from '@inchstep/core/foundation';
import type { Place } from '@inchstep/core/intake';

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
          Begin
          <input
            type="date"
            className="input w-44"
            min={today}
            value={ask.start}
            onChange={(e) => e.target.value && onChange({ ...ask, start: e.target.value })}
          />
        </label>
        <label className="flex flex-col">
          Next lesson
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
        <legend className="mb-1 font-semibold">Days</legend>
        {WEEKDAYS.map((day) => (
          <DayAsk key={day} day={day} ask={ask} onChange={onChange} />
        ))}
      </fieldset>
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
              aria-label={`Minutes on ${WEEKDAY_WORDS[day]}`}
              type="number"
              className="input input-sm h-11 w-16"
              min={5}
              max={240}
              placeholder="20"
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
            min
          </label>
          <select
            aria-label={`Place on ${WEEKDAY_WORDS[day]}`}
            className="select select-sm h-11 w-24"
            value={ask.placeByDay[day] ?? 'home'}
            onChange={(e) =>
              onChange({ ...ask, placeByDay: withDay(ask.placeByDay, day, e.target.value as Place) })
            }
          >
            <option value="home">Home</option>
            <option value="range">Range</option>
            <option value="net">Net</option>
            <option value="course">Course</option>
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
