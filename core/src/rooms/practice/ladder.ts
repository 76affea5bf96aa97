import { type IsoDay, plusDays } from '../../foundation/index.ts';
import type { Drill } from '../prescription/index.ts';
import { type Rep, readReps } from './gate.ts';
import { NEW_PIECE_EVERY_DAYS } from './ruleNumbers.ts';
import { NOT_YETS_DOWN, RungCount, type RungStanding } from './rungCount.ts';
import { STAGES, type Stage } from './stages.ts';

/** What moves a drill on its ladder, in the order in which it became known. */
export type LadderEvent =
  | {
      readonly kind: 'set';
      readonly date: IsoDay;
      readonly stage: Stage;
      readonly reps: string;
      /** The last checkpoint that the set was judged by, from 1. */
      readonly layer: number;
    }
  | {
      readonly kind: 'word';
      readonly date: IsoDay;
      readonly stage: Stage;
      readonly decision: 'advance' | 'hold' | 'back';
    }
  | {
      /** The coach sets the checkpoint that is asked, from 1. */
      readonly kind: 'checkpoint';
      readonly date: IsoDay;
      readonly layer: number;
    };

export interface LadderRules {
  /** Rungs of this ladder, lowest first. */
  readonly rungs: readonly Stage[];
  /** Rungs that open by the count alone; the others wait for the coach's word. */
  readonly opensAlone: (stage: Stage) => boolean;
  /** Checkpoints of the drill. */
  readonly layers: number;
  /** Pace `fast`: where rungs open alone, a test at full speed that holds takes those below as passed. */
  readonly fast?: boolean | undefined;
  /** The rung on which it begins; the lowest unless told. */
  readonly from?: Stage | undefined;
}

export interface LadderStanding {
  readonly stage: Stage;
  /** The last rung is behind. */
  readonly finished: boolean;
  /** Looked at again after it was finished, it was owned. */
  readonly lasts: boolean;
  readonly test: RungStanding;
  /** The test at full speed, from below that rung; null where none was begun. */
  readonly fullTest: RungStanding | null;
  /** Rungs that the count has opened and the coach has not looked at. */
  readonly unseen: readonly Stage[];
  /** The checkpoint that is asked now, from 1. */
  readonly layer: number;
  /** Two "not yet" in a row on a rung that only the coach moves down from. */
  readonly proposesDown: boolean;
  /** Since when it stands on this rung; null before any set or word. */
  readonly since: IsoDay | null;
  /** Rungs were taken as passed by a test at full speed; the day of that witness. */
  readonly witnessedOn: IsoDay | null;
  /** The first set ever. */
  readonly startedOn: IsoDay | null;
}

/** The rung of the test at full speed, on which a drill that has done its work is looked at again, too. */
const LOOKED_AT_ON: Stage = 'full';

/** Rungs that open by themselves, and that the program goes down from by itself. */
export const opensByCount = (stage: Stage): boolean => stage === 'still' || stage === 'slow';

/**
 * Where a drill stands: the first rung, moved by what was logged and by the coach's words and by nothing else.
 * Sets count for the rung they were done on; those of another rung are practice and no evidence.
 */
export const climb = (events: readonly LadderEvent[], rules: LadderRules): LadderStanding =>
  walkOf(events, rules).standing();

/** The same as a walk that may be gone on with. */
export function walkOf(events: readonly LadderEvent[], rules: LadderRules): Walk {
  const walk = new Walk(rules);
  for (const event of events) walk.take(event);
  return walk;
}

/** The rung before any event and after each of them. */
export function stagesAlong(events: readonly LadderEvent[], rules: LadderRules): Stage[] {
  const walk = new Walk(rules);
  return [walk.stage, ...events.map((event) => walk.take(event))];
}

export class Walk {
  private at = 0;
  private finished = false;
  private count = new RungCount();
  private unseen: Stage[] = [];
  private layer = 1;
  private layerCount = new RungCount();
  private heldCount = new RungCount();
  private fullCount: RungCount | null = null;
  private lasts = false;
  /** What came of a test at full speed: the rung it was taken from, and what was counted there since. */
  private witnessed: { readonly from: number; readonly count: RungCount } | null = null;
  /** From when on another new piece may begin. */
  private nextPieceFrom: IsoDay = '';
  private since: IsoDay | null = null;
  private startedOn: IsoDay | null = null;
  private witnessedOn: IsoDay | null = null;

  private readonly rules: LadderRules;
  constructor(rules: LadderRules) {
    this.rules = rules;
    if (rules.from !== undefined) this.at = Math.max(0, rules.rungs.indexOf(rules.from));
  }

  get stage(): Stage {
    return this.rules.rungs[this.at] as Stage;
  }

  take(event: LadderEvent): Stage {
    if (event.kind === 'set') this.set(event);
    else if (event.kind === 'word') this.word(event);
    else this.setCheckpoint(event);
    return this.stage;
  }

  /** The rung after one more event; the walk itself stays where it is. */
  stageAfter(event: LadderEvent): Stage {
    const ahead: Walk = Object.assign(Object.create(Walk.prototype), this);
    ahead.unseen = [...this.unseen];
    ahead.count = this.count.copy();
    ahead.layerCount = this.layerCount.copy();
    ahead.heldCount = this.heldCount.copy();
    ahead.fullCount = this.fullCount?.copy() ?? null;
    if (this.witnessed) ahead.witnessed = { ...this.witnessed, count: this.witnessed.count.copy() };
    return ahead.take(event);
  }

  private set({ date, stage, reps, layer }: Extract<LadderEvent, { kind: 'set' }>): void {
    const read = readReps(reps) ?? [];
    this.startedOn ??= date;
    if (this.nextPieceFrom === '') this.nextPieceFrom = plusDays(date, NEW_PIECE_EVERY_DAYS);
    this.since ??= date;
    this.countLayer(read, layer, date);
    if (this.finished) this.watchHeld(read, stage, date);
    else if (this.witnessed !== null) this.watchWitness(read, stage, date);
    else if (this.isBelow(stage)) this.testFull(read, date);
    if (stage !== this.stage || this.finished || this.count.advanced) return;
    this.count.read(read);
    if (this.count.advanced) {
      if (this.rules.opensAlone(stage)) this.up(date, !opensByCount(stage));
    } else if (this.count.notYets >= NOT_YETS_DOWN && opensByCount(stage)) {
      this.moveTo(Math.max(0, this.at - 1), date);
    }
  }

  /** What was learnt is counted on: a "not yet" at full speed brings the rung back, or proposes it. */
  private watchHeld(reps: readonly Rep[], stage: Stage, date: IsoDay): void {
    if (stage !== LOOKED_AT_ON) return;
    this.heldCount.read(reps);
    if (this.heldCount.advanced) {
      this.lasts = true;
      this.heldCount = new RungCount();
    }
    if (this.heldCount.notYets === 0 || !this.rules.opensAlone(stage)) return;
    this.moveTo(Math.max(0, this.rules.rungs.indexOf('full')), date);
  }

  private isBelow(stage: Stage): boolean {
    return stage === LOOKED_AT_ON && this.at < this.rules.rungs.indexOf(stage);
  }

  private testFull(reps: readonly Rep[], date: IsoDay): void {
    this.fullCount ??= new RungCount();
    this.fullCount.read(reps);
    if (!this.fullCount.advanced || this.rules.fast !== true || !this.rules.opensAlone(LOOKED_AT_ON)) return;
    this.takeWitness(this.rules.rungs.indexOf(LOOKED_AT_ON), date);
    this.up(date, true);
  }

  /** The rungs below are taken as passed. */
  private takeWitness(index: number, date: IsoDay): void {
    this.witnessedOn = date;
    this.witnessed = { from: this.at, count: new RungCount() };
    this.fullCount = null;
    this.at = index;
  }

  /** A witness that does not hold a week later gives the ladder back from the rung where it last held. */
  private watchWitness(reps: readonly Rep[], stage: Stage, date: IsoDay): void {
    if (stage !== LOOKED_AT_ON || this.witnessed === null || this.stage === stage) return;
    const { from, count } = this.witnessed;
    count.read(reps);
    if (count.notYets === 0 && !count.advanced) return;
    this.witnessed = null;
    this.witnessedOn = null;
    if (count.notYets > 0) this.moveTo(from, date);
  }

  private word({ date, stage, decision }: Extract<LadderEvent, { kind: 'word' }>): void {
    const { rungs } = this.rules;
    const index = rungs.indexOf(stage);
    if (decision !== 'advance') this.fullCount = null;
    if (decision === 'hold') this.moveTo(this.at, date);
    if (decision === 'back') this.moveTo(Math.max(0, (index < 0 ? this.at : index) - 1), date);
    if (decision !== 'advance' || this.finished) return;
    // A word on a rung far above is the witness of a test at full speed.
    if (index > this.at) this.takeWitness(index, date);
    else if (index >= 0) this.at = index;
    this.up(date, false);
    this.unseen = [];
  }

  private up(date: IsoDay, unseen: boolean): void {
    if (unseen) this.unseen.push(this.stage);
    if (this.at === this.rules.rungs.length - 1) {
      this.finished = true;
      this.since = date;
      return;
    }
    this.moveTo(this.at + 1, date);
  }

  private moveTo(at: number, date: IsoDay): void {
    this.at = at;
    if (!this.isBelow(LOOKED_AT_ON)) this.fullCount = null;
    this.finished = false;
    this.count = new RungCount();
    this.heldCount = new RungCount();
    this.lasts = false;
    this.since = date;
  }

  /** The coach's word opens a checkpoint or goes back to an earlier one; its count starts over. */
  private setCheckpoint({ layer, date }: Extract<LadderEvent, { kind: 'checkpoint' }>): void {
    const asked = Math.min(Math.max(1, layer), this.rules.layers);
    if (asked === this.layer) return;
    if (asked > this.layer) this.nextPieceFrom = plusDays(date, NEW_PIECE_EVERY_DAYS);
    this.layer = asked;
    this.layerCount = new RungCount();
  }

  /** The next checkpoint opens when the present one holds, and not in the week of another new piece. */
  private countLayer(reps: readonly Rep[], layer: number, date: IsoDay): void {
    if (this.layer >= this.rules.layers || layer < this.layer) return;
    this.layerCount.read(reps);
    if (!this.layerCount.advanced) return;
    if (date < this.nextPieceFrom) return;
    this.layer += 1;
    this.layerCount = new RungCount();
    this.nextPieceFrom = plusDays(date, NEW_PIECE_EVERY_DAYS);
  }

  standing(): LadderStanding {
    const { stage, finished, lasts, unseen, layer, since, witnessedOn, startedOn } = this;
    const { test } = this.count;
    const fullTest = this.fullCount?.test ?? null;
    const proposesDown = finished
      ? this.heldCount.notYets > 0
      : test.decision === 'continue' && test.notYets >= NOT_YETS_DOWN && !opensByCount(stage);
    return {
      stage,
      finished,
      lasts,
      test,
      fullTest,
      unseen,
      layer,
      proposesDown,
      since,
      witnessedOn,
      startedOn,
    };
  }
}

/** What the ladder asks of a drill. */
export type LadderDrill = Pick<Drill, 'id' | 'habits' | 'layers'>;

/** The rules of a drill's ladder; from the lowest rung unless told. */
export const ladderRules = (
  { habits, layers }: LadderDrill,
  opensAlone: LadderRules['opensAlone'],
  { from, fast }: Pick<LadderRules, 'from' | 'fast'> = {},
): LadderRules => ({
  rungs: rungsOf(habits.courseForm),
  opensAlone,
  layers: Math.max(1, layers.length),
  from,
  fast,
});

/** The rungs of a drill's ladder: the course only where the drill has a form for it. */
export const rungsOf = (courseForm: boolean): readonly Stage[] =>
  courseForm ? STAGES : STAGES.filter((stage) => stage !== 'course');
