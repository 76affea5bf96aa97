import { type IsoDay, plusDays } from '@inchstep/core/foundation';
import {
  buildPlan,
  type GateDate,
  NOTHING_KNOWN,
  type PlanDay,
  type PlanRequest,
  STAGES,
  type Stage,
  USUAL_ASK,
} from '@inchstep/core/practice';
import { LEARNER_KINDS, type LearnerKind } from '../learner/learner.ts';
import { type Asked, type DateSaid, DRILL, SEASON_DAYS, type Season, START, World } from './seasonWorld.ts';

/** A rung left with fewer passes than the test's "not yet" was left wrongly. */
const NOT_YET = 0.5;

/** Plans by the program, day by day from what was logged; the coach looks at gates that wait for him. */
function plannedSeason(kind: LearnerKind, seed: number): Season {
  const world = new World(kind, seed);
  const gates: PlanRequest['gates'][number][] = [];
  const missed: IsoDay[] = [];
  let previous: PlanRequest['previous'] = null;
  const said: { day: number; gates: readonly GateDate[] }[] = [];
  const left = new Map<Stage, number>();
  let wrong = 0;
  let advances = 0;
  let broken = 0;
  let empty = 0;
  let waiting: { stage: Stage; until: number } | null = null;
  let looks = 0;
  for (let day = 0; day < SEASON_DAYS; day++) {
    const date = plusDays(START, day);
    const request: PlanRequest = {
      ...NOTHING_KNOWN,
      ...USUAL_ASK,
      ...world.ask(date),
      logs: world.logs,
      gates,
      missed: [...missed],
      coachDecides: true,
      previous,
    };
    const plan = buildPlan(request, { ways: false });
    broken += plan.proof.broken.length;
    previous = { days: plan.days, gateDates: plan.gateDates };
    if (day % 7 === 0) said.push({ day, gates: plan.gateDates });
    const now = plan.stages.find(({ state }) => state === 'now')?.stage;
    const before = world.stage;
    const through = plan.stages.every(({ state }) => state === 'done' || state === 'skipped');
    if (through && !left.has(before)) left.set(before, day - 1);
    if (now !== undefined && now !== before) {
      if (STAGES.indexOf(now) > STAGES.indexOf(before)) {
        advances += 1;
        left.set(before, day - 1);
        if (world.leftAt < NOT_YET) wrong += 1;
      }
      world.stage = now;
      waiting = null;
    }
    const today = plan.days.find((one) => one.date === date);
    if (!today && world.isAsked(date) && !plan.empty.some((one) => one.date === date)) empty += 1;
    const practised = world.practise(day, date, askedOf(today));
    if (today && !practised) missed.push(date);
    world.leftAt = world.learner.passes(world.stage);
    // The count has opened a gate that waits: the coach looks after his days, at a film with its own doubt.
    const open = !through && world.testOpen(gates);
    if (open && waiting === null)
      waiting = { stage: world.stage, until: day + (world.life.coachWaits[looks++ % 60] ?? 1) };
    if (waiting && day >= waiting.until) {
      const sees = world.learner.passes(waiting.stage) + 0.08 * (world.chance() - 0.5);
      if (sees >= 0.62) gates.push({ date, drill: DRILL, stage: waiting.stage, decision: 'advance' });
      else waiting = { stage: waiting.stage, until: day + 3 };
    }
    world.night(day);
  }
  return world.season(kind, { advances, wrong, broken, empty, dates: judged(said, left) });
}

const askedOf = (day: PlanDay | undefined): Asked[] =>
  (day?.items ?? []).map(({ stage, rehearsals, balls, intent }) => ({
    stage,
    reps: rehearsals + balls,
    own: intent !== 'upkeep',
  }));

/** By hand: a rung every so many days, whatever is logged, and upkeep at full speed after the last. */
function fixedSeason(kind: LearnerKind, seed: number, daysARung: number): Season {
  const world = new World(kind, seed);
  let advances = 0;
  let wrong = 0;
  for (let day = 0; day < SEASON_DAYS; day++) {
    const date = plusDays(START, day);
    const rung = STAGES[Math.min(5, Math.floor(day / daysARung))] as Stage;
    if (rung !== world.stage) {
      advances += 1;
      if (world.learner.passes(world.stage) < NOT_YET) wrong += 1;
      world.stage = rung;
    }
    const ballDay = world.isRange(date);
    const onBalls = STAGES.indexOf(rung) >= 2;
    const asked: Asked[] = !world.isAsked(date)
      ? []
      : onBalls && ballDay
        ? [{ stage: rung, reps: 60, own: true }]
        : onBalls
          ? [{ stage: 'slow', reps: 40, own: false }]
          : [{ stage: rung, reps: 75, own: true }];
    world.practise(day, date, asked);
    world.night(day);
  }
  return world.season(kind, { advances, wrong, broken: 0, empty: 0, dates: [] });
}

/** Whether each gate was left by the dates that were said of it; those beyond the plan are not counted. */
function judged(
  said: readonly { readonly day: number; readonly gates: readonly GateDate[] }[],
  left: ReadonlyMap<Stage, number>,
): DateSaid[] {
  return said.flatMap(({ day, gates }) =>
    gates.flatMap(({ stage, likely, late }): DateSaid[] => {
      const really = left.get(stage);
      if (really !== undefined && really < day) return [];
      const by = (date: IsoDay | null): boolean | null => {
        if (date === null) return null;
        const on = Math.round((Date.parse(date) - Date.parse(START)) / 86_400_000);
        if (on >= SEASON_DAYS) return null;
        return really !== undefined && really <= on;
      };
      return [{ stage, likely: by(likely), late: by(late) }];
    }),
  );
}

interface SeasonRow {
  readonly name: string;
  readonly seasons: number;
  /** Shares. */
  readonly owned: number;
  readonly wrong: number;
  /** Of all students, those who never own it counted as never. */
  readonly medianDays: number | null;
  readonly reps: number;
  readonly repsToOwned: number | null;
  readonly broken: number;
  readonly empty: number;
}

const FIXED_DAYS = [4, 5, 7, 9, 12] as const;

/** So many students of each kind, by the program and by hand; what was said of dates comes last. */
export function* seasonStudy(n: number, seed: number): Generator<SeasonRow | DateRow> {
  const students = LEARNER_KINDS.flatMap((kind, k) =>
    Array.from({ length: n }, (_, i) => ({ kind, seed: seed + 10_000 * k + i })),
  );
  const planned = students.map((one) => plannedSeason(one.kind, one.seed));
  yield rowOf('planned', planned);
  for (const { name } of LEARNER_KINDS)
    yield rowOf(
      `  ${name}`,
      planned.filter(({ kind }) => kind === name),
    );
  for (const days of FIXED_DAYS)
    yield rowOf(
      `a rung every ${days} days`,
      students.map((one) => fixedSeason(one.kind, one.seed, days)),
    );
  yield* dateRows(planned.flatMap(({ dates }) => dates));
}

function rowOf(name: string, seasons: readonly Season[]): SeasonRow {
  const lasting = seasons.filter(({ lasts }) => lasts);
  const sum = (of: (season: Season) => number) => seasons.reduce((all, season) => all + of(season), 0);
  return {
    name,
    seasons: seasons.length,
    owned: lasting.length / seasons.length,
    wrong:
      sum(({ wrongAdvances }) => wrongAdvances) /
      Math.max(
        1,
        sum(({ advances }) => advances),
      ),
    medianDays: middle(seasons.map(({ lasts, ownedOn }) => (lasts ? ownedOn : null))),
    reps: sum(({ reps }) => reps) / seasons.length,
    repsToOwned: middle(lasting.map(({ repsToOwned }) => repsToOwned)),
    broken: sum(({ brokenRules }) => brokenRules),
    empty: sum(({ emptyDays }) => emptyDays),
  };
}

function middle(values: readonly (number | null)[]): number | null {
  const sorted = values.map((value) => value ?? Number.POSITIVE_INFINITY).sort((a, b) => a - b);
  const half = sorted[Math.floor(sorted.length / 2)];
  return half === undefined || !Number.isFinite(half) ? null : half;
}

interface DateRow {
  readonly stage: Stage | 'all';
  /** Of the dates said, the share that was met. */
  readonly likely: number;
  readonly late: number;
  readonly said: number;
}

function* dateRows(dates: readonly DateSaid[]): Generator<DateRow> {
  for (const stage of ['all', ...STAGES.filter((one) => one !== 'course')] as const) {
    const here = dates.filter((one) => stage === 'all' || one.stage === stage);
    const met = (which: 'likely' | 'late') => {
      const said = here.filter((one) => one[which] !== null);
      return said.filter((one) => one[which]).length / said.length;
    };
    yield { stage, likely: met('likely'), late: met('late'), said: here.length };
  }
}
