import { minutesOf } from '../../intake/index.ts';
import type { PlanDay } from '../plan/planModel.ts';
import type { PlanRequest } from '../plan/planRequest.ts';
import {
  CHILD_MINUTES_A_DAY,
  SHORT_SESSION_MINUTES,
  SHORT_WARM_UP_MINUTES,
  WARM_UP_MINUTES,
} from '../ruleNumbers.ts';
import { type Evidence, type PlanRule, weekdayName } from './evidence.ts';

const CHILD = 18;
/** Minutes are said to a tenth. */
const TENTH = 0.051;

const within = (date: string, { from, to }: { readonly from: string; readonly to: string }): boolean =>
  from <= date && date <= to;

/** What life says of a day: whether it may be practised on, and for how long at most. */
function allowed(request: PlanRequest, date: string): { readonly open: boolean; readonly minutes: number } {
  const here = request.exceptions.filter((one) => within(date, one));
  const extra = here.find(({ kind }) => kind === 'extra');
  const gone = here.find(({ kind }) => kind === 'away' || kind === 'ill');
  const put = request.moves.find(({ to }) => to === date);
  const taken = request.moves.some(({ from }) => from === date);
  const weekday = put ? weekdayName(put.from) : weekdayName(date);
  const usual = request.days.includes(weekdayName(date)) && !taken;
  const { student } = request.file;
  const ofDay = minutesOf(request.minutesPerDay, weekday);
  const minutes = extra?.minutes ?? (gone ? (gone.kind === 'ill' ? 0 : (gone.minutes ?? 0)) : ofDay);
  const open = (usual || put !== undefined || extra !== undefined) && !request.missed.includes(date);
  return { open, minutes: student.ageYears < CHILD ? Math.min(minutes, CHILD_MINUTES_A_DAY) : minutes };
}

const eachDay = (
  { days, ...rest }: Evidence,
  isBroken: (day: PlanDay, request: PlanRequest) => string | null,
) =>
  days.flatMap((day) => {
    const about = isBroken(day, rest.request);
    return about === null ? [] : [{ date: day.date, about }];
  });

const spent = ({ items, warmUpMinutes }: PlanDay): number =>
  items.reduce((sum, { minutes }) => sum + minutes, warmUpMinutes);

/** Rules of days and minutes. */
export const TIME_RULES: readonly PlanRule[] = [
  {
    rule: 'asked_day',
    breaches: (evidence) =>
      eachDay(evidence, ({ date }, request) =>
        date >= request.start &&
        allowed(request, date).open &&
        allowed(request, date).minutes > 0 &&
        !request.held
          ? null
          : weekdayName(date),
      ),
  },
  {
    rule: 'minutes',
    breaches: (evidence) =>
      eachDay(evidence, (day, request) => {
        const { minutes } = allowed(request, day.date);
        return spent(day) <= minutes + TENTH && day.minutes <= minutes + TENTH ? null : `${spent(day)}`;
      }),
  },
  {
    rule: 'warm_up',
    breaches: (evidence) =>
      eachDay(evidence, (day, request) => {
        const loads = day.items.some(
          ({ drill, balls }) => balls > 0 || Object.keys(evidence.drillOf(drill)?.loads ?? {}).length > 0,
        );
        const short = allowed(request, day.date).minutes < SHORT_SESSION_MINUTES;
        const least = loads ? (short ? SHORT_WARM_UP_MINUTES : WARM_UP_MINUTES) : 0;
        return day.warmUpMinutes >= least && (least === 0 || day.warmUp.length > 0) ? null : `${least}`;
      }),
  },
  {
    rule: 'one_session_a_day',
    breaches: ({ days }) =>
      days.flatMap(({ date }, i) =>
        i > 0 && date <= (days[i - 1] as PlanDay).date ? [{ date, about: '' }] : [],
      ),
  },
  {
    // A day that was asked for holds a session or a reason.
    rule: 'no_empty_day',
    breaches: ({ days, empty, request }) => {
      const told = new Set([...days.map(({ date }) => date), ...empty.map(({ date }) => date)]);
      const last = [...told].sort().at(-1);
      const first = [...told].sort()[0];
      if (first === undefined || last === undefined) return [];
      const missing: { date: string; about: string }[] = [];
      for (let at = Date.parse(first); at <= Date.parse(last); at += 86_400_000) {
        const date = new Date(at).toISOString().slice(0, 10);
        const { open } = allowed(request, date);
        if (open && !told.has(date)) missing.push({ date, about: weekdayName(date) });
      }
      return missing;
    },
  },
];
