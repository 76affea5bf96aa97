import type { Reading } from '@inchstep/contract/measures';
import { measureCapture } from '@inchstep/core/measures';
import { type Context, stamp } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { captureOf, getSwing } from '../capture/index.ts';
import { getStudent, record } from '../intake/index.ts';
import { putReading, readingOf, readingsOf } from './repo.ts';

/** Fits the body to a swing's marks and keeps what was measured. */
export function measureSwing(ctx: Context, swingId: string): Reading {
  const swing = getSwing(ctx, swingId);
  if (swing.marks.length === 0) throw new Refusal('nothing_measured');
  const { measures } = measureCapture(captureOf(ctx, swing));
  const reading: Reading = {
    swingId,
    recordedOn: swing.recordedOn,
    speed: swing.speed,
    club: swing.club,
    at: stamp(ctx),
    measures: measures.map((m) => ({ ...m, band: { ...m.band, origin: [...m.band.origin] } })),
  };
  const first = readingOf(ctx.db, swingId) === null;
  ctx.db.transaction(() => {
    putReading(ctx.db, swing.studentId, reading);
    if (first) record(ctx, swing.studentId, 'measured', { swing: swingId, count: measures.length });
  });
  return reading;
}

export const getReading = (ctx: Context, swingId: string): Reading => {
  const reading = readingOf(ctx.db, swingId);
  if (!reading) throw new Refusal('nothing_measured');
  return reading;
};

export const listReadings = (ctx: Context, studentId: string): Reading[] => {
  getStudent(ctx, studentId);
  return readingsOf(ctx.db, studentId);
};
