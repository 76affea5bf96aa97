import { daysBetween, roundTo } from '../../../foundation/index.ts';
import { CYCLE_BALLS, MOST_HOLES, NEW_PIECE_EVERY_DAYS, RETENTION_MINUTES } from '../ruleNumbers.ts';
import { type Stage, stageRow } from '../stages.ts';
import { Climber } from './climber.ts';
import { BALL_SET, courseItem, DRY_SET, itemOf, SHORTEST_SET, secondsPerRep } from './items.ts';
import type { Choices, Ground, Laid } from './layout.ts';
import type { Ledger } from './ledger.ts';
import { type DayAsk, KEPT_SHARE, type Room, roomFor } from './limits.ts';
import type { BindingRule, EmptyDay, EmptyReason, Intent, PlanDay, PlanItem } from './planModel.ts';
import { NO_RESERVE, type Reserve } from './reserve.ts';
import { BALL_PLACES, type Slot } from './slots.ts';
import { warmUpFor, warmUpMinutesOf } from './warmUp.ts';

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
const CATCH_UP = 1.5;
/** Rounding an item's minutes to a tenth may add so many seconds. */
const ROUNDING_S = 3;

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
  // What is left of the day at hand.
  private seconds = 0;
  private balls = 0;
  private items: PlanItem[] = [];
  private why: EmptyReason | null = null;
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
    const warmUp = warmUpMinutesOf(slot.minutes);
    this.seconds = Math.max(0, (slot.minutes - warmUp) * 60);
    this.balls = BALL_PLACES.includes(slot.place) ? this.ground.ballsAVisit : 0;
    this.items = [];
    this.why = null;
    for (const climber of this.climbers) this.layRetention(climber, slot);
    this.newcomer = null;
    const active = this.climbers.filter((climber) => this.isActive(climber, slot));
    active.forEach((climber, i) => {
      const after = active.length - 1 - i;
      const share = climber.track.cycle.length > 0 ? 1 / (after + 1) : after === 0 ? 1 : FIRST_SHARE;
      this.layDrill(climber, slot, share);
    });
    if (this.items.length === 0) {
      this.empty.push({ date: slot.date, why: this.why ?? 'upstream' });
      return;
    }
    this.days.push(this.dayOf(slot, warmUp));
  }

  private dayOf(slot: Slot, warmUp: number): PlanDay {
    const items = inOrder(this.items, this.ground);
    const tracks = this.ground.tracks.filter(({ drill }) => items.some((item) => item.drill === drill.id));
    const loads = tracks.some(({ load }) => load.joints.length > 0) || items.some(({ balls }) => balls > 0);
    const spent = items.reduce((sum, { minutes }) => sum + minutes, loads ? warmUp : 0);
    return {
      date: slot.date,
      place: slot.place,
      minutes: roundTo(spent, 1),
      warmUpMinutes: loads ? warmUp : 0,
      warmUp: loads ? warmUpFor(tracks, slot) : [],
      items,
    };
  }

  /** Whether a drill is practised on this day at all; one that may begin now begins. */
  private isActive(climber: Climber, slot: Slot): boolean {
    const { track } = climber;
    if (track.retired) return false;
    if (track.stopped) {
      this.why ??= 'pain';
      return false;
    }
    // Parts that belong together are one visit: where one of them must rest, all do.
    if (
      track.cycle.some((part) => this.ledger.restsOn(slot.day, this.ground.tracks[part]?.load ?? track.load))
    ) {
      this.why ??= 'rest';
      return false;
    }
    if (climber.begunOn !== null) return true;
    if (!this.mayBegin(climber, slot)) return false;
    if (this.newcomer !== null && !track.cycle.includes(this.newcomer)) return false;
    this.newcomer = track.index;
    return true;
  }

  private mayBegin({ track }: Climber, slot: Slot): boolean {
    const { waitsFor, cycle } = track;
    const before = waitsFor === null ? null : this.climbers[waitsFor];
    const needed: Stage = this.ground.ballPlace ? 'three_quarter' : 'slow';
    if (before && !before.track.stopped && !this.ground.request.opened.includes(track.drill.id))
      if (before.begunOn === null || !before.isAtLeast(needed)) return false;
    if (slot.nothingNew) return false;
    const withCycle = cycle.some((other) => this.lastNewOn === this.climbers[other]?.begunOn);
    return withCycle || slot.day - this.lastNewOn >= NEW_PIECE_EVERY_DAYS;
  }

  /** First swings, before anything else: does what was learnt still stand? */
  private layRetention(climber: Climber, slot: Slot): void {
    const due = climber.retention[0];
    if (due === undefined || slot.day < due || climber.track.stopped) return;
    const withBalls = BALL_PLACES.includes(slot.place) && this.balls > 0;
    // A place for balls within the week is worth waiting for.
    if (!withBalls && this.ground.ballPlace && slot.day < due + 7) return;
    const stage: Stage = withBalls ? 'full' : 'slow';
    const ask = this.askFor(climber, slot, stage, withBalls, 1, this.wishLeft());
    const most = Math.min(this.seconds, RETENTION_MINUTES * 60) / ask.secondsPerRep;
    const reps = Math.min(most, roomFor(ask).reps);
    if (this.take(climber, slot, stage, 'retention', reps, withBalls) === null) return;
    climber.retention.shift();
  }

  private layDrill(climber: Climber, slot: Slot, share: number): void {
    const { track } = climber;
    if (track.index === 0 && this.choices.skips.has(slot.day)) {
      this.why ??= 'rest';
      return;
    }
    if (this.items.some(({ drill }) => drill === track.drill.id)) return;
    const rooms = this.roomsOn(climber, slot, share);
    const stage = climber.stage;
    if (stage === null || slot.quiet) this.layUpkeep(climber, slot, share);
    else if (stage === 'course') this.layCourse(climber, slot, share);
    else this.layRung(climber, slot, stage, rooms, this.goalDry(slot) * share);
  }

  /** How often the drill could be repeated, dry and with balls, whichever rung it then stands on. */
  private roomsOn(climber: Climber, slot: Slot, share: number): Rooms {
    const { track, stage } = climber;
    const dryStage = stage === 'still' ? stage : 'slow';
    const ballStage = stage === null || stage === 'course' ? 'clubs' : stageRow(stage).ball ? stage : 'half';
    const dry = roomFor(this.askFor(climber, slot, dryStage, false, share, this.goalDry(slot) * share));
    const atBalls = BALL_PLACES.includes(slot.place) && this.balls > 0;
    const room = atBalls
      ? roomFor(this.askFor(climber, slot, ballStage, true, share, this.wishLeft()))
      : null;
    const most = track.cycle.length > 0 ? CYCLE_BALLS * BALL_SET : Number.POSITIVE_INFINITY;
    const balls = room && { reps: Math.min(room.reps, most), rule: room.rule };
    const holes = slot.place === 'course' ? MOST_HOLES : 0;
    if (!slot.quiet) climber.capacity.push({ day: slot.day, dry: dry.reps, balls: balls?.reps ?? 0, holes });
    return { dry, balls };
  }

  private layRung(climber: Climber, slot: Slot, stage: Stage, { dry, balls }: Rooms, goal: number): void {
    const onBalls = stageRow(stage).ball;
    const room = (onBalls && balls) || dry;
    this.noteBound(climber, onBalls && !balls ? 'ball_place' : room.rule);
    const intent = intentOf(climber, this.ground);
    const reps = this.hint(climber, slot, stage, onBalls, room.reps);
    const here = !onBalls || balls !== null;
    const taken = here
      ? this.take(climber, slot, stage, intent, reps, onBalls)
      : this.take(climber, slot, 'slow', 'upkeep', Math.min(reps, goal * KEPT_SHARE), false);
    if (taken === null) this.why ??= EMPTY_BY_RULE[room.rule] ?? 'no_minutes';
    else climber.practised(slot.day, taken, here);
  }

  /** As many as the plan before had, where the rules allow about so many: the near days change little. */
  private hint(climber: Climber, slot: Slot, stage: Stage, balls: boolean, reps: number): number {
    const before = this.ground.before.get(`${slot.date} ${climber.track.drill.id}`);
    if (before?.stage !== stage || before.balls > 0 !== balls) return reps;
    const was = before.rehearsals + before.balls;
    return was <= reps && was >= reps * 0.75 ? was : reps;
  }

  private layCourse(climber: Climber, slot: Slot, share: number): void {
    const minutes = (this.seconds * share - ROUNDING_S) / 60;
    const ask = this.itemAsk(climber, slot, 'course', 'rung', 0, false);
    const item = slot.place === 'course' ? courseItem(ask, minutes) : null;
    if (item === null) {
      this.layUpkeep(climber, slot, share);
      return;
    }
    this.put(climber, slot, item);
    climber.practised(slot.day, item.sets, true);
  }

  /** What was learnt is kept: a few repetitions without anything new. */
  private layUpkeep(climber: Climber, slot: Slot, share: number): void {
    const { reachable } = climber.track;
    const held = climber.stage === null ? reachable.at(-1) : reachable[reachable.indexOf(climber.stage) - 1];
    const ballRung = held === 'course' ? 'clubs' : held && stageRow(held).ball ? held : null;
    const withBalls = BALL_PLACES.includes(slot.place) && this.balls > 0 && ballRung !== null;
    const stage: Stage = withBalls ? ballRung : climber.stage === 'still' ? 'still' : 'slow';
    const room = roomFor(this.askFor(climber, slot, stage, withBalls, share, this.goalDry(slot) * share));
    const most = upkeepOf(climber, withBalls, room.reps, this.goalDry(slot) * share);
    const taken = this.take(climber, slot, stage, 'upkeep', most, withBalls);
    if (taken === null) this.why ??= EMPTY_BY_RULE[room.rule] ?? 'no_minutes';
  }

  private noteBound(climber: Climber, rule: BindingRule): void {
    if (climber.track.index > 0 || climber.isAtLeast('full')) return;
    this.bound.set(rule, (this.bound.get(rule) ?? 0) + 1);
  }

  private wishLeft(): number {
    return Math.max(0, this.ground.request.wishRepsPerWeek - this.dryThisWeek);
  }

  /** The week's wish in even shares over its days that are left. */
  private goalDry(slot: Slot): number {
    const days = Math.max(1, this.ground.askedFrom[slot.day] ?? 1);
    const left = this.wishLeft();
    const share = Math.max(SHORTEST_SET, Math.round(left / days / DRY_SET) * DRY_SET);
    return Math.min(left, share * this.more(slot));
  }

  /** What was missed lately is spread over what follows, never doubled. */
  private more(slot: Slot): number {
    return slot.day < this.ground.catchesUpUntil ? CATCH_UP : 1;
  }

  private askFor(
    { track, stage: rung }: Climber,
    slot: Slot,
    stage: Stage,
    withBalls: boolean,
    share: number,
    goalDry: number,
  ): DayAsk {
    const onBalls = this.ground.ballPlace && (rung === null || stageRow(rung).ball);
    return {
      slot,
      track,
      ledger: this.ledger,
      dayCap: this.ground.dayCap,
      share,
      secondsLeft: this.seconds - ROUNDING_S,
      secondsPerRep: secondsPerRep(stage, withBalls, this.ground.request.secondsPer),
      setReps: withBalls ? BALL_SET : DRY_SET,
      setBalls: withBalls ? 1 : 0,
      ballsLeft: this.balls,
      goalDry,
      reserve: onBalls && !withBalls ? (this.ground.reserves[slot.day] as Reserve) : NO_RESERVE,
      more: this.more(slot),
      rests: this.ledger.restsOn(slot.day, track.load),
    };
  }

  private itemAsk(
    climber: Climber,
    slot: Slot,
    stage: Stage,
    intent: Intent,
    reps: number,
    withBalls: boolean,
  ) {
    return {
      slot,
      track: climber.track,
      student: this.ground.student,
      seconds: this.ground.request.secondsPer,
      stage,
      intent,
      layer: climber.track.standing.layer,
      visit: climber.visits,
      reps: Math.floor(reps),
      withBalls,
    };
  }

  /** Lays so many repetitions as whole sets; how many it came to, or null where no set fits. */
  private take(
    climber: Climber,
    slot: Slot,
    stage: Stage,
    intent: Intent,
    reps: number,
    withBalls: boolean,
  ): number | null {
    const item = itemOf(this.itemAsk(climber, slot, stage, intent, reps, withBalls));
    if (item === null) return null;
    this.put(climber, slot, item);
    return item.rehearsals + item.balls;
  }

  private put(climber: Climber, slot: Slot, item: PlanItem): void {
    const { track } = climber;
    if (climber.begunOn === null) this.lastNewOn = slot.day;
    climber.begin(slot.day);
    this.items.push(item);
    this.seconds -= item.minutes * 60;
    this.balls -= item.balls;
    this.dryThisWeek += item.rehearsals;
    this.ledger.add(slot.day, track.load, item.rehearsals + item.balls);
  }
}

/** Room for a drill on a day, dry and with balls; null where no balls can be hit. */
interface Rooms {
  readonly dry: Room;
  readonly balls: Room | null;
}

/** Once it was seen to last, a little is enough. */
const UPKEEP_SETS = 2;
const UPKEEP_BALL_SETS = 6;
/** Until then it gets a share of what a rung would. */
const SETTLING_SHARE = 0.6;
const SETTLING_BALL_SETS = 12;

/** How often it is repeated so that it stays: more until the last look back, and never more than there is room. */
function upkeepOf(climber: Climber, balls: boolean, room: number, goal: number): number {
  const settling = climber.stage === null && climber.retention.length > 0;
  if (balls) return Math.min(room, (settling ? SETTLING_BALL_SETS : UPKEEP_BALL_SETS) * BALL_SET);
  return Math.min(room, settling ? goal * SETTLING_SHARE : UPKEEP_SETS * DRY_SET);
}

const intentOf = ({ track }: Climber, { tracks }: Ground): Intent =>
  track.cycle.length > 0 ? 'part' : track.drill.habits.warmsUp && tracks.length > 1 ? 'warm_up' : 'rung';

/** What warms up comes first, then what is looked at cold, then the drills in the order in which they began. */
function inOrder(items: readonly PlanItem[], { tracks }: Ground): PlanItem[] {
  const rank = ({ intent }: PlanItem) => (intent === 'retention' ? 0 : intent === 'warm_up' ? 1 : 2);
  const at = ({ drill }: PlanItem) => tracks.findIndex((track) => track.drill.id === drill);
  return [...items].sort((a, b) => rank(a) - rank(b) || at(a) - at(b));
}
