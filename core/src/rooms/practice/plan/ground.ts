import { daysBetween } from '../../../foundation/index.ts';
import { HOUSE_LIBRARY } from '../../prescription/index.ts';
import { LOOK_BACK_DAYS } from '../ruleNumbers.ts';
import { type Futures, futuresOf } from './futures.ts';
import type { Ground } from './layout.ts';
import { dayCapOf, Ledger, loadOf } from './ledger.ts';
import type { PlanItem } from './planModel.ts';
import type { PlanRequest } from './planRequest.ts';
import { hasBallPlace, type Slot, slotsOf } from './slots.ts';
import { makeTracks } from './track.ts';

/** Works out what every layout of this request is laid from; futures that are known are the same for all. */
export function groundOf(request: PlanRequest, known: Futures | null = null): Ground {
  const slots = slotsOf(request);
  const { student } = request.file;
  const kept = new Set(request.logs.map(({ date }) => date));
  const balls = student.ballsPerVisit;
  const { bucketBalls } = request;
  return {
    request,
    student,
    slots,
    tracks: makeTracks(request, slots),
    logged: loggedIn(request, slots),
    futures:
      known ??
      futuresOf(
        { missed: request.missed.filter((date) => !kept.has(date)).length, kept: kept.size },
        request.missRate,
        request.coachDecides,
      ),
    dayCap: dayCapOf(student),
    ballsAVisit: bucketBalls ? Math.floor(balls / bucketBalls) * bucketBalls : Math.floor(balls),
    askedFrom: askedFrom(slots),
    before: sessionsBefore(request),
    ballPlace: hasBallPlace(slots),
  };
}

/** Everything that was repeated lately, whichever drill it was and whoever asked for it. */
function loggedIn(request: PlanRequest, slots: readonly Slot[]): Ledger {
  const ledger = new Ledger(slots.length);
  const first = slots[0]?.date ?? request.start;
  const library = request.library ?? HOUSE_LIBRARY;
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
