import { readFile } from 'node:fs/promises';
import type { ColumnMatchForm, TRACK_KINDS } from '@inchstep/contract/capture';
import { readCsv } from '@inchstep/contract/formats';
import {
  type ColumnMatch,
  type MotionReading,
  type PressureTrace,
  type RawMotion,
  readC3d,
  readMotionTable,
  readPressure,
  readShots,
  readTrc,
  type Shot,
  toGround,
} from '@inchstep/core/capture';
import type { Result } from '@inchstep/core/foundation';
import type { Hand } from '@inchstep/core/intake';
import { findStations, smoothTrack } from '@inchstep/core/measures';
import { orRefuse, Refusal } from '../../platform/errors.ts';

/** Reading of files that came from outside; runs on a worker. */

export type TrackKind = (typeof TRACK_KINDS)[number];

/** Ten minutes at 240 pictures a second are no swing; neither is a table this large. */
const MOST_ROWS = { shots: 2000, pressure: 60_000, motion: 30_000 } as const;
const MOST_TABLE_MB = 64;
const MEGABYTE = 1024 * 1024;

function rowsOf(text: string, most: number): string[][] {
  const rows = orRefuse(readCsv(text, most + 2));
  if (rows.length > most + 1) throw new Refusal('too_many_rows', { most });
  return rows;
}

export interface ShotsTask {
  readonly csv: string;
  readonly matches: readonly ColumnMatchForm[];
  readonly hand: Hand;
}

export function shotsOfFile({ csv, matches, hand }: ShotsTask): {
  shots: readonly Shot[];
  headings: string[];
} {
  const rows = rowsOf(csv, MOST_ROWS.shots);
  return {
    shots: orRefuse(readShots(rows, matches as readonly ColumnMatch[], hand)),
    headings: rows[0] ?? [],
  };
}

export const pressureOfFile = ({ csv }: { readonly csv: string }): PressureTrace =>
  orRefuse(readPressure(rowsOf(csv, MOST_ROWS.pressure)));

export interface MotionTask {
  readonly path: string;
  readonly bytes: number;
  readonly kind: TrackKind;
  readonly leftHanded: boolean;
}

/** A motion file's points in the ground frame, once it is known to hold a swing. */
export async function motionOfFile(task: MotionTask): Promise<MotionReading> {
  if (task.bytes > MOST_TABLE_MB * MEGABYTE) throw new Refusal('table_too_large', { mostMb: MOST_TABLE_MB });
  const reading = readMotion(task.kind, await readFile(task.path), task.leftHanded);
  orRefuse(findStations(smoothTrack(reading.motion)));
  return reading;
}

function readMotion(kind: TrackKind, bytes: Buffer, leftHanded: boolean): MotionReading {
  const raw: Result<RawMotion> =
    kind === 'c3d'
      ? readC3d(bytes)
      : kind === 'trc'
        ? readTrc(bytes.toString('utf8'))
        : readMotionTable(rowsOf(bytes.toString('utf8'), MOST_ROWS.motion));
  const read = orRefuse(raw);
  if (read.times.length > MOST_ROWS.motion) throw new Refusal('too_many_rows', { most: MOST_ROWS.motion });
  return orRefuse(toGround(read, leftHanded));
}
