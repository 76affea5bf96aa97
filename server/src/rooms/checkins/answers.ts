import type { Checkin, ReplySend } from '@inchstep/contract/checkins';
import { planAskSchema } from '@inchstep/contract/practice';
import { askText, LETTER_WORDS } from '@inchstep/contract/words';
import { goesAfter } from '@inchstep/core/checkins';
import { askNow } from '@inchstep/core/practice';
import { feelRecordOf, inUse } from '@inchstep/core/prescription';
import { type Context, newId, stamp, today } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { once } from '../../platform/writes/once.ts';
import { record } from '../intake/index.ts';
import { decideGate, dropPlan, savePlan, takeBackGate } from '../practice/index.ts';
import { forgetFeel, libraryWords, noteFeel } from '../prescription/index.ts';
import { dropLetter, letterById, markLetter } from './letterRepo.ts';
import { keepLetter, sendLetters } from './letters.ts';
import { dropReply, insertReply, replyTo, setReplyGoes } from './repo.ts';
import { askForClips, withdrawRequest } from './requests.ts';
import { feltOfCheckin, reviewFacts } from './review.ts';
import { getCheckin } from './service.ts';
import type { MailDate } from './tables.ts';

/**
 * The coach's answer, once, with all that is done in the same press: gates decided, the plan laid anew, the next clips
 * asked for. It all stands at once; the letter goes when the time to take it back is over.
 */
export function sendReply(ctx: Context, checkinId: string, sent: ReplySend, author: string): Checkin {
  const { id, text, draft, gates, replan, request } = sent;
  const { studentId } = getCheckin(ctx, checkinId);
  const known = replyTo(ctx.db, checkinId);
  if (known && known.id !== id) throw new Refusal('changed_meanwhile');
  const send = () => {
    // What was shown is what is answered: a plan laid in the same press begins a new count.
    const shown = reviewFacts(ctx, getCheckin(ctx, checkinId));
    for (const word of gates) decideGate(ctx, studentId, word, author);
    const planId = replan ? planAnew(ctx, studentId, author) : null;
    if (request) askForClips(ctx, studentId, request, author);
    const at = stamp(ctx);
    const goesAt = goesAfter(at);
    const feelId = keepFelt(ctx, checkinId, author);
    const along = { feelId, gates: gates.map((word) => word.id), requestId: request?.id ?? null, planId };
    insertReply(ctx.db, { id, checkinId, text, at, draft, goesAt, along, shown });
    const date: MailDate | null = request && {
      day: request.dueOn,
      title: askText(request, libraryWords(ctx).nameOf),
    };
    keepLetter(ctx, { id, studentId, subject: LETTER_WORDS.reply, text, goesAt, date });
    record(ctx, studentId, 'reply', { checkin: checkinId });
  };
  once(ctx, { id, what: 'reply', studentId, author }, send, () => undefined);
  return getCheckin(ctx, checkinId);
}

/** What was felt beside what was measured sizes the next cue, as in a lesson; null where there is nothing to keep. */
function keepFelt(ctx: Context, checkinId: string, author: string): string | null {
  const checkin = getCheckin(ctx, checkinId);
  const against = feltOfCheckin(ctx, checkin);
  if (!against?.measured) return null;
  const { prescription } = ctx.records.of(checkin.studentId);
  const feel = feelRecordOf(against, against.measured, inUse(prescription)?.forFault ?? null);
  if (!feel) return null;
  const id = newId();
  noteFeel(ctx, checkin.studentId, { id, ...feel }, author);
  return id;
}

function planAnew(ctx: Context, studentId: string, author: string): string | null {
  const { practice, intake } = ctx.records.of(studentId);
  if (!practice.plan) return null;
  const id = newId();
  const ask = askNow({ intake }, practice.plan, today(ctx));
  savePlan(ctx, studentId, id, planAskSchema.parse(ask), author);
  return id;
}

/** Takes an answer back before it went, and everything that was done in its press. */
export function takeBackReply(ctx: Context, checkinId: string): Checkin {
  const { studentId } = getCheckin(ctx, checkinId);
  const reply = replyTo(ctx.db, checkinId);
  if (!reply) throw new Refusal('not_found');
  if (reply.goesAt === null || reply.goesAt <= stamp(ctx)) throw new Refusal('letter_gone');
  ctx.records.write(studentId, () => {
    const { gates = [], requestId = null, planId = null, feelId = null } = reply.along ?? {};
    if (feelId) forgetFeel(ctx, studentId, feelId);
    if (requestId) withdrawRequest(ctx, studentId, requestId, true);
    if (planId) dropPlan(ctx, studentId, planId);
    for (const id of [...gates].reverse()) takeBackGate(ctx, studentId, id);
    dropReply(ctx.db, reply.id);
    dropLetter(ctx.db, reply.id);
    record(ctx, studentId, 'undone', { what: 'reply' });
  });
  return getCheckin(ctx, checkinId);
}

/** No second thought is wanted: it goes now. */
export async function sendReplyNow(ctx: Context, checkinId: string): Promise<Checkin> {
  const { studentId } = getCheckin(ctx, checkinId);
  const reply = replyTo(ctx.db, checkinId);
  if (!reply) throw new Refusal('not_found');
  const now = stamp(ctx);
  ctx.records.write(studentId, () => {
    if (reply.goesAt !== null && reply.goesAt > now) setReplyGoes(ctx.db, reply.id, now);
    if (letterById(ctx.db, reply.id)?.madeAt === null) markLetter(ctx.db, reply.id, { goesAt: now });
  });
  await sendLetters(ctx);
  return getCheckin(ctx, checkinId);
}
