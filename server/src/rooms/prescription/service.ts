import type { DrillChoice, PrescriptionRecord } from '@inchstep/contract/prescription';
import { type CaseFile, reason } from '@inchstep/core/diagnosis';
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
import { caseOf, getDiagnosis } from '../diagnosis/index.ts';
import { getStudent, once, record } from '../intake/index.ts';
import { type CardAsk, cardPdf } from './cardPdf.ts';
import { feelPage } from './feels.ts';
import { posedFigure } from './figures.ts';
import { gainsOfOthers, recordOfOthers } from './history.ts';
import { libraryOf, libraryWords } from './library.ts';
import { choicesOf, endChoices, insertChoice, setLayers } from './repo.ts';

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
    const layers = layersKept(ctx, studentId, choice.drills);
    endChoices(ctx.db, studentId, stamp(ctx));
    insertChoice(ctx.db, studentId, { ...choice, forFault, layers, at: stamp(ctx), endedAt: null });
    record(ctx, studentId, 'drills_chosen', { drills: choice.drills, note: choice.note });
  };
  return once(
    ctx,
    { id: choice.id, what: 'drill_choice', studentId, author },
    take,
    () => choicesOf(ctx.db, studentId).find((known) => known.id === choice.id) as DrillChoice,
  );
}

/** A drill that stays in use keeps the checkpoint it has come to. */
function layersKept(ctx: Context, studentId: string, drills: readonly string[]): Record<string, number> {
  const known = inUse(ctx.records.of(studentId).prescription)?.layers ?? {};
  return Object.fromEntries(Object.entries(known).filter(([drill]) => drills.includes(drill)));
}

/** The checkpoint a drill in use has come to; told again it is the same. */
export function setLayer(ctx: Context, studentId: string, drillId: string, layer: number): DrillChoice {
  const drill = libraryOf(ctx).byId(drillId);
  const current = listChoices(ctx, studentId).find(({ endedAt }) => endedAt === null);
  if (!drill || !current?.drills.includes(drillId))
    throw new Refusal('drill_not_in_use', { drill: drillId }, 'drill');
  if (layer > drill.layers.length)
    throw new Refusal('bad_input', { message: `this drill has ${drill.layers.length} checkpoints` }, 'layer');
  const layers = { ...current.layers, [drillId]: layer };
  if (current.layers[drillId] !== layer)
    ctx.records.write(studentId, () => {
      setLayers(ctx.db, current.id, layers);
      record(ctx, studentId, 'layer', { drill: drillId, layer });
    });
  return { ...current, layers };
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

export interface CardWish {
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
  return choicesOf(ctx.db, studentId);
};
