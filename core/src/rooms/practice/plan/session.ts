import { roundTo } from '../../../foundation/index.ts';
import { SET_REPS } from '../ruleNumbers.ts';
import { type Stage, stageRow } from '../stages.ts';
import type { Climber } from './climber.ts';
import { BALL_SET, type ItemAsk, itemOf, SHORTEST_SET, secondsPerRep } from './items.ts';
import type { Ground } from './layout.ts';
import type { Ledger } from './ledger.ts';
import type { DayAsk } from './limits.ts';
import type { EmptyReason, Intent, PlanDay, PlanItem } from './planModel.ts';
import { NO_RESERVE, type Reserve } from './reserve.ts';
import { BALL_PLACES, type Slot } from './slots.ts';
import { ballSetsOf } from './upkeep.ts';
import { warmUpFor, warmUpMinutesOf } from './warmUp.ts';

/** So much more than usual where something was missed lately: never doubled. */
const CATCH_UP = 1.5;
/** Rounding an item's minutes to a tenth may add so many seconds. */
export const ROUNDING_S = 3;

/** The day at hand while it is laid: what is left of its time and balls, and what it holds so far. */
export class Session {
  readonly slot: Slot;
  readonly items: PlanItem[] = [];
  why: EmptyReason | null = null;
  seconds: number;
  balls: number;
  dry = 0;
  private readonly warmUp: number;
  private readonly ground: Ground;
  private readonly ledger: Ledger;
  private readonly dryBefore: number;

  constructor(ground: Ground, ledger: Ledger, slot: Slot, dryBefore: number) {
    this.ground = ground;
    this.ledger = ledger;
    this.slot = slot;
    this.dryBefore = dryBefore;
    this.warmUp = warmUpMinutesOf(slot.minutes);
    this.seconds = Math.max(0, (slot.minutes - this.warmUp) * 60);
    this.balls = BALL_PLACES.includes(slot.place) ? ground.ballsAVisit : 0;
  }

  /** What of the week's wish is left. */
  get wishLeft(): number {
    return Math.max(0, this.ground.request.wishRepsPerWeek - this.dryBefore - this.dry);
  }

  /** The week's wish in even shares over its days that are left. */
  get goalDry(): number {
    const days = Math.max(1, this.ground.askedFrom[this.slot.day] ?? 1);
    const share = Math.max(SHORTEST_SET, Math.round(this.wishLeft / days / SET_REPS) * SET_REPS);
    return Math.min(this.wishLeft, share * this.more);
  }

  private get more(): number {
    return this.slot.day < this.ground.catchesUpUntil ? CATCH_UP : 1;
  }

  askFor(climber: Climber, stage: Stage, withBalls: boolean, share: number, goalDry: number): DayAsk {
    const { track, stage: rung } = climber;
    const onBalls = this.ground.ballPlace && (rung === null || stageRow(rung).ball);
    return {
      slot: this.slot,
      track,
      ledger: this.ledger,
      dayCap: this.ground.dayCap,
      share,
      secondsLeft: this.seconds - ROUNDING_S,
      secondsPerRep: secondsPerRep(stage, withBalls, this.ground.request.secondsPer),
      setReps: withBalls ? BALL_SET : SET_REPS,
      setBalls: withBalls ? 1 : 0,
      ballsLeft: this.balls,
      goalDry,
      reserve: onBalls && !withBalls ? (this.ground.reserves[this.slot.day] as Reserve) : NO_RESERVE,
      visitReps: ballSetsOf(climber) * BALL_SET,
      more: this.more,
      rests: this.ledger.restsOn(this.slot.day, track.load),
    };
  }

  itemAsk(climber: Climber, stage: Stage, intent: Intent, reps: number, withBalls: boolean): ItemAsk {
    return {
      slot: this.slot,
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
  take(climber: Climber, stage: Stage, intent: Intent, reps: number, withBalls: boolean): number | null {
    const item = itemOf(this.itemAsk(climber, stage, intent, reps, withBalls));
    if (item === null) return null;
    this.put(climber, item);
    return item.rehearsals + item.balls;
  }

  put(climber: Climber, item: PlanItem): void {
    climber.begin(this.slot.day);
    this.items.push(item);
    this.seconds -= item.minutes * 60;
    this.balls -= item.balls;
    this.dry += item.rehearsals;
    this.ledger.add(this.slot.day, climber.track.load, item.rehearsals + item.balls);
  }

  /** The day as it was laid. */
  get day(): PlanDay {
    const items = inOrder(this.items, this.ground);
    const tracks = this.ground.tracks.filter(({ drill }) => items.some((item) => item.drill === drill.id));
    const loads = tracks.some(({ load }) => load.joints.length > 0) || items.some(({ balls }) => balls > 0);
    const spent = items.reduce((sum, { minutes }) => sum + minutes, loads ? this.warmUp : 0);
    return {
      date: this.slot.date,
      place: this.slot.place,
      minutes: roundTo(spent, 1),
      warmUpMinutes: loads ? this.warmUp : 0,
      warmUp: loads ? warmUpFor(tracks, this.slot) : [],
      items,
    };
  }
}

/** What warms up comes first, then what is looked at cold, then the drills in the order in which they began. */
function inOrder(items: readonly PlanItem[], { tracks }: Ground): PlanItem[] {
  const rank = ({ intent }: PlanItem) => (intent === 'retention' ? 0 : intent === 'warm_up' ? 1 : 2);
  // Parts that belong together share their places in their own order, however the coach named them.
  const parts = tracks.filter(({ cycle }) => cycle.length > 0);
  const inTurn = [...parts].sort((a, b) => (a.drill.cyclePart ?? 0) - (b.drill.cyclePart ?? 0));
  const at = ({ drill }: PlanItem) => {
    const track = tracks.find((one) => one.drill.id === drill);
    const turn = track ? inTurn.indexOf(track) : -1;
    return (turn < 0 ? track : parts[turn])?.index ?? tracks.length;
  };
  return [...items].sort((a, b) => rank(a) - rank(b) || at(a) - at(b));
}
