import type { Checkin, CheckinSend } from '@inchstep/contract/checkins';
import { type Context, newId, stamp } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { clipFile } from '../capture/index.ts';
import { getStudent, record, reportPain } from '../intake/index.ts';
import { type CheckinRow, checkinById, checkinsOf, insertCheckin, insertReply, replyTo } from './repo.ts';

function present(ctx: Context, { clipIds, ...row }: CheckinRow): Checkin {
  const reply = replyTo(ctx.db, row.id);
  return {
    ...row,
    clips: clipIds.map((id) => clipFile(ctx, id).clip),
    reply: reply && { id: reply.id, text: reply.text, at: reply.at },
  };
}

/** Takes a check-in once, however often an offline phone sends it. Pain holds the drills at once. */
export function receiveCheckin(ctx: Context, studentId: string, sent: CheckinSend): Checkin {
  for (const id of sent.clipIds)
    if (clipFile(ctx, id).clip.studentId !== studentId) throw new Refusal('not_found');
  const known = checkinById(ctx.db, sent.id);
  if (known) {
    if (known.studentId !== studentId) throw new Refusal('not_found');
    return present(ctx, known);
  }
  ctx.db.transaction(() => {
    insertCheckin(ctx.db, { ...sent, studentId, at: stamp(ctx) });
    record(ctx, studentId, 'checkin', { pain: sent.pain ? 1 : 0, clips: sent.clipIds.length });
    if (sent.pain) reportPain(ctx, studentId, newId(), sent.painWhere);
  });
  return getCheckin(ctx, sent.id);
}

export function getCheckin(ctx: Context, id: string): Checkin {
  const row = checkinById(ctx.db, id);
  if (!row) throw new Refusal('not_found');
  return present(ctx, row);
}

export const listCheckins = (ctx: Context, studentId: string): Checkin[] =>
  checkinsOf(ctx.db, studentId).map((row) => present(ctx, row));
export const lastCheckin = (ctx: Context, studentId: string): Checkin | null =>
  listCheckins(ctx, studentId)[0] ?? null;
export const checkinDays = (ctx: Context, studentId: string): string[] =>
  [...new Set(checkinsOf(ctx.db, studentId).map((row) => row.at.slice(0, 10)))].sort();

/** Sends the coach's answer once: to the student's page, and as a mail file to the outbox. */
export async function sendReply(ctx: Context, checkinId: string, id: string, text: string): Promise<Checkin> {
  const checkin = getCheckin(ctx, checkinId);
  if (checkin.reply?.id === id) return checkin;
  if (checkin.reply) throw new Refusal('changed_meanwhile');
  const { profile } = getStudent(ctx, checkin.studentId);
  await ctx.outbox.put({
    id,
    toName: `${profile.firstName} ${profile.familyName}`,
    subject: 'About your check-in',
    text,
    at: ctx.now(),
  });
  ctx.db.transaction(() => {
    insertReply(ctx.db, { id, checkinId, text, at: stamp(ctx) });
    record(ctx, checkin.studentId, 'reply', { checkin: checkinId });
  });
  return getCheckin(ctx, checkinId);
}
