import { PHASES } from '../../diagnosis/index.ts';
import type { PlanDay, PlanItem } from '../plan/planModel.ts';
import { CYCLE_BALLS, NEW_PIECE_EVERY_DAYS, TOURNAMENT_QUIET_DAYS } from '../ruleNumbers.ts';
import { STAGES, type Stage } from '../stages.ts';
import { dayNumber, type Evidence, type PlanRule } from './evidence.ts';

type Broken = { readonly date: string; readonly about: string };

const eachItem = ({ days }: Evidence, isBroken: (item: PlanItem, day: PlanDay) => boolean): Broken[] =>
  days.flatMap((day) =>
    day.items.filter((item) => isBroken(item, day)).map(({ drill }) => ({ date: day.date, about: drill })),
  );

const isBallPlace = (place: string): boolean => place === 'range' || place === 'net';

function balls({ days, request }: Evidence): Broken[] {
  const { ballsPerVisit } = request.file.student;
  const size = request.bucketBalls;
  const most = size ? Math.floor(ballsPerVisit / size) * size : ballsPerVisit;
  return days.flatMap(({ date, place, items }) => {
    const hit = items.reduce((sum, item) => sum + item.balls, 0);
    const whole = items.every((item) => Number.isInteger(item.balls) && item.clubs.length === item.balls);
    return whole && hit <= (isBallPlace(place) ? most : 0) ? [] : [{ date, about: `${hit}` }];
  });
}

/** The first planned day of each drill that was never done before. */
function beginnings({
  days,
  request,
}: Evidence): { readonly drill: string; readonly day: number; readonly date: string }[] {
  const known = new Set(request.logs.map(({ drill }) => drill));
  for (const { drill } of request.retired) known.add(drill);
  const first = new Map<string, string>();
  for (const { date, items } of days)
    for (const { drill } of items) if (!known.has(drill) && !first.has(drill)) first.set(drill, date);
  return [...first].map(([drill, date]) => ({ drill, date, day: dayNumber(date) }));
}

const cycleOf = ({ request, drillOf }: Evidence): string[] => {
  const parts = request.drills.filter((id) => drillOf(id)?.cyclePart != null);
  return parts.length > 1 ? parts : [];
};

function oneNewPiece(evidence: Evidence): Broken[] {
  const { request } = evidence;
  const cycle = cycleOf(evidence);
  const started = new Map<string, number>();
  for (const { drill, date } of request.logs) {
    const day = dayNumber(date);
    started.set(drill, Math.min(day, started.get(drill) ?? day));
  }
  const news = beginnings(evidence).filter(({ drill }) => !request.opened.includes(drill));
  return news.flatMap(({ drill, day, date }) => {
    const near = [
      ...news
        .filter((other) => other.drill !== drill)
        .map((other) => ({ drill: other.drill, day: other.day })),
      ...[...started]
        .filter(([id]) => request.drills.includes(id))
        .map(([id, at]) => ({ drill: id, day: at })),
    ].some((other) => {
      const together = cycle.includes(drill) && cycle.includes(other.drill);
      return !together && other.day <= day && day - other.day < NEW_PIECE_EVERY_DAYS;
    });
    return near ? [{ date, about: drill }] : [];
  });
}

function nothingNew(evidence: Evidence): Broken[] {
  const { nextLesson, exceptions, opened } = evidence.request;
  return beginnings(evidence)
    .filter(({ drill }) => !opened.includes(drill))
    .filter(({ date, day }) => {
      const tournament = exceptions.some(
        ({ kind, from, to }) =>
          kind === 'tournament' && date <= to && dayNumber(from) - day <= TOURNAMENT_QUIET_DAYS,
      );
      return date === nextLesson || tournament;
    })
    .map(({ date, drill }) => ({ date, about: drill }));
}

/** The rungs that a drill is planned on until a day, the highest of them. */
function highestUntil({ days, request }: Evidence, drill: string, date: string): number {
  let highest = -1;
  for (const log of request.logs)
    if (log.drill === drill) highest = Math.max(highest, STAGES.indexOf(log.stage));
  for (const word of request.gates)
    if (word.drill === drill && word.decision === 'advance')
      highest = Math.max(highest, STAGES.indexOf(word.stage) + 1);
  for (const day of days) {
    if (day.date > date) break;
    for (const item of day.items)
      if (item.drill === drill) highest = Math.max(highest, STAGES.indexOf(item.stage));
  }
  return highest;
}

function downstreamWaits(evidence: Evidence): Broken[] {
  const { request, drillOf, days } = evidence;
  const cycle = cycleOf(evidence);
  const phase = (id: string) => PHASES.indexOf(drillOf(id)?.phase ?? 'setup');
  const order =
    request.order === 'own' ? [...request.drills] : [...request.drills].sort((a, b) => phase(a) - phase(b));
  const ballDays = days.some(({ place }) => isBallPlace(place));
  return beginnings(evidence).flatMap(({ drill, date }) => {
    const before = order[order.indexOf(drill) - 1];
    if (before === undefined || request.opened.includes(drill) || cycle.includes(drill)) return [];
    if (request.file.student.limits.includes('pain')) return [];
    // The last session of the one before may stand on the rung below: its gate is foreseen in between.
    const needed: Stage = ballDays ? 'half' : 'still';
    return highestUntil(evidence, before, date) >= STAGES.indexOf(needed) ? [] : [{ date, about: drill }];
  });
}

/** No session stands on a higher rung than the one before it by more than one gate. */
function rungByRung({ days, request }: Evidence): Broken[] {
  return request.drills.flatMap((drill) => {
    let last: number | null = null;
    return days.flatMap(({ date, items }) => {
      const item = items.find(
        (one) => one.drill === drill && (one.intent === 'rung' || one.intent === 'part'),
      );
      if (!item) return [];
      const at = STAGES.indexOf(item.stage);
      const jumped = last !== null && (at > last + 1 || at < last);
      last = at;
      return jumped ? [{ date, about: drill }] : [];
    });
  });
}

function cycleTogether(evidence: Evidence): Broken[] {
  const cycle = cycleOf(evidence);
  if (cycle.length === 0) return [];
  const part = (id: string) => evidence.drillOf(id)?.cyclePart ?? 0;
  return evidence.days.flatMap(({ date, items }) => {
    const parts = items.filter(({ drill, intent }) => cycle.includes(drill) && intent === 'part');
    const ordered = parts.every(
      (item, i) => i === 0 || part((parts[i - 1] as PlanItem).drill) < part(item.drill),
    );
    return ordered && parts.every((item) => item.balls <= CYCLE_BALLS)
      ? []
      : [{ date, about: cycle.join(' ') }];
  });
}

/** Dry repetitions of each week of the plan, against what was wished for. */
function wish({ days, request, firstPlanned }: Evidence): Broken[] {
  const weeks = new Map<number, number>();
  return days.flatMap(({ date, items }) => {
    const week = Math.floor((dayNumber(date) - firstPlanned) / 7);
    const sum = items.reduce((all, { rehearsals }) => all + rehearsals, weeks.get(week) ?? 0);
    weeks.set(week, sum);
    return sum > request.wishRepsPerWeek ? [{ date, about: `${sum}` }] : [];
  });
}

/** Rules of places, balls and the order in which things are learnt. */
export const ORDER_RULES: readonly PlanRule[] = [
  { rule: 'balls', breaches: balls },
  { rule: 'wish', breaches: wish },
  {
    rule: 'place',
    breaches: (evidence) =>
      eachItem(evidence, ({ as, drill: id }, { place }) => {
        const drill = evidence.drillOf(id);
        const { aids } = evidence.request.file.student;
        const stands =
          drill?.places.includes(place) &&
          drill.aids.every((group) => group.some((aid) => aids.includes(aid)));
        return as === 'drill' && !stands;
      }),
  },
  {
    rule: 'speed_limit',
    breaches: (evidence) =>
      eachItem(evidence, ({ as, drill: id, stage }) => {
        const top = evidence.drillOf(id)?.habits.topOn ?? null;
        return as === 'drill' && top !== null && STAGES.indexOf(stage) > STAGES.indexOf(top);
      }),
  },
  {
    rule: 'ball_use',
    breaches: (evidence) =>
      eachItem(
        evidence,
        ({ as, drill: id, balls: hit }) => as === 'drill' && hit > 0 && evidence.drillOf(id)?.ball === 'no',
      ),
  },
  {
    rule: 'course',
    breaches: (evidence) =>
      eachItem(
        evidence,
        ({ stage, drill: id }, { place }) =>
          stage === 'course' && (place !== 'course' || !evidence.drillOf(id)?.habits.courseForm),
      ),
  },
  { rule: 'one_new_piece', breaches: oneNewPiece },
  { rule: 'nothing_new', breaches: nothingNew },
  { rule: 'downstream_waits', breaches: downstreamWaits },
  { rule: 'rung_by_rung', breaches: rungByRung },
  { rule: 'cycle', breaches: cycleTogether },
];
