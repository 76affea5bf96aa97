import type { Conversation, NewMessages } from '@inchstep/contract/checkins';
import { askText, LETTER_WORDS } from '@inchstep/contract/words';
import { conversationOf, goesAfter, type Said, saidBy } from '@inchstep/core/checkins';
import { type Context, stamp } from '../../platform/context.ts';
import { Refusal } from '../../platform/errors.ts';
import { once } from '../../platform/writes/once.ts';
import { getStudent, record } from '../intake/index.ts';
import { libraryWords } from '../prescription/index.ts';
import { enclosuresOf } from './enclosureRepo.ts';
import { dropLetter, letterById, markLetter } from './letterRepo.ts';
import { keepLetter, listLetters, sendLetters } from './letters.ts';
import { dropMessage, insertMessage, messageById, messagesOf, setMessageGoes } from './messageRepo.ts';
import { checkinsOf, repliesOf } from './repo.ts';
import { requestsOf } from './requestRepo.ts';

/** Everything that was said between coach and student, the latest first. */
function allSaid(ctx: Context, studentId: string): Said[] {
  const { nameOf } = libraryWords(ctx);
  const { lessons } = ctx.records.of(studentId).intake;
  const enclosed = enclosuresOf(ctx.db, studentId);
  return conversationOf([
    ...checkinsOf(ctx.db, studentId).map(
      ({ id, at, note }): Said => ({
        id,
        at,
        by: 'student',
        as: 'checkin',
        text: note,
        goesAt: null,
        checkinId: id,
      }),
    ),
    ...repliesOf(ctx.db, studentId).map(
      ({ id, at, text, goesAt, checkinId }): Said => ({
        id,
        at,
        by: 'coach',
        as: 'reply',
        text,
        goesAt,
        checkinId,
        enclosures: enclosed.get(checkinId),
      }),
    ),
    ...lessons.flatMap(({ id, summary, sentAt }): Said[] =>
      summary === null || sentAt === null
        ? []
        : [{ id, at: sentAt, by: 'coach', as: 'lesson', text: summary, goesAt: null, checkinId: null }],
    ),
    ...messagesOf(ctx.db, studentId).map(
      ({ id, at, text, goesAt }): Said => ({
        id,
        at,
        by: 'coach',
        as: 'message',
        text,
        goesAt,
        checkinId: null,
      }),
    ),
    ...requestsOf(ctx.db, studentId)
      .filter(({ withdrawnAt }) => withdrawnAt === null)
      .map(
        (ask): Said => ({
          id: ask.id,
          at: ask.askedAt,
          by: 'coach',
          as: 'asked',
          text: [askText(ask, nameOf), ask.why].filter(Boolean).join('\n'),
          goesAt: null,
          checkinId: null,
        }),
      ),
  ]);
}

export function conversationWith(ctx: Context, studentId: string): Conversation {
  getStudent(ctx, studentId);
  return {
    said: allSaid(ctx, studentId),
    letters: listLetters(ctx, studentId),
    by: ctx.mailDoor ? 'server' : 'folder',
  };
}

/** What the student may read of it. */
export const conversationFor = (ctx: Context, studentId: string): Said[] =>
  saidBy(allSaid(ctx, studentId), stamp(ctx));

/** The coach writes first, to one or to several; each gets their own, and each counts once. */
export function writeMessages(ctx: Context, { to, text }: NewMessages, author: string): void {
  for (const { id, studentId } of to) {
    const { archivedAt } = getStudent(ctx, studentId);
    if (archivedAt !== null) throw new Refusal('student_archived');
    const keep = () => {
      const at = stamp(ctx);
      const goesAt = goesAfter(at);
      insertMessage(ctx.db, { id, studentId, text, at, goesAt, author });
      keepLetter(ctx, { id, studentId, subject: LETTER_WORDS.message, text, goesAt });
      record(ctx, studentId, 'message', {});
    };
    once(ctx, { id, what: 'message', studentId, author }, keep, () => undefined);
  }
}

export function takeBackMessage(ctx: Context, studentId: string, id: string): void {
  const message = messageById(ctx.db, id);
  if (message?.studentId !== studentId) throw new Refusal('not_found');
  if (message.goesAt === null || message.goesAt <= stamp(ctx)) throw new Refusal('letter_gone');
  ctx.records.write(
    studentId,
    () => {
      dropMessage(ctx.db, id);
      dropLetter(ctx.db, id);
      record(ctx, studentId, 'undone', { what: 'message' });
    },
    'nothing',
  );
}

export async function sendMessageNow(ctx: Context, studentId: string, id: string): Promise<void> {
  const message = messageById(ctx.db, id);
  if (message?.studentId !== studentId) throw new Refusal('not_found');
  const now = stamp(ctx);
  ctx.records.write(
    studentId,
    () => {
      if (message.goesAt !== null && message.goesAt > now) setMessageGoes(ctx.db, id, now);
      if (letterById(ctx.db, id)?.madeAt === null) markLetter(ctx.db, id, { goesAt: now });
    },
    'nothing',
  );
  await sendLetters(ctx);
}
