import type { GateState, PlanAsk, PlanNow, PlanRecord, SetLog, StoredSet } from '@inchstep/contract/practice';
import { plusDays } from '@inchstep/core/foundation';
import { dayOnOurClock, runningAt } from '@inchstep/core/intake';
import {
  aroundSet,
  askNow,
  type Breach,
  breachesOfMove,
  cardOf,
  type GateWord,
  gateStates,
  type HowMade,
  type LadderFile,
  layPlan,
  likelyMade,
  notPrescribed,
  opensByCount,
  type Plan,
  type PlanPack,
  packPlan,
  requestOf,
  type SetDone,
  STAGES,
  standsOn,
} from '@inchstep/core/practice';
import { type Drill, inUse } from '@inchstep/core/prescription';
import type { StudentRecord } from '@inchstep/core/progress';
import { type Context, dayOf, stamp, today } from '../../platform/context.ts';
import { orRefuse, Refusal } from '../../platform/errors.ts';
import { once, onceTogether } from '../../platform/writes/once.ts';
import { getStudent, lessonAt, onThisClock, record, refuseInPain, setNextLesson } from '../intake/index.ts';
import { type CardAsk, cardFor, libraryOf, libraryWords, noteRung } from '../prescription/index.ts';
import { setsIn } from './notes.ts';
import {
  deletePlan,
  type GateRow,
  gateById,
  insertGate,
  insertPlan,
  insertSet,
  lastGate,
  latestPlan,
  planById,
  setById,
  setsOf,
  undoGate,
} from './repo.ts';
import { type WeekAsk, weekPdf } from './weekPdf.ts';

/** A plan for the drills in use, from the asked days; what was done already is kept. */
export function previewPlan(
  ctx: Context,
  studentId: string,
  ask: PlanAsk,
  missRate: number | null = null,
): { drills: string[]; plan: Plan } {
  if (ask.start < today(ctx)) throw new Refusal('date_in_past', { value: ask.start }, 'start');
  const file = ctx.records.of(studentId);
  const drills = inUse(file.prescription)?.drills;
  if (!drills) throw new Refusal('no_drills');
  return { drills: [...drills], plan: proved(orRefuse(layPlan(file, libraryOf(ctx), ask, missRate))) };
}

export function savePlan(
  ctx: Context,
  studentId: string,
  id: string,
  ask: PlanAsk,
  author: string,
): PlanRecord {
  return once(
    ctx,
    { id, what: 'plan', studentId, author },
    () => {
      const { drills, plan } = previewPlan(ctx, studentId, ask);
      insertPlan(ctx.db, { id, studentId, at: stamp(ctx), drills, ask, plan });
      record(ctx, studentId, 'planned', { drills, days: plan.days.length });
      if (ask.nextLesson !== null) setNextLesson(ctx, studentId, ask.nextLesson, author);
    },
    () => planById(ctx.db, id) as PlanRecord,
  );
}

/** Takes the plan back that was laid last: the one before it stands again. */
export function dropPlan(ctx: Context, studentId: string, id: string): void {
  ctx.records.write(studentId, () => {
    if (latestPlan(ctx.db, studentId)?.id !== id) throw new Refusal('changed_meanwhile');
    deletePlan(ctx.db, id);
  });
}

/** A plan that breaks a rule is never shown: better none than a wrong one. */
function proved(plan: Plan): Plan {
  if (plan.proof.broken.length > 0) throw new Error(`plan: ${plan.proof.broken[0]?.rule}`);
  return plan;
}

/** The plan that stands, with what it has become since it was taken; null without one. */
export function planNow(ctx: Context, studentId: string): PlanNow | null {
  getStudent(ctx, studentId);
  const kept = latestPlan(ctx.db, studentId);
  return kept && { ...kept, live: livePlan(ctx, studentId) };
}

/** The plan laid anew from today; null where the drills in use are not those it was laid for. */
export function livePlan(ctx: Context, studentId: string): Plan | null {
  const file = ctx.records.of(studentId);
  const { plan } = file.practice;
  if (!plan || inUse(file.prescription)?.drills.join() !== plan.drills.join()) return null;
  const laid = layPlan(file, libraryOf(ctx), askNow(file, plan, today(ctx)));
  return laid.ok ? proved(laid.value) : null;
}

/** The plan as it stands with what its proof asks for; null without one. */
export function packedPlan(ctx: Context, studentId: string): PlanPack | null {
  const live = livePlan(ctx, studentId);
  const file = ctx.records.of(studentId);
  const { plan } = file.practice;
  if (!live || !plan) return null;
  return packPlan(requestOf(file, libraryOf(ctx), askNow(file, plan, today(ctx))), live);
}

const WEEK_DAYS = 7;

/** The next seven days on paper. */
export function printedWeek(
  ctx: Context,
  studentId: string,
  { paper, units }: Pick<WeekAsk, 'paper'> & Pick<CardAsk, 'units'>,
): Promise<Buffer> {
  const { profile } = getStudent(ctx, studentId);
  const until = plusDays(today(ctx), WEEK_DAYS);
  const days = (livePlan(ctx, studentId)?.days ?? []).filter(({ date }) => date < until);
  const student = `${profile.firstName} ${profile.familyName}`;
  const drills = [...new Set(days.flatMap(({ items }) => items.map(({ drill }) => drill)))];
  const cards = drills.map((drill) => cardFor(ctx, studentId, { drill, units }));
  return weekPdf({ student, days, library: libraryWords(ctx), cards, paper });
}

/** What would be broken if a session were put on another day as it is. */
export function checkMove(ctx: Context, studentId: string, from: string, to: string): readonly Breach[] {
  const file = ctx.records.of(studentId);
  const plan = livePlan(ctx, studentId);
  if (!plan || !file.practice.plan) throw new Refusal('not_found');
  const request = requestOf(file, libraryOf(ctx), askNow(file, file.practice.plan, today(ctx)));
  return breachesOfMove(request, plan, from, to);
}

export const listSets = (ctx: Context, studentId: string): StoredSet[] => setsOf(ctx.db, studentId);

interface SetSender {
  readonly from: StoredSet['from'];
  readonly author: string;
  /** What the sender's clock said when it sent. */
  readonly sentAt: string | null;
}

/** Logs a set once, however often it is sent. What was done in pain, or was never prescribed, is refused. */
export function logSet(
  ctx: Context,
  studentId: string,
  told: SetLog,
  { from, author, sentAt }: SetSender,
): Promise<StoredSet> {
  return onceTogether(
    ctx,
    { id: told.id, what: 'set', studentId, author },
    () => {
      const doneAt = onThisClock(ctx, studentId, told.doneAt, sentAt);
      const date = dayOnOurClock({ date: told.date, doneAt: told.doneAt, sentAt }, stamp(ctx));
      const set = { ...told, date };
      refuseInPain(ctx, studentId, { doneAt, date });
      // Where the student is, the day may be a day ahead of the coach's.
      const latest = from === 'student' ? plusDays(today(ctx), 1) : today(ctx);
      if (set.date > latest) throw new Refusal('date_in_future', { value: set.date }, 'date');
      refuseUnprescribed(ctx, studentId, { ...set, from });
      const stored = { ...set, doneAt, from, at: stamp(ctx) };
      insertSet(ctx.db, studentId, stored, lessonAt(ctx.db, studentId, doneAt ?? stored.at));
      if (opensByCount(set.stage)) noteOpened(ctx, studentId, stored);
    },
    () => setById(ctx.db, told.id) as StoredSet,
  );
}

/** A rung that the count opens by itself is noted like one that the coach opened. */
function noteOpened(ctx: Context, studentId: string, set: StoredSet): void {
  const file = ctx.records.of(studentId);
  const drill = libraryOf(ctx).byId(set.drill);
  if (!drill || !inUse(file.prescription)?.drills.includes(set.drill)) return;
  const { before, after } = aroundSet(file, drill, set);
  if (before === after) return;
  noteRung(ctx, studentId, drill.id, after);
  const way = STAGES.indexOf(after) > STAGES.indexOf(before) ? 'up' : 'down';
  record(ctx, studentId, 'rung', { drill: drill.id, stage: after, way });
}

function refuseUnprescribed(ctx: Context, studentId: string, set: SetDone): void {
  if (!libraryOf(ctx).byId(set.drill)) throw new Refusal('unknown_drill', { id: set.drill }, 'drill');
  const why = notPrescribed(ctx.records.of(studentId), set, libraryOf(ctx));
  if (why === 'drill') throw new Refusal('drill_not_in_use', { drill: set.drill, date: set.date }, 'drill');
  if (why === 'rung') throw new Refusal('rung_not_reached', { drill: set.drill, stage: set.stage }, 'stage');
}

/** How a swing filmed on a day is most likely made. */
export function likelyHowMade(ctx: Context, studentId: string, day: string): HowMade {
  const file = ctx.records.of(studentId);
  const lesson = day === today(ctx) ? runningAt(file.intake.lessons, stamp(ctx)) : null;
  const counted = lesson !== null && setsIn(ctx, studentId, lesson.id).length > 0;
  return likelyMade(cardOf(file, libraryOf(ctx), day), lesson && { counted });
}

/** Where each drill in use stands, and everything that holds it there. */
export const gatesFor = (ctx: Context, studentId: string): GateState[] =>
  gateStates(ctx.records.of(studentId), libraryOf(ctx));

export function decideGate(
  ctx: Context,
  studentId: string,
  word: Omit<GateRow, 'studentId' | 'at' | 'undoneAt'>,
  author: string,
): void {
  const decide = () => {
    const file = ctx.records.of(studentId);
    const { intake, prescription } = file;
    const drill = libraryOf(ctx).byId(word.drill);
    if (intake.heldSince !== null && word.decision === 'advance') throw new Refusal('pain_hold');
    if (!drill || !inUse(prescription)?.drills.includes(word.drill))
      throw new Refusal('drill_not_in_use', { drill: word.drill, date: today(ctx) }, 'drill');
    // Two coaches, or two taps, may look at the same rung: the second one looks at a rung that is no more.
    const state = gateStates(file, libraryOf(ctx)).find(({ drill: of }) => of === word.drill);
    const seen = word.stage === 'full' && word.decision === 'advance' ? state?.fullTest : null;
    if (!seen && state?.stage !== word.stage) throw new Refusal('changed_meanwhile');
    const held = (seen ?? state)?.held ?? [];
    if (word.decision === 'advance' && held.length > 0 && word.note.trim() === '')
      throw new Refusal('reason_needed', {}, 'note');
    const at = stamp(ctx);
    insertGate(ctx.db, { ...word, studentId, at, undoneAt: null });
    const { stage, decision, note } = word;
    const said: GateWord = { drill: drill.id, stage, decision, at, day: dayOf(at) };
    noteRung(
      ctx,
      studentId,
      drill.id,
      rungWith(file, drill, (words) => [...words, said]),
    );
    record(ctx, studentId, 'gate', { drill: drill.id, stage, decision, note });
  };
  once(ctx, { id: word.id, what: 'gate', studentId, author }, decide, () => undefined);
}

/** Takes the last word on a drill's rung back: rung and evidence are again what they were. */
export function takeBackGate(ctx: Context, studentId: string, id: string): void {
  const row = gateById(ctx.db, id);
  if (row?.studentId !== studentId) throw new Refusal('not_found');
  if (row.undoneAt !== null) return;
  ctx.records.write(studentId, () => {
    const file = ctx.records.of(studentId);
    const drill = libraryOf(ctx).byId(row.drill);
    if (lastGate(ctx.db, studentId, row.drill)?.id !== id) throw new Refusal('changed_meanwhile');
    undoGate(ctx.db, id, stamp(ctx));
    const without = (words: readonly GateWord[]) => {
      const last = words.findLast((word) => word.drill === row.drill);
      return words.filter((word) => word !== last);
    };
    if (drill) noteRung(ctx, studentId, row.drill, rungWith(file, drill, without));
    record(ctx, studentId, 'undone', { what: 'gate' });
  });
}

/** The drill's rung if the coach's words were others. */
const rungWith = (
  file: StudentRecord,
  drill: Drill,
  change: (words: readonly GateWord[]) => readonly GateWord[],
): string =>
  standsOn({ ...pick(file), practice: { ...pick(file).practice, gates: change(file.practice.gates) } }, drill)
    .stage;

/** What a ladder is read from; the file reads the rest only when it is asked. */
const pick = ({ prescription, practice: { sets, gates } }: StudentRecord): LadderFile => ({
  prescription,
  practice: { sets, gates },
});
