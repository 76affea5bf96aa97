import { daysBetween } from '../../../foundation/index.ts';
import {
  CYCLE_BALLS,
  MOST_HOLES,
  NEW_PIECE_EVERY_DAYS,
  RETENTION_MINUTES,
  SET_REPS,
} from '../ruleNumbers.ts';
import { type Stage, stageRow } from '../stages.ts';
import { Climber } from './climber.ts';
import { BALL_SET, courseItem } from './items.ts';
import type { Choices, Ground, Laid } from './layout.ts';
import type { Ledger } from './ledger.ts';
import { KEPT_SHARE, type Room, roomFor } from './limits.ts';
import type { BindingRule, EmptyDay, EmptyReason, Intent, PlanDay } from './planModel.ts';
import { NO_RESERVE } from './reserve.ts';
import { ROUNDING_S, Session } from './session.ts';
import type { Slot } from './slots.ts';
import { upkeepOf } from './upkeep.ts';

/** Of what is left of a day, the drill that comes first takes so much when others are practised as well. */
const FIRST_SHARE = 0.6;
const EMPTY_BY_RULE: Partial<Record<BindingRule, EmptyReason>> = {
  rest: 'rest',
  growth: 'growth',
  gap: 'growth',
  joint_cap: 'cap',
  day_cap: 'cap',
  wish: 'wish',
};

/** Bounds of a day that a near lesson halves. */
const CAPS: readonly BindingRule[] = ['joint_cap', 'day_cap', 'visit'];

/** Lays every day of the plan in turn, the drill that comes first before the others. */
export function layDays(ground: Ground, choices: Choices, days = ground.slots.length): Laid {
  return new Layer(ground, choices).lay(days);
}

class Layer {
  private readonly ledger: Ledger;
  private readonly climbers: readonly Climber[];
  private readonly days: PlanDay[] = [];
  private readonly empty: EmptyDay[] = [];
  private readonly bound = new Map<BindingRule, number>();
  private lastNewOn = Number.NEGATIVE_INFINITY;
  private week = -1;
  private dryThisWeek = 0;
  /** A drill that may begin on the day at hand. */
  private newcomer: number | null = null;

  private readonly ground: Ground;
  private readonly choices: Choices;
  constructor(ground: Ground, choices: Choices) {
    this.ground = ground;
    this.choices = choices;
    this.ledger = ground.logged.copy();
    this.climbers = ground.tracks.map((track) => new Climber(track, ground));
    const first = ground.slots[0]?.date;
    for (const { standing, retired } of ground.tracks)
      if (first !== undefined && standing.startedOn !== null && !retired)
        this.lastNewOn = Math.max(this.lastNewOn, -daysBetween(standing.startedOn, first));
  }

  lay(until: number): Laid {
    for (const slot of this.ground.slots) {
      if (slot.day >= until) break;
      const week = Math.floor(slot.day / 7);
      if (week !== this.week) {
        this.week = week;
        this.dryThisWeek = 0;
      }
      if (!slot.asked) continue;
      if (slot.closed !== null) this.empty.push({ date: slot.date, why: slot.closed });
      else this.layDay(slot);
    }
    const { days, empty, bound } = this;
    return { days, empty, bound, climbs: this.climbers.map(({ climb }) => climb) };
  }

  private layDay(slot: Slot): void {
    const session = new Session(this.ground, this.ledger, slot, this.dryThisWeek);
    for (const climber of this.climbers) this.layRetention(climber, session);
    this.newcomer = null;
    const active = this.climbers.filter((climber) => this.isActive(climber, session));
    active.forEach((climber, i) => {
      const after = active.length - 1 - i;
      const share = climber.track.cycle.length > 0 ? 1 / (after + 1) : after === 0 ? 1 : FIRST_SHARE;
      this.layDrill(climber, session, share);
    });
    this.dryThisWeek += session.dry;
    if (session.items.length === 0) this.empty.push({ date: slot.date, why: session.why ?? 'upstream' });
    else this.days.push(session.day);
    if (this.climbers.some(({ begunOn, track }) => begunOn === slot.day && !track.inUse))
      this.lastNewOn = slot.day;
  }

  /** Whether a drill is practised on this day at all; one that may begin now begins. */
  private isActive(climber: Climber, session: Session): boolean {
    const { slot } = session;
    const { track } = climber;
    if (track.retired) return false;
    if (track.stopped) {
      session.why ??= 'pain';
      return false;
    }
    // Parts that belong together are one visit: where one of them must rest, all do.
    if (
      track.cycle.some((part) => this.ledger.restsOn(slot.day, this.ground.tracks[part]?.load ?? track.load))
    ) {
      session.why ??= 'rest';
      return false;
    }
    if (climber.begunOn !== null) return true;
    if (!this.mayBegin(climber, session)) return false;
    if (this.newcomer !== null && !track.cycle.includes(this.newcomer)) return false;
    this.newcomer = track.index;
    return true;
  }

  private mayBegin({ track }: Climber, session: Session): boolean {
    const { slot } = session;
    const { waitsFor, cycle } = track;
    const before = waitsFor === null ? null : this.climbers[waitsFor];
    const needed: Stage = this.ground.ballPlace ? 'three_quarter' : 'slow';
    if (before && !before.track.stopped && !this.ground.request.opened.includes(track.drill.id))
      if (before.begunOn === null || !before.isAtLeast(needed)) return false;
    const withCycle = cycle.some((other) => this.lastNewOn === this.climbers[other]?.begunOn);
    const alone = withCycle || slot.day - this.lastNewOn >= NEW_PIECE_EVERY_DAYS;
    if (!slot.nothingNew && alone) return true;
    session.why ??= 'new_piece';
    return false;
  }

  /** First swings, before anything else: does what was learnt still stand? */
  private layRetention(climber: Climber, session: Session): void {
    const { slot } = session;
    const due = climber.retention[0];
    if (due === undefined || slot.day < due || climber.track.stopped) return;
    const withBalls = session.balls > 0;
    // A place for balls within the week is worth waiting for.
    if (!withBalls && this.ground.ballPlace && slot.day < due + 7) return;
    const stage: Stage = withBalls ? 'full' : 'slow';
    const usual = session.askFor(climber, stage, withBalls, 1, session.wishLeft);
    const { ball } = this.ground.request.secondsPer;
    // Cold swings are balls alone; the wish of dry repetitions does not bound them.
    const ask = withBalls
      ? { ...usual, setReps: 1, setBalls: 1, secondsPerRep: ball, goalDry: Number.POSITIVE_INFINITY }
      : usual;
    const most = Math.min(session.seconds, RETENTION_MINUTES * 60) / ask.secondsPerRep;
    const reps = Math.min(most, roomFor(ask).reps);
    if (session.take(climber, stage, 'retention', reps, withBalls) === null) return;
    climber.retention.shift();
  }

  private layDrill(climber: Climber, session: Session, share: number): void {
    const { slot } = session;
    const { track } = climber;
    if (track.index === 0 && this.choices.skips.has(slot.day)) {
      session.why ??= 'rest';
      return;
    }
    if (session.items.some(({ drill }) => drill === track.drill.id)) return;
    const rooms = this.roomsOn(climber, session, share);
    const stage = climber.stage;
    if (slot.quiet && stage !== null) this.noteBound(climber, 'tournament');
    if (stage === null || slot.quiet) this.layUpkeep(climber, session, share);
    else if (stage === 'course') this.layCourse(climber, session, share);
    else this.layRung(climber, session, stage, rooms, session.goalDry * share);
  }

  /** How often the drill could be repeated, dry and with balls, whichever rung it then stands on. */
  private roomsOn(climber: Climber, session: Session, share: number): Rooms {
    const { slot } = session;
    const { track, stage } = climber;
    const dryStage = stage === 'still' ? stage : 'slow';
    const ballStage = stage === null || stage === 'course' ? 'clubs' : stageRow(stage).ball ? stage : 'half';
    const dryAsk = session.askFor(climber, dryStage, false, share, session.goalDry * share);
    const dry = roomFor(dryAsk);
    const atBalls = session.balls > 0;
    const room = atBalls ? roomFor(session.askFor(climber, ballStage, true, share, session.wishLeft)) : null;
    const most = track.cycle.length > 0 ? CYCLE_BALLS * BALL_SET : Number.POSITIVE_INFINITY;
    const balls = room && { reps: Math.min(room.reps, most), rule: room.rule };
    const holes = slot.place === 'course' ? MOST_HOLES : 0;
    if (!slot.quiet) {
      // Who is still on a dry rung then keeps nothing back for balls.
      const free = dryAsk.reserve === NO_RESERVE ? dry : roomFor({ ...dryAsk, reserve: NO_RESERVE });
      climber.capacity.push({ day: slot.day, dry: free.reps, balls: balls?.reps ?? 0, holes });
    }
    return { dry, balls };
  }

  private layRung(
    climber: Climber,
    session: Session,
    stage: Stage,
    { dry, balls }: Rooms,
    goal: number,
  ): void {
    const { slot } = session;
    const onBalls = stageRow(stage).ball;
    const room = (onBalls && balls) || dry;
    const near = slot.light && CAPS.includes(room.rule) ? 'lesson' : room.rule;
    this.noteBound(climber, onBalls && !balls ? 'ball_place' : near);
    const intent = intentOf(climber, this.ground);
    const reps = this.hint(climber, session, stage, onBalls, room.reps);
    const here = !onBalls || balls !== null;
    const taken = here
      ? session.take(climber, stage, intent, reps, onBalls)
      : session.take(climber, 'slow', 'upkeep', Math.min(reps, wholeSets(goal * KEPT_SHARE)), false);
    if (taken === null) session.why ??= EMPTY_BY_RULE[room.rule] ?? 'no_minutes';
    else climber.practised(slot.day, taken, here);
  }

  /** As many as the plan before had, where the rules allow about so many: the near days change little. */
  private hint(climber: Climber, session: Session, stage: Stage, balls: boolean, reps: number): number {
    const { slot } = session;
    const before = this.ground.before.get(`${slot.date} ${climber.track.drill.id}`);
    if (before?.stage !== stage || before.balls > 0 !== balls) return reps;
    const was = before.rehearsals + before.balls;
    return was <= reps && was >= reps * 0.75 ? was : reps;
  }

  private layCourse(climber: Climber, session: Session, share: number): void {
    const { slot } = session;
    const minutes = (session.seconds * share - ROUNDING_S) / 60;
    const ask = session.itemAsk(climber, 'course', 'rung', 0, false);
    const item = slot.place === 'course' ? courseItem(ask, minutes) : null;
    if (item === null) {
      this.layUpkeep(climber, session, share);
      return;
    }
    session.put(climber, item);
    climber.practised(slot.day, item.sets, true);
  }

  /** What was learnt is kept: a few repetitions without anything new. */
  private layUpkeep(climber: Climber, session: Session, share: number): void {
    const { reachable } = climber.track;
    const held = climber.stage === null ? reachable.at(-1) : reachable[reachable.indexOf(climber.stage) - 1];
    const ballRung = held === 'course' ? 'clubs' : held && stageRow(held).ball ? held : null;
    const withBalls = session.balls > 0 && ballRung !== null;
    const stage: Stage = withBalls ? ballRung : climber.stage === 'still' ? 'still' : 'slow';
    const room = roomFor(session.askFor(climber, stage, withBalls, share, session.goalDry * share));
    const most = upkeepOf(climber, withBalls, room.reps);
    const taken = session.take(climber, stage, 'upkeep', most, withBalls);
    if (taken === null) session.why ??= EMPTY_BY_RULE[room.rule] ?? 'no_minutes';
  }

  private noteBound(climber: Climber, rule: BindingRule): void {
    if (climber.track.index > 0 || climber.isAtLeast('full')) return;
    this.bound.set(rule, (this.bound.get(rule) ?? 0) + 1);
  }
}

/** Room for a drill on a day, dry and with balls; null where no balls can be hit. */
interface Rooms {
  readonly dry: Room;
  readonly balls: Room | null;
}

/** So many whole sets, and one at least. */
const wholeSets = (reps: number): number => Math.max(SET_REPS, Math.floor(reps / SET_REPS) * SET_REPS);

const intentOf = ({ track }: Climber, { tracks }: Ground): Intent =>
  track.cycle.length > 0 ? 'part' : track.drill.habits.warmsUp && tracks.length > 1 ? 'warm_up' : 'rung';
