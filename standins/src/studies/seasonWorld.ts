import { referenceCase } from '@inchstep/core/diagnosis';
import { between, type IsoDay, pick, type Random, seededRandom, WEEKDAYS } from '@inchstep/core/foundation';
import { type Place, resolveSchool } from '@inchstep/core/intake';
import { type PlanLog, type PlanRequest, STAGES, type Stage } from '@inchstep/core/practice';
import { Learner, type LearnerKind } from '../learner/learner.ts';

/** Twelve weeks of one made-up student under one way of planning. */
export interface Season {
  readonly kind: string;
  /** The day from which the movement is there cold at full speed, on two occasions a week apart; null = never. */
  readonly ownedOn: number | null;
  /** And still there at the end. */
  readonly lasts: boolean;
  readonly reps: number;
  readonly repsToOwned: number | null;
  readonly advances: number;
  readonly wrongAdvances: number;
  readonly brokenRules: number;
  /** Asked days without a session and without a reason. */
  readonly emptyDays: number;
  readonly dates: readonly DateSaid[];
}

/** What was said of a gate on a day, and when it was really left. */
export interface DateSaid {
  readonly stage: Stage;
  readonly likely: boolean | null;
  readonly late: boolean | null;
}

export const SEASON_DAYS = 84;
export const START: IsoDay = '2027-03-01';
export const DRILL = 'kiss_the_post';
const OWNED_AT = 0.8;
/** What is owned may slip a little by the end and still be called there. */
const STILL_AT = 0.72;
const APART_DAYS = 7;

/** A student's week as it is asked for, the same for every way of planning. */
interface Life {
  readonly days: PlanRequest['days'];
  readonly minutes: number;
  readonly places: Partial<Record<(typeof WEEKDAYS)[number], Place>>;
  readonly coachWaits: readonly number[];
}

function lifeOf(random: Random): Life {
  const perWeek = pick(random, [3, 4, 4, 5]);
  const start = pick(random, [0, 1]);
  const days = WEEKDAYS.filter((_, i) => ((i + start) * perWeek) % 7 < perWeek);
  const ranges = pick(random, [1, 2, 2]);
  const places = Object.fromEntries(days.slice(-ranges).map((day) => [day, 'range' as const]));
  const minutes = Math.round(between(random, 20, 45));
  return {
    days,
    minutes,
    places,
    coachWaits: Array.from({ length: 60 }, () => pick(random, [0, 0, 1, 1, 2, 3])),
  };
}

/** What a day asks of the student: so many repetitions of each kind, on a rung. */
export interface Asked {
  readonly stage: Stage;
  readonly reps: number;
  /** The rung itself, or its feel where it has no place. */
  readonly own: boolean;
}

/** The student, the calendar and the log of one season. */
export class World {
  readonly learner: Learner;
  readonly life: Life;
  readonly logs: PlanLog[] = [];
  stage: Stage = 'still';
  leftAt = 1;
  private readonly random: Random;
  private readonly days: Random;
  private readonly cold: number[] = [];
  private readonly done: number[] = [];

  constructor(kind: LearnerKind, seed: number) {
    this.learner = new Learner(kind, seededRandom(seed));
    this.life = lifeOf(seededRandom(seed + 500_000));
    this.random = seededRandom(seed + 900_000);
    this.days = seededRandom(seed + 700_000);
  }

  chance(): number {
    return this.random();
  }

  ask(start: IsoDay) {
    const { days, minutes, places } = this.life;
    const file = referenceCase({
      minutesPerWeek: minutes * days.length,
      places: ['home', 'range'],
      aids: ['stick'],
    });
    return {
      file: { ...file, school: resolveSchool({}) },
      drills: [DRILL],
      start,
      nextLesson: null,
      days,
      minutesPerDay: Object.fromEntries(days.map((day) => [day, minutes])),
      placeByDay: places,
    };
  }

  private weekday(date: IsoDay) {
    return WEEKDAYS[(new Date(`${date}T12:00:00Z`).getUTCDay() + 6) % 7] as (typeof WEEKDAYS)[number];
  }
  isAsked = (date: IsoDay): boolean => this.life.days.includes(this.weekday(date));
  isRange = (date: IsoDay): boolean => this.life.places[this.weekday(date)] === 'range';

  /** Whether anything was done; what was done is logged. */
  practise(day: number, date: IsoDay, asked: readonly Asked[]): boolean {
    this.cold[day] = this.learner.passes('full');
    const { missRate, doneShare, extraRate } = this.learner.kind;
    const [misses, extra] = [this.days() < missRate, this.days() < extraRate];
    let done = 0;
    const doSet = (stage: Stage, reps: number, own: boolean) => {
      let letters = '';
      for (let i = 0; i < reps; i++)
        letters += own ? this.learner.repeat(stage) : this.learner.keepFeel(stage);
      if (letters === '') return;
      done += letters.length;
      this.logs.push({ date, drill: DRILL, stage, letters, layer: 1, before: null });
    };
    if (asked.length > 0 && !misses)
      for (const one of asked) doSet(one.stage, Math.round(one.reps * doneShare), one.own);
    if (asked.length === 0 && extra)
      doSet(
        STAGES.indexOf(this.stage) > 1 ? 'slow' : this.stage,
        30,
        this.stage === 'still' || this.stage === 'slow',
      );
    this.done[day] = done;
    return done > 0;
  }

  /** Whether the rung at hand has been opened by the count and waits for the coach. */
  testOpen(gates: PlanRequest['gates']): boolean {
    const since = gates.at(-1)?.date ?? '';
    const letters = this.logs
      .filter(({ stage, date }) => stage === this.stage && date > since)
      .map((log) => log.letters)
      .join('');
    return STAGES.indexOf(this.stage) >= 2 && opens(letters);
  }

  night(_day: number): void {
    this.learner.night();
  }

  season(
    kind: LearnerKind,
    of: { advances: number; wrong: number; broken: number; empty: number; dates: readonly DateSaid[] },
  ): Season {
    const { cold, done } = this;
    let since: number | null = null;
    let ownedOn: number | null = null;
    cold.forEach((chance, day) => {
      if (chance < OWNED_AT) since = null;
      else since ??= day;
      if (ownedOn === null && since !== null && day - since >= APART_DAYS) ownedOn = day;
    });
    const lasts = ownedOn !== null && (cold.at(-1) ?? 0) >= STILL_AT;
    const sum = (until: number) => done.slice(0, until + 1).reduce((all, n) => all + n, 0);
    return {
      kind: kind.name,
      ownedOn,
      lasts,
      reps: sum(SEASON_DAYS),
      repsToOwned: ownedOn === null ? null : sum(ownedOn),
      advances: of.advances,
      wrongAdvances: of.wrong,
      brokenRules: of.broken,
      emptyDays: of.empty,
      dates: of.dates,
    };
  }
}

/** The sequential test by its definition, kept apart from the program's own: 0.8 against 0.5, 5 % and 10 %. */
function opens(letters: string): boolean {
  let odds = 1;
  let judged = 0;
  for (const letter of letters) {
    if (letter === '?') continue;
    odds *= letter === 'P' ? 0.8 / 0.5 : 0.2 / 0.5;
    judged += 1;
    if (odds >= 18) return true;
    if (odds <= 0.1 / 0.95 || judged >= 60) {
      odds = 1;
      judged = 0;
    }
  }
  return false;
}
