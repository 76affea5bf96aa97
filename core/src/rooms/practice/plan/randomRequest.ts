import { between, pick, plusDays, type Random, WEEKDAYS } from '../../../foundation/index.ts';
import { referenceCase } from '../../diagnosis/index.ts';
import { AIDS, LIMITS, PLACES, resolveSchool } from '../../intake/index.ts';
import { DRILLS } from '../../prescription/index.ts';
import { STAGES } from '../stages.ts';
import {
  EXCEPTION_KINDS,
  NOTHING_KNOWN,
  type PlanException,
  type PlanRequest,
  USUAL_ASK,
} from './planRequest.ts';

const START = '2027-03-01';

/** A request that anybody might make, and some that nobody would: for trying the planner on. */
export function randomRequest(random: Random): PlanRequest {
  const some = <T>(all: readonly T[], share: number): T[] => all.filter(() => random() < share);
  const days = some(WEEKDAYS, between(random, 0.2, 1));
  if (days.length === 0) days.push('wed');
  const file = referenceCase({
    minutesPerWeek: Math.round(between(random, 20, 400)),
    ballsPerVisit: pick(random, [0, 5, 20, 30, 60, 100]),
    ageYears: pick(random, [10, 13, 17, 25, 44, 60, 72]),
    limits: some(LIMITS, 0.1),
    aids: some(AIDS, 0.8),
    places: ['home', ...some(PLACES.slice(1), 0.7)],
  });
  const drills = [
    ...new Set(Array.from({ length: pick(random, [1, 1, 2, 2, 3]) }, () => pick(random, DRILLS).id)),
  ];
  const start = plusDays(START, Math.floor(between(random, 0, 14)));
  return {
    ...USUAL_ASK,
    ...NOTHING_KNOWN,
    file: { ...file, school: resolveSchool({}) },
    drills,
    start,
    nextLesson: random() < 0.5 ? plusDays(start, Math.floor(between(random, 0, 40))) : null,
    days,
    minutesPerDay: Object.fromEntries(
      some(days, 0.7).map((day) => [day, Math.round(between(random, 3, 90))]),
    ),
    placeByDay: Object.fromEntries(some(days, 0.6).map((day) => [day, pick(random, PLACES)])),
    exceptions: exceptions(random, start),
    wishRepsPerWeek: pick(random, [50, 150, 300, 300, 600, 1000]),
    bucketBalls: pick(random, [null, null, 25, 40]),
    moves: random() < 0.2 ? [{ from: plusDays(start, 3), to: plusDays(start, 4) }] : [],
    order: pick(random, ['phase', 'own'] as const),
    logs: logs(random, start, drills),
    missed: random() < 0.3 ? [plusDays(start, -2), plusDays(start, 5)] : [],
    missRate: random() < 0.2 ? random() * 0.6 : null,
    coachDecides: random() < 0.5,
    pace: pick(random, ['ladder', 'ladder', 'fast'] as const),
  };
}

function exceptions(random: Random, start: string): PlanException[] {
  return Array.from({ length: pick(random, [0, 0, 1, 2, 3]) }, () => {
    const from = plusDays(start, Math.floor(between(random, -3, 70)));
    return {
      from,
      to: plusDays(from, Math.floor(between(random, 0, 16))),
      kind: pick(random, EXCEPTION_KINDS),
      minutes: random() < 0.3 ? Math.round(between(random, 5, 60)) : null,
      place: random() < 0.3 ? pick(random, PLACES) : null,
    };
  });
}

/** Weeks of practice before, of these drills and of others, by the rules or against them. */
function logs(random: Random, start: string, drills: readonly string[]): PlanRequest['logs'] {
  if (random() < 0.4) return [];
  const begins = -Math.floor(between(random, 1, 50));
  const highest = Math.floor(between(random, 0, STAGES.length));
  return Array.from({ length: Math.floor(between(random, 1, 40)) }, () => ({
    date: plusDays(start, Math.floor(between(random, begins, 0.99))),
    drill: random() < 0.85 ? pick(random, drills) : pick(random, DRILLS).id,
    stage: STAGES[Math.floor(random() * (highest + 1))] ?? 'still',
    letters: Array.from({ length: Math.floor(between(random, 1, 40)) }, () =>
      random() < 0.75 ? 'P' : random() < 0.9 ? 'F' : '?',
    ).join(''),
    layer: 1,
    before: null,
  }));
}
