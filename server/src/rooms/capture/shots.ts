import type {
  ColumnMatchForm,
  Pressure,
  RememberedMatch,
  ShotSet,
  ShotSetLine,
} from '@inchstep/contract/capture';
import { pressureCsv, shotsCsv } from '@inchstep/contract/formats';
import { guessOffset, type PressureTrace } from '@inchstep/core/capture';
import { type Context, stamp, today } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { isKnown, once } from '../../platform/writes/once.ts';
import { getStudent, record } from '../intake/index.ts';
import {
  allMatches,
  deletePressure,
  insertShots,
  pressureRow,
  putMatch,
  putPressureRow,
  shotLinesOf,
  shotsById,
  updateShots,
} from './deviceRepo.ts';
import type { ShotsTask, shotsOfFile } from './readFiles.ts';
import { getSwing } from './service.ts';

interface NewShotSet {
  readonly id: string;
  readonly recordedOn: string;
  readonly swingId: string | null;
  readonly fileName: string;
  readonly csv: string;
  readonly matches: readonly ColumnMatchForm[];
}

/** Reads shots by the coach's match, keeps them, and remembers the match for files with these headings. */
export async function addShots(
  ctx: Context,
  studentId: string,
  ask: NewShotSet,
  author: string,
): Promise<ShotSet> {
  const { profile } = getStudent(ctx, studentId);
  const write = { id: ask.id, what: 'shots' as const, studentId, author };
  if (isKnown(ctx, write)) return getShots(ctx, ask.id);
  if (ask.recordedOn > today(ctx))
    throw new Refusal('date_in_future', { value: ask.recordedOn }, 'recordedOn');
  checkTie(ctx, studentId, ask.swingId);
  const task: ShotsTask = { csv: ask.csv, matches: ask.matches, hand: profile.handedness };
  const { shots, headings } = await ctx.jobs.run<ReturnType<typeof shotsOfFile>>('shots', task);
  const set: ShotSet = {
    id: ask.id,
    studentId,
    recordedOn: ask.recordedOn,
    swingId: ask.swingId,
    fileName: ask.fileName,
    shots: [...shots],
    discardedAt: null,
    createdAt: stamp(ctx),
  };
  const keep = () => {
    insertShots(ctx.db, set);
    putMatch(ctx.db, { headings, matches: [...ask.matches] });
    record(ctx, studentId, 'shots', { set: set.id, count: shots.length });
  };
  return once(ctx, write, keep, () => getShots(ctx, ask.id));
}

function checkTie(ctx: Context, studentId: string, swingId: string | null): void {
  if (swingId !== null && getSwing(ctx, swingId).studentId !== studentId) throw new Refusal('not_found');
}

export function getShots(ctx: Context, id: string): ShotSet {
  const found = shotsById(ctx.db, id);
  if (!found) throw new Refusal('not_found');
  return found;
}

/** Sets without their rows: a list never carries those. */
export function listShots(ctx: Context, studentId: string): ShotSetLine[] {
  getStudent(ctx, studentId);
  return shotLinesOf(ctx.db, studentId);
}

export function tieShots(ctx: Context, id: string, swingId: string | null): ShotSet {
  checkTie(ctx, getShots(ctx, id).studentId, swingId);
  updateShots(ctx.db, id, { swingId });
  return getShots(ctx, id);
}

export function discardShots(ctx: Context, id: string, discarded: boolean): ShotSet {
  getShots(ctx, id);
  updateShots(ctx.db, id, { discardedAt: discarded ? stamp(ctx) : null });
  return getShots(ctx, id);
}

export function shotsFile(ctx: Context, id: string): string {
  const set = getShots(ctx, id);
  return shotsCsv(set.shots, getStudent(ctx, set.studentId).profile.handedness === 'left');
}

export const listMatches = (ctx: Context): RememberedMatch[] => allMatches(ctx.db);

/** A mat's file, or a moved offset, for one swing; the first offset is guessed where none is given. */
export async function putPressure(
  ctx: Context,
  swingId: string,
  ask: { fileName?: string; csv?: string; offsetSeconds: number | null },
): Promise<Pressure> {
  const swing = getSwing(ctx, swingId);
  if (ask.csv === undefined) {
    const kept = pressureRow(ctx.db, swingId);
    if (!kept) throw new Refusal('not_found');
    const moved: Pressure = { ...kept, offsetSeconds: ask.offsetSeconds ?? 0 };
    putPressureRow(ctx.db, swingId, moved);
    return moved;
  }
  const trace = await ctx.jobs.run<PressureTrace>('pressure', { csv: ask.csv });
  const times = swing.views[0]?.stationTimes ?? {};
  const body: Pressure = {
    fileName: ask.fileName ?? 'pressure.csv',
    offsetSeconds: ask.offsetSeconds ?? guessOffset(trace, times),
    times: [...trace.times],
    leadPct: [...trace.leadPct],
  };
  getSwing(ctx, swingId);
  putPressureRow(ctx.db, swingId, body);
  return body;
}

export function getPressure(ctx: Context, swingId: string): Pressure | null {
  getSwing(ctx, swingId);
  return pressureRow(ctx.db, swingId);
}

export function removePressure(ctx: Context, swingId: string): void {
  getSwing(ctx, swingId);
  deletePressure(ctx.db, swingId);
}

export function pressureFile(ctx: Context, swingId: string): string {
  const body = getPressure(ctx, swingId);
  if (!body) throw new Refusal('not_found');
  return pressureCsv(body);
}
