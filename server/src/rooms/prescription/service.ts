import type { DrillChoice, PrescriptionRecord } from '@inchstep/contract/prescription';
import { type CaseFile, reason } from '@inchstep/core/diagnosis';
import { standsOn } from '@inchstep/core/practice';
import {
  amountsFor,
  cautionsFor,
  feelSizingFor,
  inUse,
  prescribe,
  refusalsOf,
  setupFor,
  stanceByClub,
} from '@inchstep/core/prescription';
import { type Context, stamp } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { once } from '../../platform/writes/once.ts';
import { caseOf, getDiagnosis } from '../diagnosis/index.ts';
import { getStudent, record } from '../intake/index.ts';
import { type CardAsk, cardPdf } from './cardPdf.ts';
import { feelPage } from './feels.ts';
import { posedFigure } from './figures.ts';
import { gainsOfOthers, recordOfOthers } from './history.ts';
import { libraryOf, libraryWords } from './library.ts';
import {
  type ChoiceRow,
  choicesOf,
  endChoices,
  insertChoice,
  type StoredCheckpoint,
  setLayers,
} from './repo.ts';

/** Drills for what the coach chose to work on (else what the diagnosis puts first). */
export function prescribeFor(ctx: Context, diagnosisId: string): PrescriptionRecord {
  const { file, workOn } = caseFor(ctx, diagnosisId);
  return { diagnosisId, workOn: [...workOn], result: prescribe(file, workOn, libraryOf(ctx)) };
}

/** What a match reads: the diagnosis's case with what drills came to with others, and what is worked on. */
function caseFor(ctx: Context, diagnosisId: string): { file: CaseFile; workOn: readonly string[] } {
  const diagnosis = getDiagnosis(ctx, diagnosisId);
  const workOn = diagnosis.chosen?.workOn ?? diagnosis.result.workOn;
  const [forFault] = workOn;
  const file = {
    ...caseOf(ctx, diagnosis.studentId, { ...diagnosis, ...(forFault ? { forFault } : {}) }),
    record: recordOfOthers(ctx, diagnosis.studentId),
    gains: gainsOfOthers(ctx, diagnosis.studentId),
  };
  return { file, workOn };
}

/** Takes drills into use; the ones used until now are put aside. Pain stops it, nothing else does. */
export function chooseDrills(
  ctx: Context,
  choice: Pick<DrillChoice, 'id' | 'diagnosisId' | 'drills' | 'note' | 'ownTask'>,
  author: string,
): DrillChoice {
  const { studentId } = getDiagnosis(ctx, choice.diagnosisId);
  const take = () => {
    const forFault = refuseUnfitChoice(ctx, choice);
    const at = stamp(ctx);
    const layers = layersKept(ctx, studentId, choice.drills, at);
    endChoices(ctx.db, studentId, at);
    insertChoice(ctx.db, studentId, { ...choice, forFault, layers, at, endedAt: null });
    record(ctx, studentId, 'drills_chosen', { drills: choice.drills, note: choice.note });
  };
  once(ctx, { id: choice.id, what: 'drill_choice', studentId, author }, take, () => null);
  // The student's file shows the write once it is stored.
  return listChoices(ctx, studentId).find((known) => known.id === choice.id) as DrillChoice;
}

/** A drill that stays in use keeps the checkpoint it has come to, by the count or by the coach. */
function layersKept(
  ctx: Context,
  studentId: string,
  drills: readonly string[],
  at: string,
): Record<string, StoredCheckpoint> {
  const asked = checkpointsAsked(ctx, studentId);
  return Object.fromEntries(
    drills.flatMap((drill) =>
      (asked[drill] ?? 1) > 1 ? [[drill, { layer: asked[drill] as number, at }]] : [],
    ),
  );
}

/** The checkpoint that is asked of each drill in use, as its ladder says. */
function checkpointsAsked(ctx: Context, studentId: string): Record<string, number> {
  const file = ctx.records.of(studentId);
  const library = libraryOf(ctx);
  return Object.fromEntries(
    (inUse(file.prescription)?.drills ?? []).flatMap((id) => {
      const drill = library.byId(id);
      return drill ? [[id, standsOn(file, drill).layer]] : [];
    }),
  );
}

/** The coach sets which checkpoint of a drill in use is asked. Setting the same one again changes nothing. */
export function setLayer(ctx: Context, studentId: string, drillId: string, layer: number): DrillChoice {
  const drill = libraryOf(ctx).byId(drillId);
  const current = listChoices(ctx, studentId).find(({ endedAt }) => endedAt === null);
  if (!drill || !current?.drills.includes(drillId))
    throw new Refusal('drill_not_in_use', { drill: drillId }, 'drill');
  if (layer > drill.layers.length)
    throw new Refusal('bad_input', { message: `this drill has ${drill.layers.length} checkpoints` }, 'layer');
  if (current.layers[drillId] === layer) return current;
  ctx.records.write(studentId, () => {
    const said = choicesOf(ctx.db, studentId).find(({ id }) => id === current.id)?.layers;
    setLayers(ctx.db, current.id, { ...said, [drillId]: { layer, at: stamp(ctx) } });
    record(ctx, studentId, 'layer', { drill: drillId, layer });
  });
  return { ...current, layers: checkpointsAsked(ctx, studentId) };
}

/** What the drills are for, or a refusal: pain stops every drill, a rule only one that is not overruled in words. */
function refuseUnfitChoice(
  ctx: Context,
  choice: Pick<DrillChoice, 'diagnosisId' | 'drills' | 'note'>,
): string {
  const library = libraryOf(ctx);
  const picked = choice.drills.map((id) => {
    const drill = library.byId(id);
    if (!drill) throw new Refusal('unknown_drill', { id }, 'drills');
    return drill;
  });
  const { file, workOn } = caseFor(ctx, choice.diagnosisId);
  const refused = refusalsOf(picked, file, reason(file), library);
  if (refused.some((refusal) => refusal.code === 'limit' && refusal.about === 'pain'))
    throw new Refusal('pain_hold');
  if (refused.length > 0 && choice.note.trim() === '')
    throw new Refusal('bad_input', { message: 'overruling a rule needs a note' }, 'note');
  return workOn[0] ?? '';
}

interface CardWish {
  readonly drill: string;
  readonly units: 'in' | 'cm';
  readonly paper: 'A4' | 'LETTER';
}

/** The set-up card of one drill for one student, as a printable page. */
export const setupCard = async (ctx: Context, studentId: string, wish: CardWish): Promise<Buffer> =>
  cardPdf(cardFor(ctx, studentId, wish), wish.paper);

/** What stands on a drill's card for a student. */
export function cardFor(ctx: Context, studentId: string, wish: Omit<CardWish, 'paper'>): CardAsk {
  const drill = libraryOf(ctx).byId(wish.drill);
  if (!drill) throw new Refusal('unknown_drill', { id: wish.drill }, 'drill');
  const { profile } = getStudent(ctx, studentId);
  const file = caseOf(ctx, studentId);
  const work = inUse(ctx.records.of(studentId).prescription);
  return {
    drill: wish.drill,
    units: wish.units,
    library: libraryWords(ctx),
    exaggerate: feelSizingFor(feelPage(ctx, studentId).records, drill.moves, work?.forFault ?? null).factor,
    student: `${profile.firstName} ${profile.familyName}`,
    figure: posedFigure(ctx, drill, file),
    left: profile.handedness === 'left',
    setup: setupFor(drill, file),
    cautions: cautionsFor(drill, file),
    stances: stanceByClub(file),
    amounts: amountsFor(drill, file),
    ownTask: work?.ownTask ?? '',
  };
}

export const listChoices = (ctx: Context, studentId: string): DrillChoice[] => {
  getStudent(ctx, studentId);
  const asked = checkpointsAsked(ctx, studentId);
  return choicesOf(ctx.db, studentId).map((row) => choiceSeen(row, asked));
};

const choiceSeen = (
  { studentId: _, reached: __, ...row }: ChoiceRow,
  asked: Record<string, number>,
): DrillChoice => ({
  ...row,
  layers: row.endedAt === null ? asked : {},
});
