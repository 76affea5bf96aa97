import type { MeasuresRecord, ReadingRecord, ReadMeasure } from '@inchstep/core/measures';
import { type Db, prepared } from '../../platform/db.ts';

/** Readings of swings that were not put away, oldest first. */
export const measuresSlice = (db: Db, studentId: string): MeasuresRecord => ({
  readings: (
    prepared(
      db,
      `SELECT r.body FROM readings r JOIN swings s ON s.id = r.swing_id AND s.discarded_at IS NULL
        WHERE r.student_id = ? ORDER BY r.recorded_on, r.rowid`,
    )
      .pluck()
      .all(studentId) as string[]
  ).map((body) => toRecord(JSON.parse(body) as Partial<ReadingRecord>)),
});

/** Older programs did not ask for aid, place and cue; what they kept that makes no sense counts as not measured. */
const toRecord = (body: Partial<ReadingRecord>): ReadingRecord => ({
  swingId: String(body.swingId),
  recordedOn: String(body.recordedOn),
  speed: String(body.speed),
  club: String(body.club),
  aid: body.aid ?? null,
  place: body.place ?? null,
  cue: body.cue ?? null,
  at: String(body.at),
  measures: (Array.isArray(body.measures) ? body.measures : []).filter(isMeasure).map(bare),
});

const isMeasure = (m: Partial<ReadMeasure> | null): m is ReadMeasure =>
  typeof m?.id === 'string' &&
  Number.isFinite(m.value) &&
  Number.isFinite(m.sd) &&
  typeof m.verdict === 'string' &&
  typeof m.band?.step === 'number';

const bare = ({ id, value, sd, verdict, band }: ReadMeasure): ReadMeasure => ({
  id,
  value,
  sd,
  verdict,
  band,
});
