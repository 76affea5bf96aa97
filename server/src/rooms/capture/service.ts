import type { Readable } from 'node:stream';
import type { Clip, Swing } from '@inchstep/contract/capture';
import { type Capture, checkCapture, stationsOutOfOrder } from '@inchstep/core/capture';
import { type Context, stamp, today } from '../../platform/context.ts';
import { orRefuse, Refusal } from '../../platform/errors.ts';
import { consentMissing, getStudent, record, schoolOf } from '../intake/index.ts';
import { inspectClip } from './inspectClip.ts';
import {
  clipById,
  clipsOf,
  insertClip,
  insertSwing,
  setDiscarded,
  swingById,
  swingsOf,
  updateSwing,
} from './repo.ts';

export interface Upload {
  readonly id: string;
  readonly kind: Clip['kind'];
  readonly recordedOn: string;
  readonly fileName: string;
  readonly from: Clip['from'];
  readonly stream: Readable;
  /** True when the stream stopped at the size limit. */
  readonly truncated: () => boolean;
}

/** Takes a clip in whole or not at all; it is kept as it came. */
export async function addClip(ctx: Context, studentId: string, upload: Upload): Promise<Clip> {
  const student = getStudent(ctx, studentId);
  if (consentMissing(student)) {
    upload.stream.resume();
    throw new Refusal('consent_missing');
  }
  const known = clipById(ctx.db, upload.id);
  if (known && known.clip.studentId !== studentId) {
    upload.stream.resume();
    throw new Refusal('not_found');
  }
  const received = await ctx.files.receive(upload.stream);
  try {
    if (known) return known.clip;
    if (upload.truncated()) throw new Refusal('clip_too_large', { limitMb: ctx.clipLimitMb });
    const facts = await inspectClip(received.path, received.bytes);
    const file = await ctx.files.keep(received, facts.container);
    const clip: Clip = {
      id: upload.id,
      studentId,
      kind: upload.kind,
      fileName: upload.fileName.slice(0, 200),
      bytes: received.bytes,
      ...facts,
      from: upload.from,
      recordedOn: upload.recordedOn,
      createdAt: stamp(ctx),
    };
    ctx.db.transaction(() => {
      insertClip(ctx.db, clip, file);
      record(ctx, studentId, 'clip', { view: clip.kind, from: clip.from });
    });
    return clip;
  } finally {
    await ctx.files.drop(received);
  }
}

export const listClips = (ctx: Context, studentId: string): Clip[] => {
  getStudent(ctx, studentId);
  return clipsOf(ctx.db, studentId);
};

export function clipFile(ctx: Context, id: string): { clip: Clip; file: string } {
  const found = clipById(ctx.db, id);
  if (!found) throw new Refusal('not_found');
  return found;
}

export const listSwings = (ctx: Context, studentId: string): Swing[] => {
  getStudent(ctx, studentId);
  return swingsOf(ctx.db, studentId).filter((swing) => swing.discardedAt === null);
};

export function getSwing(ctx: Context, id: string): Swing {
  const swing = swingById(ctx.db, id);
  if (!swing) throw new Refusal('not_found');
  return swing;
}

export type SwingInput = Pick<Swing, 'recordedOn' | 'club' | 'speed' | 'views' | 'marks'>;

export function createSwing(
  ctx: Context,
  studentId: string,
  id: string,
  input: SwingInput,
  from: Swing['from'] = 'coach',
  track: Swing['track'] = null,
): Swing {
  const known = swingById(ctx.db, id);
  if (known) return known;
  const swing: Swing = {
    id,
    studentId,
    version: 1,
    ...input,
    track,
    from,
    discardedAt: null,
    createdAt: stamp(ctx),
  };
  checkSwing(ctx, swing);
  insertSwing(ctx.db, swing);
  return swing;
}

export function editSwing(ctx: Context, id: string, version: number, input: SwingInput): Swing {
  const swing: Swing = { ...getSwing(ctx, id), ...input };
  checkSwing(ctx, swing);
  if (!updateSwing(ctx.db, swing, version)) throw new Refusal('changed_meanwhile');
  return getSwing(ctx, id);
}

function checkSwing(ctx: Context, swing: Swing): void {
  if (swing.recordedOn > today(ctx))
    throw new Refusal('date_in_future', { value: swing.recordedOn }, 'recordedOn');
  swing.views.forEach((view, i) => {
    const wrong = stationsOutOfOrder(view.stationTimes);
    if (wrong) throw new Refusal('stations_out_of_order', { ...wrong }, `views[${i}].stationTimes`);
    if (view.clipId !== null && clipFile(ctx, view.clipId).clip.studentId !== swing.studentId)
      throw new Refusal('not_found');
  });
  orRefuse(checkCapture(captureOf(ctx, swing)));
}

export function discardSwing(ctx: Context, id: string, discarded: boolean): Swing {
  getSwing(ctx, id);
  setDiscarded(ctx.db, id, discarded ? stamp(ctx) : null);
  return getSwing(ctx, id);
}

/** The open capture of a swing, as the measures read it. */
export function captureOf(ctx: Context, swing: Swing): Capture {
  const student = getStudent(ctx, swing.studentId);
  const { profile } = student;
  return {
    golfer: {
      handedness: profile.handedness,
      heightIn: profile.heightIn,
      outerHipWidthIn: profile.outerHipWidthIn,
      hipJointsApartIn: profile.hipJointsApartIn,
      flexibility: profile.flexibility,
      armSwing: profile.armSwing,
    },
    club: swing.club,
    school: schoolOf(student),
    views: swing.views.map(({ kind, widthPx, heightPx, camera, groundMarks }) => ({
      id: kind,
      kind,
      widthPx,
      heightPx,
      camera,
      groundMarks,
    })),
    marks: swing.marks.map(({ by: _, ...mark }) => mark),
  };
}
