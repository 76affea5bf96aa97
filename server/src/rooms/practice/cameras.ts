import { type Clip, viewOf } from '@inchstep/contract/capture';
import type { CameraDeskSeen, CameraLink, CameraPage } from '@inchstep/contract/practice';
import {
  arrive,
  askTake,
  type CameraDesk,
  EMPTY_DESK,
  present,
  seen,
  takesToFilm,
} from '@inchstep/core/capture';
import { lessonState, mayBeFilmed, type ViewKind } from '@inchstep/core/intake';
import { firstCoach, hashToken } from '../../platform/auth.ts';
import { type Context, newToken, stamp, today } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { addClip, createSwing, editSwing, getSwing, type Upload } from '../capture/index.ts';
import { getLesson, getStudent } from '../intake/index.ts';
import { likelyHowMade } from './service.ts';

/** Whose lesson a phone films, and who opened the way in. */
interface CameraKey {
  readonly studentId: string;
  readonly lessonId: string;
  readonly coach: string;
}

/**
 * Ways in for phones and what they are asked to film, while the program runs: a lesson's hour. After a start the
 * code on the coach's screen is shown anew; what was filmed lies in the record.
 */
interface Desks {
  /** By the token's digest; the token is written nowhere. */
  readonly keys: Map<string, CameraKey>;
  readonly desks: Map<string, CameraDesk>;
  /** Which clip a view of a take is, from the moment it begins to come. */
  readonly claims: Map<string, string>;
}
const kept = new WeakMap<Context, Desks>();
function desksOf(ctx: Context): Desks {
  const known = kept.get(ctx) ?? { keys: new Map(), desks: new Map(), claims: new Map() };
  kept.set(ctx, known);
  return known;
}

/** A new way in for a lesson that goes on; the one before is closed. */
export function openCameras(ctx: Context, key: CameraKey): CameraLink {
  refuseUnlessRunning(ctx, key);
  const { keys } = desksOf(ctx);
  for (const [hash, { lessonId }] of keys) if (lessonId === key.lessonId) keys.delete(hash);
  const token = newToken();
  keys.set(hashToken(token), key);
  return { token, trust: ctx.trust ?? null };
}

/** What was filmed in the lesson may still come so long after its end: the bay's line is slow. */
const LATE_CLIPS_MS = 12 * 3_600_000;

/**
 * The lesson that a token opens; closed with archiving, with a newer code, with a start of the program. After the lesson
 * nothing more is filmed, but what was is still taken in.
 */
export function cameraKey(ctx: Context, token: string): CameraKey {
  const key = desksOf(ctx).keys.get(hashToken(token));
  if (!key) throw new Refusal('camera_closed');
  const { endedAt } = getLesson(ctx, key.studentId, key.lessonId);
  const late = endedAt !== null && ctx.now().getTime() - Date.parse(endedAt) > LATE_CLIPS_MS;
  if (late || getStudent(ctx, key.studentId).archivedAt !== null) throw new Refusal('camera_closed');
  return key;
}

function refuseUnlessRunning(ctx: Context, { studentId, lessonId }: CameraKey): void {
  const lesson = getLesson(ctx, studentId, lessonId);
  const { archivedAt } = getStudent(ctx, studentId);
  if (archivedAt !== null || lessonState(lesson, stamp(ctx)) !== 'running')
    throw new Refusal('camera_closed');
}

const deskOf = (ctx: Context, lessonId: string): CameraDesk => desksOf(ctx).desks.get(lessonId) ?? EMPTY_DESK;
const putDesk = (ctx: Context, lessonId: string, desk: CameraDesk): void =>
  void desksOf(ctx).desks.set(lessonId, desk);

export function deskSeen(ctx: Context, studentId: string, lessonId: string): CameraDeskSeen {
  getLesson(ctx, studentId, lessonId);
  const desk = deskOf(ctx, lessonId);
  return {
    cameras: present(desk, ctx.now().getTime()).map(({ id, kind }) => ({ id, kind })),
    takes: [...desk.takes],
  };
}

/** All phones begin together, a moment from now. */
export function takeNow(
  ctx: Context,
  studentId: string,
  lessonId: string,
  { id, seconds }: { readonly id: string; readonly seconds: number },
): CameraDeskSeen {
  refuseUnlessRunning(ctx, { studentId, lessonId, coach: '' });
  putDesk(ctx, lessonId, askTake(deskOf(ctx, lessonId), id, seconds, ctx.now().getTime()));
  return deskSeen(ctx, studentId, lessonId);
}

/** A phone says that it is here, and hears what it has still to film. */
export function hello(
  ctx: Context,
  { studentId, lessonId }: CameraKey,
  { id, kind }: { readonly id: string; readonly kind: ViewKind },
): CameraPage {
  const { profile, ageYears } = getStudent(ctx, studentId);
  const nowMs = ctx.now().getTime();
  const over = lessonState(getLesson(ctx, studentId, lessonId), stamp(ctx)) !== 'running';
  const desk = seen(deskOf(ctx, lessonId), { id, kind, seenMs: nowMs });
  putDesk(ctx, lessonId, desk);
  return {
    nowMs,
    lessonId,
    over,
    firstName: profile.firstName,
    coach: firstCoach(ctx)?.name ?? '',
    needsConsent: !mayBeFilmed({ ageYears, guardianConsent: profile.guardianConsent }, today(ctx)),
    clipLimitMb: ctx.clipLimitMb,
    heightIn: profile.heightIn,
    takes: over ? [] : takesToFilm(desk, kind, nowMs),
  };
}

/** A phone's clip of a take; the coach sees that it is there. */
export async function receiveTake(
  ctx: Context,
  { studentId, lessonId }: CameraKey,
  takeId: string,
  upload: Upload,
): Promise<void> {
  const claim = claimTake(ctx, lessonId, takeId, upload);
  try {
    const { kind } = await takeIn(ctx, studentId, takeId, upload);
    putDesk(ctx, lessonId, arrive(deskOf(ctx, lessonId), takeId, kind));
  } catch (error) {
    claim.release();
    throw error;
  }
}

/** A phone brings what it was asked for, one clip a view; sent again it is the same clip, and after a failure another may come. */
function claimTake(
  ctx: Context,
  lessonId: string,
  takeId: string,
  { id, kind }: Pick<Upload, 'id' | 'kind'>,
): { release: () => void } {
  const { claims } = desksOf(ctx);
  const key = `${lessonId} ${takeId} ${kind}`;
  const isAsked = deskOf(ctx, lessonId).takes.some((take) => take.id === takeId);
  if (!isAsked || (claims.get(key) ?? id) !== id) throw new Refusal('take_unasked');
  claims.set(key, id);
  return { release: () => void claims.delete(key) };
}

/** A clip of a take, whoever's camera it was: the first makes the swing, the other becomes its second view. */
export async function takeIn(ctx: Context, studentId: string, takeId: string, upload: Upload): Promise<Clip> {
  const clip = await addClip(ctx, studentId, upload);
  const view = viewOf(clip);
  const before = existing(ctx, studentId, takeId);
  if (!before) {
    const input = { recordedOn: today(ctx), ...likelyHowMade(ctx, studentId, today(ctx)), marks: [] };
    createSwing(ctx, studentId, takeId, { ...input, views: [view] }, { author: upload.author });
  } else if (!before.views.some(({ kind }) => kind === view.kind)) {
    editSwing(ctx, takeId, before.version, { ...before, views: [...before.views, view] });
  }
  return clip;
}

function existing(ctx: Context, studentId: string, id: string) {
  try {
    const swing = getSwing(ctx, id);
    if (swing.studentId !== studentId) throw new Refusal('id_taken');
    return swing;
  } catch (error) {
    if (error instanceof Refusal && error.problems[0]?.code === 'not_found') return null;
    throw error;
  }
}
