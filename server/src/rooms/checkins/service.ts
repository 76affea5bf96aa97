import { viewOf } from '@inchstep/contract/capture';
import type { Checkin, CheckinSend, Enclosure, FilmRequestSeen, MadeSaid } from '@inchstep/contract/checkins';
import { madeAsAsked } from '@inchstep/core/checkins';
import { BAND_ROWS } from '@inchstep/core/intake';
import { type Context, newId, stamp } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { once } from '../../platform/writes/once.ts';
import { clipFile, clipsFor, createSwing, isOnBench } from '../capture/index.ts';
import { onThisClock, record, reportPain, stopForPain } from '../intake/index.ts';
import { likelyHowMade } from '../practice/index.ts';
import { enclosuresOf } from './enclosureRepo.ts';
import {
  type CheckinRow,
  checkinById,
  checkinsOf,
  insertCheckin,
  type ReplyRow,
  repliesOf,
  replyTo,
} from './repo.ts';
import { requestFor } from './requests.ts';

const shown = ({ id, text, at, goesAt }: ReplyRow) => ({ id, text, at, goesAt });

function present(ctx: Context, { clipIds, ...row }: CheckinRow): Checkin {
  const reply = replyTo(ctx.db, row.id);
  return {
    ...row,
    clips: clipIds.map((id) => clipFile(ctx, id).clip),
    reply: reply && shown(reply),
    enclosures: enclosuresOf(ctx.db, row.studentId).get(row.id) ?? [],
  };
}

interface CheckinSender {
  readonly author: string;
  /** What the sender's clock said when it sent. */
  readonly sentAt: string | null;
}

/** Takes a check-in once, however often an offline phone sends it. Pain holds the drills from when it was written. */
export function receiveCheckin(
  ctx: Context,
  studentId: string,
  { writtenAt, painId, made, ...sent }: CheckinSend,
  { author, sentAt }: CheckinSender,
): Checkin {
  if (sent.pain && painId !== null)
    stopForPain(ctx, studentId, { id: painId, where: sent.painWhere, writtenAt }, { author, sentAt });
  if (sent.feltOf && !BAND_ROWS.some(({ id }) => id === sent.feltOf?.measure))
    throw new Refusal('unknown_measure', { id: sent.feltOf.measure });
  for (const id of sent.clipIds)
    if (clipFile(ctx, id).clip.studentId !== studentId) throw new Refusal('not_found');
  const receive = () => {
    // What stood when it came: with it the request may be fulfilled.
    const asked = sent.clipIds.length > 0 ? requestFor(ctx, studentId) : null;
    insertCheckin(ctx.db, { ...sent, studentId, at: stamp(ctx) });
    record(ctx, studentId, 'checkin', { pain: sent.pain ? 1 : 0, clips: sent.clipIds.length });
    for (const clipId of sent.clipIds) makeSwing(ctx, studentId, clipId, { asked, made }, author);
    const since = onThisClock(ctx, studentId, writtenAt, sentAt) ?? stamp(ctx);
    if (sent.pain && painId === null) reportPain(ctx, studentId, newId(), sent.painWhere, since);
  };
  return once(ctx, { id: sent.id, what: 'checkin', studentId, author }, receive, () =>
    getCheckin(ctx, sent.id),
  );
}

/** Every clip becomes a swing, made as it was asked for, so that it is looked through before anybody opens it. */
function makeSwing(
  ctx: Context,
  studentId: string,
  clipId: string,
  { asked, made }: { readonly asked: FilmRequestSeen | null; readonly made: MadeSaid | null },
  author: string,
): void {
  const { clip } = clipFile(ctx, clipId);
  if (isOnBench(ctx, clip)) return;
  const usual = likelyHowMade(ctx, studentId, clip.recordedOn);
  const likely = asked ? madeAsAsked(asked, usual) : usual;
  // The student was there.
  const told = {
    club: made?.club ?? likely.club,
    speed: made?.speed ?? likely.speed,
    aid: made?.aid ?? likely.aid,
  };
  const input = { recordedOn: clip.recordedOn, ...likely, ...told, views: [viewOf(clip)], marks: [] };
  createSwing(ctx, studentId, newId(), input, { author });
}

export function getCheckin(ctx: Context, id: string): Checkin {
  const row = checkinById(ctx.db, id);
  if (!row) throw new Refusal('not_found');
  return present(ctx, row);
}

export const listCheckins = (ctx: Context, studentId: string): Checkin[] =>
  presentAll(ctx, studentId, checkinsOf(ctx.db, studentId), true);

/** Many at once: replies and clips in a statement each, however many there are. */
function presentAll(
  ctx: Context,
  studentId: string,
  rows: readonly CheckinRow[],
  forCoach: boolean,
): Checkin[] {
  const replies = new Map(repliesOf(ctx.db, studentId).map((reply) => [reply.checkinId, reply]));
  const withClips = rows.some(({ clipIds }) => clipIds.length > 0);
  const clips = new Map((withClips ? clipsFor(ctx, studentId) : []).map((clip) => [clip.id, clip]));
  // What is not answered goes along with nothing that a student sees.
  const enclosed =
    forCoach || replies.size > 0 ? enclosuresOf(ctx.db, studentId) : new Map<string, Enclosure[]>();
  return rows.map(({ clipIds, ...row }) => {
    const reply = replies.get(row.id);
    return {
      ...row,
      clips: clipIds.flatMap((id) => clips.get(id) ?? []),
      reply: reply ? shown(reply) : null,
      enclosures: enclosed.get(row.id) ?? [],
    };
  });
}
/** As the student may see them: an answer that can still be taken back is none yet. */
export function recentCheckins(ctx: Context, studentId: string, most: number): Checkin[] {
  const now = stamp(ctx);
  return presentAll(ctx, studentId, checkinsOf(ctx.db, studentId, most), false).map((checkin) => {
    const { reply } = checkin;
    const gone = reply !== null && (reply.goesAt === null || reply.goesAt <= now);
    return gone ? checkin : { ...checkin, reply: null, enclosures: [] };
  });
}
