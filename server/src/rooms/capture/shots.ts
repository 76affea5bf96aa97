import type { ColumnMatchForm, Pressure, RememberedMatch, ShotSet } from '@inchstep/contract/capture';
import { pressureCsv, readCsv, shotsCsv } from '@inchstep/contract/formats';
import { guessOffset, readPressure, readShots } from '@inchstep/core/capture';
import { type Context, stamp, today } from '../../platform/context.ts';
import { orRefuse, Refusal } from '../../platform/errors.ts';
import { getStudent, record } from '../intake/index.ts';
import {
  allMatches,
  deletePressure,
  insertShots,
  pressureRow,
  putMatch,
  putPressureRow,
  shotsById,
  shotsOf,
  updateShots,
} from './deviceRepo.ts';
import { getSwing } from './service.ts';

export interface NewShotSet {
  readonly id: string;
  readonly recordedOn: string;
  readonly swingId: string | null;
  readonly fileName: string;
  readonly csv: string;
  readonly matches: readonly ColumnMatchForm[];
}

/** Reads shots by the coach's match, keeps them, and remembers the match for files with these headings. */
export function addShots(ctx: Context, studentId: string, ask: NewShotSet): ShotSet {
  const student = getStudent(ctx, studentId);
  if (ask.recordedOn > today(ctx))
    throw new Refusal('date_in_future', { value: ask.recordedOn }, 'recordedOn');
  checkTie(ctx, studentId, ask.swingId);
  const rows = orRefuse(readCsv(ask.csv));
  const shots = orRefuse(readShots(rows, ask.matches, student.profile.handedness));
  const set: ShotSet = {
    id: ask.id,
    studentId,
    recordedOn: ask.recordedOn,
    swingId: ask.swingId,
    fileName: ask.fileName,
    shots,
    discardedAt: null,
    createdAt: stamp(ctx),
  };
  ctx.db.transaction(() => {
    const isNew = insertShots(ctx.db, set);
    putMatch(ctx.db, { headings: rows[0] ?? [], matches: [...ask.matches] });
    if (isNew) record(ctx, studentId, 'shots', { set: set.id, count: shots.length });
  });
  return getShots(ctx, ask.id);
}

function checkTie(ctx: Context, studentId: string, swingId: string | null): void {
  if (swingId !== null && getSwing(ctx, swingId).studentId !== studentId) throw new Refusal('not_found');
}

export function getShots(ctx: Context, id: string): ShotSet {
  const found = shotsById(ctx.db, id);
  if (!found) throw new Refusal('not_found');
  return found;
}

export function listShots(ctx: Context, studentId: string): ShotSet[] {
  getStudent(ctx, studentId);
  return shotsOf(ctx.db, studentId);
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
export function putPressure(
  ctx: Context,
  swingId: string,
  ask: { fileName?: string; csv?: string; offsetSeconds: number | null },
): Pressure {
  const swing = getSwing(ctx, swingId);
  const kept = pressureRow(ctx.db, swingId);
  let body: Pressure;
  if (ask.csv !== undefined) {
    const trace = orRefuse(readPressure(orRefuse(readCsv(ask.csv))));
    const times = swing.views[0]?.stationTimes ?? {};
    body = {
      fileName: ask.fileName ?? 'pressure.csv',
      offsetSeconds: ask.offsetSeconds ?? guessOffset(trace, times),
      times: [...trace.times],
      leadPct: [...trace.leadPct],
    };
  } else {
    if (!kept) throw new Refusal('not_found');
    body = { ...kept, offsetSeconds: ask.offsetSeconds ?? 0 };
  }
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
