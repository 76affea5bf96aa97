import { readFile } from 'node:fs/promises';
import type { Readable } from 'node:stream';
import type { Swing, SwingTrack, TRACK_KINDS } from '@inchstep/contract/capture';
import { motionCsv, readCsv } from '@inchstep/contract/formats';
import {
  type MotionReading,
  type RawMotion,
  readC3d,
  readMotionTable,
  readTrc,
  toGround,
} from '@inchstep/core/capture';
import type { Result } from '@inchstep/core/foundation';
import { findStations, smoothTrack } from '@inchstep/core/measures';
import type { Context } from '../../platform/context.ts';
import { orRefuse, Refusal } from '../../platform/errors.ts';
import { getStudent, record } from '../intake/index.ts';
import { createSwing, getSwing, type SwingInput } from './service.ts';

export interface TrackUpload {
  readonly id: string;
  readonly recordedOn: string;
  readonly club: SwingInput['club'];
  readonly fileName: string;
  readonly stream: Readable;
  readonly truncated: () => boolean;
}

type TrackKind = (typeof TRACK_KINDS)[number];

/** A motion file becomes a swing of its own, once it is known to hold one; else nothing is kept. */
export async function addTrack(ctx: Context, studentId: string, upload: TrackUpload): Promise<Swing> {
  const student = getStudent(ctx, studentId);
  const received = await ctx.files.receive(upload.stream);
  try {
    if (upload.truncated()) throw new Refusal('clip_too_large', { limitMb: ctx.clipLimitMb });
    const bytes = await readFile(received.path);
    const kind = kindOf(upload.fileName, bytes);
    const reading = readMotion(kind, bytes, student.profile.handedness === 'left');
    orRefuse(findStations(smoothTrack(reading.motion)));
    const { times } = reading.motion;
    const track: SwingTrack = {
      fileName: upload.fileName.slice(0, 200),
      kind,
      file: await ctx.files.keep(received, kind),
      frames: times.length,
      seconds: (times.at(-1) as number) - (times[0] as number),
      unit: reading.unit,
      unitGuessed: reading.unitGuessed,
      aligned: reading.aligned,
      unmatched: [...reading.unmatched],
    };
    const input = {
      recordedOn: upload.recordedOn,
      club: upload.club,
      speed: 'full' as const,
      views: [],
      marks: [],
    };
    const swing = createSwing(ctx, studentId, upload.id, input, 'coach', track);
    record(ctx, studentId, 'track', { swing: swing.id, frames: track.frames });
    return swing;
  } finally {
    await ctx.files.drop(received);
  }
}

const NAMED = /\.(c3d|trc|csv)$/i;

/** As it is named; else a C3D tells by its second byte, a TRC by its first word, the rest is a table. */
function kindOf(fileName: string, bytes: Buffer): TrackKind {
  const named = NAMED.exec(fileName)?.[1]?.toLowerCase();
  if (named) return named as TrackKind;
  if (bytes[1] === 0x50) return 'c3d';
  return bytes.subarray(0, 12).toString('latin1') === 'PathFileType' ? 'trc' : 'csv';
}

function readMotion(kind: TrackKind, bytes: Buffer, leftHanded: boolean): MotionReading {
  const raw: Result<RawMotion> =
    kind === 'c3d'
      ? readC3d(bytes)
      : kind === 'trc'
        ? readTrc(bytes.toString('utf8'))
        : readMotionTable(orRefuse(readCsv(bytes.toString('utf8'))));
  return orRefuse(toGround(orRefuse(raw), leftHanded));
}

/** Motion of a swing in the ground frame. */
export async function motionOf(ctx: Context, swing: Swing): Promise<MotionReading['motion']> {
  if (!swing.track) throw new Refusal('not_found');
  const bytes = await readFile(ctx.files.pathOf(swing.track.file));
  const left = getStudent(ctx, swing.studentId).profile.handedness === 'left';
  return readMotion(swing.track.kind, bytes, left).motion;
}

export const trackCsv = async (ctx: Context, swingId: string): Promise<string> =>
  motionCsv(await motionOf(ctx, getSwing(ctx, swingId)));
