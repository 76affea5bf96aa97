import { type Clip, captureFrom, type Swing } from '@inchstep/contract/capture';
import { type Capture, checkCapture, stationsOutOfOrder } from '@inchstep/core/capture';
import { plusDays } from '@inchstep/core/foundation';
import { type Context, stamp, today } from '../../platform/context.ts';
import { orRefuse, Refusal } from '../../platform/errors.ts';
import type { Received } from '../../platform/files.ts';
import { once } from '../../platform/writes/once.ts';
import { getStudent, record, refuseWithoutConsent } from '../intake/index.ts';
import type { ClipFacts } from './inspectClip.ts';
import { noteToLook } from './looks.ts';
import { roomForStudent } from './quota.ts';
import {
  clipById,
  clipsOf,
  insertClip,
  insertSwing,
  isInSwing,
  setDiscarded,
  swingById,
  swingsOf,
  updateSwing,
} from './repo.ts';
import { type FileTaken, takeFile } from './takeFile.ts';

export interface Upload extends FileTaken {
  readonly id: string;
  readonly kind: Clip['kind'];
  readonly recordedOn: string;
  readonly fileName: string;
  readonly from: Clip['from'];
  readonly author: string;
}

/** Takes a clip in whole or not at all; it is kept as it came. */
export const addClip = (ctx: Context, studentId: string, upload: Upload): Promise<Clip> =>
  takeFile<ClipFacts, Clip>(ctx, { id: upload.id, what: 'clip', studentId, author: upload.author }, upload, {
    may: () => {
      refuseWithoutConsent(ctx, getStudent(ctx, studentId));
      if (upload.recordedOn > plusDays(today(ctx), 1))
        throw new Refusal('date_in_future', { value: upload.recordedOn }, 'recordedOn');
      if (upload.from === 'student' && roomForStudent(ctx, studentId) <= 0) throw new Refusal('clip_quota');
    },
    inspect: { job: 'inspectClip', task: {} },
    keep: (received, facts) => {
      if (upload.from === 'student' && received.bytes > roomForStudent(ctx, studentId))
        throw new Refusal('clip_quota');
      keepClip(ctx, studentId, upload, received, facts);
    },
    read: () => clipFile(ctx, upload.id).clip,
  });

function keepClip(
  ctx: Context,
  studentId: string,
  upload: Upload,
  received: Received,
  facts: ClipFacts,
): void {
  const file = ctx.files.keep(received, facts.container);
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
    trouble: null,
  };
  insertClip(ctx.db, clip, file);
  record(ctx, studentId, 'clip', { view: clip.kind, from: clip.from });
}

export const clipsFor = (ctx: Context, studentId: string): Clip[] => clipsOf(ctx.db, studentId);
export const listClips = (ctx: Context, studentId: string): Clip[] => {
  getStudent(ctx, studentId);
  return clipsFor(ctx, studentId);
};

export function clipFile(ctx: Context, id: string): { clip: Clip; file: string } {
  const found = clipById(ctx.db, id);
  if (!found) throw new Refusal('not_found');
  return found;
}

/** A clip to be shown: a child's only while a guardian agrees. */
export function shownClip(ctx: Context, id: string): { clip: Clip; file: string } {
  const found = clipFile(ctx, id);
  refuseWithoutConsent(ctx, getStudent(ctx, found.clip.studentId));
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

/** Whether a clip is a view of a swing already. */
export const isOnBench = (ctx: Context, { id, studentId, recordedOn }: Clip): boolean =>
  isInSwing(ctx.db, studentId, id, recordedOn);

export type SwingInput = Pick<
  Swing,
  'recordedOn' | 'club' | 'speed' | 'drill' | 'aid' | 'place' | 'cue' | 'views' | 'marks'
>;

interface SwingMaker {
  readonly author: string;
  readonly from?: Swing['from'];
  readonly track?: Swing['track'];
  /** Puts the track's file in its place, once nothing speaks against the swing. */
  readonly keepFile?: () => void;
}

export function createSwing(
  ctx: Context,
  studentId: string,
  id: string,
  input: SwingInput,
  { author, from = 'coach', track = null, keepFile }: SwingMaker,
): Swing {
  getStudent(ctx, studentId);
  const make = () => {
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
    keepFile?.();
    insertSwing(ctx.db, swing);
    if (track) record(ctx, studentId, 'track', { swing: id, frames: track.frames });
  };
  const kept = once(ctx, { id, what: 'swing', studentId, author }, make, () => getSwing(ctx, id));
  ctx.swingSaved(id);
  noteToLook(ctx, id);
  return kept;
}

export function editSwing(ctx: Context, id: string, version: number, input: SwingInput): Swing {
  const swing: Swing = { ...getSwing(ctx, id), ...input };
  checkSwing(ctx, swing);
  ctx.records.write(swing.studentId, () => {
    if (!updateSwing(ctx.db, swing, version)) throw new Refusal('changed_meanwhile');
  });
  ctx.swingSaved(id);
  noteToLook(ctx, id);
  return getSwing(ctx, id);
}

function checkSwing(ctx: Context, swing: Swing): void {
  if (swing.recordedOn > today(ctx))
    throw new Refusal('date_in_future', { value: swing.recordedOn }, 'recordedOn');
  refuseWithoutConsent(ctx, getStudent(ctx, swing.studentId));
  swing.views.forEach((view, i) => {
    const wrong = stationsOutOfOrder(view.stationTimes);
    if (wrong) throw new Refusal('stations_out_of_order', { ...wrong }, `views[${i}].stationTimes`);
    if (view.clipId !== null && clipFile(ctx, view.clipId).clip.studentId !== swing.studentId)
      throw new Refusal('not_found');
  });
  orRefuse(checkCapture(captureOf(ctx, swing)));
}

export function discardSwing(ctx: Context, id: string, discarded: boolean): Swing {
  const { studentId } = getSwing(ctx, id);
  ctx.records.write(studentId, () => setDiscarded(ctx.db, id, discarded ? stamp(ctx) : null));
  if (!discarded) {
    ctx.swingSaved(id);
    noteToLook(ctx, id);
  }
  return getSwing(ctx, id);
}

export function captureOf(ctx: Context, swing: Swing): Capture {
  const { profile, school } = getStudent(ctx, swing.studentId);
  return captureFrom(profile, school, swing);
}
