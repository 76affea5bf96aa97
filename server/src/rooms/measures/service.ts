import type { Swing } from '@inchstep/contract/capture';
import type { Reading } from '@inchstep/contract/measures';
import { seededRandom } from '@inchstep/core/foundation';
import { bandContext, type Measure, measureCapture, measureTrack } from '@inchstep/core/measures';
import { type Context, stamp } from '../../platform/context.ts';
import { orRefuse, Refusal } from '../../platform/errors.ts';
import { captureOf, getSwing, motionOf } from '../capture/index.ts';
import { getStudent, record } from '../intake/index.ts';
import { putReading, readingOf, readingsOf } from './repo.ts';

/** Fits the body to a swing's marks and keeps what was measured. */
export async function measureSwing(ctx: Context, swingId: string): Promise<Reading> {
  const swing = getSwing(ctx, swingId);
  if (swing.marks.length === 0 && !swing.track) throw new Refusal('nothing_measured');
  const { measures, ...extra } = swing.track
    ? await measuredTrack(ctx, swing)
    : { measures: measureCapture(captureOf(ctx, swing)).measures };
  const reading: Reading = {
    swingId,
    recordedOn: swing.recordedOn,
    speed: swing.speed,
    club: swing.club,
    at: stamp(ctx),
    measures: measures.map((m) => ({ ...m, band: { ...m.band, origin: [...m.band.origin] } })),
    ...extra,
  };
  const first = readingOf(ctx.db, swingId) === null;
  ctx.db.transaction(() => {
    putReading(ctx.db, swing.studentId, reading);
    if (first) record(ctx, swing.studentId, 'measured', { swing: swingId, count: measures.length });
  });
  return reading;
}

/** Chance for the noise tries; always the same, so that a track measured twice reads the same. */
const TRY_SEED = 1;

async function measuredTrack(
  ctx: Context,
  swing: Swing,
): Promise<Pick<Reading, 'track'> & { measures: readonly Measure[] }> {
  const capture = captureOf(ctx, swing);
  const { measures, stations, tempo, noiseIn } = orRefuse(
    measureTrack(await motionOf(ctx, swing), capture.golfer, bandContext(capture), seededRandom(TRY_SEED)),
  );
  return { measures, track: { stations, tempo, noiseIn } };
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
