import { open } from 'node:fs/promises';
import type { Readable } from 'node:stream';
import type { Swing, SwingTrack } from '@inchstep/contract/capture';
import { motionCsv } from '@inchstep/contract/formats';
import type { MotionReading } from '@inchstep/core/capture';
import type { Context } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { isKnown } from '../../platform/writes/once.ts';
import { getStudent, refuseWithoutConsent } from '../intake/index.ts';
import type { MotionTask, TrackKind } from './readFiles.ts';
import { createSwing, getSwing, type SwingInput } from './service.ts';

export interface TrackUpload {
  readonly id: string;
  readonly author: string;
  readonly recordedOn: string;
  readonly club: SwingInput['club'];
  readonly fileName: string;
  readonly stream: Readable;
  readonly truncated: () => boolean;
}

/** A motion file becomes a swing of its own, once it is known to hold one; else nothing is kept. */
export async function addTrack(ctx: Context, studentId: string, upload: TrackUpload): Promise<Swing> {
  const write = { id: upload.id, what: 'swing' as const, studentId, author: upload.author };
  let leftHanded: boolean;
  try {
    const student = getStudent(ctx, studentId);
    refuseWithoutConsent(ctx, student);
    leftHanded = student.profile.handedness === 'left';
    if (isKnown(ctx, write)) {
      upload.stream.resume();
      return getSwing(ctx, upload.id);
    }
  } catch (error) {
    upload.stream.resume();
    throw error;
  }
  const received = await ctx.files.receive(upload.stream);
  try {
    if (upload.truncated()) throw new Refusal('clip_too_large', { limitMb: ctx.clipLimitMb });
    const kind = await kindOf(upload.fileName, received.path);
    const task: MotionTask = { path: received.path, bytes: received.bytes, kind, leftHanded };
    const reading = await ctx.jobs.run<MotionReading>('motion', task);
    const { times } = reading.motion;
    const track: SwingTrack = {
      fileName: upload.fileName.slice(0, 200),
      kind,
      file: `${received.hash}.${kind}`,
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
      drill: null,
      aid: null,
      place: null,
      cue: null,
      views: [],
      marks: [],
    };
    return createSwing(ctx, studentId, upload.id, input, {
      author: upload.author,
      track,
      keepFile: () => ctx.files.keep(received, kind),
    });
  } finally {
    await ctx.files.drop(received);
  }
}

const NAMED = /\.(c3d|trc|csv)$/i;

/** As it is named; else a C3D tells by its second byte, a TRC by its first word, the rest is a table. */
async function kindOf(fileName: string, path: string): Promise<TrackKind> {
  const named = NAMED.exec(fileName)?.[1]?.toLowerCase();
  if (named) return named as TrackKind;
  const file = await open(path);
  try {
    const head = Buffer.alloc(12);
    await file.read(head, 0, 12, 0);
    if (head[1] === 0x50) return 'c3d';
    return head.toString('latin1') === 'PathFileType' ? 'trc' : 'csv';
  } finally {
    await file.close();
  }
}

/** Motion of a swing in the ground frame. */
export async function motionOf(ctx: Context, swing: Swing): Promise<MotionReading['motion']> {
  if (!swing.track) throw new Refusal('not_found');
  const { profile } = getStudent(ctx, swing.studentId);
  const task: MotionTask = {
    path: ctx.files.existing(swing.track.file),
    bytes: await ctx.files.sizeOf(swing.track.file),
    kind: swing.track.kind,
    leftHanded: profile.handedness === 'left',
  };
  return (await ctx.jobs.run<MotionReading>('motion', task)).motion;
}

export async function trackCsv(ctx: Context, swingId: string): Promise<string> {
  const swing = getSwing(ctx, swingId);
  refuseWithoutConsent(ctx, getStudent(ctx, swing.studentId));
  return motionCsv(await motionOf(ctx, swing));
}
