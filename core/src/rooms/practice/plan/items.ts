import { roundTo } from '../../../foundation/index.ts';
import type { StudentFacts } from '../../intake/index.ts';
import { HOLE_MINUTES, MOST_HOLES, SET_REPS } from '../ruleNumbers.ts';
import { REHEARSALS_PER_BALL, SECONDS, STAGES, type Stage, stageRow } from '../stages.ts';
import { aidOf, clubsFor, orderOf } from './design.ts';
import type { Intent, PlanItem } from './planModel.ts';
import type { SecondsPer } from './planRequest.ts';
import type { Slot } from './slots.ts';
import type { Track } from './track.ts';

/** A set may be this short where a rule leaves no room for ten. */
export const SHORTEST_SET = 4;
export const BALL_SET = REHEARSALS_PER_BALL + 1;

/** What of a drill can be done at a place: the drill itself, or its feel. */
function doneAs(
  track: Track,
  slot: Pick<Slot, 'place'>,
  stage: Stage,
  student: StudentFacts,
): PlanItem['as'] {
  const { drill } = track;
  const { topOn } = drill.habits;
  const tooFast = topOn !== null && STAGES.indexOf(stage) > STAGES.indexOf(topOn);
  return canStand(track, slot, student) && !tooFast && !(stageRow(stage).ball && drill.ball === 'no')
    ? 'drill'
    : 'feel';
}

/** Whether the drill's place and aids are there. */
const canStand = ({ drill }: Track, { place }: Pick<Slot, 'place'>, student: StudentFacts): boolean =>
  drill.places.includes(place) &&
  drill.aids.every((group) => group.some((aid) => student.aids.includes(aid)));

/** Seconds that one repetition of a set takes, looks and rests spread over it. */
export function secondsPerRep(stage: Stage, balls: boolean, seconds: SecondsPer): number {
  const { lookEvery } = stageRow(stage);
  return balls
    ? (REHEARSALS_PER_BALL * seconds.rehearsal + seconds.ball + seconds.look / lookEvery) / BALL_SET
    : (SET_REPS * seconds.rehearsal + SECONDS.restPerSet + seconds.look / lookEvery) / SET_REPS;
}

export interface ItemAsk {
  readonly slot: Slot;
  readonly track: Track;
  readonly student: StudentFacts;
  readonly seconds: SecondsPer;
  readonly stage: Stage;
  readonly intent: Intent;
  readonly layer: number;
  /** Visits on this rung before this one. */
  readonly visit: number;
  readonly reps: number;
  readonly withBalls: boolean;
}

/** The item that so many repetitions come to; null where no set fits. */
export function itemOf(ask: ItemAsk): PlanItem | null {
  if (ask.withBalls) return ask.intent === 'retention' ? coldItem(ask) : ballItem(ask);
  return dryItem(ask);
}

/** First swings without a rehearsal, a cue or a look: what is there by itself. */
function coldItem(ask: ItemAsk): PlanItem | null {
  if (ask.reps < 1) return null;
  const clubs = clubsFor(ask.stage, 'alternating', ask.reps, ask.track.drill.id);
  const item = blank(ask, 'feel');
  item.sets = 1;
  item.balls = ask.reps;
  item.clubs = clubs;
  item.club = clubs[0] ?? null;
  item.order = 'alternating';
  item.minutes = roundTo((ask.reps * ask.seconds.ball) / 60, 1);
  return item;
}

function dryItem(ask: ItemAsk): PlanItem | null {
  const { track, slot, stage, reps, seconds } = ask;
  if (reps < SHORTEST_SET) return null;
  const sets = Math.max(1, Math.round(reps / SET_REPS));
  const rehearsals = reps;
  const { lookEvery } = stageRow(stage);
  const looks = Math.floor(rehearsals / SET_REPS / lookEvery);
  const as = doneAs(track, slot, stage, ask.student);
  const rests = (rehearsals / SET_REPS) * SECONDS.restPerSet;
  const spent = rehearsals * seconds.rehearsal + rests + looks * seconds.look;
  const item = blank(ask, as);
  item.sets = sets;
  item.rehearsals = rehearsals;
  item.looks = looks;
  item.lookEvery = looks > 0 ? lookEvery : null;
  item.aid = as === 'drill' ? 'on' : 'off';
  item.minutes = roundTo(spent / 60, 1);
  return item;
}

function ballItem(ask: ItemAsk): PlanItem | null {
  const { track, slot, stage, reps, seconds, student } = ask;
  const sets = Math.floor(reps / BALL_SET);
  if (sets < 1) return null;
  const { lookEvery } = stageRow(stage);
  const looks = Math.floor(sets / lookEvery);
  const as = ask.intent === 'upkeep' ? 'feel' : doneAs(track, slot, stage, student);
  const order = orderOf(stage, ask.visit);
  const clubs = clubsFor(stage, order, sets, `${track.drill.id} ${slot.date}`);
  const rehearsals = sets * REHEARSALS_PER_BALL;
  const spent = rehearsals * seconds.rehearsal + sets * seconds.ball + looks * seconds.look;
  // A drill that takes no ball is still rehearsed with its aid before each one.
  const on = as === 'drill' || (track.drill.ball === 'no' && canStand(track, slot, student));
  const item = blank(ask, as);
  item.sets = sets;
  item.rehearsals = rehearsals;
  item.balls = sets;
  item.looks = looks;
  item.lookEvery = looks > 0 ? lookEvery : null;
  item.club = clubs[0] ?? null;
  item.clubs = clubs;
  item.aid = aidOf(stage, on && ask.intent !== 'upkeep');
  item.order = order;
  item.minutes = roundTo(spent / 60, 1);
  return item;
}

/** So many holes with one thought as the minutes have room for. */
export function courseItem(ask: ItemAsk, minutes: number): PlanItem | null {
  const holes = Math.min(MOST_HOLES, Math.floor(minutes / HOLE_MINUTES));
  if (holes < 1) return null;
  const item = blank(ask, 'feel');
  item.sets = holes;
  item.order = 'random';
  item.minutes = holes * HOLE_MINUTES;
  return item;
}

type Blank = { -readonly [K in keyof PlanItem]: PlanItem[K] };

/** Filled field by field: a plan holds hundreds, and copies of objects are slow. */
function blank({ track, slot, stage, intent, layer }: ItemAsk, as: PlanItem['as']): Blank {
  const { id, habits } = track.drill;
  return {
    id: `${slot.date}.${id}.${intent}`,
    drill: id,
    intent,
    as,
    stage,
    layer,
    sets: 0,
    rehearsals: 0,
    balls: 0,
    looks: 0,
    lookEvery: null,
    speedPct: stageRow(stage).speedPct,
    club: null,
    clubs: [],
    aid: 'off',
    order: 'blocked',
    stop: habits.stops && as === 'drill' && (stage === 'half' || stage === 'three_quarter'),
    minutes: 0,
  };
}
