import { amountsWithClub, CLUB_WORDS, PLACE_WORDS, STAGE_WORDS } from '@inchstep/contract/words';
import type { Plan, PlanItem } from '@inchstep/core/practice';
import type { ClubAmount } from '@inchstep/core/prescription';
import { dayText, Panel } from '../../platform/parts.tsx';
import { useUnits } from '../../platform/units.ts';
import { useLibraryWords } from '../prescription/index.ts';
import { DAY_LIST_WORDS } from './words.ts';

/** What one item asks, in a line. */
export function itemText(item: PlanItem): string {
  const speed = item.speedPct > 0 ? DAY_LIST_WORDS.atAbout(item.speedPct) : '';
  if (item.stage === 'course') return DAY_LIST_WORDS.holesWithOneThought(item.sets);
  if (item.balls > 0)
    return DAY_LIST_WORDS.twoRehearsalsOneBall(
      item.sets,
      item.looks > 0 ? `, ${item.looks} ${item.looks === 1 ? 'look' : 'looks'}` : '',
      speed,
      item.club ? `, ${CLUB_WORDS[item.club]?.toLowerCase()}` : '',
    );
  return DAY_LIST_WORDS.repetitionsInSets(item.rehearsals, speed);
}

/** The dated days of a plan, week by week. */
export function DayList({
  plan,
  today,
  amountsOf,
}: {
  readonly plan: Plan;
  readonly today: string;
  /** What of a drill depends on the club in the hands. */
  readonly amountsOf: (drill: string) => readonly ClubAmount[];
}) {
  const { nameOf } = useLibraryWords();
  const { length } = useUnits();
  const ahead = plan.days.filter((day) => day.date >= today);
  return (
    <Panel
      title={DAY_LIST_WORDS.days}
      aside={<span className="text-sm text-base-content/80">{DAY_LIST_WORDS.ahead(ahead.length)}</span>}
    >
      <ol className="grid gap-2 sm:grid-cols-2 xl:grid-cols-3">
        {ahead.slice(0, 21).map((day) => (
          <li key={day.date} className="rounded border-[1.5px] border-base-300 p-2">
            <p className="flex justify-between font-semibold">
              <span>
                {new Intl.DateTimeFormat('en-GB', {
                  weekday: 'short',
                  day: 'numeric',
                  month: 'short',
                }).format(new Date(`${day.date}T12:00:00`))}
              </span>
              <span>
                {PLACE_WORDS[day.place]}
                {DAY_LIST_WORDS.min(day.minutes)}
              </span>
            </p>
            {day.date === today && <p className="text-sm font-semibold">{dayText(day.date, today)}</p>}
            <ul className="text-sm">
              {day.items.map((item) => (
                <li key={item.drill + item.stage}>
                  {nameOf(item.drill)}, {STAGE_WORDS[item.stage]?.name.toLowerCase()}: {itemText(item)}
                  <WithClub text={amountsWithClub(amountsOf(item.drill), item.club, length)} />
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
    </Panel>
  );
}

/** What the club of an item asks of the drill, where it asks something. */
const WithClub = ({ text }: { readonly text: string | null }) =>
  text && <span className="block text-base-content/80">{text}</span>;
