import type { Swing } from '@inchstep/contract/capture';
import { type Reading, readingSchema } from '@inchstep/contract/measures';
import { type Measure, measureCapture } from '@inchstep/core/measures';
import { type Context, stamp } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { captureOf, getSwing, motionOf } from '../capture/index.ts';
import { getStudent, record, refuseWithoutConsent } from '../intake/index.ts';
import type { JOBS } from './jobs.ts';
import { putReading, readingOf, readingsOf } from './repo.ts';

/** Fits the body to a swing's marks, or reads its track, and keeps what was measured. */
export async function measureSwing(ctx: Context, swingId: string): Promise<Reading> {
  const swing = getSwing(ctx, swingId);
  refuseWithoutConsent(ctx, getStudent(ctx, swing.studentId));
  return swing.track ? keep(ctx, swing, await measuredTrack(ctx, swing)) : measureMarks(ctx, swing);
}

function measureMarks(ctx: Context, swing: Swing): Reading {
  if (swing.marks.length === 0) throw new Refusal('nothing_measured');
  return keep(ctx, swing, { measures: measureCapture(captureOf(ctx, swing)).measures });
}

type Measured = Pick<Reading, 'track'> & { readonly measures: readonly Measure[] };

function keep(ctx: Context, swing: Swing, { measures, ...extra }: Measured): Reading {
  const reading: Reading = {
    swingId: swing.id,
    recordedOn: swing.recordedOn,
    speed: swing.speed,
    club: swing.club,
    at: stamp(ctx),
    version: swing.version,
    measures: measures.map((m) => ({ ...m, band: { ...m.band, origin: [...m.band.origin] } })),
    ...extra,
  };
  // Nothing is kept that can't be shown.
  if (!readingSchema.safeParse(reading).success) throw new Refusal('out_of_range');
  const first = readingOf(ctx.db, swing.id) === null;
  ctx.db.transaction(() => {
    putReading(ctx.db, swing.studentId, reading);
    if (first) record(ctx, swing.studentId, 'measured', { swing: swing.id, count: measures.length });
  });
  return reading;
}

async function measuredTrack(ctx: Context, swing: Swing): Promise<Measured> {
  const task = { motion: await motionOf(ctx, swing), capture: captureOf(ctx, swing) };
  const { measures, ...track } = await ctx.jobs.run<ReturnType<typeof JOBS.measureTrack>>(
    'measureTrack',
    task,
  );
  return { measures, track };
}

/** A reading whose swing has changed since (the bench was left while it saved) is made anew from the marks. */
function current(ctx: Context, reading: Reading): Reading | null {
  const swing = getSwing(ctx, reading.swingId);
  if (swing.track || reading.version === swing.version) return reading;
  return swing.marks.length === 0 ? null : measureMarks(ctx, swing);
}

export const getReading = (ctx: Context, swingId: string): Reading => {
  const kept = readingOf(ctx.db, swingId);
  const reading = kept && current(ctx, kept);
  if (!reading) throw new Refusal('nothing_measured');
  return reading;
};

export const listReadings = (ctx: Context, studentId: string): Reading[] => {
  getStudent(ctx, studentId);
  return readingsOf(ctx.db, studentId).flatMap((reading) => current(ctx, reading) ?? []);
};
