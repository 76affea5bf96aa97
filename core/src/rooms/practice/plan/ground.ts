import { daysBetween, plusDays, weekdayOf } from '../../../foundation/index.ts';
import { HOUSE_LIBRARY } from '../../prescription/index.ts';
import { LOOK_BACK_DAYS } from '../ruleNumbers.ts';
import { type Futures, futuresOf } from './futures.ts';
import type { Ground } from './layout.ts';
import { dayCapOf, Ledger, leastWeeks, loadOf } from './ledger.ts';
import type { PlanItem } from './planModel.ts';
import type { PlanRequest } from './planRequest.ts';
import { reserves } from './reserve.ts';
import { hasBallPlace, type Slot, slotsOf } from './slots.ts';
import { makeTracks, type Track } from './track.ts';

/** Works out what every layout of this request is laid from; futures that are known are the same for all. */
export function groundOf(request: PlanRequest, known: Futures | null = null): Ground {
  const slots = slotsOf(request);
  const { student } = request.file;
  const kept = new Set(request.logs.map(({ date }) => date));
  const tracks = makeTracks(request, slots);
  const missed = missedOf(request, slots, kept, tracks);
  const balls = student.ballsPerVisit;
  const { bucketBalls } = request;
  const futures =
    known ?? futuresOf({ missed: missed.length, kept: kept.size }, request.missRate, request.coachDecides);
  return {
    request,
    student,
    slots,
    tracks,
    logged: loggedIn(request, slots),
    futures,
    reserves: reserves(slots),
    dayCap: dayCapOf(student),
    ballsAVisit: bucketBalls ? Math.floor(balls / bucketBalls) * bucketBalls : Math.floor(balls),
    askedFrom: askedFrom(slots),
    catchesUpUntil: Math.max(0, ...missed.map((day) => day + CATCH_UP_DAYS)),
    before: sessionsBefore(request),
    ballPlace: hasBallPlace(slots),
  };
}

/** What was missed is made up for within a week, or let go. */
const CATCH_UP_DAYS = 8;
const NOTICED_DAYS = 28;

/**
 * Days before the plan that went by without practice although they were asked for: as told, and as the log shows
 * where every asked day holds a session. A joint that must rest makes days without one that nobody missed.
 */
function missedOf(
  request: PlanRequest,
  slots: readonly Slot[],
  kept: ReadonlySet<string>,
  tracks: readonly Track[],
): number[] {
  const first = slots[0]?.date ?? request.start;
  const missed = new Set(request.missed.filter((date) => date < first && !kept.has(date)));
  const begun = [...kept].sort()[0];
  const rests = tracks.some(({ load }) => load.joints.some(({ marked }) => marked));
  if (begun !== undefined && !rests)
    for (let ago = 1; ago <= NOTICED_DAYS; ago++) {
      const date = plusDays(first, -ago);
      if (date <= begun) break;
      const excused = request.exceptions.some(({ from, to }) => from <= date && date <= to);
      if (request.days.includes(weekdayOf(date)) && !kept.has(date) && !excused) missed.add(date);
    }
  return [...missed].map((date) => -daysBetween(date, first));
}

/** Everything that was repeated lately, whichever drill it was and whoever asked for it. */
function loggedIn(request: PlanRequest, slots: readonly Slot[]): Ledger {
  const library = request.library ?? HOUSE_LIBRARY;
  const done = [...new Set([...request.drills, ...request.logs.map(({ drill }) => drill)])];
  const drills = done.flatMap((id) => library.byId(id) ?? []);
  const ledger = new Ledger(slots.length, request.days.length, leastWeeks(drills, request.file.student));
  const first = slots[0]?.date ?? request.start;
  const days = new Map<string, number>();
  for (const { date, drill: id, letters } of request.logs) {
    const drill = library.byId(id);
    const ago = days.get(date) ?? daysBetween(date, first);
    days.set(date, ago);
    if (drill && ago <= LOOK_BACK_DAYS) ledger.add(-ago, loadOf(drill, request.file.student), letters.length);
  }
  return ledger;
}

/** For each day the asked and open days from it to its week's end. */
function askedFrom(slots: readonly Slot[]): number[] {
  const counts = new Array<number>(slots.length).fill(0);
  for (let day = slots.length - 1; day >= 0; day--) {
    const slot = slots[day] as Slot;
    const after = (day + 1) % 7 === 0 ? 0 : (counts[day + 1] ?? 0);
    counts[day] = after + Number(slot.asked && slot.closed === null);
  }
  return counts;
}

function sessionsBefore({ previous }: PlanRequest): Map<string, PlanItem> {
  const sessions = new Map<string, PlanItem>();
  for (const { date, items } of previous?.days ?? [])
    for (const item of items) if (item.intent !== 'upkeep') sessions.set(`${date} ${item.drill}`, item);
  return sessions;
}
