import { type CaseFile, referenceCase } from '@inchstep/core/diagnosis';
import { resolveSchool } from '@inchstep/core/intake';
import {
  type Drill,
  figureOf,
  inUse,
  knownCase,
  type MoveFigure,
  setupFor,
} from '@inchstep/core/prescription';
import type { Context } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { libraryOf, originOf } from './library.ts';

/** Figures of this many drills are kept: each takes about ten milliseconds to pose, and is looked at again and again. */
const MOST_KEPT = 300;
const kept = new Map<string, MoveFigure>();

type FigureFile = Pick<CaseFile, 'student' | 'club' | 'school'>;

export const figureForStudent = (ctx: Context, studentId: string, drill: string): MoveFigure =>
  posedFigure(ctx, drillNamed(ctx, drill), knownCase(ctx.records.of(studentId)));

/** A student's own page shows the drills in use and no others. */
export function figureForPage(ctx: Context, studentId: string, drill: string): MoveFigure {
  if (!inUse(ctx.records.of(studentId).prescription)?.drills.includes(drill)) throw new Refusal('not_found');
  return figureForStudent(ctx, studentId, drill);
}

/** On the body of nobody in particular. */
export const figureForLibrary = (ctx: Context, drill: string, heightIn: number): MoveFigure =>
  posedFigure(ctx, drillNamed(ctx, drill), referenceCase({ heightIn }));

function drillNamed(ctx: Context, id: string): Drill {
  const drill = libraryOf(ctx).byId(id);
  if (!drill) throw new Refusal('unknown_drill', { id }, 'drill');
  return drill;
}

/** The figure for the card of one drill: the same body, school and drill give the same one. */
export function posedFigure(ctx: Context, drill: Drill, file: FigureFile): MoveFigure {
  const { heightIn, flexibility, armSwing } = file.student;
  const setup = setupFor(drill, file);
  const basedOn = originOf(ctx, drill.id);
  const key = JSON.stringify([drill, basedOn, heightIn, flexibility, armSwing, file.school, setup]);
  const known = kept.get(key);
  if (known) return known;
  const school = file.school ?? resolveSchool();
  const made = figureOf(drill, { student: file.student, school, setup, basedOn });
  const [eldest] = kept.keys();
  if (kept.size >= MOST_KEPT && eldest !== undefined) kept.delete(eldest);
  kept.set(key, made);
  return made;
}
