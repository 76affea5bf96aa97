import type { Checkin, CheckinSend } from '@inchstep/contract/checkins';
import { type Context, newId, stamp } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { clipFile, clipsFor } from '../capture/index.ts';
import { getStudent, once, onThisClock, record, reportPain } from '../intake/index.ts';
import {
  type CheckinRow,
  checkinById,
  checkinsOf,
  insertCheckin,
  insertMail,
  insertReply,
  letterIds,
  mailsToMake,
  markMailMade,
  repliesOf,
  replyTo,
} from './repo.ts';

function present(ctx: Context, { clipIds, ...row }: CheckinRow): Checkin {
  const reply = replyTo(ctx.db, row.id);
  return {
    ...row,
    clips: clipIds.map((id) => clipFile(ctx, id).clip),
    reply: reply && { id: reply.id, text: reply.text, at: reply.at },
  };
}

export interface CheckinSender {
  readonly author: string;
  /** What the sender's clock said when it sent. */
  readonly sentAt: string | null;
}

/** Takes a check-in once, however often an offline phone sends it. Pain holds the drills from when it was written. */
export function receiveCheckin(
  ctx: Context,
  studentId: string,
  { writtenAt, ...sent }: CheckinSend,
  { author, sentAt }: CheckinSender,
): Checkin {
  for (const id of sent.clipIds)
    if (clipFile(ctx, id).clip.studentId !== studentId) throw new Refusal('not_found');
  const receive = () => {
    insertCheckin(ctx.db, { ...sent, studentId, at: stamp(ctx) });
    record(ctx, studentId, 'checkin', { pain: sent.pain ? 1 : 0, clips: sent.clipIds.length });
    const since = onThisClock(ctx, studentId, writtenAt, sentAt) ?? stamp(ctx);
    if (sent.pain) reportPain(ctx, studentId, newId(), sent.painWhere, since);
  };
  return once(ctx, { id: sent.id, what: 'checkin', studentId, author }, receive, () =>
    getCheckin(ctx, sent.id),
  );
}

export function getCheckin(ctx: Context, id: string): Checkin {
  const row = checkinById(ctx.db, id);
  if (!row) throw new Refusal('not_found');
  return present(ctx, row);
}

export const listCheckins = (ctx: Context, studentId: string): Checkin[] =>
  presentAll(ctx, studentId, checkinsOf(ctx.db, studentId));

/** Many at once: replies and clips in a statement each, however many there are. */
function presentAll(ctx: Context, studentId: string, rows: readonly CheckinRow[]): Checkin[] {
  const replies = new Map(repliesOf(ctx.db, studentId).map((reply) => [reply.checkinId, reply]));
  const withClips = rows.some(({ clipIds }) => clipIds.length > 0);
  const clips = new Map((withClips ? clipsFor(ctx, studentId) : []).map((clip) => [clip.id, clip]));
  return rows.map(({ clipIds, ...row }) => {
    const reply = replies.get(row.id);
    return {
      ...row,
      clips: clipIds.flatMap((id) => clips.get(id) ?? []),
      reply: reply ? { id: reply.id, text: reply.text, at: reply.at } : null,
    };
  });
}
export const recentCheckins = (ctx: Context, studentId: string, most: number): Checkin[] =>
  presentAll(ctx, studentId, checkinsOf(ctx.db, studentId, most));

/** Sends the coach's answer once: to the student's page, and as mail, whose file is made from its row. */
export async function sendReply(
  ctx: Context,
  checkinId: string,
  { id, text }: { readonly id: string; readonly text: string },
  author: string,
): Promise<Checkin> {
  const { studentId } = getCheckin(ctx, checkinId);
  const send = () => {
    if (replyTo(ctx.db, checkinId)) throw new Refusal('changed_meanwhile');
    const { profile } = getStudent(ctx, studentId);
    insertReply(ctx.db, { id, checkinId, text, at: stamp(ctx) });
    insertMail(ctx.db, {
      id,
      studentId,
      toName: `${profile.firstName} ${profile.familyName}`,
      subject: 'About your check-in',
      text,
      at: stamp(ctx),
      madeAt: null,
    });
    record(ctx, studentId, 'reply', { checkin: checkinId });
  };
  const known = replyTo(ctx.db, checkinId);
  if (known && known.id !== id) throw new Refusal('changed_meanwhile');
  once(ctx, { id, what: 'reply', studentId, author }, send, () => undefined);
  await makeMails(ctx);
  return getCheckin(ctx, checkinId);
}

/** Makes the files of letters that have none yet. One that can't be written now is written at the next call. */
export async function makeMails(ctx: Context): Promise<void> {
  for (const row of mailsToMake(ctx.db)) {
    try {
      await ctx.outbox.put({ ...row, at: new Date(row.at) });
      // Erased while it was written: the file goes, too.
      if (!markMailMade(ctx.db, row.id, stamp(ctx))) ctx.outbox.remove(row.id);
    } catch {
      return;
    }
  }
}

export const knownLetters = (ctx: Context): Set<string> => new Set(letterIds(ctx.db));
