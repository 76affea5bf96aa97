import * as wire from '@inchstep/contract/endpoints';
import { urlOf } from '@inchstep/contract/wire/address';
import {
  amountsWithClub,
  carryText,
  clubOrderText,
  emptyText,
  PLACE_WORDS,
  sessionText,
  warmUpText,
} from '@inchstep/contract/words';
import type { Plan, PlanDay } from '@inchstep/core/practice';
import type { ClubAmount } from '@inchstep/core/prescription';
import { shortDay, weekdayDay } from '../../platform/dates.ts';
import { dayText, Panel } from '../../platform/parts.tsx';
import { useUnits } from '../../platform/units.ts';
import { useLibraryWords } from '../prescription/index.ts';
import { MoveSession } from './MoveSession.tsx';
import { DAY_LIST_WORDS } from './words.ts';

const SHOWN = 12;

interface DayListProps {
  readonly plan: Plan;
  readonly today: string;
  /** What of a drill depends on the club in the hands. */
  readonly amountsOf: (drill: string) => readonly ClubAmount[];
  readonly studentId: string;
  readonly chosen: string | null;
  readonly onChoose: (date: string | null) => void;
  /** Puts a session on another day; null while the plan is only tried. */
  readonly onMove: ((from: string, to: string) => void) | null;
}

/** The near days of a plan as cards; one that is pressed opens, and can be put on another day. */
export function DayList({ plan, today, chosen, ...props }: DayListProps) {
  const { lengths } = useUnits();
  const ahead = plan.days.filter((day) => day.date >= today);
  const from = ahead.findIndex(({ date }) => date === chosen);
  const first = Math.max(0, Math.min(from < SHOWN ? 0 : from, ahead.length - SHOWN));
  const shown = ahead.slice(first, first + SHOWN);
  const empty = plan.empty.filter(
    ({ date }) => date >= (shown[0]?.date ?? today) && date <= (shown.at(-1)?.date ?? today),
  );
  return (
    <Panel
      title={DAY_LIST_WORDS.days}
      aside={
        <span className="flex items-baseline gap-3 text-sm text-base-content/80">
          {DAY_LIST_WORDS.ahead(ahead.length)}
          {props.onMove && (
            <a
              className="btn"
              href={urlOf(wire.practice.printWeek, { id: props.studentId, query: { units: lengths } })}
              target="_blank"
              rel="noreferrer"
            >
              {DAY_LIST_WORDS.print}
            </a>
          )}
        </span>
      }
    >
      <ol className="grid gap-2 sm:grid-cols-2 xl:grid-cols-3">
        {shown.map((day) => (
          <DayCard key={day.date} day={day} today={today} chosen={day.date === chosen} {...props} />
        ))}
      </ol>
      {empty.length > 0 && <p className="mt-2 text-sm">{DAY_LIST_WORDS.without(byReason(empty))}</p>}
    </Panel>
  );
}

function DayCard({
  day,
  today,
  chosen,
  amountsOf,
  studentId,
  onChoose,
  onMove,
}: Omit<DayListProps, 'plan' | 'chosen'> & { readonly day: PlanDay; readonly chosen: boolean }) {
  const { nameOf, wordsOf } = useLibraryWords();
  const { length } = useUnits();
  return (
    <li className={`rounded border-[1.5px] p-2 ${chosen ? 'border-primary' : 'border-base-300'}`}>
      <button
        type="button"
        className="flex min-h-11 w-full items-center justify-between text-left font-semibold"
        aria-expanded={chosen}
        onClick={() => onChoose(chosen ? null : day.date)}
      >
        <span>
          {weekdayDay(day.date)}
          {day.date === today && `, ${dayText(day.date, today)}`}
        </span>
        <span>
          {PLACE_WORDS[day.place]}
          {DAY_LIST_WORDS.min(Math.round(day.minutes))}
        </span>
      </button>
      <ul className="text-sm">
        {chosen && day.warmUpMinutes > 0 && <li>{warmUpText(day, nameOf)}</li>}
        {day.items.map((item) => (
          <li key={item.id}>
            {sessionText(item, nameOf)}
            {chosen && <WithClub text={clubOrderText(item)} />}
            <WithClub text={carryText(item, wordsOf(item.drill)?.cue ?? '')} />
            <WithClub text={amountsWithClub(amountsOf(item.drill), item.club, length)} />
          </li>
        ))}
      </ul>
      {chosen && onMove && (
        <MoveSession
          studentId={studentId}
          date={day.date}
          today={today}
          onMove={(to) => onMove(day.date, to)}
        />
      )}
    </li>
  );
}

/** Days without practice, each reason once. */
function byReason(empty: Plan['empty']): string {
  const reasons = new Map<string, string[]>();
  for (const { date, why } of empty) reasons.set(why, [...(reasons.get(why) ?? []), shortDay(date)]);
  return [...reasons].map(([why, dates]) => `${dates.join(', ')} (${emptyText(why)})`).join('; ');
}

/** What the club of an item asks of the drill, where it asks something. */
const WithClub = ({ text }: { readonly text: string | null }) =>
  text && <span className="block text-base-content/80">{text}</span>;
