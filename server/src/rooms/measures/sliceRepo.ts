import type { MeasuresRecord, ReadingRecord } from '@inchstep/core/measures';
import { type Db, prepared } from '../../platform/db.ts';
import { measuresOf, type ReadingGist } from './gist.ts';

/** Readings of swings that were not put away, oldest first. */
export const measuresSlice = (db: Db, studentId: string): MeasuresRecord => ({
  readings: (
    prepared(
      db,
      `SELECT r.swing_id AS swingId, r.recorded_on AS recordedOn, r.gist
        FROM readings r JOIN swings s ON s.id = r.swing_id AND s.discarded_at IS NULL
        WHERE r.student_id = ? ORDER BY r.recorded_on, r.rowid`,
    ).all(studentId) as { swingId: string; recordedOn: string; gist: string }[]
  ).map(({ swingId, recordedOn, gist }) => toRecord(swingId, recordedOn, JSON.parse(gist) as ReadingGist)),
});

const toRecord = (swingId: string, recordedOn: string, gist: ReadingGist): ReadingRecord => ({
  swingId,
  recordedOn,
  speed: gist.speed,
  club: gist.club,
  aid: gist.aid,
  place: gist.place,
  cue: gist.cue,
  at: gist.at,
  measures: measuresOf(gist),
});
