import type { Swing } from '@inchstep/contract/capture';
import { type Reading, readingSchema } from '@inchstep/contract/measures';
import type { Measure } from '@inchstep/core/measures';
import { type Context, stamp } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { captureOf, getSwing, motionOf } from '../capture/index.ts';
import { getStudent, record, refuseWithoutConsent } from '../intake/index.ts';
import type { JOBS } from './jobs.ts';
import { dropReading, putReading, readingOf, readingsOf } from './repo.ts';
import { keepTeaching, teaches } from './teaching.ts';

type Measured = Pick<Reading, 'track'> & { readonly measures: readonly Measure[] };

/** Marks may move on while they are being read; then they are read once more, but not for ever. */
const TRIES = 3;

/** Fits the body to a swing's marks, or reads its track, in a helper process, and keeps what was measured. */
export async function measureSwing(ctx: Context, swingId: string): Promise<Reading> {
  for (let tried = 1; ; tried++) {
    const swing = getSwing(ctx, swingId);
    refuseWithoutConsent(ctx, getStudent(ctx, swing.studentId));
    const measured = await read(ctx, swing);
    // Changed, or erased, meanwhile: what was read is of marks that are no more.
    if (getSwing(ctx, swingId).version === swing.version || tried === TRIES)
      return keep(ctx, swing, measured);
  }
}

/** Nobody’s file is to blame where a fit takes too long. */
const COMPUTES = { tooHeavy: 'work_too_heavy' } as const;

async function read(ctx: Context, swing: Swing): Promise<Measured> {
  if (swing.track) {
    const task = { motion: await motionOf(ctx, swing), capture: captureOf(ctx, swing) };
    const { measures, ...track } = await ctx.jobs.run<ReturnType<typeof JOBS.measureTrack>>(
      'measureTrack',
      task,
      COMPUTES,
    );
    return { measures, track };
  }
  if (swing.marks.length === 0) throw new Refusal('nothing_measured');
  return ctx.jobs.run<ReturnType<typeof JOBS.measureMarks>>('measureMarks', captureOf(ctx, swing), COMPUTES);
}

function keep(ctx: Context, swing: Swing, { measures, ...extra }: Measured): Reading {
  const reading: Reading = {
    swingId: swing.id,
    recordedOn: swing.recordedOn,
    speed: swing.speed,
    club: swing.club,
    drill: swing.drill,
    aid: swing.aid,
    place: swing.place,
    cue: swing.cue,
    at: stamp(ctx),
    version: swing.version,
    stale: false,
    measures: measures.map((m) => ({ ...m, band: { ...m.band, origin: [...m.band.origin] } })),
    ...extra,
  };
  // Nothing is kept that can't be shown.
  if (!readingSchema.safeParse(reading).success) throw new Refusal('out_of_range');
  ctx.records.write(swing.studentId, () => {
    const first = readingOf(ctx.db, swing.id) === null;
    putReading(ctx.db, swing.studentId, reading);
    if (teaches(swing)) keepTeaching(ctx, swing.studentId);
    if (first) record(ctx, swing.studentId, 'measured', { swing: swing.id, count: measures.length });
  });
  return reading;
}

/** A reading says when the marks have moved since it was made. */
const named = (reading: Reading, { version }: Pick<Swing, 'version'>): Reading => ({
  ...reading,
  stale: reading.version !== version,
});

export function getReading(ctx: Context, swingId: string): Reading {
  const kept = readingOf(ctx.db, swingId);
  if (!kept) throw new Refusal('nothing_measured');
  return named(kept, getSwing(ctx, swingId));
}

/** Readings as they are kept, those of marks that moved since named as such. */
export function listReadings(ctx: Context, studentId: string): Reading[] {
  getStudent(ctx, studentId);
  return readingsOf(ctx.db, studentId).map(({ reading, version }) => named(reading, { version }));
}

/** The reading of the marks as they are now; made anew where it is not. */
export async function freshReading(ctx: Context, swingId: string): Promise<Reading> {
  const kept = readingOf(ctx.db, swingId);
  if (!kept) throw new Refusal('nothing_measured');
  return named(kept, getSwing(ctx, swingId)).stale ? measureSwing(ctx, swingId) : kept;
}

/** All of a student's, those of marks that moved made anew first. */
export async function freshReadings(ctx: Context, studentId: string): Promise<Reading[]> {
  for (const { swingId } of listReadings(ctx, studentId).filter(({ stale }) => stale))
    await makeAnew(ctx, swingId);
  return listReadings(ctx, studentId);
}

/** Brings one swing's reading up to its marks; a swing without marks has none. */
export async function makeAnew(ctx: Context, swingId: string): Promise<void> {
  const swing = getSwing(ctx, swingId);
  if (swing.discardedAt !== null) return;
  const kept = readingOf(ctx.db, swingId);
  if (kept && !named(kept, swing).stale) return;
  if (swing.track || swing.marks.length > 0) await measureSwing(ctx, swingId);
  else if (kept) ctx.records.write(swing.studentId, () => dropReading(ctx.db, swingId));
}
